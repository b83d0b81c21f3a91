import DxfParserModule from 'dxf-parser';
import { type Bounds, err, FOOT_M, INCH_M, ok, type Outcome, type Problem } from '../../math/index.ts';
import { IDENTITY, type Matrix, times } from './matrix.ts';
import type { Drawing, DrawingLayer, DrawingMark, DrawingText } from './drawing.ts';

/** Largest drawing file, bytes, and the most lines it may come to once its blocks are drawn. */
export const MAX_DRAWING_BYTES = 60 * 1024 * 1024;
const MAX_LINES = 2_000_000;
const DEEPEST_BLOCK = 16;
const MAX_MARKS = 20_000;
/** An arc is drawn with a side every so many radians. */
const ARC_STEP_RAD = Math.PI / 18;

/** Metres of a drawing unit by the header's unit code. */
const METRES: Readonly<Record<number, number>> = {
  1: INCH_M,
  2: FOOT_M,
  4: 0.001,
  5: 0.01,
  6: 1,
  7: 1000,
  10: 3 * FOOT_M,
  14: 0.1,
};

interface Point {
  readonly x: number;
  readonly y: number;
  readonly bulge?: number;
}
interface Entity {
  readonly type: string;
  readonly layer?: string;
  readonly vertices?: readonly Point[];
  readonly shape?: boolean;
  readonly center?: Point;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
  readonly majorAxisEndPoint?: Point;
  readonly axisRatio?: number;
  readonly name?: string;
  readonly position?: Point;
  readonly startPoint?: Point;
  readonly xScale?: number;
  readonly yScale?: number;
  readonly rotation?: number;
  readonly columnCount?: number;
  readonly rowCount?: number;
  readonly columnSpacing?: number;
  readonly rowSpacing?: number;
  readonly text?: string;
  readonly textHeight?: number;
  readonly height?: number;
  readonly inPaperSpace?: boolean;
}
interface Parsed {
  readonly header?: Readonly<Record<string, unknown>>;
  readonly blocks?: Readonly<Record<string, { readonly position?: Point; readonly entities?: readonly Entity[] }>>;
  readonly entities?: readonly Entity[];
}

// The package is built for both module systems; which face it shows depends on the loader.
const DxfParser = ((DxfParserModule as unknown as { default?: unknown }).default ?? DxfParserModule) as new () => {
  parseSync(text: string): Parsed | null;
};

/**
 * Reads an ASCII DXF drawing. Nothing of it is executed or fetched.
 * Problems: `drawing-too-large`, `drawing-binary`, `dxf-damaged` (with the reason), `drawing-empty`.
 * Bad places inside a good file (no numbers, blocks in loops) are listed in `problems` and left out.
 */
export function readDxf(text: string, progress: (share: number) => void = () => undefined): Outcome<Drawing> {
  if (text.length > MAX_DRAWING_BYTES)
    return err('drawing-too-large', { kind: 'out_of_domain', field: 'file', bytes: text.length, mostBytes: MAX_DRAWING_BYTES });
  if (text.slice(0, 2000).includes('\0')) return err('drawing-binary', { kind: 'invalid', field: 'file' });
  let parsed: Parsed | null;
  try {
    // A file cut off after its last section is still good.
    parsed = new DxfParser().parseSync(/\bEOF\s*$/.test(text.slice(-40)) ? text : `${text.trimEnd()}\n0\nEOF\n`);
  } catch (error) {
    return err('dxf-damaged', { kind: 'invalid', field: 'file', reason: (error as Error).message.slice(0, 160) });
  }
  progress(0.7);
  if (!parsed) return err('dxf-damaged', { kind: 'invalid', field: 'file', reason: 'nothing could be read' });
  const flat = new Flattener(parsed.blocks ?? {});
  flat.drawAll(parsed.entities ?? [], (share) => progress(0.7 + share * 0.25));
  if (flat.tooMany) return err('drawing-too-large', { kind: 'out_of_domain', field: 'file', lines: MAX_LINES, most: MAX_LINES });
  if (flat.isEmpty) return err('drawing-empty', { kind: 'invalid', field: 'file' });
  return ok(flat.finish(METRES[Number(parsed.header?.$INSUNITS ?? 0)] ?? null));
}

class Flattener {
  tooMany = false;
  private readonly layers = new Map<string, { lines: number[]; arcs: number[] }>();
  private readonly texts: DrawingText[] = [];
  private readonly marks: DrawingMark[] = [];
  private readonly ignored: Record<string, number> = {};
  private readonly bad = { numbers: 0, loops: new Set<string>(), missing: new Set<string>() };
  private count = 0;
  private box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };

  constructor(private readonly blocks: NonNullable<Parsed['blocks']>) {}

  get isEmpty(): boolean {
    return this.count === 0;
  }

  drawAll(entities: readonly Entity[], progress: (share: number) => void): void {
    entities.forEach((entity, i) => {
      if (entity.inPaperSpace) return;
      this.draw(entity, IDENTITY, '0', []);
      if (i % 20_000 === 0) progress(i / entities.length);
    });
  }

  private draw(entity: Entity, at: Matrix, layerOfInsert: string, inside: readonly string[]): void {
    if (this.tooMany) return;
    const layer = !entity.layer || entity.layer === '0' ? layerOfInsert : entity.layer;
    switch (entity.type) {
      case 'LINE':
        return this.polyline(layer, entity.vertices ?? [], false, at);
      case 'LWPOLYLINE':
      case 'POLYLINE':
        return this.polyline(layer, entity.vertices ?? [], entity.shape === true, at);
      case 'POINT':
        return this.mark(layer, '', entity.position, at);
      case 'CIRCLE':
        if (inside.length === 0) this.mark(layer, '', entity.center, at);
        return this.arc(layer, entity, at);
      case 'ARC':
        return this.arc(layer, entity, at);
      case 'ELLIPSE':
        return this.ellipse(layer, entity, at);
      case 'INSERT':
        if (inside.length === 0) this.mark(layer, entity.name ?? '', entity.position, at);
        return this.insert(entity, at, layer, inside);
      case 'TEXT':
      case 'MTEXT':
        return this.text(layer, entity, at);
      default:
        this.ignored[entity.type] = (this.ignored[entity.type] ?? 0) + 1;
    }
  }

  private layer(name: string) {
    let layer = this.layers.get(name);
    if (!layer) this.layers.set(name, (layer = { lines: [], arcs: [] }));
    return layer;
  }

  private line(layer: string, x0: number, y0: number, x1: number, y1: number, m: Matrix): void {
    const ax = m[0] * x0 + m[2] * y0 + m[4];
    const ay = m[1] * x0 + m[3] * y0 + m[5];
    const bx = m[0] * x1 + m[2] * y1 + m[4];
    const by = m[1] * x1 + m[3] * y1 + m[5];
    if (!Number.isFinite(ax + ay + bx + by)) {
      this.bad.numbers++;
      return;
    }
    if (ax === bx && ay === by) return;
    if (++this.count > MAX_LINES) this.tooMany = true;
    this.layer(layer).lines.push(ax, ay, bx, by);
    const { box } = this;
    if (ax < box.minX) box.minX = ax;
    if (bx < box.minX) box.minX = bx;
    if (ax > box.maxX) box.maxX = ax;
    if (bx > box.maxX) box.maxX = bx;
    if (ay < box.minY) box.minY = ay;
    if (by < box.minY) box.minY = by;
    if (ay > box.maxY) box.maxY = ay;
    if (by > box.maxY) box.maxY = by;
  }

  private polyline(layer: string, points: readonly Point[], closed: boolean, m: Matrix): void {
    const last = closed ? points.length : points.length - 1;
    for (let i = 0; i < last; i++) {
      const p = points[i];
      const q = points[(i + 1) % points.length];
      if (p.bulge) this.bulge(layer, p, q, p.bulge, m);
      else this.line(layer, p.x, p.y, q.x, q.y, m);
    }
  }

  /** A side of a polyline that bends: bulge is the tangent of a quarter of its angle. */
  private bulge(layer: string, p: Point, q: Point, bulge: number, m: Matrix): void {
    const angle = 4 * Math.atan(bulge);
    const chord = Math.hypot(q.x - p.x, q.y - p.y);
    const radius = chord / (2 * Math.sin(angle / 2));
    const towards = Math.atan2(q.y - p.y, q.x - p.x) + Math.PI / 2 - angle / 2;
    const cx = p.x + Math.cos(towards) * radius;
    const cy = p.y + Math.sin(towards) * radius;
    const from = Math.atan2(p.y - cy, p.x - cx);
    this.sweep(layer, cx, cy, Math.abs(radius), Math.abs(radius), 0, from, from + angle, m);
  }

  private arc(layer: string, { type, center, radius, startAngle, endAngle }: Entity, m: Matrix): void {
    if (!center || !radius) return;
    const whole = type === 'CIRCLE';
    const from = whole ? 0 : (startAngle ?? 0);
    let to = whole ? 2 * Math.PI : (endAngle ?? 0);
    if (to <= from) to += 2 * Math.PI;
    this.sweep(layer, center.x, center.y, radius, radius, 0, from, to, m);
    const scale = Math.hypot(m[0], m[1]);
    const turned = Math.atan2(m[1], m[0]);
    const mirrored = m[0] * m[3] - m[1] * m[2] < 0;
    const arc = [m[0] * center.x + m[2] * center.y + m[4], m[1] * center.x + m[3] * center.y + m[5], radius * scale];
    const [start, end] = mirrored ? [turned - to, turned - from] : [turned + from, turned + to];
    if (!whole && arc.every(Number.isFinite)) this.layer(layer).arcs.push(...arc, start, end);
  }

  private ellipse(
    layer: string,
    { center, majorAxisEndPoint: major, axisRatio = 1, startAngle = 0, endAngle = 2 * Math.PI }: Entity,
    m: Matrix,
  ): void {
    if (!center || !major) return;
    const radius = Math.hypot(major.x, major.y);
    const to = endAngle <= startAngle ? endAngle + 2 * Math.PI : endAngle;
    this.sweep(layer, center.x, center.y, radius, radius * axisRatio, Math.atan2(major.y, major.x), startAngle, to, m);
  }

  private sweep(
    layer: string,
    cx: number,
    cy: number,
    rx: number,
    ry: number,
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

  private insert(entity: Entity, m: Matrix, layer: string, inside: readonly string[]): void {
    const name = entity.name ?? '';
    const block = Object.hasOwn(this.blocks, name) ? this.blocks[name] : undefined;
    if (!block) {
      this.bad.missing.add(name);
      return;
    }
    if (inside.includes(name) || inside.length >= DEEPEST_BLOCK) {
      this.bad.loops.add(name);
      return;
    }
    const { x = 0, y = 0 } = entity.position ?? {};
    const angle = ((entity.rotation ?? 0) * Math.PI) / 180;
    const [sx, sy] = [entity.xScale ?? 1, entity.yScale ?? 1];
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const { x: bx = 0, y: by = 0 } = block.position ?? {};
    const columns = Math.min(200, Math.max(1, entity.columnCount ?? 1));
    const rows = Math.min(200, Math.max(1, entity.rowCount ?? 1));
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const [ox, oy] = [i * (entity.columnSpacing ?? 0), j * (entity.rowSpacing ?? 0)];
        const place: Matrix = [cos * sx, sin * sx, -sin * sy, cos * sy, x + cos * ox - sin * oy, y + sin * ox + cos * oy];
        const there = times(m, times(place, [1, 0, 0, 1, -bx, -by]));
        for (const part of block.entities ?? []) this.draw(part, there, layer, [...inside, name]);
        if (this.tooMany) return;
      }
    }
  }

  private mark(layer: string, name: string, p: Point | undefined, m: Matrix): void {
    if (!p || this.marks.length >= MAX_MARKS) return;
    const [x, y] = [m[0] * p.x + m[2] * p.y + m[4], m[1] * p.x + m[3] * p.y + m[5]];
    if (!Number.isFinite(x + y)) return;
    this.layer(layer);
    this.marks.push({ layer, name, x, y });
  }

  private text(layer: string, entity: Entity, m: Matrix): void {
    const at = entity.startPoint ?? entity.position;
    if (!at || !entity.text || this.texts.length >= 20_000) return;
    const [x, y] = [m[0] * at.x + m[2] * at.y + m[4], m[1] * at.x + m[3] * at.y + m[5]];
    const height = (entity.textHeight ?? entity.height ?? 1) * Math.hypot(m[0], m[1]);
    if (!Number.isFinite(x + y + height)) return;
    // Formatting of multi-line texts stands between backslashes and braces.
    const text = entity.text
      .replace(/\\P/g, ' ')
      .replace(/\\[A-Za-z][^;\\]*;/g, '')
      .replace(/[{}]/g, '')
      .trim()
      .slice(0, 200);
    if (text) this.texts.push({ layer, x, y, height, text });
  }

  finish(metresPerUnit: number | null): Drawing {
    const { box } = this;
    const [ox, oy] = [box.minX, box.minY];
    const layers = [...this.layers].map(([name, { lines, arcs }]): DrawingLayer => {
      const moved = Float64Array.from(lines);
      for (let i = 0; i < moved.length; i += 2) {
        moved[i] -= ox;
        moved[i + 1] -= oy;
      }
      const swept = Float64Array.from(arcs);
      for (let i = 0; i < swept.length; i += 5) {
        swept[i] -= ox;
        swept[i + 1] -= oy;
      }
      return { name, lines: moved, arcs: swept };
    });
    const bounds: Bounds = { minX: 0, minY: 0, maxX: box.maxX - ox, maxY: box.maxY - oy };
    const problems: Problem[] = [];
    if (metresPerUnit === null) problems.push({ code: 'units-missing', kind: 'incomplete', field: '$INSUNITS' });
    if (this.bad.numbers > 0)
      problems.push({ code: 'drawing-bad-numbers', kind: 'invalid', field: 'entities', count: this.bad.numbers });
    for (const name of this.bad.loops) problems.push({ code: 'block-loop', kind: 'invalid', field: `block ${name}`, name });
    for (const name of this.bad.missing) problems.push({ code: 'block-missing', kind: 'invalid', field: `block ${name}`, name });
    return {
      metresPerUnit,
      guessMetresPerUnit: guessUnit(Math.max(bounds.maxX, bounds.maxY)),
      layers: layers.sort((a, b) => (a.name < b.name ? -1 : 1)),
      texts: this.texts.map((text) => ({ ...text, x: text.x - ox, y: text.y - oy })),
      marks: this.marks.map((mark) => ({ ...mark, x: mark.x - ox, y: mark.y - oy })),
      bounds,
      origin: [ox, oy],
      ignored: this.ignored,
      problems,
    };
  }
}

/** The unit in which a drawing this wide would be a house: of 4 to 150 m. */
function guessUnit(extent: number): number {
  return [0.001, 1, INCH_M, 0.01, FOOT_M].find((metres) => extent * metres >= 4 && extent * metres <= 150) ?? 0.001;
}
