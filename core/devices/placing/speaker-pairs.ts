import { err, ok, type Outcome } from '../../math/index.ts';
import { type CableType, type Operation, type ProjectDocument, type Run, update } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { isKept, runsByDevice } from '../../runs/index.ts';
import { knownMap } from './conductors.ts';
import { atHeadEnd, headEndFor } from './head-ends.ts';

/** Families of speaker cable: one channel, and two on one four-conductor cable (ENGINEERING 16.3). */
const ONE_CHANNEL = 'spk_2';
const TWO_CHANNELS = 'spk_4';

/** The drafted speaker run of a device, or why it has none. Problems: `record-gone`, `not-a-speaker`, `run-issued`. */
function speakerRun(project: ProjectDocument, deviceId: string): Outcome<Run> {
  const device = project.devices[deviceId];
  if (!device) return err('record-gone', { in: 'devices', id: deviceId });
  const runs = (runsByDevice(project).get(deviceId) ?? []).filter((run) =>
    [ONE_CHANNEL, TWO_CHANNELS].includes(project.cableTypes[run.cableTypeId].family),
  );
  const { impedanceOhm, name } = project.deviceTypes[device.typeId];
  if (impedanceOhm === null || runs.length !== 1) return err('not-a-speaker', { kind: 'invalid', field: 'devices', name });
  const [run] = runs;
  return isKept(run)
    ? err('run-issued', { kind: 'prohibited', field: `run ${run.number}`, number: run.number, state: run.state })
    : ok(run);
}

/** The cable of a family with the gauge that comes nearest, the thicker of two. */
function sameGauge(project: ProjectDocument, family: string, gaugeAwg: number | null): CableType | undefined {
  const off = (cable: CableType) => Math.abs((cable.gaugeAwg ?? 0) - (gaugeAwg ?? 16));
  return listOf(project, 'cableTypes')
    .filter((cable) => cable.family === family && cable.material === 'copper')
    .toSorted((a, b) => off(a) - off(b) || a.gaugeAwg! - b.gaugeAwg! || (a.id < b.id ? -1 : 1))[0];
}

/**
 * Puts two speakers on one four-conductor cable: it runs home from the one that is nearer to the head end, and a jumper goes on to the
 * other. Problems: those of `speakerRun`, `no-head-end`, `cable-family-missing`.
 */
export function pairSpeakers(project: ProjectDocument, deviceIds: readonly [string, string]): Outcome<Operation[]> {
  const [a, b] = deviceIds.map((id) => speakerRun(project, id));
  if (!a.ok) return a;
  if (!b.ok) return b;
  const rack = headEndFor(project, project.devices[a.value.deviceId], project.cableTypes[a.value.cableTypeId]);
  if (!rack) return err('no-head-end', { kind: 'infeasible', field: 'device' });
  const away = ({ deviceId }: Run) => {
    const { x, y, levelId } = project.devices[deviceId];
    return Math.hypot(x - rack.x, y - rack.y) + (levelId === rack.levelId ? 0 : 100);
  };
  const [near, far] = away(b.value) < away(a.value) ? [b.value, a.value] : [a.value, b.value];
  const gauges = [near, far].map(({ cableTypeId }) => project.cableTypes[cableTypeId].gaugeAwg ?? 16);
  const four = sameGauge(project, TWO_CHANNELS, Math.min(...gauges));
  const two = sameGauge(project, ONE_CHANNEL, gauges[1]);
  if (!four || !two)
    return err('cable-family-missing', { kind: 'infeasible', field: 'cable', family: four ? ONE_CHANNEL : TWO_CHANNELS });
  const home = { ...atHeadEnd(project, near, rack), cableTypeId: four.id, mapId: knownMap(project, 'speaker_4') };
  const jumper = {
    toDeviceId: near.deviceId,
    cableTypeId: two.id,
    mapId: knownMap(project, 'speaker_2'),
    farConnector: near.deviceConnector,
    bundle: '',
    rackSlackM: far.deviceSlackM,
  };
  return ok([update('runs', near, home), update('runs', far, jumper)].filter((operation) => operation !== null));
}

/** Gives each of several speakers a two-conductor run home: the other school. Problems: those of `speakerRun`, `no-head-end`. */
export function runSpeakersHome(project: ProjectDocument, deviceIds: readonly string[]): Outcome<Operation[]> {
  const operations: (Operation | null)[] = [];
  for (const id of deviceIds) {
    const run = speakerRun(project, id);
    if (!run.ok) return run;
    const cable = project.cableTypes[run.value.cableTypeId];
    const two = cable.family === ONE_CHANNEL ? cable : sameGauge(project, ONE_CHANNEL, cable.gaugeAwg);
    if (!two) return err('cable-family-missing', { kind: 'infeasible', field: 'cable', family: ONE_CHANNEL });
    const rack = headEndFor(project, project.devices[id], two);
    if (!rack) return err('no-head-end', { kind: 'infeasible', field: 'device' });
    const ends = run.value.toDeviceId === null ? {} : { ...atHeadEnd(project, run.value, rack), farConnector: 'binding post' };
    operations.push(update('runs', run.value, { ...ends, cableTypeId: two.id, mapId: knownMap(project, 'speaker_2') }));
  }
  return ok(operations.filter((operation) => operation !== null));
}
