import { attachmentOf, framingOf, wallPoint } from '../../house/index.ts';
import { type Point2, rotate2 } from '../../math/index.ts';
import type { Device, ProjectDocument, Room, Wall } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { clashesOf, heightOf } from './clashes.ts';
import { loadOf, needsStructureOverhead, overheadRequiredN, wallRequiredN } from './fixing.ts';
import { mountTypeOf } from './mounts.ts';
import { acrossJoists } from './on-ceiling.ts';
import { isBlockedBehind, wallPlaceOf } from './on-wall.ts';

/** Ply or timber set flush with the studs (ENGINEERING 9.5: 19 to 25 mm ply). Above and below the hole pattern, m. */
const MARGIN_M = 0.1;

/** Blocking that the framer sets for a device: where, how large, and what it must bear. Lengths in m, forces in N. */
export interface BlockingNeed {
  readonly device: Device;
  readonly wall: Wall | null;
  readonly room: Room | null;
  /** Walls: from end a; ceilings: across the joists from the first-joist line. */
  readonly fromM: number;
  readonly toM: number;
  /** The same two ends on the plan. */
  readonly ends: readonly [Point2, Point2];
  /** Walls: above finished floor; null on ceilings. */
  readonly bottomM: number | null;
  readonly topM: number | null;
  readonly massKg: number;
  readonly requiredN: number;
  readonly holePatternM: readonly [number, number];
  /** Whether it is set already. */
  readonly there: boolean;
}

/** Every device that needs blocking, whether it is there or not: the sheet for the framer. */
export function blockingNeeds(project: ProjectDocument): BlockingNeed[] {
  return listOf(project, 'devices').flatMap((device): BlockingNeed[] => {
    const type = project.deviceTypes[device.typeId];
    const mount = mountTypeOf(project, device);
    const load = loadOf(type, mount?.part === 'mount' ? mount : null);
    if (attachmentOf(type) === 'wall' && !type.cutOut) {
      const place = wallPlaceOf(project, device);
      if (!place) return [];
      const heightM = heightOf(project, device);
      const half = load.patternM[0] / 2;
      const there = isBlockedBehind(project, place.wall, place.offsetM - half, place.offsetM + half, heightM);
      const wanted = clashesOf(project, device).some(({ code }) => code === 'mount-needs-blocking');
      if (!there && !wanted) return [];
      const studs = framingOf(project).studs(place.wall);
      // From the stud before the pattern to the stud after it, so that the blocking itself is held.
      const left = [...studs].reverse().find(({ offsetM }) => offsetM <= place.offsetM - half) ?? studs[0];
      const right = studs.find(({ offsetM }) => offsetM >= place.offsetM + half) ?? studs.at(-1);
      const fromM = left ? left.offsetM : place.offsetM - half - MARGIN_M;
      const toM = right ? right.offsetM : place.offsetM + half + MARGIN_M;
      return [
        {
          device,
          wall: place.wall,
          room: device.roomId === null ? null : project.rooms[device.roomId],
          fromM,
          toM,
          ends: [wallPoint(place.wall, fromM), wallPoint(place.wall, toM)],
          bottomM: Math.max(0.05, heightM - load.patternM[1] / 2 - MARGIN_M),
          topM: heightM + load.patternM[1] / 2 + MARGIN_M,
          massKg: load.massKg,
          requiredN: wallRequiredN(load.massKg, project.project.fixingFactors.wall),
          holePatternM: load.patternM,
          there,
        },
      ];
    }
    if (attachmentOf(type) !== 'ceiling' || !needsStructureOverhead(type, load.massKg) || device.roomId === null) return [];
    const room = project.rooms[device.roomId];
    const there = !clashesOf(project, device).some(({ code }) => code === 'mount-overhead');
    const v = acrossJoists(room, [device.x, device.y]);
    const joists = framingOf(project).joists(room);
    const before = [...joists].reverse().find(({ offsetM }) => offsetM <= v);
    const after = joists.find(({ offsetM }) => offsetM >= v);
    const fromM = before?.offsetM ?? v - 0.2;
    const toM = after?.offsetM ?? v + 0.2;
    const across = (byM: number): Point2 => {
      const [dx, dy] = rotate2([0, byM], room.joistAngleRad);
      return [device.x + dx, device.y + dy];
    };
    return [
      {
        device,
        wall: null,
        room,
        fromM,
        toM,
        ends: [across(fromM - v), across(toM - v)],
        bottomM: null,
        topM: null,
        massKg: load.massKg,
        requiredN: overheadRequiredN(load.massKg, project.project.fixingFactors.overhead),
        holePatternM: load.patternM,
        there,
      },
    ];
  });
}
