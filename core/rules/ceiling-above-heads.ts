import { distance2, type Point2 } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { defineCheck, say } from './check.ts';

/** A room's ceiling below the head of a window in its walls: one of the two is measured wrongly. */
export const ceilingAboveHeads = defineCheck({
  id: 'ceiling-above-heads',
  stage: 'survey',
  title: 'No ceiling lies below the head of a window or door in its room',
  source: 'Geometry of the survey',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['levels', 'openings', 'rooms', 'walls'],
  run: ({ project }) => {
    return listOf(project, 'openings').flatMap((opening) => {
      const wall = project.walls[opening.wallId];
      const t = opening.offsetM / distance2(wall.a, wall.b);
      const at: Point2 = [wall.a[0] + (wall.b[0] - wall.a[0]) * t, wall.a[1] + (wall.b[1] - wall.a[1]) * t];
      const low = onLevel(project, 'rooms', wall.levelId)
        .filter((room) => onOutline(room, at))
        .find((room) => ceilingOf(project, room) < opening.headM - 1e-9);
      if (!low) return [];
      const ceilingM = ceilingOf(project, low);
      return [
        say(
          'look',
          'ceiling-below-head',
          [{ in: 'rooms', id: low.id }],
          { number: low.code, room: low.name, headM: opening.headM, ceilingM, kind: opening.kind },
          { measured: ceilingM, allowed: opening.headM, unit: 'm' },
        ),
      ];
    });
  },
});

const ceilingOf = (project: ProjectDocument, room: Room) =>
  room.slope?.highM ?? room.ceilingHeightM ?? project.levels[room.levelId].ceilingHeightM;

function onOutline({ polygon }: Room, p: Point2): boolean {
  return polygon.some((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    return Math.abs(distance2(p, a) + distance2(p, b) - distance2(a, b)) < 0.01;
  });
}
