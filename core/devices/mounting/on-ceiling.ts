import { ceilingHeightAt, ceilingHeightOf, factOf, framingOf } from '../../house/index.ts';
import { type Point2, pointInPolygon, rotate2 } from '../../math/index.ts';
import type { Device, DeviceType, ProjectDocument, Room } from '../../model/index.ts';
import { clash, type Clash, less } from './clash.ts';
import { solidsOn } from './solids.ts';
import { loadOf, needsStructureOverhead, overheadRequiredN, overRated } from './fixing.ts';

/** Offset of a point across the joists of a room, m. */
export const acrossJoists = (room: Room, p: Point2): number => rotate2(p, -room.joistAngleRad)[1];

/** How deep a device may go above the finished ceiling of a room, m: the joists, or the void of a dropped ceiling. */
export function ceilingDepthM(project: ProjectDocument, room: Room): number {
  const level = project.levels[room.levelId];
  if (room.framing === 'none' || room.framing === 'slab') return 0;
  if (room.framing === 'dropped') return Math.max(0, level.ceilingHeightM + level.cavityDepthM - ceilingHeightOf(room, level));
  return Math.min(level.cavityDepthM, room.joistDepthM);
}

/** Joists are no obstacle where the ceiling hangs below them; an open web lets a cable through, not a cut-out. */
export const hasMembers = (room: Room) => room.framing === 'solid' || room.framing === 'i-joist' || room.framing === 'open-web';

/** Everything about a device in or on a ceiling that the ceiling decides. */
export function ceilingClashes(
  project: ProjectDocument,
  device: Device,
  type: DeviceType,
  mount: DeviceType | null,
  room: Room,
): Clash[] {
  const clashes: Clash[] = [];
  const level = project.levels[room.levelId];
  const p: Point2 = [device.x, device.y];
  const coffer = solidsOn(project, device.levelId).coffers.find(({ points }) => pointInPolygon(p, points as Point2[]));
  const ceilingM = Math.max(ceilingHeightAt(room, level, p), coffer?.topM ?? 0);
  if (device.heightM !== null && less(ceilingM, device.heightM))
    clashes.push(
      clash('mount-above-ceiling', 'stop', {
        measured: device.heightM,
        allowed: ceilingM,
        with: { in: 'rooms', id: room.id },
        figures: { heightM: device.heightM, ceilingM },
      }),
    );
  const { cutOut } = type;
  if (cutOut && type.depthM > 0) {
    const depthM = Math.max(type.depthM, mount?.part === 'bracket' ? mount.depthM : 0);
    const deepestM = ceilingDepthM(project, room);
    const about = {
      measured: depthM,
      allowed: deepestM,
      with: { in: 'rooms' as const, id: room.id },
      figures: { depthM, deepestM, kind: room.framing },
    };
    if (deepestM <= 0) clashes.push(clash('mount-no-cavity', 'stop', about));
    else if (less(deepestM, depthM)) clashes.push(clash('mount-too-deep', 'stop', about));
  }
  if (cutOut && hasMembers(room)) {
    // A rectangle may lie along or across the joists; across counts its side in that direction.
    const turned = Math.abs(Math.sin(device.facingRad - room.joistAngleRad)) > Math.SQRT1_2;
    const spanM = cutOut.shape === 'round' ? cutOut.widthM : turned ? cutOut.heightM : cutOut.widthM;
    const need = spanM / 2 + type.clampM;
    const v = acrossJoists(room, p);
    const clearM = room.joistSpacingM - (room.framing === 'i-joist' ? 0.06 : 0.045);
    const surveyed = factOf(project, 'rooms', room.id, 'joistOffsetM')?.state === 'measured';
    for (const joist of framingOf(project).joists(room)) {
      const toFaceM = Math.abs(joist.offsetM - v) - joist.widthM / 2;
      if (!less(toFaceM, need)) continue;
      const on = less(toFaceM, spanM / 2);
      clashes.push(
        clash(
          on ? 'mount-on-joist' : 'mount-beside-joist',
          joist.measured || surveyed || less(clearM, 2 * need) ? 'stop' : 'look',
          {
            measured: Math.max(0, toFaceM),
            allowed: need,
            with: joist.memberId ? { in: 'framingMembers', id: joist.memberId } : { in: 'rooms', id: room.id },
            figures: { freeM: Math.max(0, toFaceM), needM: need, measuredJoist: joist.measured },
          },
        ),
      );
      break;
    }
  }
  const load = loadOf(type, mount?.part === 'mount' ? mount : null);
  clashes.push(...overRated(type, load));
  if (needsStructureOverhead(type, load.massKg)) {
    const v = acrossJoists(room, p);
    const half = load.patternM[1] / 2;
    const joist =
      hasMembers(room) &&
      framingOf(project)
        .joists(room)
        .some(({ offsetM, widthM }) => Math.abs(offsetM - v) <= widthM / 2 + Math.min(half, 0.02));
    const blocked = Object.values(project.framingMembers).some(
      (member) =>
        member.roomId === room.id &&
        member.kind === 'blocking' &&
        member.present &&
        v >= member.offsetM - 1e-6 &&
        v <= member.offsetM + member.widthM + 1e-6,
    );
    const concrete = room.framing === 'slab';
    if (!joist && !blocked && !concrete)
      clashes.push(
        clash('mount-overhead', 'stop', {
          measured: load.massKg,
          allowed: 2.3,
          unit: 'kg',
          with: { in: 'rooms', id: room.id },
          figures: {
            kg: load.massKg,
            requiredN: Math.ceil(overheadRequiredN(load.massKg, project.project.fixingFactors.overhead)),
          },
        }),
      );
  }
  return clashes;
}
