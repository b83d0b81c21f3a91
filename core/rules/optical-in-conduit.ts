import { isConduit, type Medium, type ProjectDocument, type Run } from '../model/index.ts';
import { RUNS_BY_DEVICE } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';

/** Share of its route that an optical lead has to lie in conduit; its ends leave the conduit at both plates. */
const SHARE = 0.5;

/** An active optical lead cannot be mended in the wall: it lies in conduit, or somebody says why it does not. */
export const opticalInConduit = defineCheck({
  id: 'optical-in-conduit',
  title: 'Active optical leads lie in conduit, or it is said why not',
  source: 'Trade practice: an active optical lead works in one direction, and is replaced whole when it fails',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['cableTypes', 'deviceTypes'],
  nodes: [RUNS_BY_DEVICE],
  ofRun: ({ run, device, points, media }, { project, read }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (cable.family !== 'hdmi' || cable.material !== 'fibre' || run.reason !== '' || run.stored) return [];
    const own = read.get(RUNS_BY_DEVICE).byKey.get(device.id) ?? [];
    if (hasConduit(project, own, run) || conduitShare(points, media) >= SHARE) return [];
    return [
      say(
        'look',
        'optical-no-conduit',
        [
          { in: 'runs', id: run.id },
          { in: 'devices', id: device.id },
        ],
        { number: run.number, device: device.name || project.deviceTypes[device.typeId].name, cable: cable.name },
      ),
    ];
  },
});

/** Whether a conduit leads from the device of a run to the same end. */
const hasConduit = (project: Pick<ProjectDocument, 'cableTypes'>, own: readonly Run[], run: Run): boolean =>
  own.some(
    (other) =>
      isConduit(project.cableTypes[other.cableTypeId]) && other.toDeviceId === run.toDeviceId && other.rackId === run.rackId,
  );

function conduitShare(points: readonly (readonly number[])[], media: readonly Medium[]): number {
  let [inConduitM, wholeM] = [0, 0];
  media.forEach((medium, k) => {
    const [a, b] = [points[k], points[k + 1]];
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    wholeM += lengthM;
    if (medium === 'conduit' || medium === 'underground') inConduitM += lengthM;
  });
  return wholeM > 0 ? inConduitM / wholeM : 0;
}
