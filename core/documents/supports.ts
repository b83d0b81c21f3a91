import { distance3 } from '../geometry/index.ts';
import type { Medium, ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';

/** Ways along which cable has to be held up, and how (ENGINEERING 1.2, F16.6): staples on wood, hooks above ceilings and under joists. */
const STAPLED = new Set<Medium>(['wall']);
const HUNG = new Set<Medium>(['cavity', 'crawl', 'soffit', 'outside', 'bulkhead', 'riser', 'chase']);
const STAPLE_M = 1.4;
const HOOK_M = 1.5;
const TIE_M = 1.2;
const ENDS = 4;

/** Supports of one cable type. */
export interface SupportCount {
  readonly cableTypeId: string;
  readonly cable: string;
  readonly runs: number;
  readonly stapledM: number;
  readonly hungM: number;
  readonly staples: number;
  readonly hooks: number;
}

/** What holds the cable of a house. */
export interface Supports {
  readonly byCable: readonly SupportCount[];
  /** Hook-and-loop ties of bundles, one each 1.2 m that two or more go along. */
  readonly ties: number;
}

/**
 * Staples and hooks by cable and way (F16.6): `ceil(length / 1.4 m) + 4` staples a run inside walls, a hook each 1.5 m where cable hangs.
 * Bundled runs share their hooks: a hook is counted for the longest of a bundle. Lengths in metres.
 */
export function supportsOf(document: ProjectDocument, runs: readonly PlannedRun[]): Supports {
  const byCable = new Map<string, { runs: number; stapledM: number; hungM: number; staples: number; hooks: number }>();
  const hungByBundle = new Map<string, number>();
  for (const { run, points, media } of [...runs].sort((a, b) => hungOf(b) - hungOf(a))) {
    if (points.length < 2) continue;
    let stapledM = 0;
    let hungM = 0;
    media.forEach((medium, k) => {
      const lengthM = distance3(points[k], points[k + 1]);
      if (STAPLED.has(medium)) stapledM += lengthM;
      else if (HUNG.has(medium)) hungM += lengthM;
    });
    const shared = run.bundle !== '' && hungByBundle.has(run.bundle);
    if (run.bundle !== '' && !shared) hungByBundle.set(run.bundle, hungM);
    const count = byCable.get(run.cableTypeId) ?? { runs: 0, stapledM: 0, hungM: 0, staples: 0, hooks: 0 };
    count.runs++;
    count.stapledM += stapledM;
    count.hungM += hungM;
    count.staples += Math.ceil(stapledM / STAPLE_M - 1e-9) + ENDS;
    count.hooks += shared ? 0 : Math.ceil(hungM / HOOK_M - 1e-9);
    byCable.set(run.cableTypeId, count);
  }
  const members = new Map<string, number>();
  for (const { run, points } of runs)
    if (points.length > 1 && run.bundle !== '') members.set(run.bundle, (members.get(run.bundle) ?? 0) + 1);
  const ties = [...hungByBundle].reduce(
    (sum, [bundle, hungM]) => sum + ((members.get(bundle) ?? 0) > 1 ? Math.ceil(hungM / TIE_M - 1e-9) : 0),
    0,
  );
  return {
    byCable: [...byCable]
      .map(([cableTypeId, count]) => ({ cableTypeId, cable: document.cableTypes[cableTypeId].name, ...count }))
      .sort((a, b) => b.runs - a.runs || a.cable.localeCompare(b.cable)),
    ties,
  };
}

const hungOf = ({ points, media }: PlannedRun): number =>
  media.reduce((sum, medium, k) => (HUNG.has(medium) ? sum + distance3(points[k], points[k + 1]) : sum), 0);
