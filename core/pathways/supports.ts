import { distance3 } from '../math/index.ts';
import type { Medium, ProjectDocument } from '../model/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { hooksFor, staplesFor, tiesFor } from '../calculators/index.ts';

/** Routes along which cable has to be held up, and how (ENGINEERING 1.2): staples on wood, hooks above ceilings and under joists. */
const STAPLED = new Set<Medium>(['wall']);
const HUNG = new Set<Medium>(['cavity', 'crawl', 'soffit', 'outside', 'bulkhead', 'riser', 'chase']);

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
 * Staples and hooks by cable and route: staples for what lies inside walls, hooks for what hangs.
 * Bundled runs share their hooks: a hook is counted for the longest of a bundle. Lengths in metres.
 */
export function supportsOf(project: ProjectDocument, runs: readonly PlannedRun[]): Supports {
  const byCable = new Map<string, Omit<SupportCount, 'cableTypeId' | 'cable'>>();
  const bundles = new Map<string, { readonly hungM: number; members: number }>();
  const held = runs
    .filter(({ points }) => points.length > 1)
    .map((planned) => ({ run: planned.run, stapledM: metresIn(planned, STAPLED), hungM: metresIn(planned, HUNG) }))
    .sort((a, b) => b.hungM - a.hungM);
  for (const { run, stapledM, hungM } of held) {
    // The longest of a bundle comes first: the others hang on its hooks.
    const bundle = run.bundle === '' ? undefined : bundles.get(run.bundle);
    if (bundle) bundle.members++;
    else if (run.bundle !== '') bundles.set(run.bundle, { hungM, members: 1 });
    const count = byCable.get(run.cableTypeId) ?? { runs: 0, stapledM: 0, hungM: 0, staples: 0, hooks: 0 };
    byCable.set(run.cableTypeId, {
      runs: count.runs + 1,
      stapledM: count.stapledM + stapledM,
      hungM: count.hungM + hungM,
      staples: count.staples + staplesFor(stapledM),
      hooks: count.hooks + (bundle ? 0 : hooksFor(hungM)),
    });
  }
  const ties = [...bundles.values()].reduce((sum, { hungM, members }) => sum + (members > 1 ? tiesFor(hungM) : 0), 0);
  return {
    byCable: [...byCable]
      .map(([cableTypeId, count]) => ({ cableTypeId, cable: project.cableTypes[cableTypeId].name, ...count }))
      .sort((a, b) => b.runs - a.runs || a.cable.localeCompare(b.cable)),
    ties,
  };
}

const metresIn = ({ points, media }: PlannedRun, wanted: ReadonlySet<Medium>): number =>
  media.reduce((sum, medium, k) => (wanted.has(medium) ? sum + distance3(points[k], points[k + 1]) : sum), 0);
