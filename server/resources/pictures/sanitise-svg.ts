import sax from 'sax';
import { refusal } from '../../http/problems.ts';
import { PartCounts } from './part-counts.ts';
import { safeCss } from './safe-css.ts';
import { type SheetSize, sheetSize } from './sheet-size.ts';

/** What a plan needs: shapes, text, and what they are painted with. Everything else is left out. */
const ELEMENTS = new Set(
  'svg g defs symbol use path rect circle ellipse line polyline polygon text tspan image clipPath mask pattern linearGradient radialGradient stop title desc marker'.split(
    ' ',
  ),
);
/** Elements whose content goes with them. */
const DROP_WHOLE = new Set(
  'script foreignObject iframe audio video animate set animateTransform animateMotion handler listener'.split(' '),
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
const INNER_LINK = /^#([\w.-]+)$|url\(\s*['"]?#([\w.-]+)['"]?\s*\)/g;
const MAX_ELEMENTS = 600_000;
const DEEPEST = 200;
/** Attributes of the root that say how large it is: they are written anew. */
const SIZING = new Set(['x', 'y', 'width', 'height', 'viewBox', 'preserveAspectRatio', 'version']);

export interface CleanSvg {
  readonly svg: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Side of a pixel on the sheet of paper, m. */
  readonly paperMetresPerPixel: number;
}

type Attributes = Readonly<Record<string, string>>;

/**
 * An SVG picture with nothing in it that runs, loads or refers outside: known shapes and paint are written anew, the rest
 * is left out. It fills whole pixels and keeps its ratio; a drawing larger than a picture may be is written smaller, as vectors.
 * Problems: `svg-refused` with the reason (not well formed, entities, no size, too many parts or too deep).
 */
export function sanitiseSvg(text: string, field = 'picture'): CleanSvg {
  const refuse = (reason: string) => refusal('svg-refused', { kind: 'invalid', field, reason });
  const parser = sax.parser(true, { xmlns: false });
  const out: string[] = [];
  const parts = new PartCounts();
  let dropDepth = 0;
  let depth = 0;
  const open: boolean[] = [];
  let size: SheetSize | null = null;
  let closing = '</svg>';
  let css: string | null = null;
  parser.onerror = (error) => {
    const line = /Line: (\d+)/.exec(error.message)?.[1];
    const reason = error.message.split('\n')[0].slice(0, 120);
    throw refuse(line === undefined ? reason : `${reason}, line ${Number(line) + 1}`);
  };
  parser.ondoctype = (doctype) => {
    if (/ENTITY|\[/i.test(doctype)) throw refuse('it declares entities');
  };
  parser.onopentag = ({ name, attributes }) => {
    const plain = plainName(name);
    if (++depth > DEEPEST) throw refuse(`it is nested deeper than ${DEEPEST} parts`);
    const keep = dropDepth === 0 && ELEMENTS.has(plain);
    if (depth === 1) {
      if (plain !== 'svg') throw refuse('it does not begin with svg');
      size = sheetSize(attributes as Attributes);
      if (!size) throw refuse('it has no size');
    }
    if (dropDepth > 0 || DROP_WHOLE.has(plain) || plain === 'style') dropDepth++;
    if (plain === 'style' && dropDepth === 1) css = '';
    open.push(keep);
    if (!keep) return;
    const kept = Object.entries(attributes as Attributes).filter(([key, value]) => ATTRIBUTES.has(key) && safeValue(key, value));
    parts.open(
      kept.find(([key]) => key === 'id')?.[1],
      kept.flatMap(([, value]) => [...value.matchAll(INNER_LINK)].map(([, link, url]) => link ?? url)),
    );
    if (parts.count > MAX_ELEMENTS) throw refuse(`it holds more than ${MAX_ELEMENTS} parts`);
    if (depth > 1) return void out.push(`<${plain}${written(kept)}>`);
    const root = rootOf(kept, size!);
    out.push(root.opening);
    closing = root.closing;
  };
  parser.ontext = parser.oncdata = (words) => {
    if (css !== null) css += words;
    else if (dropDepth === 0 && open.at(-1) && words.trim() !== '') out.push(escaped(words));
  };
  parser.onclosetag = (name) => {
    depth--;
    if (open.pop()) {
      parts.close();
      out.push(depth === 0 ? closing : `</${plainName(name)}>`);
    }
    if (dropDepth > 0) dropDepth--;
    if (css !== null && dropDepth === 0) {
      const safe = safeCss(css);
      if (safe !== '') out.push(`<style>${escaped(safe)}</style>`);
      css = null;
    }
  };
  parser.write(text.replace(/^\uFEFF/, '')).close();
  const found = size as SheetSize | null;
  if (!found) throw refuse('it is empty');
  const drawn = parts.drawn(MAX_ELEMENTS, DEEPEST);
  if (drawn === 'loop') throw refuse('a part of it holds itself');
  if (drawn === 'deep') throw refuse(`its parts refer to each other more than ${DEEPEST} times deep`);
  if (drawn === 'many') throw refuse(`its repeated parts come to more than ${MAX_ELEMENTS}`);
  const { widthPx, heightPx, paperMetresPerPixel } = found;
  return { svg: out.join(''), widthPx, heightPx, paperMetresPerPixel };
}

/** A link only groups what it holds. */
const plainName = (name: string) => (name === 'a' || name === 'svg:a' ? 'g' : name.replace(/^svg:/, ''));

const written = (attributes: readonly (readonly [string, string])[]) =>
  attributes.map(([key, value]) => ` ${key}="${escaped(value)}"`).join('');

/** The root as whole pixels; where the drawing has other units or another ratio, it stands inside as it was. */
function rootOf(attributes: readonly (readonly [string, string])[], size: SheetSize) {
  const { widthPx, heightPx, isWhole, innerWidth, innerHeight, viewBox, preserveAspectRatio } = size;
  const own = attributes.filter(([key, value]) => !SIZING.has(key) && !(key === 'style' && /\b(width|height)\s*:/i.test(value)));
  const outer = `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}"`;
  if (isWhole) return { opening: `${outer}${written(own)}>`, closing: '</svg>' };
  const ratio = preserveAspectRatio === undefined ? '' : ` preserveAspectRatio="${escaped(preserveAspectRatio)}"`;
  const inner = `<svg width="${innerWidth}" height="${innerHeight}" viewBox="${viewBox.join(' ')}"${ratio}${written(own)}>`;
  return { opening: `${outer}>${inner}`, closing: '</svg></svg>' };
}

function safeValue(key: string, value: string): boolean {
  if (key === 'href' || key === 'xlink:href') return SAFE_LINK.test(value.trim());
  const rest = value.replace(SAFE_URL, '');
  return !/url\s*\(|javascript:|expression\s*\(|@import|\\/i.test(rest);
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
