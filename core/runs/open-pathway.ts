import { edited } from '../derive/index.ts';
import {
  attachmentOf,
  type Building,
  buildingOf,
  ceilingHeightAt,
  nearestWall,
  roomAt,
  wallLength,
  wallPoint,
} from '../house/index.ts';
import { distance2, type Point2, ringLength } from '../math/index.ts';
import {
  create,
  newFeature,
  newRiser,
  type ProjectDocument,
  type RackEntry,
  type Room,
  type Run,
  update,
  updateProject,
} from '../model/index.ts';
import { weightsOf } from '../routing/index.ts';
import { channelHome, channels } from './open-by-channel.ts';
import { type Candidate, NEAR_M, type OpenedPathway, tidy } from './opened-pathway.ts';
import { plannedRun } from './plan-runs.ts';

export type { OpenedPathway } from './opened-pathway.ts';

/** A new riser: its hole through the floor, framed and closed again, m of cable; and its sides, m. */
const RISER_MAKING_M = 25;
const RISER_SIDE_M = 0.3;
/** A wall opened for a cable along its height, and a ceiling lowered, for each metre. */
const OPENED_PER_M = 6;
const LOWERED_PER_M = 8;
/** A device or a rack that is moved, for each metre, on top of once. */
const MOVED_ONCE_M = 3;
const FROM_CORNER_M = 0.3;
/** Leave from whoever protects the house is asked for last, m of cable. */
const LEAVE_M = 500;

/**
 * What would open a route for a run that has none, cheapest first: each is tried on a copy of the house, and only what works is told.
 * Empty where the run has a route, or nothing that is known here opens one. The same project gives the same list. `id` names what is made.
 */
export function pathwaysToOpen(project: ProjectDocument, run: Run, id = `way_${run.id}`): OpenedPathway[] {
  if (plannedRun(project, run.id).proposedRoute.ok) return [];
  const found: OpenedPathway[] = [];
  for (const { kind, operations, madeM, makingM } of candidatesFor(project, run, id.slice(0, 40))) {
    const made = operations.filter((operation) => operation !== null);
    if (made.length === 0) continue;
    const applied = edited(project, made);
    if (!applied.ok) continue;
    const { proposedRoute } = plannedRun(applied.value, run.id);
    if (proposedRoute.ok) found.push({ kind, operations: made, madeM, costM: makingM + proposedRoute.value.costM });
  }
  const best = new Map<OpenedPathway['kind'], OpenedPathway>();
  for (const route of found.sort((a, b) => a.costM - b.costM)) if (!best.has(route.kind)) best.set(route.kind, route);
  return [...best.values()];
}

function candidatesFor(project: ProjectDocument, run: Run, id: string): Candidate[] {
  const building = buildingOf(project);
  const device = project.devices[run.deviceId];
  const target = run.toDeviceId === null ? project.racks[run.rackId] : project.devices[run.toDeviceId];
  const at: Point2 = [device.x, device.y];
  const room = roomAt(building, device.levelId, at);
  return [
    ...risers(building, id, device.levelId, target.levelId, [at, [target.x, target.y]]),
    ...(room ? channels(project, building, id, room, device.levelId, at, device.heightM) : []),
    ...channelHome(project, id, run),
    ...(room ? [lowered(room)] : []),
    ...openedWalls(project, building, device.levelId, at),
    ...(room ? [] : duct(project, building, id, device.levelId, at)),
    ...movedDevice(project, building, run),
    ...movedRack(project, building, run),
    ...rackEntries(project, building, run),
    ...leaveToCut(project),
  ];
}

/** A riser between the levels of both ends, at either of them or beside one. */
function risers(building: Building, id: string, from: string, to: string, near: readonly Point2[]): Candidate[] {
  if (from === to) return [];
  const order = (levelId: string) => building.levels.findIndex((level) => level.id === levelId);
  const [bottom, top] = order(from) < order(to) ? [from, to] : [to, from];
  const open = (levelId: string, p: Point2) => {
    const room = roomAt(building, levelId, p);
    return room !== undefined && room.framing !== 'none' && room.framing !== 'slab';
  };
  const spots = near.flatMap(([x, y]) =>
    [0, 1, 2].flatMap((ring) =>
      [-1, 0, 1].flatMap((i) => [-1, 0, 1].map((j): Point2 => [x + i * (0.4 + ring), y + j * (0.4 + ring)])),
    ),
  );
  return spots
    .filter((p) => open(bottom, p) && open(top, p))
    .slice(0, 6)
    .map(([x, y]) => ({
      kind: 'riser' as const,
      madeM: RISER_SIDE_M,
      makingM: RISER_MAKING_M,
      operations: [
        create(
          'risers',
          newRiser({
            id,
            name: 'New riser',
            x: tidy(x),
            y: tidy(y),
            widthM: RISER_SIDE_M,
            depthM: RISER_SIDE_M,
            bottomLevelId: bottom,
            topLevelId: top,
          }),
        ),
      ],
    }));
}

/** A ceiling hung under the concrete. */
function lowered(room: Room): Candidate {
  const madeM = ringLength(room.polygon as Point2[]);
  return {
    kind: 'lowered-ceiling',
    operations: [room.framing === 'dropped' ? null : update('rooms', room, { framing: 'dropped' })],
    madeM,
    makingM: madeM * LOWERED_PER_M,
  };
}

/** The closed wall behind the device, opened for it: not glass and not concrete. */
function openedWalls(project: ProjectDocument, building: Building, levelId: string, at: Point2): Candidate[] {
  const place = nearestWall(building, levelId, at, NEAR_M);
  if (!place || place.wall.cableMayRun || place.wall.kind === 'glazed' || place.wall.kind === 'concrete') return [];
  const heightM = building.levelById[levelId].ceilingHeightM;
  const wall = project.walls[place.wall.id];
  return [
    {
      kind: 'open-wall',
      operations: [update('walls', wall, { cableMayRun: true })],
      madeM: heightM,
      makingM: heightM * OPENED_PER_M,
    },
  ];
}

/** A duct in the ground from something outdoors to the nearest wall of the house. */
function duct(project: ProjectDocument, building: Building, id: string, levelId: string, at: Point2): Candidate[] {
  const place = nearestWall(building, levelId, at, 60, (wall) => wall.cableMayRun);
  if (!place) return [];
  const { underground } = weightsOf(project.project);
  const feature = newFeature({
    id,
    levelId,
    kind: 'underground-way',
    name: 'New duct',
    points: [
      [tidy(at[0]), tidy(at[1])],
      [tidy(place.point[0]), tidy(place.point[1])],
    ],
    widthM: 0.05,
    bottomM: -0.6,
    topM: -0.55,
  });
  return [
    {
      kind: 'duct',
      operations: [create('features', feature)],
      madeM: place.distanceM,
      makingM: place.distanceM * underground,
    },
  ];
}

/** The device on the nearest wall that cable may use, clear of openings. */
function movedDevice(project: ProjectDocument, building: Building, run: Run): Candidate[] {
  const device = project.devices[run.deviceId];
  if (attachmentOf(project.deviceTypes[device.typeId]) !== 'wall') return [];
  const place = nearestWall(building, device.levelId, [device.x, device.y], 3, (wall) => wall.cableMayRun);
  if (!place) return [];
  const { wall } = place;
  const opening = (building.openingsByWall[wall.id] ?? []).find(
    (one) => Math.abs(one.offsetM - place.offsetM) < one.widthM / 2 + 0.15,
  );
  const offsets = opening
    ? [opening.offsetM - opening.widthM / 2 - 0.2, opening.offsetM + opening.widthM / 2 + 0.2]
    : [Math.min(Math.max(place.offsetM, FROM_CORNER_M), wallLength(wall) - FROM_CORNER_M)];
  return offsets
    .filter((offsetM) => offsetM > 0.05 && offsetM < wallLength(wall) - 0.05)
    .map((offsetM) => {
      const [x, y] = wallPoint(wall, offsetM);
      const movedM = distance2([x, y], [device.x, device.y]);
      return {
        kind: 'move-device' as const,
        operations: [movedM > 1e-6 ? update('devices', device, { x: tidy(x), y: tidy(y) }) : null],
        madeM: movedM,
        makingM: MOVED_ONCE_M + movedM,
      };
    });
}

/** Where nothing may be cut and nothing else helps: leave to cut as in any finished house. */
function leaveToCut({ project }: ProjectDocument): Candidate[] {
  if (project.construction !== 'heritage') return [];
  const operation = updateProject(project, { construction: 'retrofit' });
  return [{ kind: 'leave-to-cut', operations: [operation], madeM: 0, makingM: LEAVE_M }];
}

/** What a drop of open cable, and a sleeve along the floor, cost for each metre; leave to come up through a floor once, m of cable. */
const DROP_PER_M = 3;
const SLEEVE_PER_M = 4;
const FLOOR_ENTRY_M = 8;

/** Another entry for a rack that stands free: from the ceiling, from the floor, or by a sleeve from the nearest wall. */
function rackEntries(project: ProjectDocument, building: Building, run: Run): Candidate[] {
  if (run.toDeviceId !== null) return [];
  const rack = project.racks[run.rackId];
  const at: Point2 = [rack.x, rack.y];
  if (rack.entry !== 'wall' || nearestWall(building, rack.levelId, at, 1, (wall) => wall.cableMayRun)) return [];
  const room = roomAt(building, rack.levelId, at);
  const wall = nearestWall(building, rack.levelId, at, 30, ({ cableMayRun }) => cableMayRun);
  const dropM = room ? Math.max(0, ceilingHeightAt(room, building.levelById[rack.levelId], at) - rack.entryHeightM) : 0;
  const candidate = (entry: RackEntry, kind: Candidate['kind'], madeM: number, makingM: number): Candidate => ({
    kind,
    operations: [update('racks', rack, { entry })],
    madeM,
    makingM,
  });
  return [
    ...(room ? [candidate('ceiling', 'rack-ceiling', dropM, MOVED_ONCE_M + dropM * DROP_PER_M)] : []),
    ...(room ? [candidate('floor', 'rack-floor', rack.entryHeightM, FLOOR_ENTRY_M)] : []),
    ...(wall ? [candidate('sleeve', 'rack-sleeve', wall.distanceM, MOVED_ONCE_M + wall.distanceM * SLEEVE_PER_M)] : []),
  ];
}

/** The rack against the nearest wall that cable may use. */
function movedRack(project: ProjectDocument, building: Building, run: Run): Candidate[] {
  if (run.toDeviceId !== null) return [];
  const rack = project.racks[run.rackId];
  if (nearestWall(building, rack.levelId, [rack.x, rack.y], 1, (wall) => wall.cableMayRun)) return [];
  const place = nearestWall(building, rack.levelId, [rack.x, rack.y], 30, (wall) => wall.cableMayRun);
  if (!place) return [];
  const aside = place.wall.thicknessM / 2 + rack.depthM / 2;
  const farM = place.distanceM || 1;
  const x = place.point[0] + ((rack.x - place.point[0]) * aside) / farM;
  const y = place.point[1] + ((rack.y - place.point[1]) * aside) / farM;
  const movedM = distance2([x, y], [rack.x, rack.y]);
  return [
    {
      kind: 'move-rack',
      operations: [update('racks', rack, { x: tidy(x), y: tidy(y) })],
      madeM: movedM,
      makingM: MOVED_ONCE_M + movedM,
    },
  ];
}
