import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES } from '../devices/index.ts';
import {
  type Device,
  emptyProject,
  newDevice,
  newHeader,
  newLevel,
  newRack,
  newRiser,
  newRoom,
  newRun,
  newWall,
  type ProjectDocument,
  type Room,
  tableFrom,
  type Wall,
} from '../model/index.ts';

/** That house with a run home from every device, its levels joined by a riser beside the rack. */
export function wiredHouse(): ProjectDocument {
  const house = bigHouse();
  const riser = newRiser({
    id: 'riser',
    name: 'Riser',
    x: 38.5,
    y: 1,
    widthM: 0.3,
    depthM: 0.3,
    bottomLevelId: 'l0',
    topLevelId: 'l3',
  });
  const runs = Object.values(house.devices).map((device) => {
    const [leg] = house.deviceTypes[device.typeId].cables;
    const room = house.rooms[device.roomId!];
    return newRun({
      id: `r_${device.id}`,
      number: `${house.levels[device.levelId].code}-${room.code}-${String(device.number).padStart(2, '0')}.1`,
      deviceId: device.id,
      rackId: 'rack',
      leg: 1,
      cableTypeId: leg.cableTypeId,
      purpose: leg.purpose,
      deviceSlackM: leg.slackM,
      rackSlackM: 3,
      bundle: `B-${room.code}`,
    });
  });
  return { ...house, risers: { riser }, runs: tableFrom(runs) };
}

/** A house of 2 000 walls, 400 rooms and 3 000 devices on four levels: rooms of 4 x 3 m in rows, each with wall stubs in it. */
export function bigHouse(): ProjectDocument {
  const levels = [0, 1, 2, 3].map((order) =>
    newLevel({
      id: `l${order}`,
      code: `L${order}`,
      name: `Level ${order}`,
      order,
      elevationM: order * 3,
      ceilingHeightM: 2.6,
      cavityDepthM: 0.3,
      gridAngleRad: 0,
    }),
  );
  const rooms: Room[] = [];
  const walls: Wall[] = [];
  const devices: Device[] = [];
  for (const { id: levelId } of levels) {
    const wall = (a: [number, number], b: [number, number]) =>
      walls.push(
        newWall({
          id: `w${String(walls.length).padStart(5, '0')}`,
          levelId,
          a,
          b,
          thicknessM: 0.12,
          kind: 'stud',
          cavityDepthM: 0.089,
          cableMayRun: true,
        }),
      );
    for (let i = 0; i <= 10; i++) {
      for (let j = 0; j < 10; j++) {
        wall([i * 4, j * 3], [i * 4, j * 3 + 3]);
        wall([j * 4, i * 3], [j * 4 + 4, i * 3]);
      }
    }
    for (let n = 0; n < 280; n++) {
      const [i, j] = [n % 10, Math.floor(n / 10) % 10];
      const x = i * 4 + 1 + Math.floor(n / 100) * 0.8;
      wall([x, j * 3], [x, j * 3 + 1]);
    }
    for (let i = 0; i < 10; i++) {
      for (let j = 0; j < 10; j++) {
        const polygon: [number, number][] = [
          [i * 4, j * 3],
          [i * 4 + 4, j * 3],
          [i * 4 + 4, j * 3 + 3],
          [i * 4, j * 3 + 3],
        ];
        const room = newRoom({ id: `r_${levelId}_${i}_${j}`, levelId, code: `R${i}${j}`, name: `Room ${i}${j}`, polygon });
        rooms.push(room);
        for (let k = 0; k < (i % 2 ? 7 : 8); k++) {
          devices.push(
            newDevice({
              id: `d${devices.length}`,
              typeId: k % 2 ? 'ceiling-speaker' : 'access-point',
              levelId,
              roomId: room.id,
              number: k + 1,
              x: i * 4 + 0.4 + k * 0.45,
              y: j * 3 + 1.5 + (k % 3) * 0.4,
              facingRad: 0,
            }),
          );
        }
      }
    }
  }
  const rack = newRack({
    id: 'rack',
    levelId: 'l0',
    code: 'A',
    name: 'Rack A',
    x: 39.5,
    y: 1,
    facingRad: Math.PI,
    widthM: 0.6,
    depthM: 0.6,
    units: 42,
    entryHeightM: 2,
  });
  return {
    ...emptyProject({ ...newHeader('B1GHS', 'Big house', 'metric'), sharedRoutes: false, roomDataCables: 2, deskDataCables: 4 }),
    levels: tableFrom(levels),
    rooms: tableFrom(rooms),
    walls: tableFrom(walls),
    devices: tableFrom(devices),
    racks: { rack },
    conductorMaps: tableFrom([...CONDUCTOR_MAPS]),
    cableTypes: tableFrom([...CABLE_TYPES]),
    deviceTypes: tableFrom([...DEVICE_TYPES]),
  };
}
