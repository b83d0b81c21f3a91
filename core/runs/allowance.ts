import { RACK_UNIT_M } from '../math/index.ts';
import { levelsFromBelow } from '../house/index.ts';
import {
  type Device,
  type Operation,
  type ProjectDocument,
  type ProjectHeader,
  type Rack,
  type Run,
  sameValue,
  type SlackStyle,
  update,
} from '../model/index.ts';
import { derivationsOf, each, listOf, whole } from '../derive/index.ts';
import type { Allowance } from '../calculators/index.ts';

/** A rack that slides out needs its height and this, a panel no more than this (ENGINEERING 16.1), m. */
const BEYOND_RACK_M = 1.5;

/** Slack that a run gets at a rack: led to its unit as the project says, for sliding out, or short into a panel, m. */
export function usualRackSlackM({ rackSlackM }: ProjectHeader, { slackStyle, units }: Rack): number {
  if (slackStyle === 'panel') return BEYOND_RACK_M;
  if (slackStyle === 'to-unit') return rackSlackM;
  return Math.max(rackSlackM, Math.round((units * RACK_UNIT_M + BEYOND_RACK_M) * 10) / 10);
}

/** How the slack of a run is left at its device: as said, else zigzag where the place is open, else as in the project. */
export const slackStyleOf = (project: ProjectHeader, run: Run, device: Device): SlackStyle =>
  run.slackStyle ?? (device.tailM === null ? project.slackStyle : 'zigzag');

/** Slack at both ends, m: a lead that waits for joinery or a ceiling is left with its tail where that is longer; none is none. */
export function slackOf(project: ProjectHeader, run: Run, device: Device): { deviceSlackM: number; rackSlackM: number } {
  const none = slackStyleOf(project, run, device) === 'none';
  return { deviceSlackM: Math.max(none ? 0 : run.deviceSlackM, device.tailM ?? 0), rackSlackM: run.rackSlackM };
}

/** Places of levels from below whose ceiling height was measured; -1 for those whose was not. */
const MEASURED_LEVELS = whole<ReadonlyMap<string, number>>({
  name: 'measured levels',
  tables: ['levels', 'facts'],
  make: ({ project }) => {
    const said = new Set(
      listOf(project, 'facts').flatMap(({ subject, subjectId, field, state }) =>
        subject === 'levels' && field === 'ceilingHeightM' && state === 'measured' ? [subjectId] : [],
      ),
    );
    return new Map(levelsFromBelow(project).map(({ id }, place) => [id, said.has(id) ? place : -1]));
  },
});

/** What is added to a run's routed length: the route is traced where the heights of all levels from end to end were measured. */
export const ALLOWANCE_OF_RUN = each<'runs', Allowance>({
  name: 'allowance of a run',
  over: 'runs',
  tables: ['project'],
  nodes: [MEASURED_LEVELS],
  records: ({ deviceId, toDeviceId, rackId }) => [
    ['devices', deviceId],
    ['racks', rackId],
    ['devices', toDeviceId],
  ],
  make: ({ deviceId, toDeviceId, rackId }, read) => {
    const { project, devices, racks } = read.project;
    const measured = read.get(MEASURED_LEVELS);
    const far = toDeviceId === null ? racks[rackId] : devices[toDeviceId];
    const places = [devices[deviceId].levelId, far.levelId].map((id) => measured.get(id) ?? -1);
    const [low, high] = [Math.min(...places), Math.max(...places)];
    const traced = low >= 0 && [...measured.values()].filter((place) => place >= low && place <= high).length === high - low + 1;
    return { factor: traced ? project.tracedFactor : project.wasteFactor, reserveM: project.reserveM, traced };
  },
  alike: sameValue,
});

export const allowanceOf = (project: ProjectDocument, runId: string): Allowance =>
  derivationsOf(project).one(ALLOWANCE_OF_RUN, runId)!;

/** Another way to leave cables at a rack: drafted runs that had the old slack get the new one. */
export function setRackSlack(project: ProjectDocument, rack: Rack, slackStyle: Rack['slackStyle']): Operation[] {
  const [before, after] = [usualRackSlackM(project.project, rack), usualRackSlackM(project.project, { ...rack, slackStyle })];
  const runs = listOf(project, 'runs').flatMap((run) => {
    const follows = run.rackId === rack.id && run.toDeviceId === null && run.state === 'drafted' && run.rackSlackM === before;
    return (follows && update('runs', run, { rackSlackM: after })) || [];
  });
  return [update('racks', rack, { slackStyle }) ?? [], runs].flat();
}
