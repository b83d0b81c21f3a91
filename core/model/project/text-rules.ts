import type { Problem } from '../../math/index.ts';

/**
 * Characters that no text may hold: control characters other than tab, line feed and carriage return, half surrogate pairs,
 * and invisible ones that turn the direction of writing or hide inside a word.
 */
const FORBIDDEN =
  '\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f-\\u009f\\u200b\\u2028-\\u202e\\u2060-\\u2069\\ufeff\\ufff9-\\ufffb\\p{Cs}';

/** The whole of a text without forbidden characters. */
export const CLEAN_TEXT = new RegExp(`^[^${FORBIDDEN}]*$`, 'u');

/** Deepest nesting of lists and objects in a request or file. */
export const MAX_DEPTH = 64;

/** The text without its forbidden characters. */
export const cleanText = (text: string): string => text.replace(new RegExp(`[${FORBIDDEN}]`, 'gu'), '');

/**
 * The first forbidden character anywhere in a JSON value, as a problem that names the field; null where there is none.
 * Keys are checked too. Nesting beyond `MAX_DEPTH` is a problem of its own. Problems: `record-invalid`, `nested-too-deep`.
 */
export function textProblem(value: unknown, field = ''): Problem | null {
  const open: { readonly value: unknown; readonly field: string; readonly depth: number }[] = [{ value, field, depth: 0 }];
  for (let next = open.pop(); next; next = open.pop()) {
    if (typeof next.value === 'string') {
      if (!CLEAN_TEXT.test(next.value))
        return { code: 'record-invalid', kind: 'invalid', field: next.field, reason: 'holds control or invisible characters' };
      continue;
    }
    if (typeof next.value !== 'object' || next.value === null) continue;
    if (next.depth >= MAX_DEPTH)
      return { code: 'nested-too-deep', kind: 'invalid', field: next.field.slice(0, 80), limit: MAX_DEPTH };
    const isList = Array.isArray(next.value);
    for (const [key, inner] of Object.entries(next.value)) {
      if (!isList && !CLEAN_TEXT.test(key))
        return {
          code: 'record-invalid',
          kind: 'invalid',
          field: next.field || 'body',
          reason: 'has a field name with invisible characters',
        };
      open.push({
        value: inner,
        field: isList ? `${next.field}[${key}]` : next.field === '' ? key : `${next.field}.${key}`,
        depth: next.depth + 1,
      });
    }
  }
  return null;
}
