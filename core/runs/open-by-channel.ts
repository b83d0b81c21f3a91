import { type Building, wallLength, wallPoint } from '../house/index.ts';
import { alongRing, closestOnSegment, distance2, placeOnRing, type Point2, ringLength } from '../math/index.ts';
import { create, type Feature, newFeature, type ProjectDocument, type Room, type Run, type Wall } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import { surfaceRoute, weightsOf } from '../routing/index.ts';
import { type Candidate, NEAR_M, tidy } from './opened-pathway.ts';

const SKIRTING_M = 0.1;
const FROM_WALL_M = 0.02;

/** A channel along the sides of the room, from beside the device to a wall that cable may use; over doors it runs at the ceiling. */
export function channels(
  project: ProjectDocument,
  building: Building,
  id: string,
  room: Room,
  levelId: string,
  at: Point2,
  heightM: number | null,
): Candidate[] {
  const { visible } = weightsOf(project.project);
  const ring = room.polygon as Point2[];
  const ceilingM = room.ceilingHeightM ?? building.levelById[levelId].ceilingHeightM;
  const start = placeOnRing(ring, at);
  const totalM = ringLength(ring);
  return onLevel(project, 'walls', levelId)
    .filter((wall) => wall.cableMayRun && isBeside(ring, wall))
    .flatMap((wall) => {
      const middle = wallPoint(wall, wallLength(wall) / 2);
      // Just onto the wall from either corner, and its middle.
      return [0.3, wallLength(wall) / 2, wallLength(wall) - 0.3]
        .filter((offsetM) => offsetM > 0 && offsetM < wallLength(wall))
        .map((offsetM) => (Math.abs(offsetM - wallLength(wall) / 2) < 1e-9 ? middle : wallPoint(wall, offsetM)));
    })
    .flatMap((end) => {
      const goal = placeOnRing(ring, end);
      const forwardM = (goal - start + totalM) % totalM;
      return [forwardM, forwardM - totalM].map((alongM) => ({ alongM, lengthM: Math.abs(alongM) }));
    })
    .filter(({ lengthM }) => lengthM > 0.1)
    .sort((a, b) => a.lengthM - b.lengthM)
    .slice(0, 8)
    .map(({ alongM, lengthM }): Candidate => {
      const along = besideRing(ring, start, alongM);
      // What hangs in the middle of a ceiling is led along the ceiling to the wall first.
      const points = distance2(at, along[0]) > NEAR_M ? [at, ...along] : along;
      const atCeiling = heightM === null || points !== along || passesDoor(building, levelId, points);
      const bottomM = atCeiling ? tidy(ceilingM - 0.06) : SKIRTING_M;
      const channel: Feature = newFeature({
        id,
        levelId,
        kind: 'surface-channel',
        name: 'New channel',
        points: points.map(([x, y]): [number, number] => [tidy(x), tidy(y)]),
        widthM: 0.04,
        bottomM,
        topM: tidy(bottomM + 0.02),
      });
      const upM = Math.abs((heightM ?? ceilingM) - bottomM);
      const madeM = lengthM + upM + (points === along ? 0 : distance2(at, along[0]));
      return { kind: 'channel', operations: [create('features', channel)], madeM, makingM: madeM * visible };
    });
}

/** A channel all the way from the device to its rack, along skirtings and beside the frames of doorways: nothing is cut for it. */
export function channelHome(project: ProjectDocument, id: string, run: Run): Candidate[] {
  const found = surfaceRoute(project, run, 'doorways');
  if (!found.ok) return [];
  const device = project.devices[run.deviceId];
  const { legs, channelM, uprightM } = found.value;
  const points = legs.flatMap((leg, k) => {
    const inside = towardsMiddle(project.rooms[leg.roomId].polygon as Point2[], leg.points);
    // Where it passes a doorway both rooms have the same point.
    const last = leg.points.length - 1;
    return inside.map((p, n) => ((n === 0 && k > 0) || (n === last && k + 1 < legs.length) ? leg.points[n] : p));
  });
  const corners = points.filter((p, k) => k === 0 || distance2(p, points[k - 1]) > 1e-4);
  if (corners.length < 2) return [];
  const channel = newFeature({
    id,
    levelId: device.levelId,
    kind: 'surface-channel',
    name: 'New channel',
    points: corners.map(([x, y]): [number, number] => [tidy(x), tidy(y)]),
    widthM: 0.04,
    bottomM: SKIRTING_M,
    topM: tidy(SKIRTING_M + 0.02),
  });
  const madeM = channelM + uprightM;
  const { visible } = weightsOf(project.project);
  return [{ kind: 'channel-home', operations: [create('features', channel)], madeM, makingM: madeM * visible }];
}

/** The outline from a place on, drawn a hand inside the room. */
const besideRing = (ring: readonly Point2[], start: number, alongM: number): Point2[] =>
  towardsMiddle(ring, alongRing(ring, start, alongM));

/** Points on an outline, drawn a hand towards the middle of its room. */
function towardsMiddle(ring: readonly Point2[], points: readonly Point2[]): Point2[] {
  const middle: Point2 = [
    ring.reduce((sum, p) => sum + p[0], 0) / ring.length,
    ring.reduce((sum, p) => sum + p[1], 0) / ring.length,
  ];
  return points.map(([x, y]) => {
    const farM = distance2([x, y], middle) || 1;
    return [x + ((middle[0] - x) * FROM_WALL_M) / farM, y + ((middle[1] - y) * FROM_WALL_M) / farM];
  });
}

const isBeside = (ring: readonly Point2[], wall: Wall): boolean => {
  const p = wallPoint(wall, wallLength(wall) / 2);
  return ring.some((a, k) => closestOnSegment(p, a, ring[(k + 1) % ring.length]).distanceM < wall.thicknessM / 2 + 0.05);
};

/** Whether a line along walls at the skirting meets the foot of a door. */
function passesDoor(building: Building, levelId: string, points: readonly Point2[]): boolean {
  return (building.wallsByLevel[levelId] ?? []).some((wall) =>
    (building.openingsByWall[wall.id] ?? []).some((opening) => {
      if (opening.sillM > SKIRTING_M) return false;
      const p = wallPoint(wall, opening.offsetM);
      return points.slice(1).some((b, k) => closestOnSegment(p, points[k], b).distanceM < wall.thicknessM / 2 + NEAR_M);
    }),
  );
}
