import { distance2, type Point2 } from '../../math/index.ts';
import {
  buildingOf,
  facedSide,
  factOf,
  framingOf,
  mountingDepth,
  nearestWall,
  onOutline,
  openingsOf,
  roomAt,
  type WallPlace,
  wallPoint,
} from '../../house/index.ts';
import type { Device, DeviceType, ProjectDocument, Wall } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { clash, type Clash, less } from './clash.ts';
import { heaviestOnWall, loadOf, overRated, wallFixing } from './fixing.ts';
import { solidsOn } from './solids.ts';

/** How far from a wall's centre line a device still counts as being on it, m. */
const ON_WALL_M = 0.35;
/** What was found in a wall holds for so far around, m. */
const SUBSTRATE_M = 0.6;
const MASONRY: ReadonlySet<Wall['kind']> = new Set(['masonry', 'concrete']);

/** Blocking in a wall behind a place. */
export function isBlockedBehind(project: ProjectDocument, wall: Wall, fromM: number, toM: number, heightM: number): boolean {
  return listOf(project, 'framingMembers').some(
    (member) =>
      member.wallId === wall.id &&
      member.kind === 'blocking' &&
      member.present &&
      member.offsetM <= fromM + 1e-6 &&
      member.offsetM + member.widthM >= toM - 1e-6 &&
      member.bottomM <= heightM + 1e-6 &&
      member.topM >= heightM - 1e-6,
  );
}

/** Half the face of a device on a wall: width and height, m. */
export function halfFace(type: DeviceType): readonly [number, number] {
  if (type.frameM) return [type.frameM[0] / 2, type.frameM[1] / 2];
  if (type.cutOut) return [type.cutOut.widthM / 2, type.cutOut.heightM / 2];
  return [type.sizeM[0] / 2, Math.min(0.15, type.sizeM[0] / 2)];
}

export const wallPlaceOf = (
  project: ProjectDocument,
  { levelId, x, y }: Pick<Device, 'levelId' | 'x' | 'y'>,
): WallPlace | undefined => nearestWall(buildingOf(project), levelId, [x, y], ON_WALL_M);

/** Everything about a device on a wall that its wall decides. */
export function wallClashes(
  project: ProjectDocument,
  device: Device,
  type: DeviceType,
  mount: DeviceType | null,
  place: WallPlace,
  heightM: number,
): Clash[] {
  const { wall, offsetM } = place;
  const clashes: Clash[] = [];
  const [halfW, halfH] = halfFace(type);
  if (!belongsInOpening(type))
    clashes.push(...openingClashes(project, wall, offsetM, heightM, halfW, halfH, isControl(type) ? FROM_CASING_M : 0));
  const cut = type.cutOut;
  const depthM = Math.max(type.depthM, mount?.depthM ?? 0);
  const side = facedSide(wall, device.facingRad);
  if (depthM > 0) {
    const { deepestM, cavityM } = mountingDepth(wall, side);
    if (cavityM <= 0 && type.mount === 'wall')
      clashes.push(
        clash('mount-no-cavity', 'stop', {
          measured: 0,
          allowed: depthM,
          with: { in: 'walls', id: wall.id },
          figures: { depthM, kind: wall.kind },
        }),
      );
    else if (less(deepestM, depthM))
      clashes.push(
        clash('mount-too-deep', 'stop', {
          measured: depthM,
          allowed: deepestM,
          with: { in: 'walls', id: wall.id },
          figures: { depthM, deepestM },
        }),
      );
    else if (factOf(project, 'walls', wall.id, 'cavityDepthM')?.state === 'not-known')
      clashes.push(
        clash('mount-cavity-unknown', 'look', { measured: depthM, with: { in: 'walls', id: wall.id }, figures: { depthM } }),
      );
  }
  const hole = cut ?? mount?.cutOut ?? null;
  if (hole && wall.kind === 'fire')
    clashes.push(clash('mount-fire-surface', 'stop', { with: { in: 'walls', id: wall.id }, figures: { surface: 'wall' } }));
  if (hole) {
    const clampM = cut ? type.clampM : (mount?.clampM ?? 0);
    const need = hole.widthM / 2 + clampM;
    const clearM = wall.studSpacingM - wall.studWidthM;
    const surveyed = factOf(project, 'walls', wall.id, 'studOffsetM')?.state === 'measured';
    for (const stud of framingOf(project).studs(wall)) {
      const toFaceM = Math.abs(stud.offsetM - offsetM) - stud.widthM / 2;
      if (!less(toFaceM, need)) continue;
      clashes.push(
        // A stud that follows the spacing rule may stand elsewhere: find it before it is a reason to stop, unless no bay is wide enough.
        clash('mount-on-stud', stud.measured || surveyed || less(clearM, 2 * need) ? 'stop' : 'look', {
          measured: Math.max(0, toFaceM),
          allowed: need,
          with: stud.memberId ? { in: 'framingMembers', id: stud.memberId } : { in: 'walls', id: wall.id },
          figures: { freeM: Math.max(0, toFaceM), needM: need, kind: stud.kind, measuredStud: stud.measured },
        }),
      );
      break;
    }
  }
  if (!cut) clashes.push(...fixingClashes(project, type, mount, place, heightM));
  if (type.answers === 'climate' && type.mount === 'wall' && !sensesElsewhere(project, device))
    clashes.push(...outsideWall(project, wall, offsetM), ...nearWindow(project, device));
  return clashes;
}

/** What is operated keeps this from the casing of a door, edge to edge (ENGINEERING 8.1), m. */
const FROM_CASING_M = 0.1;
/** What a hand operates on a wall: keypads, thermostats, touch panels, volume controls. */
const isControl = (type: DeviceType): boolean =>
  type.mount === 'wall' &&
  (type.answers === 'keypad' || type.answers === 'climate' || /keypad|panel|control|button/.test(type.id));

/** Contacts, locks, openers and shades belong to the door or window that others must keep clear of. */
const IN_OPENINGS: ReadonlySet<string> = new Set(['opening-contact', 'radio-contact', 'electric-lock', 'door-opener']);
const belongsInOpening = (type: DeviceType): boolean => type.system === 'shade' || IN_OPENINGS.has(type.id);

/** Whether a remote sensor in the room reads for a thermostat. */
export const sensesElsewhere = (project: ProjectDocument, device: Device): boolean =>
  device.typeId === 'remote-sensor' ||
  listOf(project, 'devices').some((other) => other.typeId === 'remote-sensor' && other.roomId === device.roomId);

function openingClashes(
  project: ProjectDocument,
  wall: Wall,
  offsetM: number,
  heightM: number,
  halfW: number,
  halfH: number,
  keepsM: number,
): Clash[] {
  for (const opening of openingsOf(buildingOf(project), wall)) {
    const overM = opening.widthM / 2 + halfW - Math.abs(opening.offsetM - offsetM);
    const upM = Math.min(heightM + halfH, opening.headM) - Math.max(heightM - halfH, opening.sillM);
    const about = {
      with: { in: 'openings' as const, id: opening.id },
      figures: { kind: opening.kind, overM, casingM: opening.casingWidthM },
    };
    if (overM > 1e-6 && upM > 1e-6) return [clash('mount-in-opening', 'stop', { measured: overM, allowed: 0, ...about })];
    const casingUpM =
      Math.min(heightM + halfH, opening.headM + opening.casingWidthM) -
      Math.max(heightM - halfH, opening.kind === 'window' ? opening.sillM - opening.casingWidthM : 0);
    if (overM + opening.casingWidthM > 1e-6 && casingUpM > 1e-6)
      return [clash('mount-on-casing', 'look', { measured: overM + opening.casingWidthM, allowed: 0, ...about })];
    const freeM = -(overM + opening.casingWidthM);
    if (keepsM > 0 && opening.kind === 'door' && casingUpM > 1e-6 && less(freeM, keepsM))
      return [
        clash('mount-near-casing', 'look', {
          measured: freeM,
          allowed: keepsM,
          ...about,
          figures: { ...about.figures, freeM, needM: keepsM },
        }),
      ];
  }
  return [];
}

function fixingClashes(
  project: ProjectDocument,
  type: DeviceType,
  mount: DeviceType | null,
  place: WallPlace,
  heightM: number,
): Clash[] {
  const { wall, offsetM } = place;
  const load = loadOf(type, mount);
  const clashes: Clash[] = [];
  clashes.push(...overRated(type, load));
  const half = load.patternM[0] / 2;
  const substrate = solidsOn(project, wall.levelId).substrates.find(
    ({ points }) => distance2(points[0] as Point2, place.point) < SUBSTRATE_M,
  )?.substrate;
  const solid = MASONRY.has(wall.kind) || (substrate ?? '').startsWith('solid') || substrate === 'soft-brick';
  const studs = framingOf(project)
    .studs(wall)
    .filter(({ offsetM: at }) => Math.abs(at - offsetM) <= half + 0.006).length;
  const blocked = isBlockedBehind(project, wall, offsetM - half, offsetM + half, heightM);
  const { wall: factor } = project.project.fixingFactors;
  const fixing = wallFixing(load, studs, blocked, substrate ?? null, solid, factor);
  const figures = { kg: load.massKg, requiredN: fixing.requiredN, into: fixing.into, studs };
  if (!less(1, fixing.share)) return clashes;
  const heaviest = heaviestOnWall(load, factor);
  if (less(heaviest, load.massKg))
    clashes.push(
      clash('mount-overload', 'stop', {
        measured: load.massKg,
        allowed: heaviest,
        unit: 'kg',
        figures: { ...figures, mostKg: Math.floor(heaviest) },
      }),
    );
  else
    clashes.push(
      clash('mount-needs-blocking', 'stop', {
        measured: fixing.share === Infinity ? load.massKg : fixing.share,
        allowed: 1,
        unit: fixing.share === Infinity ? 'kg' : '',
        with: { in: 'walls', id: wall.id },
        figures,
      }),
    );
  return clashes;
}

/** A window so near that its sun falls on a thermostat beside or across from it, m. */
const SUN_M = 1.5;

export function nearWindow(project: ProjectDocument, device: Device): Clash[] {
  const building = buildingOf(project);
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  if (!room) return [];
  for (const wall of building.wallsByLevel[device.levelId] ?? []) {
    for (const opening of openingsOf(building, wall)) {
      if (opening.kind !== 'window') continue;
      const at = wallPoint(wall, opening.offsetM);
      const awayM = Math.max(0, distance2(at, [device.x, device.y]) - opening.widthM / 2);
      if (awayM >= SUN_M || !onOutline(room, at, 0.05)) continue;
      return [
        clash('climate-sun', 'look', {
          measured: awayM,
          allowed: SUN_M,
          with: { in: 'openings', id: opening.id },
          figures: { freeM: awayM },
        }),
      ];
    }
  }
  return [];
}

/** Whether a wall has a room on one side only, at a point of its centre line. */
export function isOutsideWall(project: ProjectDocument, wall: Wall, at: Point2): boolean {
  const lengthM = distance2(wall.a, wall.b);
  const [ux, uy] = [(wall.b[0] - wall.a[0]) / lengthM, (wall.b[1] - wall.a[1]) / lengthM];
  const reach = wall.thicknessM / 2 + 0.1;
  const building = buildingOf(project);
  return ![1, -1].every((side) => roomAt(building, wall.levelId, [at[0] - uy * reach * side, at[1] + ux * reach * side]));
}

/** A wall with nothing but the outside on one side reads the weather, not the room. */
const outsideWall = (project: ProjectDocument, wall: Wall, offsetM: number): Clash[] =>
  isOutsideWall(project, wall, wallPoint(wall, offsetM))
    ? [clash('climate-outside-wall', 'look', { with: { in: 'walls', id: wall.id } })]
    : [];
