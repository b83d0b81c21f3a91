import { cornersOf, projectBounds, wallNumbers } from '../../house/index.ts';
import { boundsOf, err, formatLength, ok, type Outcome, PAPER_MM, type Point2, type UnitSystem } from '../../math/index.ts';
import type { ProjectDocument, SystemName } from '../../model/index.ts';
import { listOf, onLevel } from '../../derive/index.ts';
import { type PlannedRun, planRuns } from '../../runs/index.ts';
import { buildingMarks, deviceMarks, devicesShown, type SheetMark, type ShowsDevice } from './plan-marks.ts';
import { clearRooms, planNotes, wallTags } from './plan-notes.ts';

/** A level drawn to scale, ready for any printer of vectors. */
export interface PlanSheet {
  readonly paper: SheetPaper;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Which of the plans of the house it is. */
  readonly number: { readonly sheet: number; readonly sheets: number };
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

/** What a plan shows beside the house: its devices with their runs, and marks of its own, in metres. */
export interface PlanContent {
  readonly shows?: ShowsDevice;
  readonly extra?: readonly SheetMark[];
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
 * Lays a level out on paper at the largest usual scale that fits; without runs it is a key to the numbers of walls and the names of
 * corners alone, without devices. Problems: `level-missing`, `level-empty`, `level-too-large`.
 */
export function planSheet(
  project: ProjectDocument,
  levelId: string,
  paper: SheetPaper,
  runs: readonly PlannedRun[] | null = planRuns(project),
  { shows = () => true, extra = [] }: PlanContent = {},
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
  const onPaper = (mark: SheetMark): SheetMark =>
    'points' in mark
      ? ({ ...mark, points: mark.points.map(place) } as SheetMark)
      : mark.kind === 'room'
        ? { ...mark, at: place(mark.at), outline: mark.outline.map(place) }
        : { ...mark, at: place(mark.at) };
  const devices = runs === null ? [] : deviceMarks(project, levelId, runs, shows);
  const corners = runs === null ? cornerMarks(project, levelId) : [];
  const drawn = [...buildingMarks(project, levelId), ...extra, ...devices, ...corners].map(onPaper);
  const numbers = wallNumbers(project);
  const walls = onLevel(project, 'walls', levelId).map(({ id, a, b }) => ({
    number: numbers.get(id)!,
    a: place(a),
    b: place(b),
  }));
  const dimensions = overallDimensions(drawn, perM, project.project.units);
  const marks = [...clearRooms([...drawn, ...wallTags(drawn, walls)]), ...dimensions];
  const { notes, missing } = planNotes(project, levelId, runs ?? [], marks, shows);
  return ok({
    ...{ paper, widthMm, heightMm, scale, marginMm: MARGIN_MM, titleBlockMm: TITLE_BLOCK_MM, keyMm: KEY_MM },
    number: sheetNumber(project, levelId),
    marks: [...marks, ...notes],
    systems: [...new Set(marks.flatMap((mark) => (mark.kind === 'device' ? [mark.system] : [])))].sort(),
    key: runs === null ? [] : keyOf(project, levelId, shows),
    withoutNote: missing,
  });
}

/** The sheet of a level among those of the house, from the lowest up: 1 of 3. */
function sheetNumber(project: ProjectDocument, levelId: string): { readonly sheet: number; readonly sheets: number } {
  const levels = [...listOf(project, 'levels')].sort((a, b) => a.order - b.order);
  return { sheet: levels.findIndex(({ id }) => id === levelId) + 1, sheets: levels.length };
}

function cornerMarks(project: ProjectDocument, levelId: string): SheetMark[] {
  const { minX, minY, maxX, maxY } = projectBounds(project, levelId)!;
  return cornersOf(project, levelId).map(({ name, at }) => ({
    kind: 'corner',
    name,
    at,
    outward: [at[0] > (minX + maxX) / 2 ? 1 : -1, at[1] > (minY + maxY) / 2 ? 1 : -1],
  }));
}

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
export function keyOf(project: ProjectDocument, levelId: string, shows: ShowsDevice = () => true): KeyLine[] {
  const counts = new Map<string, number>();
  for (const { typeId } of devicesShown(project, levelId, shows)) counts.set(typeId, (counts.get(typeId) ?? 0) + 1);
  return [...counts]
    .map(([typeId, count]): KeyLine => {
      const { code, system, name } = project.deviceTypes[typeId];
      return { code, system, name, count };
    })
    .sort((a, b) => (a.code < b.code ? -1 : a.code > b.code ? 1 : a.name < b.name ? -1 : 1));
}
