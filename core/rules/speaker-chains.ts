import { type ProjectDocument, type Run, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { isKept } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** Speakers that hang on one line are no less load than an amplifier bears. */
export const speakerChains = defineCheck({
  id: 'speaker-chains',
  title: 'Speakers on one line do not overload its amplifier',
  source: 'Circuit theory; minimum load of the amplifier 4 Ω unless it says otherwise',
  calculators: ['speaker-load'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'devices', 'runs'],
  safety: true,
  limits: { leastOhm: { usual: 4, min: 2, max: 16, unit: 'Ω', safer: 'more' } },
  run: ({ project, limit }) => {
    const chained = listOf(project, 'runs').filter((run) => run.toDeviceId !== null && isSound(project, run));
    if (chained.length === 0) return [];
    const nextOf = new Map(chained.map((run) => [run.deviceId, run]));
    const homes = listOf(project, 'runs').filter((run) => run.toDeviceId === null && isSound(project, run));
    const hangsOn = new Map<string, Run[]>();
    for (const run of chained) hangsOn.set(run.toDeviceId!, [...(hangsOn.get(run.toDeviceId!) ?? []), run]);
    const minOhm = limit('leastOhm');
    return homes.flatMap((home): RuleFinding[] => {
      const seen = new Set<string>();
      const open = [home.deviceId];
      const loads: number[] = [];
      const links: Run[] = [];
      while (open.length > 0) {
        const id = open.pop()!;
        if (seen.has(id)) continue;
        seen.add(id);
        const ohm = project.deviceTypes[project.devices[id].typeId].impedanceOhm;
        if (ohm !== null) loads.push(ohm);
        for (const run of hangsOn.get(id) ?? []) {
          links.push(run);
          open.push(run.deviceId);
        }
      }
      if (loads.length < 2) return [];
      const loadOhm = 1 / loads.reduce((sum, ohm) => sum + 1 / ohm, 0);
      if (loadOhm >= minOhm * (1 - 1e-9) || nextOf.has(home.deviceId)) return [];
      return [
        say(
          'stop',
          'amplifier-under-load',
          [{ in: 'runs', id: home.id }, ...[...seen].map((id) => ({ in: 'devices' as const, id }))],
          { number: home.number, count: loads.length, loadOhm, leastOhm: minOhm },
          { measured: loadOhm, allowed: minOhm, unit: 'Ω', cures: (house) => homeByItself(house, links) },
        ),
      ];
    });
  },
});

const isSound = (project: ProjectDocument, { cableTypeId, deviceId }: Run) =>
  project.cableTypes[cableTypeId].system === 'sound' &&
  project.deviceTypes[project.devices[deviceId].typeId].impedanceOhm !== null;

/** Every speaker of the chain with a run of its own to the rack. */
function homeByItself(project: ProjectDocument, links: readonly Run[]): Cure[] {
  const operations = links.flatMap(({ id }) => {
    const run = project.runs[id];
    const operation =
      run && !isKept(run) ? update('runs', run, { toDeviceId: null, rackSlackM: project.project.rackSlackM }) : null;
    return operation ?? [];
  });
  return operations.length === links.length && links.length > 0
    ? [{ code: 'home-by-itself', figures: { count: links.length }, operations }]
    : [];
}
