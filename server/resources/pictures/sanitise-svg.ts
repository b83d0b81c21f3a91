import sax from 'sax';
import { refusal } from '../../http/problems.ts';

/** What a plan needs: shapes, text, and what they are painted with. Everything else is left out. */
const ELEMENTS = new Set(
  'svg g defs symbol use path rect circle ellipse line polyline polygon text tspan image clipPath mask pattern linearGradient radialGradient stop title desc marker'.split(
    ' ',
  ),
);
/** Elements whose content goes with them. */
const DROP_WHOLE = new Set(
  'script style foreignObject iframe audio video animate set animateTransform animateMotion handler listener'.split(' '),
);
const ATTRIBUTES = new Set(
  `id class d x y x1 y1 x2 y2 cx cy r rx ry fx fy dx dy width height viewBox preserveAspectRatio transform points pathLength version overflow
  fill fill-opacity fill-rule stroke stroke-width stroke-opacity stroke-linecap stroke-linejoin stroke-dasharray stroke-dashoffset
  stroke-miterlimit opacity clip-path clip-rule mask font-family font-size font-weight font-style text-anchor dominant-baseline letter-spacing
  textLength lengthAdjust rotate offset stop-color stop-opacity gradientUnits gradientTransform spreadMethod patternUnits patternTransform
  patternContentUnits clipPathUnits maskUnits maskContentUnits markerWidth markerHeight refX refY orient markerUnits marker-start marker-mid
  marker-end vector-effect visibility display color style href xlink:href`
    .split(/\s+/)
    .filter(Boolean),
);
/** Only things inside the file, and pictures that travel in it. */
const SAFE_LINK = /^(#[\w.-]+|data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=\s]*)$/;
const SAFE_URL = /url\(\s*(['"]?)#[\w.-]+\1\s*\)/g;
const MAX_ELEMENTS = 600_000;
const DEEPEST = 200;

export interface CleanSvg {
  readonly svg: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * An SVG picture with nothing in it that runs, loads or refers outside: known shapes and paint are written anew, the rest
 * is left out. Problems: `svg-refused` with the reason (not well formed, entities, no size, too much).
 */
export function sanitiseSvg(text: string, field = 'picture'): CleanSvg {
  const refuse = (reason: string) => refusal('svg-refused', { kind: 'invalid', field, reason });
  const parser = sax.parser(true, { xmlns: false });
  const out: string[] = [];
  let dropDepth = 0;
  let depth = 0;
  let count = 0;
  const open: boolean[] = [];
  let size: { widthPx: number; heightPx: number } | null = null;
  parser.onerror = (error) => {
    throw refuse(error.message.split('\n')[0].slice(0, 120));
  };
  parser.ondoctype = (doctype) => {
    if (/ENTITY|\[/i.test(doctype)) throw refuse('it declares entities');
  };
  parser.onopentag = ({ name, attributes }) => {
    const plain = name.replace(/^svg:/, '');
    if (++count > MAX_ELEMENTS || ++depth > DEEPEST) throw refuse('it holds too many parts');
    if (depth === 1) {
      if (plain !== 'svg') throw refuse('it does not begin with svg');
      size = sizeOf(attributes as Record<string, string>);
      if (!size) throw refuse('it has no size');
    }
    const keep = dropDepth === 0 && ELEMENTS.has(plain);
    if (dropDepth > 0 || DROP_WHOLE.has(plain)) dropDepth++;
    open.push(keep);
    if (!keep) return;
    const kept = Object.entries(attributes as Record<string, string>)
      .filter(([key, value]) => ATTRIBUTES.has(key) && safeValue(key, value))
      .map(([key, value]) => ` ${key}="${escaped(value)}"`);
    const root = depth === 1 ? ` xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"` : '';
    out.push(`<${plain}${root}${kept.join('')}>`);
  };
  parser.ontext = (words) => {
    if (dropDepth === 0 && open.at(-1) && words.trim() !== '') out.push(escaped(words));
  };
  parser.onclosetag = (name) => {
    depth--;
    if (open.pop()) out.push(`</${name.replace(/^svg:/, '')}>`);
    if (dropDepth > 0) dropDepth--;
  };
  parser.write(text.replace(/^\uFEFF/, '')).close();
  const found = size as { widthPx: number; heightPx: number } | null;
  if (!found) throw refuse('it is empty');
  return { svg: out.join(''), ...found };
}

function safeValue(key: string, value: string): boolean {
  if (key === 'href' || key === 'xlink:href') return SAFE_LINK.test(value.trim());
  const rest = value.replace(SAFE_URL, '');
  return !/url\s*\(|javascript:|expression\s*\(|@import|\\/i.test(rest);
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

const PX: Readonly<Record<string, number>> = { '': 1, px: 1, pt: 96 / 72, pc: 16, mm: 96 / 25.4, cm: 96 / 2.54, in: 96 };

function sizeOf(attributes: Record<string, string>): { widthPx: number; heightPx: number } | null {
  const length = (text: string | undefined) => {
    const match = /^\s*([\d.]+)\s*(px|pt|pc|mm|cm|in)?\s*$/.exec(text ?? '');
    return match ? Number(match[1]) * PX[match[2] ?? ''] : NaN;
  };
  const box = (attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [width, height] = [length(attributes.width), length(attributes.height)];
  const [w, h] =
    Number.isFinite(width) && Number.isFinite(height) ? [width, height] : box.length === 4 ? [box[2], box[3]] : [NaN, NaN];
  return w >= 1 && h >= 1 ? { widthPx: Math.round(w), heightPx: Math.round(h) } : null;
}
