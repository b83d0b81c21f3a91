import type { Level, ProjectDocument } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import { levelsFromBelow } from '../house/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** Levels whose rooms would stand in each other are entered wrongly. */
export const levelsApart = defineCheck({
  id: 'levels-apart',
  stage: 'survey',
  title: 'Every level lies clear above the one below',
  source: 'Geometry of the survey',
  severity: 'stop',
  appliesTo: 'levels',
  reads: ['levels', 'walls'],
  run: ({ project }) => {
    const levels = levelsFromBelow(project);
    return levels.slice(1).flatMap((upper, i) => {
      const lower = levels[i];
      const topM = lower.elevationM + lower.ceilingHeightM;
      const overlapM = topM - upper.elevationM;
      // Levels beside each other (a wing half a storey up) share no ground and may share heights.
      if (overlapM <= 1e-6 || !shareGround(project, lower.id, upper.id)) return [];
      const elevationM = topM + lower.cavityDepthM;
      const lift = (now: Level): Cure => ({
        code: 'lift-level',
        figures: { name: upper.name, elevationM },
        operations: [{ op: 'update', in: 'levels', id: upper.id, before: { elevationM: now.elevationM }, after: { elevationM } }],
      });
      return [
        say(
          'stop',
          'levels-overlap',
          [{ in: 'levels', id: upper.id }],
          { number: upper.name, upper: upper.name, lower: lower.name, overlapM },
          {
            measured: upper.elevationM,
            allowed: topM,
            unit: 'm',
            cures: (house) => (house.levels[upper.id] ? [lift(house.levels[upper.id])] : []),
          },
        ),
      ];
    });
  },
});

function shareGround(project: ProjectDocument, a: string, b: string): boolean {
  const boxOf = (levelId: string) => {
    const points = onLevel(project, 'walls', levelId).flatMap((wall) => [wall.a, wall.b]);
    return points.length === 0
      ? null
      : [
          Math.min(...points.map((p) => p[0])),
          Math.min(...points.map((p) => p[1])),
          Math.max(...points.map((p) => p[0])),
          Math.max(...points.map((p) => p[1])),
        ];
  };
  const [p, q] = [boxOf(a), boxOf(b)];
  return p !== null && q !== null && p[0] < q[2] - 0.1 && q[0] < p[2] - 0.1 && p[1] < q[3] - 0.1 && q[1] < p[3] - 0.1;
}
