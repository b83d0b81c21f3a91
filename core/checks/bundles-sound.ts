import { pickedFrom, update, type ProjectDocument } from '../project/index.ts';
import { isKept, MOST_IN_BUNDLE, type PlannedRun } from '../runs/index.ts';
import { defineCheck, type Cure, type Finding } from './check.ts';

/** PoE classes whose heat adds up in a bundle, and those above 60 W a cable (ENGINEERING 3.2). */
const WARM_CLASS = 5;
const HOT_CLASS = 7;

/** Cables that carry power lie in bundles that stay cool (ENGINEERING 3.2). */
export const bundlesSound = defineCheck({
  id: 'bundles-sound',
  stage: 'cabling',
  title: 'Bundles that carry power stay cool',
  source: 'ISO/IEC TS 29125, TIA TSB-184 direction',
  severity: 'stop',
  appliesTo: 'runs',
  run: ({ document, runs }) => {
    // Where nothing draws so much power there is nothing to look for.
    const warmTypes = new Set(
      Object.values(document.deviceTypes).flatMap(({ id, poeClass }) => ((poeClass ?? 0) >= WARM_CLASS ? [id] : [])),
    );
    const drawing = pickedFrom(document, {
      name: `types ${[...warmTypes].join()}`,
      in: 'devices',
      fits: ({ typeId }) => warmTypes.has(typeId),
    });
    if (drawing.length === 0) return [];
    return bundledRuns(runs).flatMap((bundle) => {
      const classes = bundle.members.map(({ run, device }) =>
        document.cableTypes[run.cableTypeId].family === 'cat' ? (document.deviceTypes[device.typeId].poeClass ?? 0) : 0,
      );
      const warm = classes.filter((one) => one >= WARM_CLASS).length;
      const hot = classes.filter((one) => one >= HOT_CLASS).length;
      const found: Finding[] = [];
      const say = (code: string, rank: 'stop' | 'look', measured: number, allowed: number, unit: string, cures: Cure[] = []) =>
        found.push({
          check: 'bundles-sound',
          rank,
          code,
          subjects: bundle.members.map(({ run }) => ({ in: 'runs', id: run.id })),
          measured,
          allowed,
          unit,
          figures: { bundle: bundle.code, count: bundle.members.length, warm, hot },
          cures,
        });
      if (warm > 0 && bundle.members.length > MOST_IN_BUNDLE)
        say('bundle-too-warm', 'stop', bundle.members.length, MOST_IN_BUNDLE, '', split(document, bundle));
      if (hot > 1 && document.project.jurisdiction === 'NA') say('bundle-ampacity', 'look', hot, 1, '');
      return found;
    });
  },
});

interface Bundled {
  readonly code: string;
  readonly members: readonly PlannedRun[];
}

/** Runs home to a rack by the bundle that they are marked with. */
function bundledRuns(runs: readonly PlannedRun[]): Bundled[] {
  const byCode = new Map<string, PlannedRun[]>();
  for (const planned of runs) {
    const { bundle, toDeviceId } = planned.run;
    if (bundle === '' || toDeviceId !== null) continue;
    const list = byCode.get(bundle);
    if (list) list.push(planned);
    else byCode.set(bundle, [planned]);
  }
  return [...byCode].map(([code, members]) => ({ code, members }));
}

/** Half of the drafted ones go into a bundle of their own. */
function split(document: ProjectDocument, { members, code }: Bundled): Cure[] {
  const free = members.filter(({ run }) => !isKept(run));
  const moving = free.slice(0, Math.ceil(members.length / 2));
  if (members.length - moving.length > MOST_IN_BUNDLE || moving.length > MOST_IN_BUNDLE) return [];
  const used = new Set(Object.values(document.runs).map(({ bundle }) => bundle));
  let next = `${code}A`.slice(-12);
  for (let n = 2; used.has(next); n++) next = `B-${String(n).padStart(2, '0')}`;
  const operations = moving.flatMap(({ run }) => update('runs', run, { bundle: next }) ?? []);
  return [{ code: 'split-bundle', figures: { bundle: next, count: moving.length }, operations }];
}
