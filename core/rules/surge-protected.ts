import { isMetallic, type Device, type Operation, type ProjectDocument, type Run, update } from '../model/index.ts';
import { edited, listOf, pickedFrom } from '../derive/index.ts';
import { compareNumbers, RUNS_BY_DEVICE, runsByDevice } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { besideRack, bondingBar, hasType, isBond, OF_TYPE, part } from './entry-protection.ts';

const OUTDOORS = part('outdoors', ({ roomId }) => roomId === null);

/**
 * Each copper run that comes from outdoors passes an arrester where it enters, and each arrester has its bonding conductor
 * (ENGINEERING 3.3). An arrester protects the runs that it names; one that names none is for one run.
 */
export const surgeProtected = defineCheck({
  id: 'surge-protected',
  title: 'Every copper run from outdoors passes a bonded surge arrester at its entry',
  source: 'NEC articles 800 and 820; EN 62305',
  calculators: ['surge-bond'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes'],
  nodes: [OF_TYPE['surge-arrester'], OUTDOORS, RUNS_BY_DEVICE],
  safety: true,
  run: ({ project }) => {
    const runs = fromOutdoors(project);
    const arresters = pickedFrom(project, OF_TYPE['surge-arrester']);
    const byDevice = runsByDevice(project);
    const isBonded = ({ id }: Device) => (byDevice.get(id) ?? []).some((run) => isBond(project, run) && run.toDeviceId !== null);
    const loose = arresters.filter((arrester) => !isBonded(arrester));
    const open = unprotected(runs, arresters);
    return [
      ...loose.map((arrester): RuleFinding =>
        say(
          'look',
          'arrester-not-bonded',
          [{ in: 'devices', id: arrester.id }],
          { number: '', device: arrester.name || project.deviceTypes[arrester.typeId].name },
          { measured: 0, allowed: 1 },
        ),
      ),
      ...(open.length === 0
        ? []
        : [
            say(
              'look',
              'surge-missing',
              open.map(({ id }) => ({ in: 'runs', id })),
              {
                number: '',
                count: open.length,
                runs: open.map(({ number }) => number).join(', '),
                of: runs.length,
                arresters: arresters.length,
              },
              {
                measured: open.length,
                allowed: 0,
                cures: (house) =>
                  protect(
                    house,
                    open.map(({ id }) => id),
                  ),
              },
            ),
          ]),
    ];
  },
});

/** Copper runs to a head end that begin outdoors, in the order of their numbers. */
const fromOutdoors = (project: ProjectDocument): Run[] => {
  const byDevice = runsByDevice(project);
  return pickedFrom(project, OUTDOORS)
    .flatMap(({ id }) => byDevice.get(id) ?? [])
    .filter((run) => run.toDeviceId === null && isMetallic(project.cableTypes[run.cableTypeId]) && !isBond(project, run))
    .sort((a, b) => compareNumbers(a.number, b.number));
};

/** The runs that no arrester is for: those that are named are protected, and one more by each arrester that names none. */
function unprotected(runs: readonly Run[], arresters: readonly Device[]): Run[] {
  const named = new Set(arresters.flatMap(({ protects }) => protects));
  const left = runs.filter(({ id }) => !named.has(id));
  return left.slice(arresters.filter(({ protects }) => protects.length === 0).length);
}

/** An arrester for each of the runs: those that are there take them up, else one with its bar is put beside the rack. */
function protect(project: ProjectDocument, runIds: readonly string[]): Cure[] {
  const [there] = listOf(project, 'devices').filter(({ typeId }) => typeId === 'surge-arrester');
  const all = fromOutdoors(project).map(({ id }) => id);
  const named = (arrester: Device) =>
    update('devices', arrester, {
      protects: [...new Set([...(arrester.protects.length > 0 ? arrester.protects : all), ...runIds])],
    });
  if (there) {
    const operation = named(there);
    return operation ? [{ code: 'extend-arresters', figures: { count: runIds.length }, operations: [operation] }] : [];
  }
  if (!project.deviceTypes['surge-arrester']) return [];
  const bonded = hasType(project, 'bonding-bar') ? [] : (bondingBar(project, project)[0]?.operations ?? []);
  const between = edited(project, bonded);
  if (!between.ok) return [];
  const placed: Operation[] = besideRack(between.value, 'surge-arrester', 0.6);
  const after = edited(between.value, placed);
  const arrester = after.ok ? listOf(after.value, 'devices').find(({ typeId }) => typeId === 'surge-arrester') : undefined;
  const operation = arrester && named(arrester);
  return operation ? [{ code: 'add-arresters', figures: {}, operations: [...bonded, ...placed, operation] }] : [];
}
