import { besideMains, RIGHT_ANGLE_FROM_RAD } from '../routing/index.ts';
import { cableClassOf, OPEN_CONDUCTORS_M, PARALLEL_FROM_M } from '../calculators/index.ts';
import { BUILDING, buildingOf } from '../house/index.ts';
import { isMetallic, type ProjectDocument } from '../model/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { defineCheck, type Rank, type RuleFinding, say } from './check.ts';
import { leadAway } from './cures.ts';

/** Cable keeps away from mains, and crosses them squarely (practice A39, B11). */
export const clearOfMains = defineCheck({
  id: 'clear-of-mains',
  stage: 'cabling',
  title: 'Cable keeps its distance from mains',
  source: 'EN 50174-2; NEC 725, 800; BS 6701; 300 mm by trade practice',
  calculators: ['separation'],
  severity: 'stop',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'features', 'project'],
  nodes: [BUILDING],
  safety: true,
  limits: { longestM: { usual: PARALLEL_FROM_M, min: 0.5, max: 3, unit: 'm', safer: 'less' } },
  ofRun: (planned, { project, limit }) => {
    const cable = project.cableTypes[planned.run.cableTypeId];
    if (!isMetallic(cable)) return [];
    const longestM = limit('longestM');
    const { jurisdiction } = project.project;
    const cableClass = cableClassOf(cable);
    const besideIn = (house: ProjectDocument, { points, media }: Pick<PlannedRun, 'points' | 'media'>) =>
      besideMains(buildingOf(house), points, media, jurisdiction, cableClass);
    const keeps = (house: ProjectDocument, run: Pick<PlannedRun, 'points' | 'media'>) =>
      besideIn(house, run).every(
        (one) => one.parallelM <= longestM && (one.crossingRad === null || one.crossingRad >= RIGHT_ANGLE_FROM_RAD),
      );
    return besideIn(project, planned).flatMap((beside) => {
      const { keepM, parallelM, leastM: minM, crossingRad, featureId } = beside;
      const figures = { mains: project.features[featureId].name || 'mains', keepM, longestM };
      const found: RuleFinding[] = [];
      const told = (code: string, rank: Rank, measured: number, allowed: number, unit: string, more: object = {}) =>
        found.push(about(planned, featureId, code, rank, measured, allowed, unit, { ...figures, ...more }, keeps));
      if (parallelM > longestM && minM < OPEN_CONDUCTORS_M)
        told('mains-touching', 'stop', minM, OPEN_CONDUCTORS_M, 'm', { parallelM, leastM: minM });
      else if (parallelM > longestM) told('mains-parallel', 'look', parallelM, longestM, 'm', { parallelM, leastM: minM });
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
  keeps: (house: ProjectDocument, run: PlannedRun) => boolean,
): RuleFinding {
  return say(
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
      cures: (project) => leadAway(project, run.id, featureId, keeps),
    },
  );
}
