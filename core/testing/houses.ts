import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES } from '../devices/index.ts';
import {
  emptyProject,
  newHeader,
  newLevel,
  newRack,
  newRiser,
  newRoom,
  newWall,
  type Opening,
  type ProjectDocument,
  type Room,
  tableFrom,
  type Wall,
} from '../model/index.ts';

const STUD = { thicknessM: 0.12, kind: 'stud', cavityDepthM: 0.089, cableMayRun: true } as const;

function boxRoom(id: string, levelId: string, code: string, [x0, y0, x1, y1]: readonly number[], more: Partial<Room> = {}): Room {
  return newRoom({
    id,
    levelId,
    code,
    name: `Room ${code}`,
    polygon: [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    ...more,
  });
}

const wall = (id: string, levelId: string, a: [number, number], b: [number, number], more: Partial<Wall> = {}): Wall =>
  newWall({ id, levelId, a, b, ...STUD, ...more });

/** Two rooms side by side, 5.1 x 4.1 m each, ceilings at 2.5 m, rack on the east wall. */
export function smallHouse(
  more: { rooms?: Partial<Room>[]; walls?: Record<string, Partial<Wall>>; openings?: Opening[] } = {},
): ProjectDocument {
  const extra = (id: string) => more.walls?.[id] ?? {};
  return {
    ...emptyProject({
      ...newHeader('7K3MQ', 'Small house', 'metric'),
      sharedRoutes: false,
      roomDataCables: 2,
      deskDataCables: 4,
    }),
    levels: {
      m: newLevel({
        id: 'm',
        code: 'M',
        name: 'Main',
        order: 0,
        elevationM: 0,
        ceilingHeightM: 2.5,
        cavityDepthM: 0.3,
        gridAngleRad: 0,
      }),
    },
    rooms: tableFrom([
      boxRoom('a', 'm', 'AA', [0, 0, 5.1, 4.1], more.rooms?.[0]),
      boxRoom('b', 'm', 'BB', [5.1, 0, 10.2, 4.1], more.rooms?.[1]),
    ]),
    walls: tableFrom([
      wall('south1', 'm', [0, 0], [5.1, 0], extra('south1')),
      wall('south2', 'm', [5.1, 0], [10.2, 0], extra('south2')),
      wall('east', 'm', [10.2, 0], [10.2, 4.1], extra('east')),
      wall('north2', 'm', [5.1, 4.1], [10.2, 4.1], extra('north2')),
      wall('north1', 'm', [0, 4.1], [5.1, 4.1], extra('north1')),
      wall('west', 'm', [0, 0], [0, 4.1], extra('west')),
      wall('middle', 'm', [5.1, 0], [5.1, 4.1], extra('middle')),
    ]),
    openings: tableFrom(more.openings ?? []),
    racks: {
      rack: newRack({
        id: 'rack',
        levelId: 'm',
        code: 'A',
        name: 'Rack A',
        x: 9.8,
        y: 2,
        facingRad: Math.PI,
        widthM: 0.6,
        depthM: 0.6,
        units: 24,
        entryHeightM: 2,
      }),
    },
    conductorMaps: tableFrom([...CONDUCTOR_MAPS]),
    cableTypes: tableFrom([...CABLE_TYPES]),
    deviceTypes: tableFrom([...DEVICE_TYPES]),
  };
}

/** The small house with a storey on top and a riser between. */
export function twoStoreyHouse(): ProjectDocument {
  const below = smallHouse();
  const up = newLevel({
    id: 'u',
    code: 'U',
    name: 'Upper',
    order: 1,
    elevationM: 2.8,
    ceilingHeightM: 2.4,
    cavityDepthM: 0.3,
    gridAngleRad: 0,
  });
  return {
    ...below,
    levels: { ...below.levels, u: up },
    rooms: { ...below.rooms, c: boxRoom('c', 'u', 'CC', [0, 0, 10.2, 4.1]) },
    walls: {
      ...below.walls,
      ...tableFrom([
        wall('us', 'u', [0, 0], [10.2, 0]),
        wall('ue', 'u', [10.2, 0], [10.2, 4.1]),
        wall('un', 'u', [0, 4.1], [10.2, 4.1]),
        wall('uw', 'u', [0, 0], [0, 4.1]),
      ]),
    },
    risers: {
      shaft: newRiser({
        id: 'shaft',
        name: 'Riser',
        x: 9.5,
        y: 3.5,
        widthM: 0.3,
        depthM: 0.3,
        bottomLevelId: 'm',
        topLevelId: 'u',
      }),
    },
  };
}

/** A row of rooms of drawn widths, heights, framings and wall kinds; `draw` gives numbers from 0 to 1. */
export function randomHouse(draw: () => number): ProjectDocument {
  const base = smallHouse();
  const count = 2 + Math.floor(draw() * 4);
  const depth = 3 + draw() * 4;
  const rooms: Room[] = [];
  const walls: Wall[] = [];
  let x = 0;
  for (let i = 0; i < count; i++) {
    const next = x + 1.5 + draw() * 5;
    rooms.push(
      boxRoom(`r${i}`, 'm', `R${i}`, [x, 0, next, depth], {
        ceilingHeightM: 2.3 + Math.floor(draw() * 3) * 0.2,
        framing: (['solid', 'i-joist', 'open-web', 'dropped'] as const)[Math.floor(draw() * 4)],
        joistAngleRad: draw() < 0.5 ? 0 : Math.PI / 2,
      }),
    );
    const thicknessM = 0.1 + draw() * 0.3;
    walls.push(
      wall(`s${i}`, 'm', [x, 0], [next, 0]),
      wall(`n${i}`, 'm', [x, depth], [next, depth]),
      wall(`w${i}`, 'm', [x, 0], [x, depth], { thicknessM, ...(i > 0 && draw() < 0.2 ? { kind: 'masonry' as const } : {}) }),
    );
    x = next;
  }
  walls.push(wall('east', 'm', [x, 0], [x, depth]));
  return {
    ...base,
    rooms: tableFrom(rooms),
    walls: tableFrom(walls),
    racks: { rack: { ...base.racks.rack, x: x - 0.4, y: depth / 2 } },
  };
}
