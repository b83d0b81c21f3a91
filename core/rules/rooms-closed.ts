import { closestOnSegment, distance2, type Point2 } from '../math/index.ts';
import type { Room } from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { CORNER_TOLERANCE_M, wallGrid, type WallGrid } from '../house/index.ts';
import { defineCheck, say } from './check.ts';

/** Steps along a room's side at which a wall must be there, m. */
const SIDE_STEP_M = 0.25;

/**
 * Rooms whose walls are not closed keep an outline that nothing holds any more. A side is held where walls lie along all of it;
 * that is quicker to see than to find all closed areas, and this runs at every change.
 */
export const roomsClosed = defineCheck({
  id: 'rooms-closed',
  stage: 'survey',
  title: 'Every room is closed by walls',
  source: 'Geometry of the survey',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['levels', 'rooms', 'walls'],
  run: ({ project }) => {
    const grids = new Map(listOf(project, 'levels').map(({ id }) => [id, wallGrid(onLevel(project, 'walls', id))]));
    return listOf(project, 'rooms').flatMap((room) => {
      const walls = onLevel(project, 'walls', room.levelId);
      const grid = grids.get(room.levelId)!;
      if (walls.length === 0 || isHeld(room, grid)) return [];
      return [say('look', 'room-open', [{ in: 'rooms', id: room.id }], { number: room.code, room: room.name })];
    });
  },
});

function isHeld({ polygon }: Room, grid: WallGrid): boolean {
  return polygon.every((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    const along = grid.along(a, b, 2 * CORNER_TOLERANCE_M);
    const steps = Math.max(1, Math.ceil(distance2(a, b) / SIDE_STEP_M));
    for (let k = 0; k <= steps; k++) {
      const p: Point2 = [a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps];
      if (!along.some((wall) => closestOnSegment(p, wall.a, wall.b).distanceM <= 2 * CORNER_TOLERANCE_M)) return false;
    }
    return true;
  });
}
