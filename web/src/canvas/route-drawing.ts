import type { Level, SystemName } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import type { Point3 } from '@dusky-spool/core/math';
import { pathThrough } from './room-drawing.ts';

/** One run's line on one level. */
export interface RunLine {
  readonly runId: string;
  readonly system: SystemName;
  readonly path: string;
  /** The same as points, m. */
  readonly strokes: readonly (readonly (readonly [number, number])[])[];
  readonly differs: boolean;
  readonly wantedPath: string | null;
  /** Where a run of a device of this level lies on others. */
  readonly ghost: string;
}

/** Distance between the strands of a bundle, m. */
const STRAND_M = 0.05;

/** The level that a height belongs to: the highest whose floor is not above it. `levels` from below. */
export function levelAt(levels: readonly Level[], z: number): string | undefined {
  let found = levels[0]?.id;
  for (const level of levels) if (level.elevationM <= z + 1e-6) found = level.id;
  return found;
}

/** The parts of a route that lie on a level, shifted aside so that strands of a bundle lie beside each other. */
export function strokesOnLevel(
  points: readonly Point3[],
  levels: readonly Level[],
  levelId: string,
  asideM: number,
): [number, number][][] {
  const parts: [number, number][][] = [];
  let open: [number, number][] = [];
  const close = () => {
    if (open.length > 1) parts.push(open);
    open = [];
  };
  for (let k = 0; k + 1 < points.length; k++) {
    const [a, b] = [points[k], points[k + 1]];
    const flat = Math.hypot(a[0] - b[0], a[1] - b[1]) < 1e-6;
    if (flat) continue;
    if (levelAt(levels, Math.min(a[2], b[2])) !== levelId) {
      close();
      continue;
    }
    const end = k === 0;
    if (open.length === 0) open.push(end ? [a[0], a[1]] : [a[0] + asideM, a[1] + asideM]);
    open.push([b[0] + asideM, b[1] + asideM]);
  }
  close();
  return parts;
}

/** The parts of a route that lie on other levels, as they are seen from above. */
const strokesElsewhere = (points: readonly Point3[], levels: readonly Level[], levelId: string, asideM: number) =>
  levels.flatMap(({ id }) => (id === levelId ? [] : strokesOnLevel(points, levels, id, asideM)));

const pathOf = (strokes: readonly [number, number][][]): string => strokes.map((points) => pathThrough(points)).join('');

/** Lines of all runs that pass a level; the strands of each bundle are spread. */
export function linesOf(
  runs: readonly PlannedRun[],
  systems: Readonly<Record<string, { system: SystemName }>>,
  levels: readonly Level[],
  levelId: string,
): RunLine[] {
  const seen = new Map<string, number>();
  return runs.flatMap(({ run, device, points, issuedRoute, differs, proposedRoute }) => {
    const strand = seen.get(run.bundle) ?? 0;
    seen.set(run.bundle, strand + 1);
    const asideM = (((strand + (run.bundle.charCodeAt(run.bundle.length - 1) || 0)) % 7) - 3) * STRAND_M;
    const strokes = strokesOnLevel(points, levels, levelId, asideM);
    const path = pathOf(strokes);
    const wantedPath =
      issuedRoute && differs && proposedRoute.ok ? pathOf(strokesOnLevel(proposedRoute.value.points, levels, levelId, 0)) : null;
    const ghost = device.levelId === levelId ? pathOf(strokesElsewhere(points, levels, levelId, asideM)) : '';
    if (path === '' && !wantedPath && ghost === '') return [];
    return [{ runId: run.id, system: systems[device.typeId].system, path, strokes, differs, wantedPath, ghost }];
  });
}
