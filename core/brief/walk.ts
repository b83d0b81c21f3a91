import { levelsFromBelow } from '../house/index.ts';
import { middleOf, type Point2 } from '../math/index.ts';
import {
  type BriefCell,
  type BriefTopic,
  create,
  type Device,
  type DeviceWalk,
  type Operation,
  type ProjectDocument,
  type Room,
  update,
  type Walk,
  type WalkResult,
} from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { briefOf, cellOf } from './cells.ts';

/** Rooms as one walks: level by level from below, and on a level always on to the nearest; a number given by hand goes first. */
export function walkingOrder(project: ProjectDocument): Room[] {
  return levelsFromBelow(project).flatMap((level) => {
    const rooms = [...onLevel(project, 'rooms', level.id)];
    const given = (room: Room) => briefOf(project, room.id)?.walkOrder ?? 0;
    const ordered = rooms.filter((room) => given(room) > 0).sort((a, b) => given(a) - given(b));
    let open = rooms.filter((room) => given(room) === 0);
    let at = ordered.length > 0 ? middleOf(ordered[ordered.length - 1].polygon as Point2[]) : null;
    while (open.length > 0) {
      const from = at;
      const away = (room: Room) => {
        const [x, y] = middleOf(room.polygon as Point2[]);
        return from ? Math.hypot(x - from[0], y - from[1]) : x + y;
      };
      const next = open.reduce((best, room) => (away(room) < away(best) - 1e-9 ? room : best));
      ordered.push(next);
      open = open.filter((room) => room !== next);
      at = middleOf(next.polygon as Point2[]);
    }
    return ordered;
  });
}

export const walkResultOf = (
  project: Pick<ProjectDocument, 'walkResults'>,
  walk: Walk,
  roomId: string,
  topic: BriefTopic,
): WalkResult | undefined =>
  Object.values(project.walkResults).find((one) => one.walk === walk && one.roomId === roomId && one.topic === topic);

export const deviceWalkOf = (
  project: Pick<ProjectDocument, 'deviceWalks'>,
  walk: Walk,
  deviceId: string,
): DeviceWalk | undefined => Object.values(project.deviceWalks).find((one) => one.walk === walk && one.deviceId === deviceId);

type Found = Pick<WalkResult, 'found' | 'by' | 'on' | 'note'>;

/** Writes down what is found of an answer on a walk. */
export function recordWalk(
  project: ProjectDocument,
  walk: Walk,
  roomId: string,
  topic: BriefTopic,
  found: Found,
  newId: () => string,
): Operation[] {
  const known = walkResultOf(project, walk, roomId, topic);
  if (!known) return [create('walkResults', { id: newId(), walk, roomId, topic, ...found })];
  const operation = update('walkResults', known, found);
  return operation ? [operation] : [];
}

/** Writes down what is found of a device on a walk. */
export function recordDeviceWalk(
  project: ProjectDocument,
  walk: Walk,
  deviceId: string,
  found: Found,
  newId: () => string,
): Operation[] {
  const known = deviceWalkOf(project, walk, deviceId);
  if (!known) return [create('deviceWalks', { id: newId(), walk, deviceId, ...found })];
  const operation = update('deviceWalks', known, found);
  return operation ? [operation] : [];
}

/** An answer or a device that a walk did not find as planned, or that the last walk found other than the first. */
export type WalkDifference =
  | { readonly kind: 'answer'; readonly cell: BriefCell; readonly result: WalkResult; readonly first: WalkResult | null }
  | { readonly kind: 'device'; readonly device: Device; readonly result: DeviceWalk; readonly first: DeviceWalk | null };

/** What differs on a walk; on the last one, with what the first had found. */
export function walkDifferences(project: ProjectDocument, walk: Walk): WalkDifference[] {
  const answers = listOf(project, 'walkResults').flatMap((result): WalkDifference[] => {
    const cell = result.walk === walk ? cellOf(project, result.roomId, result.topic) : undefined;
    const first = walk === 'last' ? (walkResultOf(project, 'first', result.roomId, result.topic) ?? null) : null;
    return cell && differs(result, first) ? [{ kind: 'answer', cell, result, first }] : [];
  });
  const devices = listOf(project, 'deviceWalks').flatMap((result): WalkDifference[] => {
    if (result.walk !== walk) return [];
    const first = walk === 'last' ? (deviceWalkOf(project, 'first', result.deviceId) ?? null) : null;
    return differs(result, first) ? [{ kind: 'device', device: project.devices[result.deviceId], result, first }] : [];
  });
  return [...answers, ...devices];
}

const differs = (result: Pick<WalkResult, 'found'>, first: Pick<WalkResult, 'found'> | null) =>
  result.found !== 'there' || (first !== null && first.found !== result.found);
