import type { ProjectDocument, Run } from '../model/index.ts';
import { whole } from '../derive/index.ts';
import { compareNumbers, PLANNED_RUN, RUNS_HANGING, runsHangingOn } from '../runs/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { feedOf, shareLost, voltsOf } from './voltage-at-load.ts';

/** Home runs on whose device others hang, in the order of numbers. */
const HOMES = whole<readonly Run[]>({
  name: 'home runs with others behind',
  tables: ['runs'],
  nodes: [RUNS_HANGING],
  make: (read) =>
    read
      .rows('runs')
      .filter(({ toDeviceId, deviceId }) => toDeviceId === null && read.get(RUNS_HANGING).has(deviceId))
      .sort((a, b) => compareNumbers(a.number, b.number)),
});

/** Cut length of a run, m; null where it has no route. */
type Lengths = (runId: string) => number | null;

/** Devices that are fed from one to the next get enough volts: each piece carries the current of everything behind it. */
export const voltageOnChains = defineCheck({
  id: 'voltage-on-chains',
  title: 'Devices that are fed one from the next get enough volts',
  source: 'Circuit theory; a share of 10 % by trade practice',
  calculators: ['dc-drop'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'conductorMaps', 'deviceTypes', 'devices', 'project', 'runs'],
  nodes: [PLANNED_RUN, RUNS_HANGING, HOMES],
  limits: { share: { usual: 0.1, min: 0.02, max: 0.15, unit: '', safer: 'less' } },
  run: ({ project, read, limit }) => {
    const lengthM: Lengths = (runId) => read.one(PLANNED_RUN, runId)!.length?.cutLengthM ?? null;
    return read
      .get(HOMES)
      .filter((home) => feedOf(project, home) !== null)
      .flatMap((home) => worstOf(project, home, lengthM, limit('share')));
  },
});

/** A device on a chain: the runs from the head end to it. */
interface Fed {
  readonly deviceId: string;
  readonly path: readonly Run[];
}

function worstOf(project: ProjectDocument, home: Run, lengthOf: Lengths, allowed: number): RuleFinding[] {
  const fed = chainOf(project, home);
  const typeOf = ({ deviceId }: Fed) => project.deviceTypes[project.devices[deviceId].typeId];
  const ampsOf = (one: Fed) => {
    const { dcV, dcW, poeClass } = typeOf(one);
    return dcV !== null && dcW !== null && poeClass === null ? dcW / dcV : 0;
  };
  const judged = fed.flatMap((one) => {
    const { dcV } = typeOf(one);
    if (one.path.length < 2 || dcV === null || ampsOf(one) === 0) return [];
    const shares = one.path.map((run) => {
      const lengthM = lengthOf(run.id);
      const feed = feedOf(project, run);
      const amps = fed.filter(({ path }) => path.includes(run)).reduce((sum, behind) => sum + ampsOf(behind), 0);
      return lengthM === null || !feed ? null : shareLost(project, project.cableTypes[run.cableTypeId], feed, lengthM, amps, dcV);
    });
    const share = shares.reduce<number | null>((sum, part) => (sum === null || part === null ? null : sum + part), 0);
    return share !== null && share > allowed * (1 + 1e-9) ? [{ one, share, dcV }] : [];
  });
  const [worst] = judged.sort((a, b) => b.share - a.share);
  if (!worst) return [];
  const { one, share, dcV } = worst;
  return [
    say(
      'stop',
      'voltage-low-on-chain',
      [
        { in: 'runs', id: home.id },
        { in: 'devices', id: one.deviceId },
      ],
      { number: home.number, device: typeOf(one).name, count: fed.length, ...voltsOf(share, allowed, dcV) },
      { measured: share, allowed },
    ),
  ];
}

/** Everything that a home run feeds, over jumpers whose conductors carry the supply. */
function chainOf(project: ProjectDocument, home: Run): Fed[] {
  const found: Fed[] = [{ deviceId: home.deviceId, path: [home] }];
  const seen = new Set([home.deviceId]);
  for (let n = 0; n < found.length; n++) {
    for (const run of runsHangingOn(project, found[n].deviceId)) {
      if (seen.has(run.deviceId) || feedOf(project, run) === null) continue;
      seen.add(run.deviceId);
      found.push({ deviceId: run.deviceId, path: [...found[n].path, run] });
    }
  }
  return found;
}
