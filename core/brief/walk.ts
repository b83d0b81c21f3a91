import { levelsFromBelow } from '../house/index.ts';
import { middleOf } from '../math/index.ts';
import {
  type BriefCell,
  type BriefTopic,
  create,
  type Device,
  type DeviceWalk,
  type Operation,
  type ProjectDocument,
  update,
  type Walk,
  type WalkResult,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { briefOf, cellOf } from './cells.ts';
import { type BriefPlace, isOutdoors, placeFields, placeIdOf, placesOf } from './places.ts';

/**
 * Rooms and outdoor areas as one walks: level by level from below, and on a level always on to the nearest; a number given by hand goes
 * first, and outdoors comes after the rooms of its level.
 */
export function walkingOrder(project: ProjectDocument): BriefPlace[] {
  return levelsFromBelow(project).flatMap((level) => {
    const places = placesOf(project).filter(({ levelId }) => levelId === level.id);
    const given = (place: BriefPlace) => briefOf(project, place.id)?.walkOrder ?? 0;
    const ordered = places.filter((place) => given(place) > 0).sort((a, b) => given(a) - given(b));
    let open = places.filter((place) => given(place) === 0);
    let at = ordered.length > 0 ? middleOf(ordered[ordered.length - 1].polygon) : null;
    while (open.length > 0) {
      const from = at;
      const away = (place: BriefPlace) => {
        const [x, y] = middleOf(place.polygon);
        return from ? Math.hypot(x - from[0], y - from[1]) : x + y;
      };
      const inside = open.filter((place) => !isOutdoors(place));
      const next = (inside.length > 0 ? inside : open).reduce((best, place) => (away(place) < away(best) - 1e-9 ? place : best));
      ordered.push(next);
      open = open.filter((place) => place !== next);
      at = middleOf(next.polygon);
    }
    return ordered;
  });
}

export const walkResultOf = (
  project: Pick<ProjectDocument, 'walkResults'>,
  walk: Walk,
  placeId: string,
  topic: BriefTopic,
): WalkResult | undefined =>
  Object.values(project.walkResults).find((one) => one.walk === walk && placeIdOf(one) === placeId && one.topic === topic);

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
  placeId: string,
  topic: BriefTopic,
  found: Found,
  newId: () => string,
): Operation[] {
  const known = walkResultOf(project, walk, placeId, topic);
  if (!known) return [create('walkResults', { id: newId(), walk, ...placeFields(project, placeId), topic, ...found })];
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
    const cell = result.walk === walk ? cellOf(project, placeIdOf(result), result.topic) : undefined;
    const first = walk === 'last' ? (walkResultOf(project, 'first', placeIdOf(result), result.topic) ?? null) : null;
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
