import { distance3 } from '../math/index.ts';
import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** Long data lines through the ground are of fibre: they carry farther and lead no surge into the house (ENGINEERING 3.1). */
export const fibreOutdoors = defineCheck({
  id: 'fibre-outdoors',
  title: 'Long data lines outdoors are fibre',
  source: 'Trade practice: between buildings and across a yard fibre',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes'],
  limits: { longestM: { usual: 30, min: 5, max: 90, unit: 'm', safer: 'less' } },
  ofRun: ({ run, device, points, media }, { project, limit }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (cable.family !== 'cat') return [];
    const inGroundM = media.reduce(
      (sum, medium, k) => (medium === 'underground' ? sum + distance3(points[k], points[k + 1]) : sum),
      0,
    );
    const longestM = limit('longestM');
    if (inGroundM <= longestM * (1 + 1e-9)) return [];
    const isPowered = project.deviceTypes[device.typeId].poeClass !== null;
    return [
      say(
        'look',
        isPowered ? 'ground-powered' : 'ground-copper',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: cable.name, groundM: inGroundM, longestM },
        {
          measured: inGroundM,
          allowed: longestM,
          unit: 'm',
          cures: (house) => (isPowered ? [] : useCable(house, run.id, ({ family }) => family === 'fibre')),
        },
      ),
    ];
  },
});
