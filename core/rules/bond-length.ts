import { defineCheck, say } from './check.ts';

/** A surge arrester is bonded over as short a route as can be (ENGINEERING 3.3, 5.5). */
export const bondLength = defineCheck({
  id: 'bond-length',
  title: 'Bonding conductors are short',
  source: 'NEC articles 800 and 820: 6 m in dwellings; EN 62305',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes'],
  safety: true,
  limits: { longestM: { usual: 6, min: 1, max: 6, unit: 'm', safer: 'less' } },
  ofRun: ({ run, device, length }, { project, limit }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (!length || cable.family !== 'bond' || device.typeId !== 'surge-arrester') return [];
    const lengthM = length.riseM + length.runM + length.dropM + run.deviceSlackM + run.rackSlackM;
    const longestM = limit('longestM');
    if (lengthM <= longestM * (1 + 1e-9)) return [];
    return [
      say(
        'stop',
        'bond-too-long',
        [{ in: 'runs', id: run.id }],
        { number: run.number, lengthM, longestM },
        {
          measured: lengthM,
          allowed: longestM,
          unit: 'm',
        },
      ),
    ];
  },
});
