export const SELECTION_KINDS = [
  'device',
  'run',
  'wall',
  'room',
  'opening',
  'feature',
  'rack',
  'riser',
  'dimension',
  'reference',
] as const;
export type SelectionKind = (typeof SELECTION_KINDS)[number];

/** What is selected on every part of the screen at once. */
export interface Selection {
  readonly kind: SelectionKind | 'none';
  readonly ids: readonly string[];
}

export const noSelection: Selection = { kind: 'none', ids: [] };

/** The selection with one more of its kind, or without it where it was selected. */
export function toggled({ kind, ids }: Selection, id: string): Selection {
  const next = ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id];
  return next.length > 0 ? { kind, ids: next } : noSelection;
}

/** A selection as the address holds it, e.g. `wall:w1,w2`; nothing where it cannot be read. */
export function readSelection(text: string | null): Selection {
  const match = /^([a-z]+):([A-Za-z0-9_,-]+)$/.exec(text ?? '');
  if (!match || !SELECTION_KINDS.includes(match[1] as SelectionKind)) return noSelection;
  return { kind: match[1] as SelectionKind, ids: match[2].split(',').filter(Boolean) };
}
