import { buildingOf, openingsOf, projectBounds, wallLength, wallPoint, wallReaches } from '../../house/index.ts';
import { deviceNumber } from '../../devices/index.ts';
import {
  boundsOf,
  type Box,
  centroidOf,
  closestOnSegment,
  err,
  formatLength,
  type LabelWish,
  ok,
  type Outcome,
  PAPER_MM,
  placeLabels,
  type Point2,
  pointInPolygon,
  type UnitSystem,
} from '../../math/index.ts';
import type { ProjectDocument, Room, SystemName, Wall } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { compareNumbers, type PlannedRun, planRuns } from '../../runs/index.ts';

/** A mark on the sheet; millimetres from the lower left corner of the paper. */
export type SheetMark =
  | { readonly kind: 'wall'; readonly points: readonly Point2[] }
  | { readonly kind: 'opening'; readonly points: readonly Point2[]; readonly opening: 'door' | 'window' | 'arch' }
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
  /** What stands beside a device: its number and height, and the numbers of its runs; `at` is the upper left corner. */
  | { readonly kind: 'note'; readonly at: Point2; readonly lines: readonly string[]; readonly system: SystemName }
  /** The distance from one point to another, drawn between them. */
  | { readonly kind: 'dimension'; readonly points: readonly [Point2, Point2]; readonly text: string }
  | { readonly kind: 'rack'; readonly points: readonly Point2[]; readonly code: string }
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

/** A level drawn to scale, ready for any printer of vectors. */
export interface PlanSheet {
  readonly paper: SheetPaper;
  readonly widthMm: number;
  readonly heightMm: number;
  /** 100 means 1:100. */
  readonly scale: number;
  readonly marginMm: number;
  readonly titleBlockMm: number;
  /** Width of the column on the right with the key of marks. */
  readonly keyMm: number;
  readonly key: readonly KeyLine[];
  /** Devices whose numbers found no place on the drawing: they are in the list alone. */
  readonly withoutNote: number;
  readonly marks: readonly SheetMark[];
  readonly systems: readonly SystemName[];
}

/** What a mark means, and how many there are on the level. */
export interface KeyLine {
  readonly code: string;
  readonly system: SystemName;
  readonly name: string;
  readonly count: number;
}

/** Plans are printed on their side. */
export type SheetPaper = keyof typeof PAPER_MM;

const METRIC_SCALES = [20, 25, 50, 75, 100, 125, 150, 200, 250, 500, 1000];
/** 1/2, 3/8, 1/4, 3/16, 1/8, 3/32, 1/16 in to the foot. */
const IMPERIAL_SCALES = [24, 32, 48, 64, 96, 128, 192, 384, 768];
const MARGIN_MM = 10;
const TITLE_BLOCK_MM = 30;
const KEY_MM = 48;
/** Dimensions stand this far outside the house, and need so much on two sides. */
const DIMENSION_MM = 9;
const DIMENSION_ROOM_MM = 13;

/**
 * Lays a level out on paper at the largest usual scale that fits. Problems: `level-missing`, `level-empty`, `level-too-large`.
 */
export function planSheet(
  project: ProjectDocument,
  levelId: string,
  paper: SheetPaper,
  runs: readonly PlannedRun[] = planRuns(project),
): Outcome<PlanSheet> {
  if (!Object.hasOwn(project.levels, levelId)) return err('level-missing', { kind: 'invalid', field: 'levelId' });
  const bounds = projectBounds(project, levelId);
  if (!bounds) return err('level-empty', { kind: 'incomplete', field: 'levelId', level: project.levels[levelId].name });
  const [heightMm, widthMm] = PAPER_MM[paper];
  const roomX = widthMm - 2 * MARGIN_MM - KEY_MM - DIMENSION_ROOM_MM - 6;
  const roomY = heightMm - 2 * MARGIN_MM - TITLE_BLOCK_MM - DIMENSION_ROOM_MM - 6;
  const [widthM, heightM] = [bounds.maxX - bounds.minX, bounds.maxY - bounds.minY];
  const scales = project.project.units === 'imperial' ? IMPERIAL_SCALES : METRIC_SCALES;
  const scale = scales.find((s) => (widthM * 1000) / s <= roomX && (heightM * 1000) / s <= roomY);
  if (scale === undefined) return err('level-too-large', { kind: 'infeasible', field: 'paper', paper });
  const perM = 1000 / scale;
  const left = MARGIN_MM + 3 + DIMENSION_ROOM_MM + (roomX - widthM * perM) / 2;
  const bottom = MARGIN_MM + TITLE_BLOCK_MM + 3 + DIMENSION_ROOM_MM + (roomY - heightM * perM) / 2;
  const place = ([x, y]: readonly number[]): Point2 => [left + (x - bounds.minX) * perM, bottom + (y - bounds.minY) * perM];
  const marks = [...buildingMarks(project, levelId), ...deviceMarks(project, levelId, runs)].map((mark): SheetMark =>
    mark.kind === 'dimension'
      ? mark
      : 'points' in mark
        ? { ...mark, points: mark.points.map(place) }
        : mark.kind === 'room'
          ? { ...mark, at: place(mark.at), outline: mark.outline.map(place) }
          : { ...mark, at: place(mark.at) },
  );
  const dimensions = overallDimensions(marks, perM, project.project.units);
  const named = [...clearOfDevices(marks), ...dimensions];
  const wanted = deviceNotes(project, levelId, runs);
  const notes = notesBeside(named, wanted);
  return ok({
    ...{ paper, widthMm, heightMm, scale, marginMm: MARGIN_MM, titleBlockMm: TITLE_BLOCK_MM, keyMm: KEY_MM },
    marks: [...named, ...notes],
    systems: [...new Set(marks.flatMap((mark) => (mark.kind === 'device' ? [mark.system] : [])))].sort(),
    key: keyOf(project, levelId),
    withoutNote: wanted.length - notes.length,
  });
}

/** Marks in metres; `planSheet` puts them on paper. */
function buildingMarks(project: ProjectDocument, levelId: string): SheetMark[] {
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
    }
  }
  for (const riser of building.risers) {
    marks.push({ kind: 'riser', points: box([riser.x, riser.y], riser.widthM, riser.depthM, 0) });
  }
  for (const rack of building.racks.filter((r) => r.levelId === levelId)) {
    marks.push({
      kind: 'rack',
      code: rack.code,
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

function deviceMarks(project: ProjectDocument, levelId: string, runs: readonly PlannedRun[]): SheetMark[] {
  const marks: SheetMark[] = [];
  for (const { device, points } of runs) {
    if (device.levelId !== levelId || points.length < 2) continue;
    const { system } = project.deviceTypes[device.typeId];
    marks.push({ kind: 'run', system, points: points.map(([x, y]): Point2 => [x, y]) });
  }
  for (const device of onLevel(project, 'devices', levelId)) {
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

/** The house from outside face to outside face, below it and on its left. */
function overallDimensions(marks: readonly SheetMark[], perM: number, units: UnitSystem): SheetMark[] {
  const box = boundsOf(marks.flatMap((mark) => (mark.kind === 'wall' ? mark.points : [])));
  if (!box) return [];
  const { minX, minY, maxX, maxY } = box;
  const [x, y] = [minX - DIMENSION_MM, minY - DIMENSION_MM];
  const between = (a: Point2, b: Point2, lengthMm: number): SheetMark => ({
    kind: 'dimension',
    points: [a, b],
    text: formatLength(lengthMm / perM, units),
  });
  return [between([minX, y], [maxX, y], maxX - minX), between([x, minY], [x, maxY], maxY - minY)];
}

/** The types of device on a level, by their codes. */
export function keyOf(project: ProjectDocument, levelId: string): KeyLine[] {
  const counts = new Map<string, number>();
  for (const { typeId } of onLevel(project, 'devices', levelId)) counts.set(typeId, (counts.get(typeId) ?? 0) + 1);
  return [...counts]
    .map(([typeId, count]): KeyLine => {
      const { code, system, name } = project.deviceTypes[typeId];
      return { code, system, name, count };
    })
    .sort((a, b) => (a.code < b.code ? -1 : a.code > b.code ? 1 : a.name < b.name ? -1 : 1));
}

/** Run numbers of one device with what they share said once: `M-KT-02.1 .2`. */
export function shortRunNumbers(numbers: readonly string[]): string {
  const [first, ...rest] = numbers;
  if (first === undefined) return '';
  const stem = /^(.*)[.-][^.-]*$/.exec(first)?.[1];
  return [
    first,
    ...rest.map((number) => (stem !== undefined && number.startsWith(stem) ? number.slice(stem.length) : number)),
  ].join(' ');
}

interface WantedNote {
  readonly lines: readonly string[];
  readonly system: SystemName;
  /** In the order of the devices of the level. */
  readonly index: number;
}

function deviceNotes(project: ProjectDocument, levelId: string, runs: readonly PlannedRun[]): WantedNote[] {
  const numbers = new Map<string, string[]>();
  for (const { run } of runs) numbers.set(run.deviceId, [...(numbers.get(run.deviceId) ?? []), run.number]);
  return onLevel(project, 'devices', levelId).map((device, index) => {
    const { system } = project.deviceTypes[device.typeId];
    const height = device.heightM === null ? '' : ` · ${formatLength(device.heightM, project.project.units)}`;
    const ownRuns = shortRunNumbers((numbers.get(device.id) ?? []).sort(compareNumbers));
    return { system, index, lines: [`${deviceNumber(project, device)}${height}`, ...(ownRuns ? [ownRuns] : [])] };
  });
}

/** Letters of notes on paper, mm. */
export const NOTE_MM = { size: 1.9, line: 2.2, perLetter: 0.95 } as const;
const BEAD_MM = { width: 5.6, height: 3.8 } as const;

/** Notes beside their beads, each where it hides nothing; one that finds no place for two lines stands with its number alone. */
function notesBeside(marks: readonly SheetMark[], wanted: readonly WantedNote[]): SheetMark[] {
  const beads = marks.filter((mark) => mark.kind === 'device');
  const obstacles = [
    ...beads.map(({ at: [x, y] }): Box => ({ ...BEAD_MM, x: x - BEAD_MM.width / 2, y: -y - BEAD_MM.height / 2 })),
    ...marks.flatMap((mark): Box[] =>
      mark.kind === 'room' ? [roomBox(mark)] : mark.kind === 'dimension' ? [dimensionBox(mark)] : [],
    ),
  ];
  const wishOf = ({ index, lines }: WantedNote, count: number): LabelWish => {
    const [x, y] = beads[index].at;
    const width = Math.max(...lines.slice(0, count).map((line) => line.length)) * NOTE_MM.perLetter + 0.6;
    const height = count * NOTE_MM.line;
    const [right, left] = [x + BEAD_MM.width / 2 + 0.4, x - BEAD_MM.width / 2 - 0.4 - width];
    const [below, above] = [-y + BEAD_MM.height / 2 + 0.3, -y - BEAD_MM.height / 2 - 0.3 - height];
    const middle = -y - height / 2;
    return {
      id: String(index),
      width,
      height,
      places: [
        [right, middle],
        [left, middle],
        [x - width / 2, below],
        [x - width / 2, above],
        [right, below],
        [left, below],
        [right, above],
        [left, above],
        ...[3, -3, 6, -6, 9, -9].flatMap((d): [number, number][] => [
          [right + 1, middle + d],
          [left - 1, middle + d],
        ]),
      ],
    };
  };
  const inked = marks.flatMap(inkBoxes);
  const wishes = wanted.map((note) => wishOf(note, note.lines.length));
  const full = placeLabels(wishes, obstacles, inked);
  const taken = wishes.flatMap(({ id, width, height }): Box[] => {
    const at = full.get(id);
    return at ? [{ x: at[0], y: at[1], width, height }] : [];
  });
  const short = placeLabels(
    wanted.filter(({ index }) => !full.has(String(index))).map((note) => wishOf(note, 1)),
    [...obstacles, ...taken],
    inked,
  );
  return wanted.flatMap(({ index, lines, system }): SheetMark[] => {
    const [whole, alone] = [full.get(String(index)), short.get(String(index))];
    const at = whole ?? alone;
    return at ? [{ kind: 'note', at: [at[0], -at[1]], lines: whole ? lines : lines.slice(0, 1), system }] : [];
  });
}

/** The ground that walls and runs cover, y down. */
function inkBoxes(mark: SheetMark): Box[] {
  if (mark.kind !== 'wall' && mark.kind !== 'run') return [];
  const pairs = mark.kind === 'wall' ? [mark.points] : mark.points.slice(1).map((b, i) => [mark.points[i], b]);
  return pairs.map((points) => {
    const { minX, minY, maxX, maxY } = boundsOf(points)!;
    return { x: minX - 0.2, y: -maxY - 0.2, width: maxX - minX + 0.4, height: maxY - minY + 0.4 };
  });
}

/** The ground that a dimension covers with its text, y down. */
function dimensionBox({ points }: Extract<SheetMark, { kind: 'dimension' }>): Box {
  const { minX, minY, maxX, maxY } = boundsOf(points)!;
  return { x: minX - 4, y: -maxY - 4, width: maxX - minX + 8, height: maxY - minY + 8 };
}

const ROOM_LINE_MM = 2.9;
type RoomMark = Extract<SheetMark, { kind: 'room' }>;

/** The ground that the name of a room covers, y down. */
function roomBox({ at: [x, y], lines, clear }: RoomMark): Box {
  const width = Math.max(8, ...[...lines, clear].map((line) => line.length * 1.75));
  const height = (lines.length + (clear ? 2 : 1)) * ROOM_LINE_MM;
  return { x: x - width / 2, y: -y - height / 2, width, height };
}

/** Room names moved aside from the devices' beads; sizes in mm on paper. */
function clearOfDevices(marks: readonly SheetMark[]): SheetMark[] {
  const beads = marks.flatMap((mark): Box[] =>
    mark.kind === 'device' ? [{ x: mark.at[0] - 3.5, y: -mark.at[1] - 3, width: 7, height: 6 }] : [],
  );
  const rooms = marks.filter((mark) => mark.kind === 'room');
  const steps = [0, 4, -4, 8, -8, 12, -12, 18, -18];
  const wishes = rooms.map((room) => {
    const { x, y, width, height } = roomBox(room);
    const all = steps.flatMap((dy) => [0, 6, -6, 12, -12].map((dx) => [x + dx, y + dy] as const));
    const isIn = ([px, py]: Point2) => pointInPolygon([px, -py], room.outline);
    // The name of a room stays in it: with all of its letters where it can, else with its middle.
    const middle = all.filter(([px, py]) => isIn([px + width / 2, py + height / 2]));
    const whole = middle.filter(([px, py]) => [px, px + width].every((cx) => [py, py + height].every((cy) => isIn([cx, cy]))));
    return { id: room.code, width, height, places: [...whole, ...(whole.length > 0 ? [] : middle), [x, y] as const] };
  });
  const walls = marks.flatMap((mark) => (mark.kind === 'wall' ? inkBoxes(mark) : []));
  const placed = placeLabels(wishes, beads, walls);
  return marks.map((mark) => {
    if (mark.kind !== 'room') return mark;
    const at = placed.get(mark.code);
    const { width, height } = roomBox(mark);
    return at ? { ...mark, at: [at[0] + width / 2, -at[1] - height / 2] } : mark;
  });
}
