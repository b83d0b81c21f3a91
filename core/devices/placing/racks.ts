import { buildingOf, nearestWall, roomAt } from '../../house/index.ts';
import { distance2, type Point2, tidyM } from '../../math/index.ts';
import {
  create,
  type Device,
  type Feature,
  newRack,
  type Operation,
  type ProjectDocument,
  type Rack,
  type RackKind,
  type Run,
  update,
} from '../../model/index.ts';
import { listOf, onLevel, withRecords } from '../../derive/index.ts';
import { runsByDevice } from '../../runs/index.ts';
import { moveDevices } from './place.ts';
import { plannedLegs } from './data-drops.ts';
import { runsFor, usualLegs } from './recipe.ts';

const RACK_CODES = [...'ABCDEFGHJK'];
/** A rack placed this near to a wall stands with its back to it, m. */
const WALL_REACH_M = 0.8;
/** What ends this near beside a rack belongs to it, m. */
const BESIDE_M = 0.15;
const SIZE = { widthM: 0.6, depthM: 0.6 } as const;

/** Usual sizes of head ends, m, their units, and the height at which cables enter above finished floor, m. */
const KINDS: Readonly<Record<RackKind, Pick<Rack, 'widthM' | 'depthM' | 'units' | 'entryHeightM'>>> = {
  rack: { ...SIZE, units: 24, entryHeightM: 2 },
  enclosure: { widthM: 0.37, depthM: 0.1, units: 1, entryHeightM: 1.7 },
  'patch-block': { widthM: 0.25, depthM: 0.1, units: 2, entryHeightM: 1.5 },
  'data-panel': { widthM: 0.4, depthM: 0.12, units: 4, entryHeightM: 1.7 },
  'audio-rack': { ...SIZE, units: 16, entryHeightM: 2 },
  'security-panel': { widthM: 0.35, depthM: 0.1, units: 1, entryHeightM: 1.8 },
  'rf-panel': { widthM: 0.4, depthM: 0.1, units: 1, entryHeightM: 1.8 },
  'shade-supply': { widthM: 0.4, depthM: 0.12, units: 1, entryHeightM: 1.8 },
  'driver-board': { widthM: 0.5, depthM: 0.15, units: 1, entryHeightM: 1.8 },
  cabinet: { widthM: 0.6, depthM: 0.45, units: 6, entryHeightM: 0.4 },
};

/** Makes a head end of another kind, in its usual size and against its wall; an entry height that somebody set stays. */
export function changeRackKind(project: ProjectDocument, rack: Rack, kind: RackKind): Operation[] {
  const { entryHeightM, units, ...size } = KINDS[kind];
  const place = rackPlace(project, rack.levelId, [rack.x, rack.y], size);
  const isUsual = rack.entryHeightM === KINDS[rack.kind].entryHeightM;
  const change = { kind, units, ...place, facingRad: place.entry === 'wall' ? place.facingRad : rack.facingRad };
  const operation = update('racks', rack, { ...change, ...(isUsual ? { entryHeightM } : {}) });
  return operation ? [operation] : [];
}

/** The first code that no rack has. */
export function freeRackCode(project: ProjectDocument): string {
  const codes = new Set(Object.values(project.racks).map(({ code }) => code));
  return RACK_CODES.find((letter) => !codes.has(letter)) ?? `R${codes.size + 1}`;
}

export type RackPlace = Pick<Rack, 'x' | 'y' | 'facingRad' | 'widthM' | 'depthM' | 'entry'>;

/** How cables come to a rack that stands free: from the ceiling where that has a cavity, else by a sleeve along the floor. */
function entryOf(project: ProjectDocument, levelId: string, at: Point2): Rack['entry'] {
  const building = buildingOf(project);
  const room = roomAt(building, levelId, at);
  const hasCavity = room && room.framing !== 'none' && room.framing !== 'slab' && building.levelById[levelId].cavityDepthM > 0;
  return hasCavity ? 'ceiling' : 'sleeve';
}

/** Where a rack of 600 by 600 mm stands for a point: with its back to a wall that is near, else at the point and facing down the page. */
export function rackPlace(
  project: ProjectDocument,
  levelId: string,
  at: Point2,
  size: Pick<Rack, 'widthM' | 'depthM'> = SIZE,
): RackPlace {
  const near = nearestWall(buildingOf(project), levelId, at, WALL_REACH_M);
  const { widthM, depthM } = size;
  if (!near || near.distanceM < 1e-6) {
    const place = { widthM, depthM, x: tidyM(at[0]), y: tidyM(at[1]), facingRad: -Math.PI / 2 };
    return { ...place, entry: near ? 'wall' : entryOf(project, levelId, at) };
  }
  const { wall, point, distanceM } = near;
  const away: Point2 = [(at[0] - point[0]) / distanceM, (at[1] - point[1]) / distanceM];
  const standsM = wall.thicknessM / 2 + size.depthM / 2;
  return {
    ...{ widthM, depthM, entry: 'wall' },
    x: tidyM(point[0] + away[0] * standsM),
    y: tidyM(point[1] + away[1] * standsM),
    facingRad: Math.atan2(away[1], away[0]),
  };
}

/**
 * Places a rack of 24 units, entered at 2 m. Devices that were placed while there was none to go to get the runs of their types.
 * Ids come from outside: one for the rack and one for each run.
 */
export function placeRack(
  project: ProjectDocument,
  { id, levelId, at, name }: { readonly id: string; readonly levelId: string; readonly at: Point2; readonly name: string },
  newRunId: () => string,
): Operation[] {
  const rack = newRack({
    ...{ id, levelId, name, code: freeRackCode(project) },
    ...rackPlace(project, levelId, at),
    units: 24,
    entryHeightM: 2,
  });
  const runs = missingRuns(withRecords(project, 'racks', [rack]), newRunId);
  return [create('racks', rack), ...runs.map((run) => create('runs', run))];
}

/** The runs of devices that have none though their types have cables. */
export function missingRuns(project: ProjectDocument, newRunId: () => string): Run[] {
  const byDevice = runsByDevice(project);
  const without = listOf(project, 'devices').filter(({ id, typeId }) => {
    const hasLegs = usualLegs(project.deviceTypes[typeId]).length > 0;
    return hasLegs && (byDevice.get(id) ?? []).length === 0;
  });
  const made: Run[] = [];
  let working = project;
  for (const device of without) {
    const { legs } = plannedLegs(working, working.deviceTypes[device.typeId], device);
    const runs = runsFor(
      working,
      device,
      legs.filter(({ number }) => !device.leftOut.includes(number)),
      newRunId,
    );
    made.push(...runs);
    // The bundle of a room is that of the runs which it has.
    working = withRecords(working, 'runs', runs);
  }
  return made;
}

/** What ends at a rack and goes with it: ends of conduits and other lines, and what is mounted in it. */
export interface RackBelongings {
  readonly features: readonly { readonly feature: Feature; readonly points: readonly number[] }[];
  readonly devices: readonly Device[];
}

export function belongingsOf(project: ProjectDocument, rack: Rack): RackBelongings {
  const isAt = (p: readonly number[]) => {
    const [dx, dy] = [p[0] - rack.x, p[1] - rack.y];
    const [cos, sin] = [Math.cos(rack.facingRad), Math.sin(rack.facingRad)];
    const [deep, wide] = [Math.abs(dx * cos + dy * sin), Math.abs(dy * cos - dx * sin)];
    return deep <= rack.depthM / 2 + BESIDE_M && wide <= rack.widthM / 2 + BESIDE_M;
  };
  const features = onLevel(project, 'features', rack.levelId).flatMap((feature) => {
    if (feature.area || feature.points.length < 2) return [];
    const points = [0, feature.points.length - 1].filter((index) => isAt(feature.points[index]));
    return points.length > 0 ? [{ feature, points }] : [];
  });
  const devices = onLevel(project, 'devices', rack.levelId).filter(
    (device) => project.deviceTypes[device.typeId].mount === 'rack' && isAt([device.x, device.y]),
  );
  return { features, devices };
}

/**
 * Moves a rack, and with it the ends of conduits that end at it and what is mounted in it; to a wall that is near, or with `exactly`
 * to the point itself. Lengths in m.
 */
export function moveRack(project: ProjectDocument, rackId: string, to: Point2, exactly = false): Operation[] {
  const rack = project.racks[rackId];
  const stands = rackPlace(project, rack.levelId, to, rack);
  const place = exactly ? { ...stands, x: tidyM(to[0]), y: tidyM(to[1]) } : stands;
  // What was set by hand for a rack that stands free stays while it stands free.
  const entry = rack.entry === 'wall' || stands.entry === 'wall' ? stands.entry : rack.entry;
  const isOnWall = !exactly && distance2([place.x, place.y], to) > 1e-9;
  const facingRad = isOnWall ? place.facingRad : rack.facingRad;
  const by: Point2 = [place.x - rack.x, place.y - rack.y];
  const { features, devices } = belongingsOf(project, rack);
  const moved = moveDevices(
    project,
    devices.map(({ id, x, y }) => ({ deviceId: id, to: [x + by[0], y + by[1]] as const })),
  );
  const ends = features.map(({ feature, points }) =>
    update('features', feature, {
      points: feature.points.map(
        (p, index) => (points.includes(index) ? [tidyM(p[0] + by[0]), tidyM(p[1] + by[1]), ...p.slice(2)] : p) as typeof p,
      ),
    }),
  );
  return [update('racks', rack, { x: place.x, y: place.y, facingRad, entry }), ...ends, ...(moved.ok ? moved.value : [])].filter(
    (operation) => operation !== null,
  );
}
