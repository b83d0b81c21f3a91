import { bayAt, buildingOf, framingOf, roomAt } from '../../house/index.ts';
import { middleOf, type Point2, rotate2, tidyM } from '../../math/index.ts';
import type { DeviceType, ProjectDocument, Room } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { acrossJoists, hasMembers } from './on-ceiling.ts';

/** What a guide lines up with. */
export type GuideKind = 'device' | 'light' | 'island' | 'seat' | 'room' | 'bay';

/** A line on the plan that a place lines up with. */
export interface Guide {
  readonly kind: GuideKind;
  readonly axis: 'x' | 'y';
  readonly a: Point2;
  readonly b: Point2;
  /** How far the place was from the line before it was drawn to it, m. */
  readonly offM: number;
}

export interface Guided {
  readonly at: Point2;
  readonly guides: readonly Guide[];
}

const KINDS: Readonly<Record<string, GuideKind>> = {
  'recessed-light': 'light',
  island: 'island',
  sofa: 'seat',
  chair: 'seat',
  'seat-row': 'seat',
  bed: 'seat',
};

/** Bays pull no farther than this share of their clear width, however far the plan is zoomed out. */
const BAY_PULL = 0.3;

/** Things of a room that a place lines up with, by what they are. */
export function lineUps(
  project: ProjectDocument,
  room: Room,
  system: DeviceType['system'],
  without: ReadonlySet<string>,
): { readonly kind: GuideKind; readonly at: Point2 }[] {
  const targets: { kind: GuideKind; at: Point2 }[] = [{ kind: 'room', at: middleOf(room.polygon as Point2[]) }];
  for (const device of onLevel(project, 'devices', room.levelId)) {
    if (device.roomId === room.id && !without.has(device.id) && project.deviceTypes[device.typeId].system === system)
      targets.push({ kind: 'device', at: [device.x, device.y] });
  }
  for (const feature of onLevel(project, 'features', room.levelId)) {
    const kind = KINDS[feature.kind];
    if (!kind || !feature.chosen) continue;
    const at = feature.points[0] as Point2;
    if (roomAt(buildingOf(project), room.levelId, at)?.id === room.id) targets.push({ kind, at });
  }
  return targets;
}

/**
 * Draws a place to the lines that an installer lines things up with: other devices of its system, recessed lights, an island, a
 * seat, the middle of the room, the middle between joists as they are; each axis by itself, the nearest within `reachM`.
 */
export function guideTo(
  project: ProjectDocument,
  levelId: string,
  type: Pick<DeviceType, 'system' | 'mount'>,
  p: Point2,
  reachM: number,
  without: ReadonlySet<string> = new Set(),
): Guided {
  const room = roomAt(buildingOf(project), levelId, p);
  if (!room) return { at: p, guides: [] };
  const targets = lineUps(project, room, type.system, without);
  let [x, y] = p;
  const guides: Guide[] = [];
  for (const axis of ['x', 'y'] as const) {
    const i = axis === 'x' ? 0 : 1;
    let best: { kind: GuideKind; at: Point2; offM: number } | null = null;
    for (const target of targets) {
      const offM = Math.abs(target.at[i] - p[i]);
      if (offM <= reachM && (!best || offM < best.offM - 1e-9)) best = { ...target, offM };
    }
    if (!best) continue;
    if (axis === 'x') x = best.at[0];
    else y = best.at[1];
    guides.push({ kind: best.kind, axis, a: best.at, b: p, offM: best.offM });
  }
  // A ceiling device falls into the middle of its bay where nothing else holds it across the joists.
  const bay =
    type.mount === 'ceiling' && hasMembers(room) ? bayAt(framingOf(project).joists(room), acrossJoists(room, [x, y])) : null;
  if (bay) {
    const offM = Math.abs(bay.middleM - acrossJoists(room, [x, y]));
    const across = Math.abs(Math.sin(room.joistAngleRad)) > 0.7 ? 'x' : 'y';
    if (offM <= Math.min(reachM, bay.clearM * BAY_PULL) && !guides.some(({ axis }) => axis === across)) {
      const [along] = rotate2([x, y], -room.joistAngleRad);
      const [bx, by] = rotate2([along, bay.middleM], room.joistAngleRad);
      guides.push({ kind: 'bay', axis: across, a: [bx, by], b: p, offM });
      [x, y] = [bx, by];
    }
  }
  return { at: [tidyM(x), tidyM(y)], guides: guides.map((guide) => ({ ...guide, b: [x, y] })) };
}
