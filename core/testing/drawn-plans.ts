import { difference, type Point2, type Region, rotate2, union } from '../math/index.ts';

/** A wall of a drawn plan as it is meant: centre line, thickness, openings from end a. */
export interface DrawnWall {
  readonly a: Point2;
  readonly b: Point2;
  readonly thicknessM: number;
  readonly openings?: readonly { readonly at: number; readonly widthM: number; readonly kind: 'door' | 'window' | 'arch' }[];
}
export interface DrawnPlan {
  readonly name: string;
  readonly walls: readonly DrawnWall[];
  readonly dxf: string;
  readonly wallLayer: string;
  readonly openingLayer: string;
}

type Line = readonly [Point2, Point2];

/** Writes the few entities that the plans need, as any drawing program would. */
class DxfText {
  private readonly out: string[] = [];
  readonly blocks: string[] = [];
  constructor(
    private readonly unitCode: number,
    private readonly perM: number,
    private readonly turnRad = 0,
    private readonly shift: Point2 = [0, 0],
  ) {}
  private at(p: Point2): [string, string] {
    const [x, y] = rotate2(p, this.turnRad);
    return [((x + this.shift[0]) * this.perM).toFixed(5), ((y + this.shift[1]) * this.perM).toFixed(5)];
  }
  line(layer: string, [a, b]: Line): void {
    const [ax, ay] = this.at(a);
    const [bx, by] = this.at(b);
    this.out.push('0', 'LINE', '8', layer, '10', ax, '20', ay, '11', bx, '21', by);
  }
  polyline(layer: string, points: readonly Point2[], closed = true): void {
    this.out.push('0', 'LWPOLYLINE', '8', layer, '90', String(points.length), '70', closed ? '1' : '0');
    for (const p of points) this.out.push(...this.at(p).flatMap((v, i) => [String(10 + 10 * i), v]));
  }
  arc(layer: string, centre: Point2, radiusM: number, fromDeg: number, toDeg: number): void {
    const [x, y] = this.at(centre);
    const turn = (this.turnRad * 180) / Math.PI;
    this.out.push('0', 'ARC', '8', layer, '10', x, '20', y, '40', (radiusM * this.perM).toFixed(5));
    this.out.push('50', (fromDeg + turn).toFixed(4), '51', (toDeg + turn).toFixed(4));
  }
  insert(layer: string, name: string, p: Point2, angleDeg: number): void {
    const [x, y] = this.at(p);
    this.out.push(
      '0',
      'INSERT',
      '8',
      layer,
      '2',
      name,
      '10',
      x,
      '20',
      y,
      '50',
      (angleDeg + (this.turnRad * 180) / Math.PI).toFixed(4),
    );
  }
  text(layer: string, p: Point2, words: string): void {
    const [x, y] = this.at(p);
    this.out.push('0', 'TEXT', '8', layer, '10', x, '20', y, '40', (0.2 * this.perM).toFixed(3), '1', words);
  }
  toString(): string {
    const header = ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', String(this.unitCode), '0', 'ENDSEC'];
    const blocks = this.blocks.length > 0 ? ['0', 'SECTION', '2', 'BLOCKS', ...this.blocks, '0', 'ENDSEC'] : [];
    return [...header, ...blocks, '0', 'SECTION', '2', 'ENTITIES', ...this.out, '0', 'ENDSEC', '0', 'EOF', ''].join('\n');
  }
}

const along = ({ a, b }: DrawnWall, s: number, side = 0): Point2 => {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
  return [a[0] + ux * s - uy * side, a[1] + uy * s + ux * side];
};
const lengthOf = ({ a, b }: DrawnWall) => Math.hypot(b[0] - a[0], b[1] - a[1]);
const strip = (wall: DrawnWall, from: number, to: number, extra = 0): Point2[] => {
  const half = wall.thicknessM / 2 + extra;
  return [along(wall, from, -half), along(wall, to, -half), along(wall, to, half), along(wall, from, half)];
};
const sides = (ring: readonly Point2[]): Line[] => ring.map((p, i) => [p, ring[(i + 1) % ring.length]] as const);

/** The outline of all walls as one, corners clean, with gaps at the openings given. */
function cleanOutline(walls: readonly DrawnWall[], gapKinds: readonly string[]): Point2[][] {
  const bodies = walls.map((wall) => strip(wall, -wall.thicknessM / 2, lengthOf(wall) + wall.thicknessM / 2));
  const holes: Region = walls.flatMap((wall) =>
    (wall.openings ?? [])
      .filter(({ kind }) => gapKinds.includes(kind))
      .map(({ at, widthM }) => strip(wall, at - widthM / 2, at + widthM / 2, 0.001)),
  );
  return difference(union(bodies), holes);
}

/** Both faces of each wall from end to end, corners not trimmed: lines run through each other. */
const rawFaces = (walls: readonly DrawnWall[]): Line[] =>
  walls.flatMap((wall) => {
    const stops = [0, ...(wall.openings ?? []).flatMap(({ at, widthM }) => [at - widthM / 2, at + widthM / 2]), lengthOf(wall)];
    return [-1, 1].flatMap((side) =>
      Array.from({ length: stops.length / 2 }, (_, k): Line => {
        const v = (side * wall.thicknessM) / 2;
        return [along(wall, stops[2 * k], v), along(wall, stops[2 * k + 1], v)];
      }),
    );
  });

const w = (
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  thicknessM: number,
  ...openings: [number, number, 'door' | 'window' | 'arch'][]
): DrawnWall => ({
  a: [x0, y0],
  b: [x1, y1],
  thicknessM,
  openings: openings.map(([at, widthM, kind]) => ({ at, widthM, kind })),
});

/** Three houses of our own, in metres. */
const COTTAGE = [
  w(0, 0, 9, 0, 0.3, [2, 1.2, 'window'], [6.5, 1.2, 'window']),
  w(9, 0, 9, 7, 0.3, [3.5, 1.6, 'window']),
  w(9, 7, 0, 7, 0.3, [2.2, 0.95, 'door'], [6.8, 1.4, 'window']),
  w(0, 7, 0, 0, 0.3, [3.5, 1.2, 'window']),
  w(4, 0, 4, 7, 0.12, [1.5, 0.85, 'door'], [5.4, 0.85, 'door']),
  w(4, 3.2, 9, 3.2, 0.12, [1, 0.85, 'door']),
  w(6.6, 3.2, 6.6, 7, 0.1, [1.9, 0.75, 'door']),
];
const LONGHOUSE = [
  w(0, 0, 18, 0, 0.4, [3, 2, 'window'], [9, 1, 'door'], [15, 2, 'window']),
  w(18, 0, 18, 6, 0.4),
  w(18, 6, 0, 6, 0.4, [4, 1.5, 'window'], [12, 1.5, 'window']),
  w(0, 6, 0, 0, 0.4, [3, 1, 'window']),
  w(5, 0, 5, 6, 0.15, [4.5, 0.9, 'door']),
  w(10, 0, 10, 6, 0.15, [4.5, 0.9, 'door']),
  w(13, 0, 13, 6, 0.15, [1.5, 0.9, 'door']),
  w(5, 3.4, 10, 3.4, 0.1, [2.5, 1.2, 'arch']),
];
const LSHAPE = [
  w(0, 0, 12, 0, 0.25, [3, 1.5, 'window'], [8, 1.5, 'window']),
  w(12, 0, 12, 5, 0.25),
  w(12, 5, 6, 5, 0.25, [3, 0.9, 'door']),
  w(6, 5, 6, 11, 0.25, [3, 1.2, 'window']),
  w(6, 11, 0, 11, 0.25),
  w(0, 11, 0, 0, 0.25, [5, 1.2, 'window']),
  w(0, 5, 6, 5, 0.1, [1, 0.8, 'door']),
  w(6, 0, 6, 5, 0.1, [2.5, 0.8, 'door']),
  w(9, 0, 9, 5, 0.1, [4, 0.8, 'door']),
];

function doorSwings(out: DxfText, walls: readonly DrawnWall[], layer: string): void {
  for (const wall of walls) {
    for (const { at, widthM, kind } of wall.openings ?? []) {
      if (kind !== 'door') continue;
      const start = (Math.atan2(wall.b[1] - wall.a[1], wall.b[0] - wall.a[0]) * 180) / Math.PI;
      const hinge = along(wall, at - widthM / 2);
      out.arc(layer, hinge, widthM, start, start + 90);
      out.line(layer, [hinge, along(wall, at - widthM / 2, widthM)]);
    }
  }
}
function glass(out: DxfText, walls: readonly DrawnWall[], layer: string): void {
  for (const wall of walls) {
    for (const { at, widthM, kind } of wall.openings ?? []) {
      if (kind === 'window')
        [-0.03, 0.03].forEach((v) => out.line(layer, [along(wall, at - widthM / 2, v), along(wall, at + widthM / 2, v)]));
    }
  }
}

function plan(
  name: string,
  walls: readonly DrawnWall[],
  text: DxfText,
  turnRad = 0,
  shift: Point2 = [0, 0],
  layers = { wall: 'WALLS', opening: 'OPENINGS' },
): DrawnPlan {
  const place = (p: Point2): Point2 => {
    const [x, y] = rotate2(p, turnRad);
    return [x + shift[0], y + shift[1]];
  };
  return {
    name,
    walls: walls.map((wall) => ({ ...wall, a: place(wall.a), b: place(wall.b) })),
    dxf: text.toString(),
    wallLayer: layers.wall,
    openingLayer: layers.opening,
  };
}

/** Ten plans drawn in the ways in which offices draw them. */
export function drawnPlans(): DrawnPlan[] {
  const plans: DrawnPlan[] = [];
  const draw = (
    name: string,
    walls: readonly DrawnWall[],
    make: (out: DxfText) => void,
    unit: [number, number] = [4, 1000],
    turnRad = 0,
    shift: Point2 = [0, 0],
  ) => {
    const out = new DxfText(...unit, turnRad, shift);
    make(out);
    plans.push(plan(name, walls, out, turnRad, shift));
  };
  const outline = (out: DxfText, walls: readonly DrawnWall[], gaps: readonly string[]) =>
    cleanOutline(walls, gaps).forEach((ring) => sides(ring).forEach((line) => out.line('WALLS', line)));

  draw('clean outline, doors and windows cut', COTTAGE, (out) => {
    outline(out, COTTAGE, ['door', 'window', 'arch']);
    doorSwings(out, COTTAGE, 'OPENINGS');
    glass(out, COTTAGE, 'OPENINGS');
  });
  draw('clean outline, windows drawn over the wall', LONGHOUSE, (out) => {
    outline(out, LONGHOUSE, ['door', 'arch']);
    doorSwings(out, LONGHOUSE, 'OPENINGS');
    glass(out, LONGHOUSE, 'OPENINGS');
  });
  draw(
    'raw faces running through each other',
    LSHAPE,
    (out) => rawFaces(LSHAPE).forEach((line) => out.line('WALLS', line)),
    [6, 1],
  );
  draw(
    'closed rectangles, in inches',
    COTTAGE,
    (out) => {
      COTTAGE.forEach((wall) => out.polyline('WALLS', strip(wall, 0, lengthOf(wall))));
      glass(out, COTTAGE, 'OPENINGS');
    },
    [1, 1 / 0.0254],
  );
  draw(
    'turned by 17 degrees, far from the origin',
    LSHAPE,
    (out) => outline(out, LSHAPE, ['door', 'window']),
    [4, 1000],
    (17 * Math.PI) / 180,
    [4000, 3000],
  );
  draw('single lines', LONGHOUSE, (out) => {
    for (const wall of LONGHOUSE) {
      const stops = [
        0,
        ...(wall.openings ?? []).filter((o) => o.kind === 'door').flatMap(({ at, widthM }) => [at - widthM / 2, at + widthM / 2]),
        lengthOf(wall),
      ];
      for (let k = 0; k < stops.length; k += 2) out.line('WALLS', [along(wall, stops[k]), along(wall, stops[k + 1])]);
    }
  });
  draw('three lines a wall, with a core', COTTAGE, (out) => {
    outline(out, COTTAGE, ['door']);
    for (const wall of COTTAGE.slice(0, 4))
      out.line('WALLS', [along(wall, 0.15, 0.05), along(wall, lengthOf(wall) - 0.15, 0.05)]);
  });
  draw(
    'doors as blocks, in feet',
    LSHAPE,
    (out) => {
      const foot = 1 / 0.3048;
      out.blocks.push(...['0', 'BLOCK', '8', '0', '2', 'DOOR80', '10', '0', '20', '0']);
      out.blocks.push(
        ...['0', 'ARC', '8', '0', '10', '0', '20', '0', '40', String(0.8 * foot), '50', '0', '51', '90', '0', 'ENDBLK'],
      );
      outline(out, LSHAPE, ['door', 'window']);
      for (const wall of LSHAPE) {
        for (const { at, widthM, kind } of wall.openings ?? []) {
          const angle = (Math.atan2(wall.b[1] - wall.a[1], wall.b[0] - wall.a[0]) * 180) / Math.PI;
          if (kind === 'door') out.insert('OPENINGS', 'DOOR80', along(wall, at - widthM / 2), angle);
        }
      }
    },
    [2, 1 / 0.3048],
  );
  draw('furniture and dimensions on the wall layer', COTTAGE, (out) => {
    outline(out, COTTAGE, ['door', 'window']);
    out.polyline('WALLS', [
      [1, 1],
      [2.6, 1],
      [2.6, 3],
      [1, 3],
    ]);
    out.polyline('WALLS', [
      [5, 4.5],
      [6, 4.5],
      [6, 5.5],
      [5, 5.5],
    ]);
    out.line('WALLS', [
      [-1.2, 0],
      [-1.2, 7],
    ]);
    out.line('WALLS', [
      [0, 8.4],
      [9, 8.4],
    ]);
    out.text('WALLS', [2, 5], 'KITCHEN');
  });
  draw('lines broken in pieces, corners missing by a centimetre', LONGHOUSE, (out) => {
    for (const ring of cleanOutline(LONGHOUSE, ['door', 'window', 'arch'])) {
      for (const [a, b] of sides(ring)) {
        const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        const pieces = Math.max(1, Math.ceil(length / 1.7));
        const at = (t: number): Point2 => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
        const miss = Math.min(0.2, 0.008 / length);
        for (let k = 0; k < pieces; k++)
          out.line('WALLS', [at(Math.max(miss, k / pieces)), at(Math.min(1 - miss, (k + 1) / pieces))]);
      }
    }
  });
  return plans;
}

/**
 * A house of drawn size cut into rooms at drawn places, with doors and windows, drawn as a clean outline at a drawn angle
 * in a drawn unit. `draw` gives numbers from 0 to 1.
 */
export function randomDrawnPlan(draw: () => number): DrawnPlan {
  const between = (low: number, high: number) => Math.round((low + draw() * (high - low)) * 100) / 100;
  const [width, depth] = [between(7, 16), between(6, 11)];
  const outerM = between(0.24, 0.42);
  const openings = (lengthM: number, kind: 'door' | 'window'): [number, number, 'door' | 'window'][] => {
    const widthM = kind === 'door' ? between(0.75, 0.95) : between(0.8, 1.6);
    return lengthM < widthM + 1.4 ? [] : [[between(0.6 + widthM / 2, lengthM - 0.6 - widthM / 2), widthM, kind]];
  };
  const walls: DrawnWall[] = [
    w(0, 0, width, 0, outerM, ...openings(width, 'window')),
    w(width, 0, width, depth, outerM, ...openings(depth, 'window')),
    w(width, depth, 0, depth, outerM, ...openings(width, 'door')),
    w(0, depth, 0, 0, outerM, ...openings(depth, 'window')),
  ];
  const cut = (x0: number, y0: number, x1: number, y1: number, times: number): void => {
    const upright = x1 - x0 > y1 - y0;
    const room = upright ? x1 - x0 : y1 - y0;
    if (times === 0 || room < 4.4) return;
    const at = between((upright ? x0 : y0) + 2, (upright ? x1 : y1) - 2);
    const thicknessM = between(0.09, 0.16);
    const lengthM = upright ? y1 - y0 : x1 - x0;
    const wall = upright ? ([at, y0, at, y1] as const) : ([x0, at, x1, at] as const);
    walls.push(w(...wall, thicknessM, ...openings(lengthM, 'door')));
    if (upright) {
      cut(x0, y0, at, y1, times - 1);
      cut(at, y0, x1, y1, times - 1);
    } else {
      cut(x0, y0, x1, at, times - 1);
      cut(x0, at, x1, y1, times - 1);
    }
  };
  cut(0, 0, width, depth, 3);
  const turnRad = draw() < 0.5 ? 0 : draw() * Math.PI;
  const shift: Point2 = [between(-5000, 5000), between(-5000, 5000)];
  const units: readonly [number, number][] = [
    [4, 1000],
    [6, 1],
    [1, 1 / 0.0254],
    [5, 100],
  ];
  const out = new DxfText(...units[Math.floor(draw() * units.length)], turnRad, shift);
  const gaps = draw() < 0.5 ? ['door', 'window'] : ['door'];
  cleanOutline(walls, gaps).forEach((ring) => sides(ring).forEach((line) => out.line('WALLS', line)));
  doorSwings(out, walls, 'OPENINGS');
  glass(out, walls, 'OPENINGS');
  return plan('drawn at random', walls, out, turnRad, shift);
}

/** The first plan as the architect issued it again: an inner wall 0.25 m to the right, a window 0.3 m along. */
export function revisedPlan(): DrawnPlan {
  const walls = [...COTTAGE];
  walls[0] = w(0, 0, 9, 0, 0.3, [2.3, 1.2, 'window'], [6.5, 1.2, 'window']);
  walls[4] = w(4.25, 0, 4.25, 7, 0.12, [1.5, 0.85, 'door'], [5.4, 0.85, 'door']);
  walls[5] = w(4.25, 3.2, 9, 3.2, 0.12, [0.75, 0.85, 'door']);
  const out = new DxfText(4, 1000);
  cleanOutline(walls, ['door', 'window', 'arch']).forEach((ring) => sides(ring).forEach((line) => out.line('WALLS', line)));
  doorSwings(out, walls, 'OPENINGS');
  glass(out, walls, 'OPENINGS');
  return plan('the first plan, revised', walls, out);
}

const SEVEN_ROOMS = [
  w(0, 0, 12, 0, 0.3, [2, 1.4, 'window'], [6, 1, 'door'], [10, 1.4, 'window']),
  w(12, 0, 12, 9, 0.3, [1.5, 1.2, 'window'], [7.5, 1.2, 'window']),
  w(12, 9, 0, 9, 0.3, [2, 1.2, 'window'], [6, 1.8, 'window']),
  w(0, 9, 0, 0, 0.3, [6.5, 1.2, 'window']),
  w(4, 0, 4, 9, 0.12, [3, 0.85, 'door'], [6, 0.85, 'door']),
  w(8, 0, 8, 9, 0.12, [1.5, 0.85, 'door'], [3.5, 0.7, 'door'], [7.5, 0.85, 'door']),
  w(0, 5, 4, 5, 0.1),
  w(4, 4.5, 8, 4.5, 0.1, [2, 1.2, 'arch']),
  w(8, 3, 12, 3, 0.1),
  w(8, 6, 12, 6, 0.1, [3, 0.8, 'door']),
];

/**
 * A house of ten walls and seven rooms with everything on layer 0: furniture, kitchen, bath, stairs, tiles, dimension lines, a frame
 * and a title block, as drawings come that were plotted and read back. Door leaves are drawn as lines or thin boards.
 */
export function mixedPlan(): DrawnPlan {
  const out = new DxfText(4, 1000);
  const layer = '0';
  const walls = SEVEN_ROOMS;
  cleanOutline(walls, ['door', 'arch', 'window']).forEach((ring) => sides(ring).forEach((line) => out.line(layer, line)));
  for (const wall of walls)
    for (const { at, widthM, kind } of wall.openings ?? []) {
      if (kind === 'window')
        for (const v of [-wall.thicknessM / 2, -0.03, 0.03, wall.thicknessM / 2])
          out.line(layer, [along(wall, at - widthM / 2, v), along(wall, at + widthM / 2, v)]);
    }
  doorSwings(out, walls, layer);
  const box = (x: number, y: number, width: number, depth: number) =>
    sides([
      [x, y],
      [x + width, y],
      [x + width, y + depth],
      [x, y + depth],
    ]).forEach((line) => out.line(layer, line));
  // Kitchen: counter along two walls, wall cupboards over it, island, hob.
  box(0.15, 0.15, 3.79, 0.6);
  box(0.15, 0.15, 3.79, 0.35);
  box(0.15, 0.75, 0.6, 2);
  box(1.4, 1.9, 1.8, 0.9);
  box(1.6, 0.2, 0.58, 0.5);
  // Table with six chairs; their backs are thin.
  box(5, 6.2, 1.8, 0.9);
  for (const x of [5.1, 5.7, 6.3]) for (const y of [5.8, 7.1]) (box(x, y, 0.42, 0.4), box(x, y, 0.42, 0.06));
  // Bed with pillows and night tables, wardrobe, bookcase at a wall, shelf standing into the room.
  box(0.15, 6, 2, 1.6);
  box(0.2, 6.05, 0.4, 0.7);
  box(0.2, 6.85, 0.4, 0.7);
  box(0.15, 5.5, 0.45, 0.4);
  box(0.15, 7.7, 0.45, 0.4);
  box(3.3, 7, 0.6, 1.8);
  box(8.06, 6.1, 0.3, 0.9);
  box(10, 8, 0.3, 0.85);
  // Bath with an inner rim, basin, pan.
  box(10.15, 3.05, 1.7, 0.75);
  box(10.21, 3.11, 1.58, 0.63);
  box(8.2, 5.4, 0.6, 0.5);
  box(8.25, 5.45, 0.5, 0.4);
  box(9.4, 5.3, 0.38, 0.65);
  // Stairs: fourteen treads and a handrail.
  for (let n = 0; n <= 14; n++)
    out.line(layer, [
      [4.2 + n * 0.26, 0.15],
      [4.2 + n * 0.26, 1.05],
    ]);
  out.line(layer, [
    [4.2, 1.05],
    [7.84, 1.05],
  ]);
  out.line(layer, [
    [4.2, 1.11],
    [7.84, 1.11],
  ]);
  // Tiles of 0.3 m in the bathroom.
  for (let n = 1; n < 13; n++)
    out.line(layer, [
      [8.06 + n * 0.3, 3.05],
      [8.06 + n * 0.3, 5.95],
    ]);
  for (let n = 1; n < 10; n++)
    out.line(layer, [
      [8.06, 3.05 + n * 0.3],
      [11.85, 3.05 + n * 0.3],
    ]);
  // Dimension lines with ticks, a frame of two lines, a title block.
  for (const y of [-1, -1.4])
    out.line(layer, [
      [-0.15, y],
      [12.15, y],
    ]);
  for (const x of [-0.15, 3.94, 4.06, 7.94, 8.06, 12.15]) out.line(layer, [[x - 0.1, -1.1] as Point2, [x + 0.1, -0.9] as Point2]);
  out.line(layer, [
    [-1, -0.15],
    [-1, 9.15],
  ]);
  box(-3, -4, 20, 15);
  box(-2.8, -3.8, 19.6, 14.6);
  box(11, -3.8, 5.8, 1.6);
  for (const y of [-3.4, -3, -2.6])
    out.line(layer, [
      [11, y],
      [16.8, y],
    ]);
  out.text(layer, [2, 3.5], 'KITCHEN');
  out.text(layer, [9.6, 4.6], 'BATH');
  return { name: 'everything on layer 0', walls, dxf: out.toString(), wallLayer: layer, openingLayer: '' };
}
