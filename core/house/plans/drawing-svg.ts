import type { Drawing } from './drawing.ts';
import type { Point2 } from '../../math/index.ts';

/** Pixels of our own plan pictures to a metre: a centimetre each. */
export const SVG_PX_PER_M = 100;

/** A drawing as a picture of plain lines, one path a layer; what a browser needs to show it sharp at any zoom. */
export function drawingSvg(
  drawing: Drawing,
  metresPerUnit: number,
  layers: ReadonlySet<string>,
): { svg: string; widthPx: number; heightPx: number } {
  const k = metresPerUnit * SVG_PX_PER_M;
  const widthPx = Math.max(1, Math.ceil(drawing.bounds.maxX * k));
  const heightPx = Math.max(1, Math.ceil(drawing.bounds.maxY * k));
  const paths = drawing.layers
    .filter(({ name }) => layers.has(name))
    .map(({ lines }) => {
      const parts: string[] = [];
      for (let i = 0; i < lines.length; i += 4) {
        const [x0, y0, x1, y1] = [
          px(lines[i] * k),
          px(heightPx - lines[i + 1] * k),
          px(lines[i + 2] * k),
          px(heightPx - lines[i + 3] * k),
        ];
        parts.push(`M${x0} ${y0}L${x1} ${y1}`);
      }
      return `<path d="${parts.join('')}"/>`;
    });
  const texts = drawing.texts
    .filter(({ layer }) => layers.has(layer))
    .map(
      ({ x, y, height, text }) =>
        `<text x="${px(x * k)}" y="${px(heightPx - y * k)}" font-size="${px(Math.max(1, height * k))}" stroke="none" fill="#333">${escaped(text)}</text>`,
    );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}"><g fill="none" stroke="#333" stroke-width="1" font-family="sans-serif">${paths.join('')}${texts.join('')}</g></svg>`;
  return { svg, widthPx, heightPx };
}

const px = (value: number) => Math.round(value * 10) / 10;
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

const MAX_SNAP_LINES = 300_000;

/**
 * The straight lines of a vector picture, px from its lower left corner, so that drawing can snap to them.
 * Reads paths with an own matrix, lines and rectangles; curves count by their ends. Never fails: what it does not know it leaves out.
 */
export function svgLines(svg: string, heightPx: number): [Point2, Point2][] {
  const found: [Point2, Point2][] = [];
  const add = (a: Point2, b: Point2, m: readonly number[]) => {
    if (found.length >= MAX_SNAP_LINES) return;
    const at = ([x, y]: Point2): Point2 => [m[0] * x + m[2] * y + m[4], heightPx - (m[1] * x + m[3] * y + m[5])];
    const [p, q] = [at(a), at(b)];
    if (Number.isFinite(p[0] + p[1] + q[0] + q[1]) && (p[0] !== q[0] || p[1] !== q[1])) found.push([p, q]);
  };
  for (const [tag] of svg.matchAll(/<(?:path|line|rect)\b[^>]*>/g)) {
    const attribute = (name: string) => new RegExp(`\\s${name}="([^"]*)"`).exec(tag)?.[1];
    const numbers = (name: string) => Number(attribute(name) ?? 0);
    const matrix = /matrix\(([^)]*)\)/
      .exec(attribute('transform') ?? '')?.[1]
      .split(/[\s,]+/)
      .map(Number);
    const m = matrix?.length === 6 && matrix.every(Number.isFinite) ? matrix : [1, 0, 0, 1, 0, 0];
    if (tag.startsWith('<line')) add([numbers('x1'), numbers('y1')], [numbers('x2'), numbers('y2')], m);
    else if (tag.startsWith('<rect')) {
      const [x, y, w, h] = ['x', 'y', 'width', 'height'].map(numbers);
      const ring: Point2[] = [
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
      ];
      ring.forEach((p, i) => add(p, ring[(i + 1) % 4], m));
    } else pathLines(attribute('d') ?? '', (a, b) => add(a, b, m));
  }
  return found;
}

/** Numbers that each command takes; its last two are where it ends. */
const TAKES: Readonly<Record<string, number>> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 };

function pathLines(d: string, add: (a: Point2, b: Point2) => void): void {
  let here: Point2 = [0, 0];
  let start: Point2 = [0, 0];
  for (const [, letter, rest] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const command = letter.toUpperCase();
    const takes = TAKES[command];
    if (takes === undefined) continue;
    if (takes === 0) {
      add(here, start);
      here = start;
      continue;
    }
    const values = (rest.match(/-?(?:\d+\.?\d*|\.\d+)(?:e-?\d+)?/gi) ?? []).map(Number);
    for (let i = 0; i + takes <= values.length; i += takes) {
      const base: Point2 = letter === command ? [0, 0] : here;
      const end: Point2 =
        command === 'H'
          ? [base[0] + values[i], here[1]]
          : command === 'V'
            ? [here[0], base[1] + values[i]]
            : [base[0] + values[i + takes - 2], base[1] + values[i + takes - 1]];
      if (command === 'M' && i === 0) start = end;
      else add(here, end);
      here = end;
    }
  }
}
