import { isKept } from '../runs/index.ts';
import {
  blockingNeeds,
  type Clash,
  CLASHES_OF_DEVICE,
  CURED_BY_MOVING,
  legalPlaces,
  mountsFor,
  moveDevices,
  placeDevice,
} from '../devices/index.ts';
import { middleOf, type Point2 } from '../math/index.ts';
import { buildingOf, nearestWall } from '../house/index.ts';
import { create, type Device, type DeviceType, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

const MAX_MOVES = 2;

/** Every device can be built where it stands: cut-outs, cavities, openings, weight, head room, sight (practice A06 to A11, B02, B05). */
export const buildable = defineCheck({
  id: 'buildable',
  stage: 'devices',
  title: 'Every device can be built where it stands',
  source: 'Geometry of walls, ceilings and devices; statics; trade practice',
  calculators: ['fixing-load', 'bracket-load'],
  severity: 'stop',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'features', 'levels', 'rooms'],
  beside: [CLASHES_OF_DEVICE],
  ofDevice: (device, { project, read }) => {
    // A device of an alternative that does not hold is not built.
    if (device.belongsTo !== null && !project.features[device.belongsTo]?.chosen) return [];
    return read.one(CLASHES_OF_DEVICE, device.id)!.map((clash) => findingOf(project, device, clash));
  },
});

function findingOf(project: ProjectDocument, device: Device, clash: Clash): RuleFinding {
  return say(
    clash.rank,
    clash.code,
    [{ in: 'devices', id: device.id }, ...(clash.with ? [clash.with] : [])],
    { number: placeName(project, device), device: project.deviceTypes[device.typeId].name, ...clash.figures },
    {
      measured: clash.measured,
      allowed: clash.allowed,
      unit: clash.unit,
      // A search for places is only made where somebody looks at the finding.
      cures: (house) => {
        const now = house.devices[device.id];
        return now ? curesOf(house, now, house.deviceTypes[now.typeId], clash) : [];
      },
    },
  );
}

const placeName = (project: ProjectDocument, device: Device) =>
  `${device.roomId === null ? project.levels[device.levelId].code : project.rooms[device.roomId].code} ${project.deviceTypes[device.typeId].code}`;

function curesOf(project: ProjectDocument, device: Device, type: DeviceType, { code }: Clash): Cure[] {
  if (CURED_BY_MOVING.has(code)) return moves(project, device);
  if (code === 'mount-needs-blocking' || code === 'mount-overhead') return blocking(project, device);
  if (code === 'mount-not-flush') return mounts(project, device, type, (mount) => mount.holds?.style === 'recessed');
  if (code === 'mount-does-not-turn') return mounts(project, device, type, (mount) => (mount.holds?.turnRad ?? 0) > 0);
  if (code === 'mount-over-rated' || code === 'mount-too-wide') return mounts(project, device, type, () => true);
  if (code === 'mount-bracket-misfit') return brackets(project, device, type);
  if (code === 'mount-no-far-device') return farBox(project, device, type);
  if (code.startsWith('climate-')) return remoteSensor(project, device);
  return [];
}

function moves(project: ProjectDocument, device: Device): Cure[] {
  return legalPlaces(project, device, MAX_MOVES).flatMap((place): Cure[] => {
    const both = place.twin && [
      { deviceId: device.id, to: place.at },
      { deviceId: place.twin.deviceId, to: place.twin.at },
    ];
    const alone = moveDevices(project, [{ deviceId: device.id, to: place.at }]);
    const pair = both ? moveDevices(project, both) : null;
    const figures = { shiftM: place.shiftM };
    // What is named moves alone first; its twin goes along only where that is asked for by name.
    const twin = place.twin && project.devices[place.twin.deviceId];
    return [
      ...(alone.ok ? [{ code: 'move-to-place', figures, operations: alone.value }] : []),
      ...(pair?.ok && twin
        ? [
            {
              code: 'move-pair',
              figures: { ...figures, twin: `${placeName(project, twin)} ${twin.number}` },
              operations: pair.value,
            },
          ]
        : []),
    ];
  });
}

function blocking(project: ProjectDocument, device: Device): Cure[] {
  const need = blockingNeeds(project).find((one) => one.device.id === device.id && !one.there);
  const id = `blk_${device.id}`.slice(0, 40);
  if (!need || Object.hasOwn(project.framingMembers, id)) return [];
  const member = create('framingMembers', {
    id,
    wallId: need.wall?.id ?? null,
    roomId: need.wall ? null : (need.room?.id ?? null),
    kind: 'blocking',
    offsetM: need.fromM,
    widthM: need.toM - need.fromM,
    bottomM: need.bottomM ?? 0,
    topM: need.topM ?? 0,
    present: true,
    note: '',
  });
  return [{ code: 'add-blocking', figures: { requiredN: Math.ceil(need.requiredN) }, operations: [member] }];
}

function choose(device: Device, mount: DeviceType): Cure[] {
  const operation = update('devices', device, { mountTypeId: mount.id });
  return operation ? [{ code: 'use-mount', figures: { name: mount.name }, operations: [operation] }] : [];
}

function mounts(project: ProjectDocument, device: Device, type: DeviceType, fits: (mount: DeviceType) => boolean): Cure[] {
  const best = mountsFor(project, type).find(
    (mount) => mount.holds && mount.holds.ratedKg >= type.weightKg && mount.holds.widestM >= type.sizeM[0] && fits(mount),
  );
  return best ? choose(device, best) : [];
}

function brackets(project: ProjectDocument, device: Device, type: DeviceType): Cure[] {
  const best = mountsFor(project, type).find(({ part }) => part === 'bracket');
  return best ? choose(device, best) : [];
}

/** The box that a lead comes from, below its display. */
function farBox(project: ProjectDocument, device: Device, type: DeviceType): Cure[] {
  const leg = type.cables.find(({ to, toTypeId }) => to === 'device' && toTypeId !== null);
  const far = leg?.toTypeId ? project.deviceTypes[leg.toTypeId] : undefined;
  const id = `fb_${device.id}`.slice(0, 38);
  if (!far || Object.hasOwn(project.devices, id)) return [];
  const at: Point2 = [device.x + Math.cos(device.facingRad) * 0.15, device.y + Math.sin(device.facingRad) * 0.15];
  const placed = placeDevice(project, { typeId: far.id, levelId: device.levelId, at }, { device: id, run: (n) => `${id}_${n}` });
  if (!placed.ok) return [];
  // Leads that waited for it at the rack go to it now.
  const leads = listOf(project, 'runs').flatMap((run) => {
    const operation =
      run.deviceId === device.id && run.purpose === leg!.purpose && run.toDeviceId === null && !isKept(run)
        ? update('runs', run, { toDeviceId: id, farConnector: leg!.farConnector })
        : null;
    return operation ? [operation] : [];
  });
  return [{ code: 'add-far-device', figures: { name: far.name }, operations: [...placed.value.operations, ...leads] }];
}

/** A sensor in the midst of the zone reads for the thermostat (practice of climate zones). */
function remoteSensor(project: ProjectDocument, device: Device): Cure[] {
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  if (!room || !project.deviceTypes['remote-sensor']) return [];
  const middle = middleOf(room.polygon as Point2[]);
  const inside = nearestWall(buildingOf(project), room.levelId, middle, 20, (wall) => wall.cableMayRun);
  if (!inside) return [];
  const towards: Point2 = [
    inside.point[0] + (middle[0] - inside.point[0]) * 0.02,
    inside.point[1] + (middle[1] - inside.point[1]) * 0.02,
  ];
  const id = `rs_${device.id}`.slice(0, 38);
  const placed = placeDevice(
    project,
    { typeId: 'remote-sensor', levelId: room.levelId, at: towards },
    { device: id, run: (leg) => `${id}_${leg}` },
  );
  if (!placed.ok || Object.hasOwn(project.devices, id)) return [];
  const operations: readonly Operation[] = placed.value.operations;
  return [{ code: 'add-remote-sensor', figures: {}, operations }];
}
