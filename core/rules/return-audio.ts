import { runsFor } from '../devices/index.ts';
import { create, type Device, type Leg, type ProjectDocument } from '../model/index.ts';
import { listOf, partOf, pickedFrom } from '../derive/index.ts';
import { RUNS_BY_DEVICE, runsByDevice } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

const DISPLAYS = partOf('displays', 'devices', ({ typeId }) => /display|tv/.test(typeId));

/** A display that gets its picture over an optical lead has a way back for its sound (ENGINEERING 4). */
export const returnAudio = defineCheck({
  id: 'return-audio',
  title: 'The sound of a display finds its way back',
  source: 'Trade practice: many active optical cables and extenders lack eARC; confirm it, or run audio back separately',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes', 'rooms'],
  nodes: [DISPLAYS, RUNS_BY_DEVICE],
  run: ({ project }) => {
    const byDevice = runsByDevice(project);
    return pickedFrom(project, DISPLAYS).flatMap((device): RuleFinding[] => {
      const deviceId = device.id;
      const runs = (byDevice.get(deviceId) ?? []).filter(({ toDeviceId }) => toDeviceId === null);
      const isDisplay = project.deviceTypes[device.typeId].answers === 'display';
      const families = runs.map(({ cableTypeId }) => project.cableTypes[cableTypeId]);
      const optical = families.some(({ family, material }) => family === 'hdmi' && material === 'fibre');
      // A category cable carries sound back, or an extender that does.
      const back = families.some(({ family }) => family === 'cat' || family === 'hdmi_audio');
      if (!isDisplay || !optical || back) return [];
      return [
        say(
          'look',
          'sound-no-way-back',
          [{ in: 'devices', id: deviceId }],
          {
            number: device.roomId === null ? '' : project.rooms[device.roomId].code,
            device: project.deviceTypes[device.typeId].name,
          },
          { cures: (house) => backRun(house, house.devices[deviceId]) },
        ),
      ];
    });
  },
});

function backRun(project: ProjectDocument, device: Device | undefined): Cure[] {
  if (!device || !project.cableTypes.cat6a_utp) return [];
  const legs = listOf(project, 'runs').filter(({ deviceId }) => deviceId === device.id);
  const number = Math.max(project.deviceTypes[device.typeId].cables.length, 0, ...legs.map(({ leg }) => leg)) + 1;
  const leg: Leg = {
    cableTypeId: 'cat6a_utp',
    purpose: 'sound back',
    slackM: 1,
    to: 'rack',
    toTypeId: null,
    deviceConnector: '8P8C jack',
    farConnector: '8P8C patch',
    mapId: null,
    optional: false,
  };
  const operations = runsFor(project, device, [{ leg, number }], (n) => `${device.id}_b${n}`.slice(-40)).map((run) =>
    create('runs', { ...run, reason: 'the sound of the display goes back to the rack' }),
  );
  return operations.length > 0 ? [{ code: 'add-legs', figures: { count: 1 }, operations }] : [];
}
