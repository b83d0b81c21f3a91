import { buildingOf, openingsOf, wallLength, wallPoint, wallReaches } from '../../house/index.ts';
import { boundsOf, centroidOf, closestOnSegment, formatLength, type Point2 } from '../../math/index.ts';
import type { Device, Opening, ProjectDocument, Room, SystemName, Wall } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import type { PlannedRun } from '../../runs/index.ts';

/** A mark on the sheet; millimetres from the lower left corner of the paper. */
export type SheetMark =
  | { readonly kind: 'wall'; readonly points: readonly Point2[] }
  | { readonly kind: 'opening'; readonly points: readonly Point2[]; readonly opening: 'door' | 'window' | 'arch' }
  /** A door that stands open: its hinge, the end of its leaf, and where that end is when it is shut. */
  | { readonly kind: 'leaf'; readonly points: readonly [Point2, Point2, Point2] }
  /** The number of a wall, in its middle. */
  | { readonly kind: 'wall-number'; readonly at: Point2; readonly number: string }
  /** A corner of the house that tapes are held to, and which way is away from the house: 1 or -1 on each axis. */
  | { readonly kind: 'corner'; readonly at: Point2; readonly name: string; readonly outward: Point2 }
  | { readonly kind: 'run'; readonly points: readonly Point2[]; readonly system: SystemName }
  | {
      readonly kind: 'device';
      readonly at: Point2;
      readonly code: string;
      readonly system: SystemName;
      readonly facingRad: number;
      /** Cable now, device later: drawn dashed. */
      readonly prepared: boolean;
    }
  /**
   * What stands beside a device (its number and height, the numbers of its runs, how far it is from walls), a rack or a riser; `at` is the
   * upper left corner.
   */
  | { readonly kind: 'note'; readonly at: Point2; readonly lines: readonly string[] }
  /** A place that is bored, with its number in the schedule of holes. */
  | { readonly kind: 'hole'; readonly at: Point2; readonly number: string }
  /** A conduit with its clear inside. */
  | { readonly kind: 'conduit'; readonly points: readonly Point2[]; readonly text: string }
  /** The distance from one point to another, drawn between them. */
  | { readonly kind: 'dimension'; readonly points: readonly [Point2, Point2]; readonly text: string }
  | { readonly kind: 'rack'; readonly points: readonly Point2[]; readonly code: string; readonly name: string }
  | { readonly kind: 'riser'; readonly points: readonly Point2[] }
  /** `clear` is the room from face to face where it is a rectangle, else empty. */
  | {
      readonly kind: 'room';
      readonly at: Point2;
      readonly lines: readonly string[];
      readonly code: string;
      readonly clear: string;
      readonly outline: readonly Point2[];
    };

/** Marks of the house in metres; `planSheet` puts them on paper. */
export function buildingMarks(project: ProjectDocument, levelId: string): SheetMark[] {
  const building = buildingOf(project);
  const marks: SheetMark[] = [];
  const reaches = wallReaches(building.wallsByLevel[levelId] ?? []);
  for (const wall of building.wallsByLevel[levelId] ?? []) {
    const [before, after] = reaches.get(wall.id)!;
    const [start, end] = [wallPoint(wall, -before), wallPoint(wall, wallLength(wall) + after)];
    marks.push({ kind: 'wall', points: band(start, end, wall.thicknessM) });
    for (const o of openingsOf(building, wall)) {
      const lengthM = wallLength(wall);
      const [from, to] = [Math.max(0, o.offsetM - o.widthM / 2), Math.min(lengthM, o.offsetM + o.widthM / 2)];
      marks.push({ kind: 'opening', opening: o.kind, points: band(wallPoint(wall, from), wallPoint(wall, to), wall.thicknessM) });
      if (o.kind === 'door' && o.hinge) marks.push({ kind: 'leaf', points: leafOf(wall, [from, to], o) });
    }
  }
  for (const riser of building.risers) {
    marks.push({ kind: 'riser', points: box([riser.x, riser.y], riser.widthM, riser.depthM, 0) });
  }
  for (const rack of building.racks.filter((r) => r.levelId === levelId)) {
    marks.push({
      kind: 'rack',
      code: rack.code,
      name: rack.name || rack.code,
      points: box([rack.x, rack.y], rack.widthM, rack.depthM, rack.facingRad + Math.PI / 2),
    });
  }
  for (const room of building.roomsByLevel[levelId] ?? []) {
    const [widthM, depthM] = clearSize(room, building.wallsByLevel[levelId] ?? []) ?? [0, 0];
    marks.push({
      kind: 'room',
      at: centroidOf(room.polygon as Point2[]),
      lines: inLines(room.name),
      code: room.code,
      outline: room.polygon as Point2[],
      clear: widthM > 0 ? [widthM, depthM].map((length) => formatLength(length, project.project.units)).join(' × ') : '',
    });
  }
  return marks;
}

/** What a plan leaves out: devices of other systems, or not on ceilings; null shows every device. */
export type ShowsDevice = (device: Device) => boolean;

/** Devices of a level that a plan shows. */
export const devicesShown = (project: ProjectDocument, levelId: string, shows: ShowsDevice): readonly Device[] =>
  onLevel(project, 'devices', levelId).filter(shows);

export function deviceMarks(
  project: ProjectDocument,
  levelId: string,
  runs: readonly PlannedRun[],
  shows: ShowsDevice,
): SheetMark[] {
  const marks: SheetMark[] = [];
  for (const { device, points } of runs) {
    if (device.levelId !== levelId || points.length < 2 || !shows(device)) continue;
    const { system } = project.deviceTypes[device.typeId];
    marks.push({ kind: 'run', system, points: points.map(([x, y]): Point2 => [x, y]) });
  }
  for (const device of devicesShown(project, levelId, shows)) {
    const { code, system } = project.deviceTypes[device.typeId];
    marks.push({
      kind: 'device',
      at: [device.x, device.y],
      code,
      system,
      facingRad: device.facingRad,
      prepared: device.fitting !== 'fitted',
    });
  }
  return marks;
}

function band(a: readonly number[], b: readonly number[], thicknessM: number): Point2[] {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const nx = (-(b[1] - a[1]) / length) * (thicknessM / 2);
  const ny = ((b[0] - a[0]) / length) * (thicknessM / 2);
  return [
    [a[0] + nx, a[1] + ny],
    [b[0] + nx, b[1] + ny],
    [b[0] - nx, b[1] - ny],
    [a[0] - nx, a[1] - ny],
  ];
}

function box([x, y]: Point2, widthM: number, depthM: number, turnRad: number): Point2[] {
  const [c, s] = [Math.cos(turnRad), Math.sin(turnRad)];
  return (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([i, j]): Point2 => {
    const [u, v] = [(i * widthM) / 2, (j * depthM) / 2];
    return [x + u * c - v * s, y + u * s + v * c];
  });
}

/** A door standing open at a right angle: its hinge on the face of the wall towards which it opens, its end open, and its end shut. */
function leafOf(wall: Wall, [from, to]: readonly [number, number], { hinge, swing }: Opening): [Point2, Point2, Point2] {
  const lengthM = wallLength(wall);
  const side = swing === 'right' ? -1 : 1;
  const normal: Point2 = [(-(wall.b[1] - wall.a[1]) / lengthM) * side, ((wall.b[0] - wall.a[0]) / lengthM) * side];
  const on = (offsetM: number, outM: number): Point2 => {
    const [x, y] = wallPoint(wall, offsetM);
    return [x + normal[0] * outM, y + normal[1] * outM];
  };
  const faceM = wall.thicknessM / 2;
  const [pivot, shut] = hinge === 'end' ? [to, from] : [from, to];
  return [on(pivot, faceM), on(pivot, faceM + (to - from)), on(shut, faceM)];
}

/** A name in lines of about so many characters, broken between words. */
const LINE_LETTERS = 18;

function inLines(name: string): string[] {
  const lines: string[] = [];
  for (const word of name.split(/\s+/)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < LINE_LETTERS) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(...(word.match(new RegExp(`.{1,${LINE_LETTERS * 2}}`, 'g')) ?? []));
  }
  return lines;
}

/** Width and depth of a rectangular room from face to face, m; null where it is no rectangle that lies straight. */
function clearSize(room: Room, walls: readonly Wall[]): readonly [number, number] | null {
  if (room.polygon.length !== 4) return null;
  const { minX, minY, maxX, maxY } = boundsOf(room.polygon as Point2[])!;
  const isStraight = room.polygon.every(([x, y]) => near(x, minX, maxX) && near(y, minY, maxY));
  if (!isStraight) return null;
  const sides: Point2[] = [
    [minX, (minY + maxY) / 2],
    [maxX, (minY + maxY) / 2],
    [(minX + maxX) / 2, minY],
    [(minX + maxX) / 2, maxY],
  ];
  const halves = sides.map((middle) => {
    const wall = walls.find(({ a, b }) => closestOnSegment(middle, a, b).distanceM < ON_SIDE_M);
    return (wall?.thicknessM ?? 0) / 2;
  });
  return [maxX - minX - halves[0] - halves[1], maxY - minY - halves[2] - halves[3]];
}

const ON_SIDE_M = 0.02;
const near = (value: number, one: number, other: number) => Math.min(Math.abs(value - one), Math.abs(value - other)) < ON_SIDE_M;
