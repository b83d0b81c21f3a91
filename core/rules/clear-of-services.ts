import { BUILDING, buildingOf } from '../house/index.ts';
import { type Feature, isMetallic } from '../model/index.ts';
import { besideThings } from '../routing/index.ts';
import { SERVICE_KEEP_M } from '../calculators/index.ts';
import { defineCheck, say } from './check.ts';
import { leadAway } from './cures.ts';

/** Routes beside a pipe longer than this are no crossing, m. */
const PASSING_M = 0.6;

/** Cable keeps away from gas, water and hot flues, from lamp drivers and from panels (ENGINEERING 7.1). */
export const clearOfServices = defineCheck({
  id: 'clear-of-services',
  title: 'Cable keeps its distance from pipes, flues, lamps and panels',
  source: 'Pipes and flues 150 mm, lamp drivers 130 mm (EN 50174-2), panelboards 1.2 m; trade practice',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'features'],
  nodes: [BUILDING],
  limits: {
    pipeM: { usual: SERVICE_KEEP_M.gas, min: 0.05, max: 1, unit: 'm', safer: 'more' },
    lampM: { usual: SERVICE_KEEP_M['lamp-driver'], min: 0.05, max: 1, unit: 'm', safer: 'more' },
    panelM: { usual: SERVICE_KEEP_M.panelboard, min: 0.3, max: 3, unit: 'm', safer: 'more' },
  },
  ofRun: ({ run, points, media }, { project, limit }) => {
    const keeps = {
      pipe: limit('pipeM'),
      flue: limit('pipeM'),
      'recessed-light': limit('lampM'),
      'service-panel': limit('panelM'),
    };
    const keepOf = ({ kind, clearanceM }: Feature) =>
      Object.hasOwn(keeps, kind) ? Math.max(clearanceM, keeps[kind as keyof typeof keeps]) : null;
    if (!isMetallic(project.cableTypes[run.cableTypeId])) return [];
    return besideThings(buildingOf(project), points, media, keepOf).flatMap(({ featureId, keepM, parallelM, leastM: minM }) => {
      const feature = project.features[featureId];
      if (parallelM <= PASSING_M) return [];
      return [
        say(
          'look',
          'service-near',
          [
            { in: 'runs', id: run.id },
            { in: 'features', id: featureId },
          ],
          { number: run.number, thing: feature.kind, parallelM, awayM: minM, keepM },
          {
            measured: minM,
            allowed: keepM,
            unit: 'm',
            cures: (house) =>
              leadAway(house, run.id, featureId, (then, planned) =>
                besideThings(buildingOf(then), planned.points, planned.media, keepOf).every((one) => one.parallelM <= PASSING_M),
              ),
          },
        ),
      ];
    });
  },
});
