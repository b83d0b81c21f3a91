import sax from 'sax';
import type { Point2 } from '../../math/index.ts';
import { boxOfShape, type Clip, clippedParts, type ClipShape, isBox } from './svg-clip.ts';
import { type Matrix, times, transformOf, viewBoxMatrix } from './matrix.ts';
import { pathPieces } from './svg-path.ts';
import { PX_OF_UNIT } from './svg-units.ts';

const MAX_SNAP_LINES = 300_000;
const MAX_DRAWN = 1_000_000;
const DEEPEST = 200;
const MAX_CLIP_EDGES = 2000;
const SAME_PLACE: Matrix = [1, 0, 0, 1, 0, 0];
const least = (values: readonly number[]) => values.reduce((a, b) => Math.min(a, b));
const most = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b));
/** Straight pieces of a whole circle. */
const CIRCLE_PIECES = 16;
interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: Element[];
}

interface State {
  readonly matrix: Matrix;
  readonly clip: Clip;
  readonly depth: number;
}

/** Elements that are drawn only where something refers to them. */
const NOT_DRAWN = new Set(['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'marker', 'title', 'desc', 'style', 'text']);

/**
 * The lines of a vector picture that is `widthPx` by `heightPx`, px from its lower left corner, so that drawing can snap to them: with
 * its view boxes, transforms, repeated parts and clip paths as a browser draws them. Curves come as short straight pieces. Never fails:
 * what cannot be read is left out.
 */
export function svgLines(svg: string, widthPx: number, heightPx: number): [Point2, Point2][] {
  const root = parsed(svg);
  return root ? new LineReader(root, widthPx, heightPx).lines : [];
}

function parsed(svg: string): Element | null {
  const parser = sax.parser(true, { xmlns: false });
  const open: Element[] = [];
  let root: Element | null = null;
  parser.onerror = () => {
    parser.error = null as never;
    parser.resume();
  };
  parser.onopentag = ({ name, attributes }) => {
    const element: Element = {
      name: name.replace(/^\w+:/, ''),
      attributes: attributes as Readonly<Record<string, string>>,
      children: [],
    };
    root ??= element;
    open.at(-1)?.children.push(element);
    open.push(element);
  };
  parser.onclosetag = () => void open.pop();
  try {
    parser.write(svg).close();
  } catch {
    // What was read until there counts.
  }
  return root;
}

class LineReader {
  readonly lines: [Point2, Point2][] = [];
  private readonly byId = new Map<string, Element>();
  private drawn = 0;

  constructor(
    root: Element,
    widthPx: number,
    private readonly heightPx: number,
  ) {
    this.index(root);
    const clip: Clip = { box: { minX: 0, minY: 0, maxX: widthPx, maxY: heightPx }, areas: [] };
    // The picture fills its pixels, whatever its own units are.
    const box = numbersIn(root.attributes.viewBox);
    const own = [lengthOf(root.attributes.width, widthPx) || widthPx, lengthOf(root.attributes.height, heightPx) || heightPx];
    const [x, y, w, h] = box.length === 4 && box[2] > 0 && box[3] > 0 ? box : [0, 0, ...own];
    const matrix: Matrix = [widthPx / w, 0, 0, heightPx / h, (-x * widthPx) / w, (-y * heightPx) / h];
    for (const child of root.children) this.draw(child, { matrix, clip, depth: 1 });
  }

  private index(element: Element): void {
    const { id } = element.attributes;
    if (id !== undefined && !this.byId.has(id)) this.byId.set(id, element);
    for (const child of element.children) this.index(child);
  }

  private draw(element: Element, before: State): void {
    if (++this.drawn > MAX_DRAWN || this.lines.length >= MAX_SNAP_LINES || before.depth > DEEPEST) return;
    const { name, attributes, children } = element;
    if (NOT_DRAWN.has(name) || isHidden(attributes)) return;
    const matrix = times(before.matrix, transformOf(attributes.transform));
    const state = { matrix, clip: this.clipOf(attributes, matrix, before.clip), depth: before.depth + 1 };
    if (name === 'use') return this.use(attributes, state);
    if (name === 'svg') return this.viewport(element, state);
    this.shape(name, attributes, state);
    for (const child of children) this.draw(child, state);
  }

  private use(attributes: Element['attributes'], state: State): void {
    const target = this.byId.get((attributes.href ?? attributes['xlink:href'] ?? '').replace(/^#/, ''));
    if (!target) return;
    const there = times(state.matrix, [1, 0, 0, 1, lengthOf(attributes.x), lengthOf(attributes.y)]);
    const moved = { ...state, matrix: there };
    if (target.name === 'symbol' || target.name === 'svg') {
      const { width, height } = { ...target.attributes, ...attributes };
      this.viewport({ ...target, attributes: { ...target.attributes, x: '0', y: '0', width, height } }, moved);
    } else this.draw(target, moved);
  }

  /** A drawing in the drawing, with units of its own, cut at its edges. */
  private viewport({ attributes, children }: Element, state: State): void {
    const box = numbersIn(attributes.viewBox);
    const [x, y] = [lengthOf(attributes.x), lengthOf(attributes.y)];
    const width = lengthOf(attributes.width, NaN);
    const height = lengthOf(attributes.height, NaN);
    let { matrix, clip } = state;
    if (width > 0 && height > 0) {
      clip = { ...clip, box: boxOfShape(matrix, { minX: x, minY: y, maxX: x + width, maxY: y + height }, clip.box) };
      matrix = times(matrix, viewBoxMatrix([x, y, width, height], box, attributes.preserveAspectRatio));
    } else matrix = times(matrix, [1, 0, 0, 1, x, y]);
    for (const child of children) this.draw(child, { matrix, clip, depth: state.depth + 1 });
  }

  /** What a clip path leaves: within the box of its shapes, and within the shapes where they are no straight rectangle. */
  private clipOf(attributes: Element['attributes'], matrix: Matrix, before: Clip): Clip {
    const link = attributes['clip-path'] ?? /clip-path\s*:\s*([^;]+)/.exec(attributes.style ?? '')?.[1] ?? '';
    const path = this.byId.get(/#([^)'"\s]+)/.exec(link)?.[1] ?? '');
    if (path?.name !== 'clipPath' || path.attributes.clipPathUnits === 'objectBoundingBox') return before;
    const shapes = path.children.flatMap((child): ClipShape[] => {
      const there = times(matrix, times(transformOf(path.attributes.transform), transformOf(child.attributes.transform)));
      const at = ([x, y]: Point2): Point2 => [there[0] * x + there[2] * y + there[4], there[1] * x + there[3] * y + there[5]];
      const edges: [Point2, Point2][] = [];
      shapePieces(child.name, child.attributes, (a, b) => void edges.push([at(a), at(b)]));
      const rule = child.attributes['clip-rule'] ?? path.attributes['clip-rule'];
      return edges.length > 0 ? [{ edges: closed(edges), isEvenOdd: rule === 'evenodd' }] : [];
    });
    const corners = shapes.flatMap(({ edges }) => edges.flat());
    if (corners.length === 0) return before;
    const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
    const own = { minX: least(xs), minY: least(ys), maxX: most(xs), maxY: most(ys) };
    const box = boxOfShape(SAME_PLACE, own, before.box);
    // A shape of very many pieces is taken by its box.
    const isPlain = (shapes.length === 1 && isBox(shapes[0])) || corners.length > 2 * MAX_CLIP_EDGES;
    return { box, areas: isPlain ? before.areas : [...before.areas, shapes] };
  }

  private shape(name: string, attributes: Element['attributes'], { matrix: m, clip }: State): void {
    shapePieces(name, attributes, (a, b) => {
      if (this.lines.length >= MAX_SNAP_LINES) return;
      const at = ([x, y]: Point2): Point2 => [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]];
      for (const [p, q] of clippedParts(at(a), at(b), clip)) {
        if (p[0] === q[0] && p[1] === q[1]) continue;
        this.lines.push([
          [p[0], this.heightPx - p[1]],
          [q[0], this.heightPx - q[1]],
        ]);
      }
    });
  }
}

/** The outlines of a shape, each led back to where it begins: an open path is closed where it clips. */
function closed(edges: readonly (readonly [Point2, Point2])[]): (readonly [Point2, Point2])[] {
  const all: (readonly [Point2, Point2])[] = [];
  let first: Point2 | null = null;
  let last: Point2 | null = null;
  const close = () => {
    if (first && last && (first[0] !== last[0] || first[1] !== last[1])) all.push([last, first]);
  };
  for (const edge of edges) {
    if (last === null || edge[0][0] !== last[0] || edge[0][1] !== last[1]) {
      close();
      first = edge[0];
    }
    all.push(edge);
    last = edge[1];
  }
  close();
  return all;
}

/** The straight pieces of a shape in its own units. */
function shapePieces(name: string, attributes: Element['attributes'], add: (a: Point2, b: Point2) => void): void {
  const value = (key: string) => lengthOf(attributes[key]);
  if (name === 'path') return pathPieces(attributes.d ?? '', add);
  if (name === 'line') return add([value('x1'), value('y1')], [value('x2'), value('y2')]);
  if (name === 'rect') {
    const [x, y, w, h] = ['x', 'y', 'width', 'height'].map(value);
    return ring([x, y, x + w, y, x + w, y + h, x, y + h], true, add);
  }
  if (name === 'polyline' || name === 'polygon') return ring(numbersIn(attributes.points), name === 'polygon', add);
  if (name !== 'circle' && name !== 'ellipse') return;
  const [rx, ry] = name === 'circle' ? [value('r'), value('r')] : [value('rx'), value('ry')];
  const points = Array.from({ length: CIRCLE_PIECES }, (_, n) => {
    const angle = (2 * Math.PI * n) / CIRCLE_PIECES;
    return [value('cx') + rx * Math.cos(angle), value('cy') + ry * Math.sin(angle)];
  });
  ring(points.flat(), true, add);
}

function ring(xy: readonly number[], isClosed: boolean, add: (a: Point2, b: Point2) => void): void {
  const count = Math.floor(xy.length / 2);
  for (let n = 0; n + 1 < count + (isClosed ? 1 : 0); n++) {
    const next = (n + 1) % count;
    add([xy[2 * n], xy[2 * n + 1]], [xy[2 * next], xy[2 * next + 1]]);
  }
}

const isHidden = ({ display, visibility, style }: Element['attributes']) =>
  display === 'none' || visibility === 'hidden' || /display\s*:\s*none|visibility\s*:\s*hidden/.test(style ?? '');

const NUMBER = /[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi;
const numbersIn = (text: string | undefined): number[] => (text?.match(NUMBER) ?? []).map(Number);

function lengthOf(text: string | undefined, otherwise = 0): number {
  const match = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z]*)\s*$/i.exec(text ?? '');
  if (!match) return otherwise;
  return Number(match[1]) * (PX_OF_UNIT[match[2].toLowerCase()] ?? 1);
}
