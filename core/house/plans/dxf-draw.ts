import { type Bounds, type Problem } from '../../math/index.ts';
import type { Drawing, DrawingDimension, DrawingLayer, DrawingMark, DrawingText, LayerState } from './drawing.ts';
import { type DxfEntity, type DxfFile, numberOf } from './dxf-file.ts';
import { plainLines, plainText } from './dxf-text.ts';
import { IDENTITY, type Matrix, times } from './matrix.ts';
import { splinePoints } from './spline.ts';

/** The most lines that a drawing may come to once its blocks are drawn, and the most entities that are visited for it. */
export const MAX_LINES = 2_000_000;
const MAX_VISITS = 4_000_000;
const DEEPEST_BLOCK = 16;
const MAX_MARKS = 20_000;
const MAX_TEXTS = 20_000;
const MAX_ROWS = 200;
/** An arc is drawn with a side every so many radians. */
const ARC_STEP_RAD = Math.PI / 18;
/** Beyond this a number is no place in a drawing. */
const FARTHEST = 1e15;
const RAD = Math.PI / 180;
/** What lies so many times farther from the middle of a drawing than half of it does is not of the house. */
const FAR_TIMES = 2000;
/** Of a few lines nobody knows which are the house. */
const FEW = 40;
const FAR_TIMES_OF_FEW = 1e6;
const SAMPLED = 20_000;

const SHOWN: LayerState = { isOff: false, isFrozen: false, isLocked: false, isPrinted: true };

interface Growing {
  readonly lines: number[];
  readonly arcs: number[];
}

/** Where an entity is drawn: its matrix, the layer that it takes from its block, the blocks that it is in, and a frozen layer over it. */
interface Place {
  readonly m: Matrix;
  readonly layer: string;
  readonly inside: readonly string[];
  readonly frozen: string | null;
}

/** Draws the entities of a file as lines, layer by layer; blocks as often as they are inserted. */
export class DxfDrawer {
  tooMany = false;
  private readonly layers = new Map<string, Growing>();
  private readonly texts: DrawingText[] = [];
  private readonly dimensions: DrawingDimension[] = [];
  private readonly marks: DrawingMark[] = [];
  private readonly ignored = new Map<string, number>();
  private readonly bad = { numbers: 0, loops: new Set<string>(), missing: new Set<string>() };
  private count = 0;
  private visits = 0;

  constructor(private readonly file: DxfFile) {}

  get isEmpty(): boolean {
    return this.count === 0;
  }

  drawAll(progress: (share: number) => void): void {
    const { entities } = this.file;
    entities.forEach((entity, n) => {
      if (entity.number(67) === 1) this.leaveOut('on a paper sheet');
      else this.draw(entity, { m: IDENTITY, layer: '0', inside: [], frozen: null });
      if (n % 20_000 === 0) progress(n / entities.length);
    });
  }

  private leaveOut(kind: string, count = 1): void {
    this.ignored.set(kind, (this.ignored.get(kind) ?? 0) + count);
  }

  private draw(entity: DxfEntity, place: Place): void {
    if (this.tooMany) return;
    if (++this.visits > MAX_VISITS) {
      this.tooMany = true;
      return;
    }
    if (entity.number(60) === 1) return this.leaveOut('hidden');
    const own = entity.text(8);
    const named = !own || own === '0' ? place.layer : own;
    const layer = place.frozen ?? named;
    // Flat entities seen from below lie mirrored.
    const m = entity.number(230, 1) < 0 && FLAT.has(entity.type) ? times(place.m, [-1, 0, 0, 1, 0, 0]) : place.m;
    switch (entity.type) {
      case 'LINE':
        return this.line(layer, entity.number(10), entity.number(20), entity.number(11), entity.number(21), m);
      case 'LWPOLYLINE':
        return this.polyline(layer, vertices(entity), (entity.number(70) & 1) === 1, m);
      case 'POLYLINE':
        return this.oldPolyline(layer, entity, m);
      case 'SOLID':
      case 'TRACE':
        return this.corners(layer, entity, [10, 11, 13, 12], m);
      case '3DFACE':
        return this.corners(layer, entity, [10, 11, 12, 13], m);
      case 'POINT':
        return this.mark(layer, '', entity.number(10), entity.number(20), m);
      case 'CIRCLE':
        if (place.inside.length === 0) this.mark(layer, '', entity.number(10), entity.number(20), m);
        return this.arc(layer, entity, m);
      case 'ARC':
        return this.arc(layer, entity, m);
      case 'ELLIPSE':
        return this.ellipse(layer, entity, m);
      case 'SPLINE':
        return this.spline(layer, entity, m);
      case 'INSERT':
        if (place.inside.length === 0) this.mark(layer, entity.text(2) ?? '', entity.number(10), entity.number(20), m);
        for (const part of entity.parts) this.draw(part, { ...place, layer });
        return this.insert(entity, { ...place, m, layer });
      case 'TEXT':
      case 'ATTRIB':
        return this.text(layer, entity, plainText(entity.text(1) ?? ''), m);
      case 'MTEXT':
        return this.text(layer, entity, plainLines(longText(entity)), m);
      case 'DIMENSION':
        return this.dimension(layer, entity, place);
      default:
        this.leaveOut(entity.type);
    }
  }

  private layer(name: string): Growing {
    let layer = this.layers.get(name);
    if (!layer) this.layers.set(name, (layer = { lines: [], arcs: [] }));
    return layer;
  }

  private line(layer: string, x0: number, y0: number, x1: number, y1: number, m: Matrix): void {
    const ax = m[0] * x0 + m[2] * y0 + m[4];
    const ay = m[1] * x0 + m[3] * y0 + m[5];
    const bx = m[0] * x1 + m[2] * y1 + m[4];
    const by = m[1] * x1 + m[3] * y1 + m[5];
    if (!(Math.abs(ax) < FARTHEST && Math.abs(ay) < FARTHEST && Math.abs(bx) < FARTHEST && Math.abs(by) < FARTHEST)) {
      this.bad.numbers++;
      return;
    }
    if (ax === bx && ay === by) return;
    if (++this.count > MAX_LINES) this.tooMany = true;
    this.layer(layer).lines.push(ax, ay, bx, by);
  }

  private corners(layer: string, entity: DxfEntity, codes: readonly number[], m: Matrix): void {
    const given = codes.filter((code) => entity.text(code) !== undefined);
    const points = given.map((code) => ({ x: entity.number(code), y: entity.number(code + 10), bulge: 0 }));
    this.polyline(layer, points, true, m);
  }

  private oldPolyline(layer: string, entity: DxfEntity, m: Matrix): void {
    const flags = entity.number(70);
    if ((flags & (16 | 64)) !== 0) return this.leaveOut('POLYLINE mesh');
    // Control points of a fitted curve are not on it.
    const points = entity.parts.filter((part) => (part.number(70) & 16) === 0).flatMap(vertices);
    this.polyline(layer, points, (flags & 1) === 1, m);
  }

  private polyline(layer: string, points: readonly Vertex[], closed: boolean, m: Matrix): void {
    const last = closed ? points.length : points.length - 1;
    for (let i = 0; i < last; i++) {
      const p = points[i];
      const q = points[(i + 1) % points.length];
      if (p.bulge) this.bulge(layer, p, q, m);
      else this.line(layer, p.x, p.y, q.x, q.y, m);
    }
  }

  /** A side of a polyline that bends: bulge is the tangent of a quarter of its angle. */
  private bulge(layer: string, p: Vertex, q: Vertex, m: Matrix): void {
    const angle = 4 * Math.atan(p.bulge);
    const chord = Math.hypot(q.x - p.x, q.y - p.y);
    if (!(chord > 0)) return;
    const radius = chord / (2 * Math.sin(angle / 2));
    const towards = Math.atan2(q.y - p.y, q.x - p.x) + Math.PI / 2 - angle / 2;
    const [cx, cy] = [p.x + Math.cos(towards) * radius, p.y + Math.sin(towards) * radius];
    const from = Math.atan2(p.y - cy, p.x - cx);
    const size = Math.abs(radius);
    this.sweep(layer, [cx, cy], [size, size], 0, from, from + angle, m);
    this.keepArc(layer, cx, cy, size, Math.min(from, from + angle), Math.max(from, from + angle), m);
  }

  private arc(layer: string, entity: DxfEntity, m: Matrix): void {
    const [x, y, radius] = [entity.number(10), entity.number(20), entity.number(40)];
    if (!(radius > 0)) return void this.bad.numbers++;
    const isWhole = entity.type === 'CIRCLE';
    const from = isWhole ? 0 : entity.number(50) * RAD;
    let to = isWhole ? 2 * Math.PI : entity.number(51) * RAD;
    if (to <= from) to += 2 * Math.PI * Math.ceil((from - to) / (2 * Math.PI) + 1e-9);
    this.sweep(layer, [x, y], [radius, radius], 0, from, to, m);
    if (!isWhole) this.keepArc(layer, x, y, radius, from, to, m);
  }

  /** Keeps an arc beside the lines that it is drawn with: door swings are found by their arcs. */
  private keepArc(layer: string, x: number, y: number, radius: number, from: number, to: number, m: Matrix): void {
    const turned = Math.atan2(m[1], m[0]);
    const isMirrored = m[0] * m[3] - m[1] * m[2] < 0;
    const [start, end] = isMirrored ? [turned - to, turned - from] : [turned + from, turned + to];
    const arc = [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5], radius * Math.hypot(m[0], m[1]), start, end];
    if (arc.every((value) => Math.abs(value) < FARTHEST)) this.layer(layer).arcs.push(...arc);
  }

  private ellipse(layer: string, entity: DxfEntity, m: Matrix): void {
    const [mx, my] = [entity.number(11), entity.number(21)];
    const radius = Math.hypot(mx, my);
    const from = entity.number(41, 0);
    let to = entity.number(42, 2 * Math.PI);
    if (to <= from) to += 2 * Math.PI;
    const minor = radius * entity.number(40, 1) * (entity.number(230, 1) < 0 ? -1 : 1);
    this.sweep(layer, [entity.number(10), entity.number(20)], [radius, minor], Math.atan2(my, mx), from, to, m);
  }

  private spline(layer: string, entity: DxfEntity, m: Matrix): void {
    const points = splinePoints(entity);
    for (let n = 0; n + 1 < points.length; n++) this.line(layer, ...points[n], ...points[n + 1], m);
  }

  private sweep(
    layer: string,
    [cx, cy]: readonly [number, number],
    [rx, ry]: readonly [number, number],
    turn: number,
    from: number,
    to: number,
    m: Matrix,
  ): void {
    const steps = Math.min(72, Math.max(1, Math.ceil(Math.abs(to - from) / ARC_STEP_RAD)));
    if (!Number.isFinite(steps)) {
      this.bad.numbers++;
      return;
    }
    const at = (k: number): [number, number] => {
      const angle = from + ((to - from) * k) / steps;
      const [x, y] = [Math.cos(angle) * rx, Math.sin(angle) * ry];
      return [cx + x * Math.cos(turn) - y * Math.sin(turn), cy + x * Math.sin(turn) + y * Math.cos(turn)];
    };
    for (let k = 0; k < steps; k++) this.line(layer, ...at(k), ...at(k + 1), m);
  }

  private insert(entity: DxfEntity, { m, layer, inside, frozen }: Place): void {
    const name = entity.text(2) ?? '';
    const key = name.toUpperCase();
    const block = this.file.blocks.get(key);
    if (!block) return void this.bad.missing.add(name);
    if (inside.includes(key) || inside.length >= DEEPEST_BLOCK) return void this.bad.loops.add(block.name);
    const angle = entity.number(50) * RAD;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const [sx, sy] = [entity.number(41, 1) || 1, entity.number(42, 1) || 1];
    const [x, y] = [entity.number(10), entity.number(20)];
    const [columns, rows] = [70, 71].map((code) => Math.min(MAX_ROWS, Math.max(1, entity.number(code, 1) || 1)));
    const over = frozen ?? (this.file.layers.get(layer)?.isFrozen ? layer : null);
    const deeper = [...inside, key];
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const [ox, oy] = [i * entity.number(44), j * entity.number(45)];
        const place: Matrix = [cos * sx, sin * sx, -sin * sy, cos * sy, x + cos * ox - sin * oy, y + sin * ox + cos * oy];
        const there = times(m, times(place, [1, 0, 0, 1, -block.x, -block.y]));
        for (const part of block.entities) {
          if (part.type !== 'ATTDEF') this.draw(part, { m: there, layer, inside: deeper, frozen: over });
          if (this.tooMany) return;
        }
        // A block of nothing, in rows of rows, takes time too.
        if (++this.visits > MAX_VISITS) this.tooMany = true;
        if (this.tooMany) return;
      }
    }
  }

  private mark(layer: string, name: string, px: number, py: number, m: Matrix): void {
    if (this.marks.length >= MAX_MARKS) return;
    const [x, y] = [m[0] * px + m[2] * py + m[4], m[1] * px + m[3] * py + m[5]];
    if (!(Math.abs(x) < FARTHEST && Math.abs(y) < FARTHEST)) return;
    this.layer(layer);
    this.marks.push({ layer, name, x, y });
  }

  private text(layer: string, entity: DxfEntity, text: string, m: Matrix): void {
    if (text === '' || this.texts.length >= MAX_TEXTS) return;
    const [px, py] = [entity.number(10), entity.number(20)];
    const [x, y] = [m[0] * px + m[2] * py + m[4], m[1] * px + m[3] * py + m[5]];
    const height = entity.number(40, 1) * Math.hypot(m[2], m[3]);
    if (!(Math.abs(x) < FARTHEST && Math.abs(y) < FARTHEST && height < FARTHEST)) return void this.bad.numbers++;
    this.layer(layer);
    this.texts.push({ layer, x, y, height, text });
  }

  /** A dimension is written down, and drawn as the block that shows it. */
  private dimension(layer: string, entity: DxfEntity, place: Place): void {
    const { m } = place;
    const kind = entity.number(70) & 7;
    const at = (code: number): [number, number] => {
      const [x, y] = [entity.number(code), entity.number(code + 10)];
      return [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]];
    };
    if (kind <= 1 && entity.text(13) !== undefined && entity.text(14) !== undefined && this.dimensions.length < MAX_MARKS) {
      const [a, b] = [at(13), at(14)];
      const angle = entity.number(50) * RAD;
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const along = kind === 0 ? Math.abs(dx * Math.cos(angle) + dy * Math.sin(angle)) : Math.hypot(dx, dy);
      const text = plainLines(entity.text(1) ?? '').replace('<>', '') || this.wordsOf(entity.text(2) ?? '');
      if (Number.isFinite(along) && along > 0) this.dimensions.push({ layer, a, b, measured: along, text });
    }
    const name = entity.text(2) ?? '';
    const block = this.file.blocks.get(name.toUpperCase());
    if (!block) return this.leaveOut('DIMENSION without a picture');
    const key = name.toUpperCase();
    if (place.inside.includes(key)) return void this.bad.loops.add(name);
    for (const part of block.entities) this.draw(part, { ...place, layer, inside: [...place.inside, key] });
  }

  /** The words in a block: those that a dimension shows where it has none of its own. */
  private wordsOf(name: string): string {
    const part = this.file.blocks.get(name.toUpperCase())?.entities.find(({ type }) => type === 'TEXT' || type === 'MTEXT');
    return part ? plainLines(part.text(1) ?? '') : '';
  }

  /** The drawing without its unit, about its own lower left corner. */
  finish(): Omit<Drawing, 'metresPerUnit' | 'guess'> {
    const isNear = this.dropFar();
    const box = this.bounds();
    const [ox, oy] = [box.minX, box.minY];
    const isInside = ({ x, y }: { readonly x: number; readonly y: number }) => isNear === null || isNear(x, y);
    const moved = <T extends { readonly x: number; readonly y: number }>(one: T): T => ({ ...one, x: one.x - ox, y: one.y - oy });
    const layers = [...this.layers].map(([name, { lines, arcs }]): DrawingLayer => ({
      name,
      ...(this.file.layers.get(name) ?? SHOWN),
      lines: Float64Array.from(lines, (value, n) => value - (n % 2 === 0 ? ox : oy)),
      arcs: Float64Array.from(arcs, (value, n) => (n % 5 === 0 ? value - ox : n % 5 === 1 ? value - oy : value)),
    }));
    return {
      layers: layers.sort((a, b) => (a.name < b.name ? -1 : 1)),
      texts: this.texts.filter(isInside).map(moved),
      dimensions: this.dimensions.map(({ a, b, ...rest }) => ({ ...rest, a: [a[0] - ox, a[1] - oy], b: [b[0] - ox, b[1] - oy] })),
      marks: this.marks.filter(isInside).map(moved),
      bounds: { minX: 0, minY: 0, maxX: box.maxX - ox, maxY: box.maxY - oy },
      origin: [ox, oy],
      ignored: Object.fromEntries(this.ignored),
      problems: this.problems(),
    };
  }

  private bounds(): Bounds {
    const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
    for (const { lines } of this.layers.values())
      for (let n = 0; n < lines.length; n += 2) {
        if (lines[n] < box.minX) box.minX = lines[n];
        if (lines[n] > box.maxX) box.maxX = lines[n];
        if (lines[n + 1] < box.minY) box.minY = lines[n + 1];
        if (lines[n + 1] > box.maxY) box.maxY = lines[n + 1];
      }
    return box;
  }

  /** Drops lines that lie so far from all others that the house would be a dot. Gives a test for what is near; null where all is. */
  private dropFar(): ((x: number, y: number) => boolean) | null {
    const [xs, ys] = [0, 1].map((axis) => middleAndSpread(this.coordinates(axis)));
    const isNear = (x: number, y: number) => Math.abs(x - xs.middle) <= xs.farthest && Math.abs(y - ys.middle) <= ys.farthest;
    let far = 0;
    for (const [name, { lines, arcs }] of this.layers) {
      const near = kept(lines, 4, (n) => isNear(lines[n], lines[n + 1]) && isNear(lines[n + 2], lines[n + 3]));
      if (near.length === lines.length) continue;
      far += (lines.length - near.length) / 4;
      this.layers.set(name, { lines: near, arcs: kept(arcs, 5, (n) => isNear(arcs[n], arcs[n + 1])) });
    }
    if (far === 0) return null;
    this.leaveOut('far away', far);
    return isNear;
  }

  /** Some of the coordinates along one axis, evenly over all lines. */
  private coordinates(axis: number): number[] {
    const step = 2 * Math.max(1, Math.floor((2 * this.count) / SAMPLED));
    const found: number[] = [];
    for (const { lines } of this.layers.values()) for (let n = axis; n < lines.length; n += step) found.push(lines[n]);
    return found.sort((a, b) => a - b);
  }

  private problems(): Problem[] {
    const { numbers, loops, missing } = this.bad;
    const problems: Problem[] = [];
    if (numbers > 0) problems.push({ code: 'drawing-bad-numbers', kind: 'invalid', field: 'entities', count: numbers });
    for (const name of loops) problems.push({ code: 'block-loop', kind: 'invalid', field: `block ${name}`, name });
    for (const name of missing) problems.push({ code: 'block-missing', kind: 'invalid', field: `block ${name}`, name });
    return problems;
  }
}

/** Entities that lie in a plane of their own, which may look down. */
const FLAT = new Set(['LWPOLYLINE', 'POLYLINE', 'CIRCLE', 'ARC', 'SOLID', 'TRACE', 'TEXT', 'ATTRIB', 'INSERT']);

interface Vertex {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}

/** The vertices that an entity lists, however many it says it has. */
function vertices({ codes, values }: DxfEntity): Vertex[] {
  const found: { x: number; y: number; bulge: number }[] = [];
  for (let n = 0; n < codes.length; n++) {
    const code = codes[n];
    if (code === 10) found.push({ x: numberOf(values[n]), y: 0, bulge: 0 });
    const last = found.at(-1);
    if (!last) continue;
    if (code === 20) last.y = numberOf(values[n]);
    else if (code === 42) last.bulge = numberOf(values[n]);
  }
  return found;
}

/** The text of an entity that comes in pieces. */
function longText({ codes, values }: DxfEntity): string {
  const pieces = values.filter((_, n) => codes[n] === 3);
  const last = values.filter((_, n) => codes[n] === 1);
  return [...pieces, ...last].join('');
}

/** The groups of `size` numbers of a list that fit; the same list where all do. `fits` is asked with the place of the first number. */
function kept(list: number[], size: number, fits: (first: number) => boolean): number[] {
  if (list.every((_, n) => n % size !== 0 || fits(n))) return list;
  return list.filter((_, n) => fits(n - (n % size)));
}

/** The middle of sorted values, and how far from it a house may reach. */
function middleAndSpread(sorted: readonly number[]): { readonly middle: number; readonly farthest: number } {
  const middle = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const away = sorted.map((value) => Math.abs(value - middle)).sort((a, b) => a - b);
  const half = away[Math.floor(away.length / 2)] ?? 0;
  const times = sorted.length < FEW ? FAR_TIMES_OF_FEW : FAR_TIMES;
  return { middle, farthest: half > 0 ? half * times : Infinity };
}
