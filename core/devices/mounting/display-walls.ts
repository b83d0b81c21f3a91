import { buildingOf, ceilingHeightAt, isSideOf, openingsOf, wallLength, wallPoint } from '../../house/index.ts';
import { distance2, type Point2, pointInPolygon, tidyM } from '../../math/index.ts';
import type { DeviceType, Opening, ProjectDocument, Room, Wall } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { seatsOf } from './sight.ts';

export const DISPLAY_REASONS = ['window-opposite', 'window-beside', 'fireplace', 'off-axis', 'far', 'near', 'tight'] as const;
export type DisplayReason = (typeof DISPLAY_REASONS)[number];

/** One wall of a room as a place for a display; the lower the score, the better. */
export interface DisplayWall {
  readonly wall: Wall;
  readonly at: Point2;
  readonly facingRad: number;
  /** Free wall between openings and corners at the height of the display, m. */
  readonly freeM: number;
  /** The worst seat's angle off the axis of the display, rad; null without seats. */
  readonly offAxisRad: number | null;
  /** Middle distance of the seats, m; null without seats. */
  readonly distanceM: number | null;
  readonly reasons: readonly DisplayReason[];
  readonly score: number;
}

/** Free at each side of a display (ENGINEERING 9.5), m. */
const MARGIN_M = 0.1;
/** Off-axis up to this is best, beyond the second figure it is too much (ENGINEERING 9.5), rad. */
const BEST_RAD = Math.PI / 6;
/** Practice: a seat between 1.2 and 2.6 diagonals away. */
const NEAREST_DIAGONALS = 1.2;
const FARTHEST_DIAGONALS = 2.6;
const PENALTY: Readonly<Record<DisplayReason, number>> = {
  'window-opposite': 1,
  'window-beside': 0.5,
  fireplace: 1.5,
  'off-axis': 1.5,
  far: 0.7,
  near: 0.7,
  tight: 0.3,
};

/**
 * Ranks the walls of a room as places for a display: by free width between openings, windows opposite and beside, a fireplace
 * below, the angle and distance of the seats, and the ceiling above. Walls where it does not fit are left out.
 */
export function displayWalls(project: ProjectDocument, roomId: string, type: DeviceType, heightM: number): DisplayWall[] {
  const room = project.rooms[roomId];
  const frame = type.frameM ?? [type.sizeM[0], type.sizeM[0] * (9 / 16)];
  const building = buildingOf(project);
  const level = project.levels[room.levelId];
  const seated = seatsOf(project, room.levelId, roomId);
  const seats = seated.map(({ ear }): Point2 => [ear[0], ear[1]]);
  const walls = (building.wallsByLevel[room.levelId] ?? []).filter((wall) => isSideOf(room, wall));
  const fires = onLevel(project, 'features', room.levelId).filter(({ kind }) => kind === 'fireplace');
  const found = walls.flatMap((wall): DisplayWall[] => {
    const inward = inwardOf(room, wall);
    if (!inward) return [];
    const stretch = freeStretch(wall, openingsOf(building, wall), heightM, frame[1], seats);
    const needM = frame[0] + 2 * MARGIN_M;
    if (!stretch || stretch.toM - stretch.fromM < needM - 1e-9) return [];
    const half = needM / 2;
    const offsetM = Math.min(stretch.toM - half, Math.max(stretch.fromM + half, stretch.wishM));
    const at = wallPoint(wall, offsetM);
    const inside: Point2 = [at[0] + inward[0] * 0.3, at[1] + inward[1] * 0.3];
    if (heightM + frame[1] / 2 > ceilingHeightAt(room, level, inside) + 1e-9) return [];
    const reasons: DisplayReason[] = [];
    const windows = walls.flatMap((other) =>
      openingsOf(building, other)
        .filter(({ kind }) => kind === 'window')
        .map(() => other),
    );
    if (windows.some((other) => other !== wall && Math.abs(cross(other, wall)) < 0.5)) reasons.push('window-opposite');
    if (windows.includes(wall)) reasons.push('window-beside');
    if (fires.some(({ points }) => distance2(points[0] as Point2, at) < frame[0])) reasons.push('fireplace');
    const angles = seats.map((seat) => {
      const [dx, dy] = [seat[0] - at[0], seat[1] - at[1]];
      return Math.acos(Math.max(-1, Math.min(1, (dx * inward[0] + dy * inward[1]) / (Math.hypot(dx, dy) || 1))));
    });
    const offAxisRad = angles.length > 0 ? Math.max(...angles) : null;
    // A seat looks across its depth, to the one side or the other: what stands beside it turns heads.
    const turnRad = Math.max(
      0,
      ...seated.map(({ feature, ear }) => {
        const [dx, dy] = [at[0] - ear[0], at[1] - ear[1]];
        const ahead = Math.abs(-Math.sin(feature.facingRad) * dx + Math.cos(feature.facingRad) * dy) / (Math.hypot(dx, dy) || 1);
        return Math.acos(Math.min(1, ahead));
      }),
    );
    const distanceM = seats.length > 0 ? seats.reduce((sum, seat) => sum + distance2(seat, at), 0) / seats.length : null;
    const diagonalM = Math.hypot(frame[0], frame[1]);
    if (offAxisRad !== null && Math.max(offAxisRad, turnRad) > 1.5 * BEST_RAD) reasons.push('off-axis');
    if (distanceM !== null && distanceM > FARTHEST_DIAGONALS * diagonalM) reasons.push('far');
    if (distanceM !== null && distanceM < NEAREST_DIAGONALS * diagonalM) reasons.push('near');
    const freeM = stretch.toM - stretch.fromM;
    if (freeM < needM + 0.3) reasons.push('tight');
    const score = reasons.reduce((sum, reason) => sum + PENALTY[reason], ((offAxisRad ?? 0) + turnRad) / BEST_RAD);
    return [
      {
        wall,
        at: [tidyM(at[0]), tidyM(at[1])],
        facingRad: Math.atan2(inward[1], inward[0]),
        freeM,
        offAxisRad,
        distanceM,
        reasons,
        score,
      },
    ];
  });
  return found.sort((a, b) => a.score - b.score || (a.wall.id < b.wall.id ? -1 : 1));
}

const direction = (wall: Wall): Point2 => {
  const lengthM = wallLength(wall);
  return [(wall.b[0] - wall.a[0]) / lengthM, (wall.b[1] - wall.a[1]) / lengthM];
};

/** Sine of the angle between two walls: 0 is parallel. */
function cross(one: Wall, other: Wall): number {
  const [a, b] = [direction(one), direction(other)];
  return a[0] * b[1] - a[1] * b[0];
}

/** Unit vector from a wall into the room. */
function inwardOf(room: Room, wall: Wall): Point2 | null {
  const [ux, uy] = direction(wall);
  const [mx, my] = wallPoint(wall, wallLength(wall) / 2);
  for (const side of [1, -1]) {
    const normal: Point2 = [-uy * side, ux * side];
    if (pointInPolygon([mx + normal[0] * 0.3, my + normal[1] * 0.3], room.polygon as Point2[])) return normal;
  }
  return null;
}

/** The longest stretch of a wall without an opening at the height of the display, and where in it the seats would have its middle. */
function freeStretch(
  wall: Wall,
  openings: readonly Opening[],
  heightM: number,
  tallM: number,
  seats: readonly Point2[],
): { readonly fromM: number; readonly toM: number; readonly wishM: number } | null {
  const lengthM = wallLength(wall);
  const barred = openings
    .filter(({ sillM, headM }) => headM > heightM - tallM / 2 && sillM < heightM + tallM / 2)
    .map(
      ({ offsetM, widthM, casingWidthM }) => [offsetM - widthM / 2 - casingWidthM, offsetM + widthM / 2 + casingWidthM] as const,
    )
    .sort((a, b) => a[0] - b[0]);
  let best: { fromM: number; toM: number } | null = null;
  let fromM = wall.thicknessM / 2;
  for (const [start, end] of [...barred, [lengthM - wall.thicknessM / 2, lengthM] as const]) {
    if (!best || start - fromM > best.toM - best.fromM) best = { fromM, toM: start };
    fromM = Math.max(fromM, end);
  }
  if (!best) return null;
  const [ux, uy] = direction(wall);
  const along = seats.map(([x, y]) => (x - wall.a[0]) * ux + (y - wall.a[1]) * uy);
  const wishM = along.length > 0 ? along.reduce((sum, value) => sum + value, 0) / along.length : (best.fromM + best.toM) / 2;
  return { ...best, wishM };
}
