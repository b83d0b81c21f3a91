import { buildingOf, openingsOf, projectBounds, wallLength, wallPoint, wallReaches } from '../../house/index.ts';
import { type Box, centroidOf, err, ok, type Outcome, PAPER_MM, placeLabels, type Point2 } from '../../math/index.ts';
import type { ProjectDocument, SystemName } from '../../model/index.ts';
import { type PlannedRun, planRuns } from '../../runs/index.ts';

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
  | { readonly kind: 'rack'; readonly points: readonly Point2[]; readonly code: string }
  | { readonly kind: 'riser'; readonly points: readonly Point2[] }
  | { readonly kind: 'room'; readonly at: Point2; readonly name: string; readonly code: string };

/** A level drawn to scale, ready for any printer of vectors. */
export interface PlanSheet {
  readonly paper: SheetPaper;
  readonly widthMm: number;
  readonly heightMm: number;
  /** 100 means 1:100. */
  readonly scale: number;
  readonly marginMm: number;
  readonly titleBlockMm: number;
  readonly marks: readonly SheetMark[];
  readonly systems: readonly SystemName[];
}

/** Plans are printed on their side. */
export type SheetPaper = keyof typeof PAPER_MM;

const METRIC_SCALES = [20, 25, 50, 75, 100, 125, 150, 200, 250, 500, 1000];
/** 1/2, 3/8, 1/4, 3/16, 1/8, 3/32, 1/16 in to the foot. */
const IMPERIAL_SCALES = [24, 32, 48, 64, 96, 128, 192, 384, 768];
const MARGIN_MM = 10;
const TITLE_BLOCK_MM = 24;

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
  const roomX = widthMm - 2 * MARGIN_MM - 6;
  const roomY = heightMm - 2 * MARGIN_MM - TITLE_BLOCK_MM - 6;
  const [widthM, heightM] = [bounds.maxX - bounds.minX, bounds.maxY - bounds.minY];
  const scales = project.project.units === 'imperial' ? IMPERIAL_SCALES : METRIC_SCALES;
  const scale = scales.find((s) => (widthM * 1000) / s <= roomX && (heightM * 1000) / s <= roomY);
  if (scale === undefined) return err('level-too-large', { kind: 'infeasible', field: 'paper', paper });
  const perM = 1000 / scale;
  const left = MARGIN_MM + 3 + (roomX - widthM * perM) / 2;
  const bottom = MARGIN_MM + TITLE_BLOCK_MM + 3 + (roomY - heightM * perM) / 2;
  const place = ([x, y]: readonly number[]): Point2 => [left + (x - bounds.minX) * perM, bottom + (y - bounds.minY) * perM];
  const marks = [...buildingMarks(project, levelId), ...deviceMarks(project, levelId, runs)].map((mark): SheetMark =>
    'points' in mark ? { ...mark, points: mark.points.map(place) } : { ...mark, at: place(mark.at) },
  );
  const labelled = clearOfDevices(marks);
  const systems = [...new Set(marks.flatMap((mark) => (mark.kind === 'device' ? [mark.system] : [])))].sort();
  return ok({ paper, widthMm, heightMm, scale, marginMm: MARGIN_MM, titleBlockMm: TITLE_BLOCK_MM, marks: labelled, systems });
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
    marks.push({ kind: 'room', at: centroidOf(room.polygon as Point2[]), name: room.name, code: room.code });
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
  for (const device of Object.values(project.devices)) {
    if (device.levelId !== levelId) continue;
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

/** Room names moved aside from the devices' beads; sizes in mm on paper. */
function clearOfDevices(marks: readonly SheetMark[]): SheetMark[] {
  const beads = marks.flatMap((mark): Box[] =>
    mark.kind === 'device' ? [{ x: mark.at[0] - 3.5, y: -mark.at[1] - 3, width: 7, height: 6 }] : [],
  );
  const rooms = marks.filter((mark) => mark.kind === 'room');
  const wishes = rooms.map(({ at: [x, y], name, code }) => {
    const width = Math.max(8, name.length * 1.75);
    const steps = [0, 9, -9, 18, -18];
    return {
      id: code,
      width,
      height: 7,
      places: steps.flatMap((dy) => [0, 12, -12].map((dx) => [x - width / 2 + dx, -y - 3.5 + dy] as const)),
    };
  });
  const placed = placeLabels(wishes, beads);
  return marks.map((mark) => {
    if (mark.kind !== 'room') return mark;
    const at = placed.get(mark.code);
    const width = Math.max(8, mark.name.length * 1.75);
    return at ? { ...mark, at: [at[0] + width / 2, -at[1] - 3.5] } : mark;
  });
}
