import { isConduit, update } from '../model/index.ts';
import { isKept } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';

/** Enough cable is left at a box to work with (ENGINEERING 16.1). */
export const slackEnough = defineCheck({
  id: 'slack-enough',
  title: 'Enough cable is left at both ends',
  source: 'Trade practice: 0.3 m in a box at the least, 1.5 m at a panel',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'deviceTypes', 'project'],
  limits: {
    deviceM: { usual: 0.3, min: 0.1, max: 1, unit: 'm', safer: 'more' },
    rackM: { usual: 1.5, min: 0.3, max: 5, unit: 'm', safer: 'more' },
  },
  ofRun: ({ run, device }, { project, limit }) => {
    if (isConduit(project.cableTypes[run.cableTypeId])) return [];
    const isHome = run.toDeviceId === null;
    const minRackM = isHome ? limit('rackM') : limit('deviceM');
    const minM = limit('deviceM');
    const isShort = run.deviceSlackM < minM * (1 - 1e-9) && (run.slackStyle ?? project.project.slackStyle) !== 'none';
    const isShortFar = run.rackSlackM < minRackM * (1 - 1e-9);
    if (!isShort && !isShortFar) return [];
    const leg = project.deviceTypes[device.typeId].cables[(run.recipeLeg ?? 0) - 1];
    return [
      say(
        'look',
        isShort ? 'slack-short' : 'slack-short-far',
        [{ in: 'runs', id: run.id }],
        { number: run.number, leftM: isShort ? run.deviceSlackM : run.rackSlackM, leastM: isShort ? minM : minRackM },
        {
          measured: isShort ? run.deviceSlackM : run.rackSlackM,
          allowed: isShort ? minM : minRackM,
          unit: 'm',
          cures: (house) => {
            const now = house.runs[run.id];
            if (!now || isKept(now)) return [];
            const operation = update('runs', now, {
              ...(isShort ? { deviceSlackM: Math.max(minM, leg?.slackM ?? 0.45) } : {}),
              ...(isShortFar ? { rackSlackM: Math.max(minRackM, isHome ? house.project.rackSlackM : 0.45) } : {}),
            });
            return operation ? [{ code: 'usual-slack', figures: {}, operations: [operation] }] : [];
          },
        },
      ),
    ];
  },
});
