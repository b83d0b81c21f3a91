import { buildingOf, roomAt } from '../../house/index.ts';
import { type Point2, type Point3, rotate2 } from '../../math/index.ts';
import type { Device, DeviceType, Feature, ProjectDocument } from '../../model/index.ts';
import { isBlocked, solidsOn } from './solids.ts';

/** Ear and eye of somebody seated (ENGINEERING 8.3, 9.2), m above finished floor. */
export const SEATED_EAR_M = 1;
/** Width of one seat (ENGINEERING 9.3), m. */
const SEAT_M = 0.7;

/** The seats of a room, each as a place of an ear. */
export function seatsOf(project: ProjectDocument, levelId: string, roomId: string | null): { feature: Feature; ear: Point3 }[] {
  if (roomId === null) return [];
  const building = buildingOf(project);
  return solidsOn(project, levelId).seats.flatMap((feature) => {
    const [at] = feature.points as Point2[];
    if (roomAt(building, levelId, at)?.id !== roomId) return [];
    const count = Math.max(1, Math.floor(feature.widthM / SEAT_M));
    return Array.from({ length: count }, (_, i) => {
      const [dx, dy] = rotate2([(i - (count - 1) / 2) * SEAT_M, 0], feature.facingRad);
      return { feature, ear: [at[0] + dx, at[1] + dy, SEATED_EAR_M + feature.bottomM] as Point3 };
    });
  });
}

/** Whether sight of a device matters: speakers of a surround, and what is looked at. */
export const wantsSight = (type: DeviceType): boolean =>
  (type.answers === 'surround' && type.coverageRad !== null) || (type.answers === 'display' && type.frameM !== null);

/** How many seats do not see a device whole, and what stands in the way. */
export interface Sight {
  readonly seats: number;
  readonly blocked: number;
  readonly by: Feature | null;
}

/** Lines from every seat of the room to the speaker, or to the four corners of the picture. */
export function sightOf(project: ProjectDocument, device: Device, type: DeviceType, heightM: number): Sight {
  const seats = wantsSight(type) ? seatsOf(project, device.levelId, device.roomId) : [];
  const { opaque } = solidsOn(project, device.levelId);
  if (seats.length === 0 || opaque.length === 0) return { seats: seats.length, blocked: 0, by: null };
  const goals = goalsOf(device, type, heightM);
  let blocked = 0;
  let by: Feature | null = null;
  for (const { ear } of seats) {
    const inPathway = opaque.find(({ feature, footprints }) =>
      goals.some((goal) => footprints.some((footprint) => isBlocked(ear, goal, footprint, feature.bottomM, feature.topM))),
    );
    if (!inPathway) continue;
    blocked++;
    by ??= inPathway.feature;
  }
  return { seats: seats.length, blocked, by };
}

function goalsOf(device: Device, type: DeviceType, heightM: number): Point3[] {
  // A hand in front of the face, so that the wall or board behind it is not in its own way.
  const front: Point2 = [device.x + Math.cos(device.facingRad) * 0.1, device.y + Math.sin(device.facingRad) * 0.1];
  if (type.answers !== 'display' || !type.frameM) {
    return [type.mount === 'ceiling' ? [device.x, device.y, heightM - 0.02] : [front[0], front[1], heightM]];
  }
  const [w, h] = [type.frameM[0] / 2, type.frameM[1] / 2];
  const along: Point2 = [-Math.sin(device.facingRad), Math.cos(device.facingRad)];
  return [-1, 1].flatMap((u) =>
    [-1, 1].map((v): Point3 => [front[0] + along[0] * w * u, front[1] + along[1] * w * u, heightM + h * v]),
  );
}
