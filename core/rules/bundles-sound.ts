import { type ProjectDocument, type Run, update } from '../model/index.ts';
import { each, listOf } from '../derive/index.ts';
import { compareNumbers, isKept, MAX_IN_BUNDLE, NUMBER_ORDER } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** PoE classes whose heat adds up in a bundle, and those above 60 W a cable (ENGINEERING 3.2). */
const WARM_CLASS = 5;
const HOT_CLASS = 7;

/** The PoE class of what each run feeds; 0 where its cable carries no power. */
const POE_OF_RUN = each<'runs', number>({
  name: 'PoE class of a run',
  over: 'runs',
  records: ({ deviceId, cableTypeId }, { devices }) => [
    ['devices', deviceId],
    ['deviceTypes', devices[deviceId].typeId],
    ['cableTypes', cableTypeId],
  ],
  make: ({ deviceId, cableTypeId }, { project: { devices, deviceTypes, cableTypes } }) =>
    cableTypes[cableTypeId].family === 'cat' ? (deviceTypes[devices[deviceId].typeId].poeClass ?? 0) : 0,
});

/** Cables that carry power lie in bundles that stay cool (ENGINEERING 3.2). */
export const bundlesSound = defineCheck({
  id: 'bundles-sound',
  stage: 'cabling',
  title: 'Bundles that carry power stay cool',
  source: 'ISO/IEC TS 29125, TIA TSB-184 direction',
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['runs', 'project'],
  nodes: [POE_OF_RUN, NUMBER_ORDER],
  run: ({ project, read }) => {
    const [rows, classOf] = [read.rows('runs'), read.all(POE_OF_RUN)];
    // Where nothing draws so much power there is nothing to look for.
    if (!classOf.some((one) => one >= WARM_CLASS)) return [];
    return bundledRuns(read.get(NUMBER_ORDER).map((n) => ({ run: rows[n], poeClass: classOf[n] }))).flatMap((bundle) => {
      const classes = bundle.members.map(({ poeClass }) => poeClass);
      const warm = classes.filter((one) => one >= WARM_CLASS).length;
      const hot = classes.filter((one) => one >= HOT_CLASS).length;
      const found: RuleFinding[] = [];
      const add = (
        code: string,
        rank: 'stop' | 'look',
        measured: number,
        allowed: number,
        unit: string,
        cures?: RuleFinding['cures'],
      ) =>
        found.push(
          say(
            rank,
            code,
            bundle.members.map(({ run }) => ({ in: 'runs', id: run.id })),
            { bundle: bundle.code, count: bundle.members.length, warm, hot },
            { measured, allowed, unit, cures },
          ),
        );
      if (warm > 0 && bundle.members.length > MAX_IN_BUNDLE)
        add('bundle-too-warm', 'stop', bundle.members.length, MAX_IN_BUNDLE, '', (house) => split(house, bundle.code));
      if (hot > 1 && project.project.jurisdiction === 'NA') add('bundle-ampacity', 'look', hot, 1, '');
      return found;
    });
  },
});

interface Fed {
  readonly run: Run;
  readonly poeClass: number;
}

interface Bundled {
  readonly code: string;
  readonly members: readonly Fed[];
}

/** Runs home to a rack by the bundle that they are marked with. */
function bundledRuns(runs: readonly Fed[]): Bundled[] {
  const byCode = new Map<string, Fed[]>();
  for (const fed of runs) {
    const { bundle, toDeviceId } = fed.run;
    if (bundle === '' || toDeviceId !== null) continue;
    const list = byCode.get(bundle);
    if (list) list.push(fed);
    else byCode.set(bundle, [fed]);
  }
  return [...byCode].map(([code, members]) => ({ code, members }));
}

/** Half of the drafted ones go into a bundle of their own. */
function split(project: ProjectDocument, code: string): Cure[] {
  const all = listOf(project, 'runs').toSorted((a, b) => compareNumbers(a.number, b.number));
  const members = all.filter(({ bundle, toDeviceId }) => bundle === code && toDeviceId === null);
  const moving = members.filter((run) => !isKept(run)).slice(0, Math.ceil(members.length / 2));
  if (members.length - moving.length > MAX_IN_BUNDLE || moving.length > MAX_IN_BUNDLE) return [];
  const used = new Set(all.map(({ bundle }) => bundle));
  let next = `${code}A`.slice(-12);
  for (let n = 2; used.has(next); n++) next = `B-${String(n).padStart(2, '0')}`;
  const operations = moving.flatMap((run) => update('runs', run, { bundle: next }) ?? []);
  return [{ code: 'split-bundle', figures: { bundle: next, count: moving.length }, operations }];
}
