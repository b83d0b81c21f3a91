import { isSameKind } from '../library/index.ts';
import { plateDeviceIds } from '../placing/index.ts';
import { attachmentOf, buildingOf, ceilingHeightAt, ceilingHeightOf, featureBox, roomAt } from '../../house/index.ts';
import { closestOnSegment, type Point2, pointInPolygon } from '../../math/index.ts';
import type { Device, DeviceType, Feature, ProjectDocument, Room } from '../../model/index.ts';
import { derivationsOf, onLevel, whole } from '../../derive/index.ts';
import { clash, type Clash, less } from './clash.ts';
import { ceilingClashes } from './on-ceiling.ts';
import { halfFace, sensesElsewhere, wallClashes, wallPlaceOf } from './on-wall.ts';
import { acceptsCutOut, mountTypeOf } from './mounts.ts';
import { sightOf, wantsSight } from './sight.ts';
import { awayFromSolid, solidsOn } from './solids.ts';
import { sweepClashes } from './sweep.ts';

/** ENGINEERING 8.2, edge to edge, m. */
const FROM_LIGHT_M = 0.3;
const FROM_SPRINKLER_M = 0.45;
const FROM_SUPPLY_M = 0.9;
/** Heat of a display below or beside a thermostat, m. */
const FROM_HEAT_M = 1;
const HEAT_W = 80;
/** What stands out into a walking path between these heights is walked into (0.69 to 2.03 m; 0.1 m out), m. */
const PATH_LOW_M = 0.69;
const HEAD_ROOM_M = 2.03;
const STANDS_OUT_M = 0.1;
/** A wish for a flush look holds up to this depth, m. */
const FLUSH_M = 0.05;
const PATH_USES: ReadonlySet<string> = new Set(['circulation', 'utility', 'garage', 'workshop', 'theatre']);
const PATH_NAMES = /\b(?:stairs?|stairway|staircase|landing|aisle|corridor|hall|hallway|passage)\b/i;
/** People walk along a row of seats and behind it this far, m. */
const BESIDE_ROW_M = 0.9;

/** What a supply vent blows on to its harm: the picture of a display, the lamp and filter of a projector. */
const isCooled = (type: DeviceType): boolean => type.answers === 'display' || /projector|display|screen/.test(type.id);

/** The room that a device is in: the one it says, where it still is inside it. */
function roomUnder(project: ProjectDocument, device: Device): Room | undefined {
  const p: Point2 = [device.x, device.y];
  const said = device.roomId === null ? undefined : project.rooms[device.roomId];
  return said && pointInPolygon(p, said.polygon as Point2[]) ? said : roomAt(buildingOf(project), device.levelId, p);
}

/** Height of a device above the finished floor of its level, m: what is at the ceiling is at the ceiling of its place. */
export function heightOf(project: ProjectDocument, device: Device): number {
  if (device.heightM !== null) return device.heightM;
  const level = project.levels[device.levelId];
  const room = roomUnder(project, device);
  return room ? ceilingHeightAt(room, level, [device.x, device.y]) : level.ceilingHeightM;
}

/**
 * Everything that keeps a device from being built where it stands, and what must be judged: members, cavities, openings,
 * obstacles, other devices, weight, head room, sight. Works on the device as given, which need not be in the project.
 */
export function clashesOf(project: ProjectDocument, device: Device, others?: readonly Device[]): Clash[] {
  const type = project.deviceTypes[device.typeId];
  const mount = mountTypeOf(project, device);
  const attachment = attachmentOf(type);
  const level = project.levels[device.levelId];
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  const heightM = heightOf(project, device);
  const clashes: Clash[] = [];
  if (attachment === 'wall') {
    const place = wallPlaceOf(project, device);
    if (!place) clashes.push(clash('mount-no-wall', 'stop'));
    else clashes.push(...wallClashes(project, device, type, mount, place, heightM));
    const top = heightM + halfFace(type)[1];
    const ceilingM = room ? ceilingHeightOf(room, level) : null;
    if (ceilingM !== null && less(ceilingM, top))
      clashes.push(
        clash('mount-above-ceiling', 'stop', {
          measured: top,
          allowed: ceilingM,
          with: { in: 'rooms', id: room!.id },
          figures: { heightM: top, ceilingM },
        }),
      );
  } else if (attachment === 'ceiling') {
    const under = roomUnder(project, device);
    if (under) clashes.push(...ceilingClashes(project, device, type, mount, under));
    else if (type.mount === 'ceiling') clashes.push(clash('mount-outside', 'stop'));
  } else if (attachment === 'floor' && !roomUnder(project, device)) clashes.push(clash('mount-outside', 'stop'));
  if (attachment !== 'free' && less(heightM, -level.floorBuildUpM - 0.001)) {
    clashes.push(clash('mount-below-floor', 'stop', { measured: heightM, allowed: 0, figures: { heightM } }));
  }
  clashes.push(...thingClashes(project, device, type, heightM));
  clashes.push(...neighbourClashes(project, device, type, heightM, others ?? onLevel(project, 'devices', device.levelId)));
  clashes.push(...mountClashes(type, mount, device), ...boxClashes(project, device, type), ...attitudeClashes(type, device));
  clashes.push(...sweepClashes(project, device, type, mount, heightM));
  clashes.push(...farDeviceClashes(project, type));
  clashes.push(...headRoom(project, device, type, mount, heightM));
  if (wantsSight(type)) {
    const { seats, blocked, by } = sightOf(project, device, type, heightM);
    if (blocked > 0 && by)
      clashes.push(
        clash(blocked === seats ? 'mount-sight-lost' : 'mount-sight-part', blocked === seats ? 'stop' : 'look', {
          measured: blocked,
          allowed: 0,
          unit: 'seats',
          with: { in: 'features', id: by.id },
          figures: { blocked, seats, thing: by.kind },
        }),
      );
  }
  return clashes;
}

/** The rank of the worst thing that keeps a device from being built where it is. */
export function rankOf(project: ProjectDocument, device: Device): 'stop' | 'look' | 'fine' {
  const ranks = clashesOf(project, device).map(({ rank }) => rank);
  return ranks.includes('stop') ? 'stop' : ranks.includes('look') ? 'look' : 'fine';
}

/** A device that lies in or too near a thing: so far away, so far it needs, m. */
const inThing = ({ id, kind }: Feature, awayM: number, reachM: number): Clash =>
  clash('mount-in-thing', 'stop', {
    measured: awayM,
    allowed: reachM,
    with: { in: 'features', id },
    figures: { thing: kind, freeM: awayM, needM: reachM },
  });

/** Distance from a point to an outline, m. */
const ringDistance = (p: Point2, corners: readonly Point2[]): number =>
  Math.min(...corners.map((a, n) => closestOnSegment(p, a, corners[(n + 1) % corners.length]).distanceM));

/** Half the ground that a device covers, as a circle, m. */
const halfSize = (type: DeviceType) => (type.round ? type.sizeM[0] / 2 : Math.hypot(type.sizeM[0], type.sizeM[1]) / 2);

function thingClashes(project: ProjectDocument, device: Device, type: DeviceType, heightM: number): Clash[] {
  const p: Point2 = [device.x, device.y];
  const solids = solidsOn(project, device.levelId);
  const clashes: Clash[] = [];
  const attachment = attachmentOf(type);
  if (attachment === 'free') return clashes;
  const reachM = (type.cutOut ? type.cutOut.widthM / 2 : type.sizeM[0] / 2) + type.clampM;
  const [lowM, highM] =
    attachment === 'ceiling'
      ? [heightM - 0.02, heightM + Math.max(0.02, type.depthM)]
      : [heightM - halfFace(type)[1], heightM + halfFace(type)[1]];
  for (const solid of solids.obstacles) {
    const { feature } = solid;
    // A display over a fireplace is judged by what is above it, not by the opening below.
    if (feature.topM <= lowM + 1e-6 || feature.bottomM >= highM - 1e-6) continue;
    const awayM = awayFromSolid(p, solid);
    if (!less(awayM, reachM)) continue;
    clashes.push(inThing(feature, awayM, reachM));
    break;
  }
  for (const coffer of attachment === 'ceiling' ? solids.coffers : []) {
    const awayM = ringDistance(p, coffer.points as Point2[]);
    if (less(awayM, reachM)) clashes.push(inThing(coffer, awayM, reachM));
  }
  for (const solid of solids.keepAway) {
    const { feature } = solid;
    const vent = feature.kind === 'supply-vent';
    const concerned =
      type.answers === 'climate' && type.mount === 'wall'
        ? vent && !sensesElsewhere(project, device)
        : vent && isCooled(type)
          ? true
          : attachment === 'ceiling' && (!vent || type.system === 'sound' || type.answers === 'wifi');
    if (!concerned) continue;
    const limit = vent ? FROM_SUPPLY_M : feature.kind === 'sprinkler' ? FROM_SPRINKLER_M : FROM_LIGHT_M;
    const awayM = Math.max(0, awayFromSolid(p, solid) - (attachment === 'ceiling' ? halfSize(type) : 0));
    if (!less(awayM, limit)) continue;
    clashes.push(
      clash(type.answers === 'climate' ? 'climate-near-vent' : 'mount-near-thing', 'look', {
        measured: awayM,
        allowed: limit,
        with: { in: 'features', id: feature.id },
        figures: { thing: feature.kind, freeM: awayM, needM: limit },
      }),
    );
    break;
  }
  return clashes;
}

/** Other devices that are nearer than either of the two wants, face to face; only what can meet: the same wall or ceiling. */
function neighbourClashes(
  project: ProjectDocument,
  device: Device,
  type: DeviceType,
  heightM: number,
  others: readonly Device[],
): Clash[] {
  const attachment = attachmentOf(type);
  if (attachment === 'free') return [];
  const own = attachment === 'wall' ? halfFace(type) : ([halfSize(type), 0] as const);
  for (const other of others) {
    if (other.id === device.id) continue;
    const dx = Math.abs(other.x - device.x);
    const dy = Math.abs(other.y - device.y);
    if (dx > 3 || dy > 3) continue;
    const there = project.deviceTypes[other.typeId];
    if (attachmentOf(there) !== attachment) continue;
    const clear = Math.max(type.keepClearM, there.keepClearM);
    if (attachment === 'ceiling') {
      const awayM = Math.sqrt(dx * dx + dy * dy) - own[0] - halfSize(there);
      const close = type.system === 'sound' && there.system === 'sound' ? 0 : clear;
      if (less(awayM, close) || awayM < -1e-6) return [nearDevice(other, awayM, close)];
      continue;
    }
    if (sharesPlate(project, device.id, other.id)) continue;
    if (other.roomId !== device.roomId || Math.abs(Math.cos(other.facingRad - device.facingRad) - 1) > 0.1) continue;
    const their = halfFace(there);
    const asideM = Math.sqrt(dx * dx + dy * dy) - own[0] - their[0];
    const upM = Math.abs((other.heightM ?? heightM) - heightM) - own[1] - their[1];
    const awayM = Math.max(asideM, upM);
    // Boxes of one group stand side by side; what belongs behind a display lies behind it.
    if (awayM < -1e-6 && !isBehind(type, there)) return [nearDevice(other, awayM, 0)];
    if (type.system !== there.system && less(awayM, Math.min(clear, 0.1)) && !isBehind(type, there))
      return [nearDevice(other, awayM, Math.min(clear, 0.1))];
  }
  if (type.answers === 'climate' && attachment === 'wall' && !sensesElsewhere(project, device)) {
    const hot = others.find(
      (other) =>
        other.id !== device.id &&
        project.deviceTypes[other.typeId].heatW >= HEAT_W &&
        other.roomId === device.roomId &&
        Math.hypot(other.x - device.x, other.y - device.y) - project.deviceTypes[other.typeId].sizeM[0] / 2 < FROM_HEAT_M,
    );
    if (hot)
      return [
        clash('climate-near-heat', 'look', {
          with: { in: 'devices', id: hot.id },
          allowed: FROM_HEAT_M,
          figures: { heatW: project.deviceTypes[hot.typeId].heatW },
        }),
      ];
  }
  return [];
}

/** The plate of each device in a gang. */
const PLATE_OF = whole<ReadonlyMap<string, string>>({
  name: 'plates by device',
  tables: ['plates'],
  make: (read) =>
    new Map(read.rows('plates').flatMap((plate) => plateDeviceIds(plate).map((deviceId) => [deviceId, plate.id] as const))),
});

/** Devices in the gangs of one plate stand side by side on purpose. */
function sharesPlate(project: ProjectDocument, a: string, b: string): boolean {
  const plateOf = derivationsOf(project).get(PLATE_OF);
  return plateOf.has(a) && plateOf.get(a) === plateOf.get(b);
}

const nearDevice = (other: Device, awayM: number, needM: number): Clash =>
  clash(awayM < -1e-6 ? 'mount-on-device' : 'mount-near-device', awayM < -1e-6 ? 'stop' : 'look', {
    measured: Math.max(0, awayM),
    allowed: needM,
    with: { in: 'devices', id: other.id },
    figures: { freeM: Math.max(0, awayM), needM },
  });

const HIDDEN_BEHIND: ReadonlySet<string> = new Set([
  'network-drop',
  'coax-outlet',
  'mains-outlet',
  'game-point',
  'connection-box',
]);
const isBehind = (a: DeviceType, b: DeviceType): boolean =>
  (a.answers === 'display' && HIDDEN_BEHIND.has(b.id)) ||
  (b.answers === 'display' && HIDDEN_BEHIND.has(a.id)) ||
  // A screen hangs in front of the speakers behind it.
  isScreen(a) !== isScreen(b);
const isScreen = ({ id, screen }: DeviceType): boolean => screen !== null || id === 'screen';

/** An existing box that is not as deep as what goes into it. */
function boxClashes(project: ProjectDocument, device: Device, type: DeviceType): Clash[] {
  const box = device.foundId === null ? undefined : project.features[device.foundId];
  if (box?.kind !== 'existing-box' || box.depthM <= 0 || !less(box.depthM, type.depthM)) return [];
  return [
    clash('mount-box-shallow', 'stop', {
      measured: box.depthM,
      allowed: type.depthM,
      with: { in: 'features', id: box.id },
      figures: { depthM: type.depthM, deepestM: box.depthM },
    }),
  ];
}

/** A device that is turned as its maker does not allow: heat, lamps, bearings and drains have a way up. */
const attitudeClashes = ({ attitudes }: DeviceType, { attitude }: Device): Clash[] =>
  attitudes.length > 0 && !attitudes.includes(attitude)
    ? [clash('mount-attitude', 'stop', { figures: { attitude, attitudes } })]
    : [];

function mountClashes(type: DeviceType, mount: DeviceType | null, device: Device): Clash[] {
  const clashes: Clash[] = [];
  if (mount?.holds && less(mount.holds.widestM, type.sizeM[0]))
    clashes.push(
      clash('mount-too-wide', 'stop', {
        measured: type.sizeM[0],
        allowed: mount.holds.widestM,
        figures: { widthM: type.sizeM[0], widestM: mount.holds.widestM },
      }),
    );
  if (mount?.accepts && type.cutOut) {
    const sideM = Math.max(type.cutOut.widthM, type.cutOut.heightM);
    const { leastM: minM, mostM: maxM } = mount.accepts;
    if (!acceptsCutOut(mount, type))
      clashes.push(
        clash('mount-bracket-misfit', 'stop', { measured: sideM, allowed: maxM, figures: { sideM, leastM: minM, mostM: maxM } }),
      );
  }
  if (device.wishes.includes('flush')) {
    const standsM = type.cutOut ? 0 : (mount?.holds?.parkedDepthM ?? 0) + type.sizeM[1];
    if (less(FLUSH_M, standsM) && mount?.holds?.style !== 'recessed')
      clashes.push(clash('mount-not-flush', 'look', { measured: standsM, allowed: FLUSH_M, figures: { standsM } }));
  }
  if (device.wishes.includes('turns') && (mount?.holds?.turnRad ?? 0) <= 0) clashes.push(clash('mount-does-not-turn', 'look'));
  return clashes;
}

/** A display whose picture comes from a box of its own needs that box: what a lead goes to must be placed. */
function farDeviceClashes(project: ProjectDocument, type: DeviceType): Clash[] {
  const missing = type.cables.find(
    ({ to, toTypeId, optional }) => to === 'device' && !optional && toTypeId !== null && !isPlaced(project, toTypeId),
  );
  const far = missing?.toTypeId ? project.deviceTypes[missing.toTypeId] : undefined;
  // Where furnaces and heat pumps stand is for their trade: a lead to one that is not drawn is no fault of the place.
  return far && type.system !== 'control'
    ? [clash('mount-no-far-device', 'stop', { figures: { far: far.name, lead: missing!.purpose } })]
    : [];
}

const PLACED_TYPES = whole<ReadonlySet<string>>({
  name: 'types that are placed',
  tables: ['devices'],
  make: (read) => new Set(read.rows('devices').map(({ typeId }) => typeId)),
  alike: (a, b) => a.size === b.size && [...a].every((typeId) => b.has(typeId)),
});

const isPlaced = (project: ProjectDocument, typeId: string): boolean => {
  const placed = derivationsOf(project).get(PLACED_TYPES);
  const wanted = project.deviceTypes[typeId];
  return placed.has(typeId) || (wanted !== undefined && [...placed].some((id) => isSameKind(project.deviceTypes[id], wanted)));
};

/** Height of the platform on which people stand at a place, m: that of a row of seats beside it. */
function platformUnder(project: ProjectDocument, { levelId, x, y }: Device): number {
  const rows = solidsOn(project, levelId).seats.filter(({ kind, bottomM }) => kind === 'seat-row' && bottomM > 0);
  const beside = rows.filter((row) => awayFromSolid([x, y], { feature: row, footprints: [featureBox(row)] }) <= BESIDE_ROW_M);
  return Math.max(0, ...beside.map(({ bottomM }) => bottomM));
}

/** What stands out into a path at body height, and what hangs into it from above. */
function headRoom(
  project: ProjectDocument,
  device: Device,
  type: DeviceType,
  mount: DeviceType | null,
  heightM: number,
): Clash[] {
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  if (!room) return [];
  const attachment = attachmentOf(type);
  if (attachment === 'ceiling') {
    const floorM = platformUnder(project, device);
    const bottomM = heightM - (mount?.holds ? mount.holds.reachM + type.sizeM[1] / 2 : 0) - floorM;
    return less(bottomM, HEAD_ROOM_M)
      ? [clash('mount-head-room', 'look', { measured: bottomM, allowed: HEAD_ROOM_M, figures: { bottomM, leastM: HEAD_ROOM_M } })]
      : [];
  }
  if (attachment !== 'wall' || type.cutOut || !(PATH_USES.has(room.use) || PATH_NAMES.test(room.name))) return [];
  const bottomM = heightM - halfFace(type)[1] - platformUnder(project, device);
  const outM = (mount?.holds?.parkedDepthM ?? 0) + type.sizeM[1];
  const concerned = bottomM > PATH_LOW_M && bottomM < HEAD_ROOM_M && less(STANDS_OUT_M, outM);
  return concerned
    ? [
        clash('mount-head-room', 'look', {
          measured: bottomM,
          allowed: HEAD_ROOM_M,
          figures: { bottomM, leastM: HEAD_ROOM_M, outM },
        }),
      ]
    : [];
}
