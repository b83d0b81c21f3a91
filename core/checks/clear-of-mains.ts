import { besideMains, KEEP_M, RIGHT_ANGLE_FROM_RAD } from '../routing/index.ts';
import { buildingOf } from '../building/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, say, type FindingDraft, type Rank } from './check.ts';
import { leadAway } from './cures.ts';

/** ENGINEERING 7.1: parallel runs longer than this keep their distance, m. */
const LONGEST_M = 2;
/** ENGINEERING 7.1: nearer than this nothing may come unless one of them is enclosed, m. */
const CLOSEST_M = 0.05;
/** Optical leads take nothing up from mains. */
const isOptical = (material: string) => material === 'fibre';

/** Cable keeps away from mains, and crosses them squarely (practice A39, B11). */
export const clearOfMains = defineCheck({
  id: 'clear-of-mains',
  stage: 'cabling',
  title: 'Cable keeps its distance from mains',
  source: 'F7.1 (EN 50174-2), NEC 725, 800; 300 mm by practice; BS 6701',
  severity: 'stop',
  appliesTo: 'runs',
  safety: true,
  limits: { longestM: { usual: 2, least: 0.5, most: 3, unit: 'm', safer: 'less' } },
  ofRun: (planned, { document, limit }) => {
    if (isOptical(document.cableTypes[planned.run.cableTypeId].material)) return [];
    const longestM = limit('longestM');
    return besideMains(buildingOf(document), planned.points, planned.media).flatMap((beside) => {
      const { parallelM, leastM, crossingRad, featureId } = beside;
      const keepM = document.features[featureId].clearanceM || KEEP_M;
      const figures = { mains: document.features[featureId].name || 'mains', keepM };
      const found: FindingDraft[] = [];
      const told = (code: string, rank: Rank, measured: number, allowed: number, unit: string, more: object = {}) =>
        found.push(about(planned, featureId, code, rank, measured, allowed, unit, { ...figures, ...more }));
      if (parallelM > longestM && leastM < CLOSEST_M)
        told('mains-touching', 'stop', leastM, CLOSEST_M, 'm', { parallelM, leastM });
      else if (parallelM > longestM) told('mains-parallel', 'look', parallelM, longestM, 'm', { parallelM, leastM });
      if (crossingRad !== null && crossingRad < RIGHT_ANGLE_FROM_RAD)
        told('mains-skewed', 'look', crossingRad, RIGHT_ANGLE_FROM_RAD, 'rad', {
          angleDeg: Math.round((crossingRad * 180) / Math.PI),
        });
      return found;
    });
  },
});

function about(
  { run }: PlannedRun,
  featureId: string,
  code: string,
  rank: Rank,
  measured: number,
  allowed: number,
  unit: string,
  figures: object,
): FindingDraft {
  return say(
    'clear-of-mains',
    rank,
    code,
    [
      { in: 'runs', id: run.id },
      { in: 'features', id: featureId },
    ],
    { number: run.number, ...figures },
    {
      measured,
      allowed,
      unit,
      cures: (document) =>
        leadAway(document, run.id, featureId, (house, planned) =>
          besideMains(buildingOf(house), planned.points, planned.media).every(
            (one) => one.parallelM <= LONGEST_M && (one.crossingRad === null || one.crossingRad >= RIGHT_ANGLE_FROM_RAD),
          ),
        ),
    },
  );
}
