import { boundsOf, type Box, formatLength, type LabelWish, placeLabels, type Point2, pointInPolygon } from '../../math/index.ts';
import { deviceNumber, tapePlaceOf } from '../../devices/index.ts';
import { buildingOf, wallNumbers } from '../../house/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { compareNumbers, type PlannedRun } from '../../runs/index.ts';
import { devicesShown, type SheetMark, type ShowsDevice } from './plan-marks.ts';

/** Words that stand beside something on the sheet. */
interface WantedNote {
  readonly lines: readonly string[];
  /** What they stand beside, mm, y down. */
  readonly beside: Box;
  readonly isDevice: boolean;
}

type MarkOf<K extends SheetMark['kind']> = Extract<SheetMark, { kind: K }>;

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

/** The lines beside each device of a level: number and height, its runs, and how far it is from which walls. */
function deviceLines(project: ProjectDocument, levelId: string, runs: readonly PlannedRun[], shows: ShowsDevice): string[][] {
  const { units } = project.project;
  const numbers = new Map<string, string[]>();
  for (const { run } of runs) numbers.set(run.deviceId, [...(numbers.get(run.deviceId) ?? []), run.number]);
  const walls = wallNumbers(project);
  return devicesShown(project, levelId, shows).map((device) => {
    const height = device.heightM === null ? '' : ` · ${formatLength(device.heightM, units)}`;
    const ownRuns = shortRunNumbers((numbers.get(device.id) ?? []).sort(compareNumbers));
    const fromWalls = tapePlaceOf(project, device).from.flatMap(({ wallId, firstM }) => {
      const wall = wallId === null ? undefined : walls.get(wallId);
      return wall === undefined ? [] : `${wall} ${formatLength(firstM, units)}`;
    });
    return [`${deviceNumber(project, device)}${height}`, ownRuns, fromWalls.join('  ')].filter(Boolean);
  });
}

/** Letters of notes on paper, mm. */
export const NOTE_MM = { size: 1.9, line: 2.2, perLetter: 0.95 } as const;
const BEAD_MM = { width: 5.6, height: 3.8 } as const;
/** The number of a wall on its tag. */
export const WALL_TAG_MM = { width: 4.6, height: 2.4 } as const;

const boxAt = ([x, y]: Point2, { width, height }: { readonly width: number; readonly height: number }): Box => ({
  x: x - width / 2,
  y: -y - height / 2,
  width,
  height,
});

/** The ground of an outline on paper, y down. */
function outlineBox(points: readonly Point2[], growMm = 0): Box {
  const { minX, minY, maxX, maxY } = boundsOf(points)!;
  return { x: minX - growMm, y: -maxY - growMm, width: maxX - minX + 2 * growMm, height: maxY - minY + 2 * growMm };
}

const marksOf = <K extends SheetMark['kind']>(marks: readonly SheetMark[], kind: K): MarkOf<K>[] =>
  marks.filter((mark): mark is MarkOf<K> => mark.kind === kind);

const beadsIn = (marks: readonly SheetMark[]): Box[] => marksOf(marks, 'device').map(({ at }) => boxAt(at, BEAD_MM));
const tagsIn = (marks: readonly SheetMark[]): Box[] => marksOf(marks, 'wall-number').map(({ at }) => boxAt(at, WALL_TAG_MM));

/** The numbers of walls, each on its wall where no device and no opening is. */
export function wallTags(
  marks: readonly SheetMark[],
  walls: readonly { readonly number: string; readonly a: Point2; readonly b: Point2 }[],
): SheetMark[] {
  const { width, height } = WALL_TAG_MM;
  const shares = [0.5, 0.35, 0.65, 0.22, 0.78, 0.1, 0.9];
  const wishes = walls.map(({ number, a, b }): LabelWish => ({
    id: number,
    width,
    height,
    places: shares.map((s) => [a[0] + (b[0] - a[0]) * s - width / 2, -(a[1] + (b[1] - a[1]) * s) - height / 2] as const),
  }));
  const solid = ['rack', 'riser'] as const;
  const obstacles = [...beadsIn(marks), ...solid.flatMap((kind) => marksOf(marks, kind).map(({ points }) => outlineBox(points)))];
  const soft = [...marksOf(marks, 'opening').map(({ points }) => outlineBox(points)), ...marks.flatMap(runBoxes)];
  const placed = placeLabels(wishes, obstacles, soft);
  return walls.map(({ number, a, b }): SheetMark => {
    const at = placed.get(number);
    const middle: Point2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    return { kind: 'wall-number', number, at: at ? [at[0] + width / 2, -at[1] - height / 2] : middle };
  });
}

/** Notes beside devices, racks and risers; `missing` devices found no place for theirs. */
export function planNotes(
  project: ProjectDocument,
  levelId: string,
  runs: readonly PlannedRun[],
  marks: readonly SheetMark[],
  shows: ShowsDevice,
): { readonly notes: SheetMark[]; readonly missing: number } {
  const building = buildingOf(project);
  const lines = deviceLines(project, levelId, runs, shows);
  const wanted: WantedNote[] = [
    ...beadsIn(marks).map((beside, n) => ({ beside, lines: lines[n], isDevice: true })),
    ...marksOf(marks, 'riser').map(({ points }, n) => ({
      beside: outlineBox(points),
      lines: [building.risers[n].name],
      isDevice: false,
    })),
    ...marksOf(marks, 'rack').map(({ points, name }) => ({ beside: outlineBox(points), lines: [name], isDevice: false })),
  ];
  const notes = notesBeside(marks, wanted);
  const missing = wanted.filter(({ isDevice }, n) => isDevice && notes[n] === null).length;
  return { notes: notes.filter((note) => note !== null), missing };
}

/** Notes each where they hide nothing; one that finds no place for all of its lines stands with fewer, at last with its number alone. */
function notesBeside(marks: readonly SheetMark[], wanted: readonly WantedNote[]): (SheetMark | null)[] {
  const obstacles = [
    ...wanted.map(({ beside }) => beside),
    ...tagsIn(marks),
    ...marks.flatMap((mark): Box[] =>
      mark.kind === 'room' ? [roomBox(mark)] : mark.kind === 'dimension' ? [outlineBox(mark.points, 4)] : [],
    ),
  ];
  const wishOf = ({ beside, lines }: WantedNote, id: string, count: number): LabelWish => {
    const width = Math.max(...lines.slice(0, count).map((line) => line.length)) * NOTE_MM.perLetter + 0.6;
    const height = count * NOTE_MM.line;
    const [right, left] = [beside.x + beside.width + 0.4, beside.x - 0.4 - width];
    const [below, above] = [beside.y + beside.height + 0.3, beside.y - 0.3 - height];
    const [x, middle] = [beside.x + beside.width / 2, beside.y + beside.height / 2 - height / 2];
    return {
      id,
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
  const inked = marks.flatMap((mark) => [...wallBoxes(mark), ...runBoxes(mark), ...leafBoxes(mark)]);
  const found: (SheetMark | null)[] = wanted.map(() => null);
  const taken: Box[] = [];
  for (const most of [3, 2, 1]) {
    const open = wanted
      .map((note, n) => ({ note, n, count: Math.min(most, note.lines.length) }))
      .filter(({ n, count }) => found[n] === null && (count === most || most === 1 || count > 0));
    const wishes = open.map(({ note, n, count }) => wishOf(note, String(n), count));
    const placed = placeLabels(wishes, [...obstacles, ...taken], inked);
    open.forEach(({ note, n, count }, k) => {
      const at = placed.get(String(n));
      if (!at) return;
      found[n] = { kind: 'note', at: [at[0], -at[1]], lines: note.lines.slice(0, count) };
      taken.push({ x: at[0], y: at[1], width: wishes[k].width, height: wishes[k].height });
    });
  }
  return found;
}

/** The ground that walls cover, y down. */
const wallBoxes = (mark: SheetMark): Box[] => (mark.kind === 'wall' ? [outlineBox(mark.points, 0.2)] : []);

/** The ground that runs cover, piece by piece, y down. */
const runBoxes = (mark: SheetMark): Box[] =>
  mark.kind === 'run' ? mark.points.slice(1).map((b, i) => outlineBox([mark.points[i], b], 0.2)) : [];

/** The ground that the swing of a door covers, y down. */
const leafBoxes = (mark: SheetMark): Box[] => (mark.kind === 'leaf' ? [outlineBox(mark.points)] : []);

const ROOM_LINE_MM = 2.9;

/** The ground that the name of a room covers, y down. */
export function roomBox({ at: [x, y], lines, clear }: MarkOf<'room'>): Box {
  const width = Math.max(8, ...[...lines, clear].map((line) => line.length * 1.75));
  const height = (lines.length + (clear ? 2 : 1)) * ROOM_LINE_MM;
  return { x: x - width / 2, y: -y - height / 2, width, height };
}

/** Room names moved aside from devices, wall numbers and runs; sizes in mm on paper. */
export function clearRooms(marks: readonly SheetMark[]): SheetMark[] {
  const beads = [...beadsIn(marks), ...tagsIn(marks)].map(({ x, y, width, height }) => ({
    x: x - 0.7,
    y: y - 0.7,
    width: width + 1.4,
    height: height + 1.4,
  }));
  const steps = [0, 4, -4, 8, -8, 12, -12, 16, -16, 20, -20, 26, -26];
  const wishes = marksOf(marks, 'room').map((room) => {
    const { x, y, width, height } = roomBox(room);
    const all = steps
      .flatMap((dy) => steps.map((dx) => [x + dx, y + dy] as const))
      .sort((p, q) => Math.hypot(p[0] - x, p[1] - y) - Math.hypot(q[0] - x, q[1] - y));
    const isIn = ([px, py]: Point2) => pointInPolygon([px, -py], room.outline);
    // The name of a room stays in it: with all of its letters where it can, else with its middle.
    const middle = all.filter(([px, py]) => isIn([px + width / 2, py + height / 2]));
    const whole = middle.filter(([px, py]) => [px, px + width].every((cx) => [py, py + height].every((cy) => isIn([cx, cy]))));
    return { id: room.code, width, height, places: [...whole, ...(whole.length > 0 ? [] : middle), [x, y] as const] };
  });
  const placed = placeLabels(
    wishes,
    beads,
    marks.flatMap((mark) => [...wallBoxes(mark), ...runBoxes(mark)]),
  );
  return marks.map((mark) => {
    if (mark.kind !== 'room') return mark;
    const at = placed.get(mark.code);
    const { width, height } = roomBox(mark);
    return at ? { ...mark, at: [at[0] + width / 2, -at[1] - height / 2] } : mark;
  });
}
