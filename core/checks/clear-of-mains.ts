import { besideMains, KEEP_M, RIGHT_ANGLE_FROM_RAD } from '../routing/index.ts';
import { buildingOf } from '../building/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, type Finding, type Rank } from './check.ts';

/** ENGINEERING 7.1: parallel runs longer than this keep their distance, m. */
const LONGEST_M = 2;
/** ENGINEERING 7.1: nearer than this nothing may come unless one of them is enclosed, m. */
const CLOSEST_M = 0.05;
/** Optical leads take nothing up from mains. */
const isOptical = (material: string) => material === 'fibre';

/** Cable keeps away from mains, and crosses them squarely (practice A39, B11). */
export const clearOfMains = defineCheck({
  id: 'clear-of-mains',
  title: 'Cable keeps its distance from mains',
  source: 'ENGINEERING 7.1; practice A39, B11',
  severity: 'stop',
  appliesTo: 'runs',
  run: ({ document, runs }) => {
    const building = buildingOf(document);
    const has = Object.values(building.featuresByLevel).some((list) => list.some(({ kind }) => kind === 'mains-route'));
    if (!has) return [];
    return runs.flatMap((planned) => {
      if (isOptical(document.cableTypes[planned.run.cableTypeId].material)) return [];
      return besideMains(building, planned.points, planned.media).flatMap((beside) => {
        const { parallelM, leastM, crossingRad, featureId } = beside;
        const keepM = document.features[featureId].clearanceM || KEEP_M;
        const figures = { mains: document.features[featureId].name || 'mains', keepM };
        const found: Finding[] = [];
        const say = (code: string, rank: Rank, measured: number, allowed: number, unit: string, more: object = {}) =>
          found.push(about(planned, featureId, code, rank, measured, allowed, unit, { ...figures, ...more }));
        if (parallelM > LONGEST_M && leastM < CLOSEST_M)
          say('mains-touching', 'stop', leastM, CLOSEST_M, 'm', { parallelM, leastM });
        else if (parallelM > LONGEST_M) say('mains-parallel', 'look', parallelM, LONGEST_M, 'm', { parallelM, leastM });
        if (crossingRad !== null && crossingRad < RIGHT_ANGLE_FROM_RAD)
          say('mains-skewed', 'look', crossingRad, RIGHT_ANGLE_FROM_RAD, 'rad', {
            angleDeg: Math.round((crossingRad * 180) / Math.PI),
          });
        return found;
      });
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
): Finding {
  return {
    check: 'clear-of-mains',
    rank,
    code,
    subjects: [
      { in: 'runs', id: run.id },
      { in: 'features', id: featureId },
    ],
    measured,
    allowed,
    unit,
    figures: { number: run.number, ...figures },
    cures: [],
  };
}
