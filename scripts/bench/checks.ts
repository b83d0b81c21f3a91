import { derivationsOn, edited, listOf } from '../../core/derive/index.ts';
import { type Check, CHECKS, type Finding, runChecks } from '../../core/rules/index.ts';
import { moveDevices } from '../../core/devices/index.ts';
import type { ProjectDocument } from '../../core/model/index.ts';
import { type PlannedRun, planRuns } from '../../core/runs/index.ts';
import { figure, type Figure, percentile } from './figure.ts';
import { houseOf } from './wired.ts';

/** A day on which some gates are past and some are not. */
const TODAY = '2026-11-25';

/** The plain reference: every rule over every thing, nothing kept from the time before. */
function plainly(project: ProjectDocument, runs: readonly PlannedRun[]): number {
  let found = 0;
  for (const check of CHECKS) {
    const context = {
      project,
      read: derivationsOn(project, TODAY),
      runs,
      today: TODAY,
      limit: (name: string) => (check as Check).limits![name].usual,
    };
    if ('run' in check) found += check.run(context).length;
    else if ('ofRun' in check) for (const planned of runs) found += check.ofRun(planned, context).length;
    else for (const device of listOf(project, 'devices')) found += check.ofDevice(device, context).length;
  }
  return found;
}

/** All rules on a house of 2 000 runs from cold, and again after each of many moves of devices. */
export function checkFigures(): Figure[] {
  let house = houseOf(2000);
  runChecks(houseOf(250), TODAY);
  const cold = minMs(3, () => {
    const fresh = structuredClone(house);
    planRuns(fresh);
    return () => runChecks(fresh, TODAY);
  });
  let told: readonly Finding[] = runChecks(house, TODAY);
  const moves: number[] = [];
  const plain: number[] = [];
  const devices = Object.keys(house.devices);
  for (let n = 0; n < 120; n++) {
    const device = house.devices[devices[(n * 37) % devices.length]];
    const moved = moveDevices(house, [{ deviceId: device.id, to: [device.x + (n % 2 ? 0.02 : -0.02), device.y] }]);
    const applied = moved.ok ? edited(house, moved.value) : moved;
    if (!applied.ok) continue;
    house = applied.value;
    const runs = planRuns(house);
    const start = performance.now();
    told = runChecks(house, TODAY);
    moves.push(performance.now() - start);
    if (n % 40 === 0) {
      const began = performance.now();
      plainly(house, runs);
      plain.push(performance.now() - began);
    }
  }
  if (told.length === 0) throw new Error('the house is meant to have findings');
  return [
    figure('checks', `all ${CHECKS.length} rules on 2 000 runs and 3 000 devices from cold, best of 3`, cold, 'ms', 400),
    figure('checks', 'a device moved there: all findings again, 95th percentile', percentile(moves.slice(20), 0.95), 'ms', 10),
    figure('checks', 'a device moved there: all findings again, median', percentile(moves.slice(20), 0.5), 'ms'),
    figure('checks', 'plain reference: every rule over everything after a move', percentile(plain, 0.5), 'ms'),
  ];
}

/** The least of some tries, ms; what `prepare` does is not counted. */
function minMs(tries: number, prepare: () => () => unknown): number {
  return Math.min(
    ...Array.from({ length: tries }, () => {
      const run = prepare();
      const start = performance.now();
      run();
      return performance.now() - start;
    }),
  );
}
