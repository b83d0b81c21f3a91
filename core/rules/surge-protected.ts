import { isMetallic, type ProjectDocument, type Run } from '../model/index.ts';
import { edited, pickedFrom } from '../derive/index.ts';
import { RUNS_BY_DEVICE, runsByDevice } from '../runs/index.ts';
import { type Cure, defineCheck, say } from './check.ts';
import { besideRack, bondingBar, hasType, OF_TYPE, part } from './entry-protection.ts';

const isCopper = (project: ProjectDocument, { cableTypeId }: Run) => isMetallic(project.cableTypes[cableTypeId]);

const isBond = (project: ProjectDocument, { cableTypeId }: Run) => project.cableTypes[cableTypeId].family === 'bond';

const OUTDOORS = part('outdoors', ({ roomId }) => roomId === null);

/** Copper that comes from outdoors passes a surge arrester where it enters (ENGINEERING 3.3). */
export const surgeProtected = defineCheck({
  id: 'surge-protected',
  title: 'Copper from outdoors has surge protection at its entry',
  source: 'NEC 800, 820 style; EN 62305 direction',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes'],
  nodes: [OF_TYPE['surge-arrester'], OUTDOORS, RUNS_BY_DEVICE],
  safety: true,
  run: ({ project }) => {
    if (hasType(project, 'surge-arrester')) return [];
    const byDevice = runsByDevice(project);
    const runs = pickedFrom(project, OUTDOORS)
      .flatMap(({ id }) => byDevice.get(id) ?? [])
      .filter((run) => run.toDeviceId === null && isCopper(project, run) && !isBond(project, run));
    if (runs.length === 0) return [];
    return [
      say(
        'look',
        'surge-missing',
        runs.map(({ id }) => ({ in: 'runs', id })),
        { number: '', count: runs.length, first: runs[0].number },
        { measured: 0, allowed: 1, cures: (house) => arresters(house) },
      ),
    ];
  },
});

function arresters(project: ProjectDocument): Cure[] {
  if (!project.deviceTypes['surge-arrester']) return [];
  const bonded = hasType(project, 'bonding-bar') ? [] : (bondingBar(project, project)[0]?.operations ?? []);
  const between = edited(project, bonded);
  if (!between.ok) return [];
  const placed = besideRack(between.value, 'surge-arrester', 0.6);
  return placed.length > 0 ? [{ code: 'add-arresters', figures: {}, operations: [...bonded, ...placed] }] : [];
}
