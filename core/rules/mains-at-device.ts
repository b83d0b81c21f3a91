import { isMainsOutlet } from '../devices/index.ts';
import { create, type Device, newFeature, type ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** An outlet this near serves a device, m. */
const NEAR_M = 1.5;

/** What needs mains has an outlet on the electrician’s plan (practice A53). */
export const mainsAtDevice = defineCheck({
  id: 'mains-at-device',
  title: 'What needs mains has an outlet',
  source: 'Trade practice; compared with the electrician’s marks where there are any',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'devices', 'features', 'plates', 'rooms'],
  run: ({ project }) => {
    const marks = listOf(project, 'features').filter(
      ({ kind, owner, decision }) => kind === 'trade-mark' && /electric/i.test(owner) && decision !== 'strike',
    );
    const plates = listOf(project, 'plates').filter(({ mainsGangs }) => mainsGangs > 0);
    const outlets = listOf(project, 'devices').filter(({ typeId }) => isMainsOutlet(project.deviceTypes[typeId]));
    const near = (device: Device, x: number, y: number, levelId: string) =>
      levelId === device.levelId && Math.hypot(x - device.x, y - device.y) <= NEAR_M;
    // Where nothing is marked yet, that is one finding for all of them.
    if (marks.length + plates.length + outlets.length === 0) return noneMarked(project);
    return listOf(project, 'devices').flatMap((device): RuleFinding[] => {
      const type = project.deviceTypes[device.typeId];
      if (!type.mainsW || isMainsOutlet(type) || device.fitting === 'spare') return [];
      const has =
        marks.some(({ points: [[x, y]], levelId }) => near(device, x, y, levelId)) ||
        plates.some(({ x, y, levelId }) => near(device, x, y, levelId)) ||
        outlets.some(({ x, y, levelId }) => near(device, x, y, levelId));
      if (has) return [];
      return [
        say(
          'look',
          'mains-missing',
          [{ in: 'devices', id: device.id }],
          { number: device.roomId === null ? '' : project.rooms[device.roomId].code, device: type.name, watts: type.mainsW },
          { measured: 0, allowed: 1, cures: (house) => mark(house, device.id) },
        ),
      ];
    });
  },
});

/** Devices that a finding about all of them names. */
const MAX_NAMED = 24;

/** What takes mains in a house in which no outlet is marked. */
function noneMarked(project: ProjectDocument): RuleFinding[] {
  const types = listOf(project, 'deviceTypes').filter((type) => type.mainsW && !isMainsOutlet(type));
  const fed = new Set(types.map(({ id }) => id));
  const devices = listOf(project, 'devices').filter(({ typeId, fitting }) => fed.has(typeId) && fitting !== 'spare');
  if (devices.length === 0) return [];
  const names = [...new Set(devices.map(({ typeId }) => project.deviceTypes[typeId].name))];
  return [
    say(
      'look',
      'mains-none-marked',
      devices.slice(0, MAX_NAMED).map(({ id }) => ({ in: 'devices', id })),
      { number: '', count: devices.length, devices: names },
      {
        measured: devices.length,
        allowed: 0,
        cures: (house) => {
          const operations = devices.flatMap(({ id }) => mark(house, id).flatMap((cure) => cure.operations));
          return operations.length > 0 ? [{ code: 'mark-outlets', figures: { count: operations.length }, operations }] : [];
        },
      },
    ),
  ];
}

/** A mark for the electrician at the device; it goes to him with the site sheet. */
function mark(project: ProjectDocument, deviceId: string) {
  const device = project.devices[deviceId];
  const id = `mk_${deviceId}`.slice(0, 40);
  if (!device || Object.hasOwn(project.features, id)) return [];
  const heightM = device.heightM ?? 0.4;
  const feature = newFeature({
    id,
    levelId: device.levelId,
    kind: 'trade-mark',
    name: `Outlet for ${project.deviceTypes[device.typeId].name}`.slice(0, 80),
    points: [[device.x, device.y]],
    widthM: 0.1,
    depthM: 0.1,
    bottomM: Math.max(0, heightM - 0.05),
    topM: heightM + 0.05,
    owner: 'electrician',
    decision: 'open',
    markedAt: [device.x, device.y],
  });
  return [{ code: 'mark-outlet', figures: {}, operations: [create('features', feature)] }];
}
