import { z } from 'zod';
import { err, ok, type Outcome, rotate2 } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

const pair = z.strictObject({
  name: z.string(),
  x: z.number().describe('m, on the level that stays'),
  y: z.number(),
  movingX: z.number().describe('m, on the level that is moved'),
  movingY: z.number(),
});
export const levelAlignmentInput = z.strictObject({ points: z.array(pair).min(1).max(200) });

export interface LevelAlignment {
  /** Turn about the origin, then shift. */
  readonly turnRad: number;
  readonly dx: number;
  readonly dy: number;
  readonly worstM: number;
  readonly rmsM: number;
  readonly residuals: readonly { readonly name: string; readonly residualM: number }[];
}

/**
 * Answers: how must a level be turned and shifted so that shared points lie above each other, and how well do they then?
 * Units: m, rad. Formula: least squares of a rigid motion (centroids, then atan2 of cross and dot sums) [derived].
 * Valid: one point shifts only, two or more also turn. Problems: `points-together` where all points of a level are one.
 */
export function levelAlignment(given: z.input<typeof levelAlignmentInput>): Outcome<LevelAlignment> {
  const { points } = levelAlignmentInput.parse(given);
  const mean = (pick: (p: (typeof points)[number]) => number) => points.reduce((sum, p) => sum + pick(p), 0) / points.length;
  const [cx, cy, mx, my] = [mean((p) => p.x), mean((p) => p.y), mean((p) => p.movingX), mean((p) => p.movingY)];
  let [dot, cross] = [0, 0];
  for (const p of points) {
    const [ax, ay, bx, by] = [p.movingX - mx, p.movingY - my, p.x - cx, p.y - cy];
    dot += ax * bx + ay * by;
    cross += ax * by - ay * bx;
  }
  if (points.length > 1 && Math.hypot(dot, cross) < 1e-9) return err('points-together', { kind: 'invalid', field: 'points' });
  const turnRad = points.length > 1 ? Math.atan2(cross, dot) : 0;
  const [rx, ry] = rotate2([mx, my], turnRad);
  const [dx, dy] = [cx - rx, cy - ry];
  const residuals = points.map((p) => {
    const [x, y] = rotate2([p.movingX, p.movingY], turnRad);
    return { name: p.name, residualM: Math.hypot(x + dx - p.x, y + dy - p.y) };
  });
  return ok({
    turnRad,
    dx,
    dy,
    worstM: Math.max(...residuals.map((r) => r.residualM)),
    rmsM: Math.sqrt(residuals.reduce((sum, r) => sum + r.residualM ** 2, 0) / residuals.length),
    residuals,
  });
}

export const levelAlignmentCalculator = calculator({
  name: 'level-alignment',
  title: 'Levels laid over each other by shared points',
  topic: 'survey',
  source: 'Least squares',
  valid: 'two shared points and more',
  formulas: ['shift and turn of least squares'],
  input: levelAlignmentInput,
  example: {
    points: [
      { name: 'chimney', x: 1, y: 1, movingX: 0, movingY: 0 },
      { name: 'stair', x: 5, y: 1, movingX: 4, movingY: 0 },
    ],
  },
  run: levelAlignment,
  steps: ({ points }, v) => [
    `${points.length} points: turned by ${fig((v.turnRad * 180) / Math.PI)}°, moved by ${fig(v.dx)} m and ${fig(v.dy)} m`,
    `what is left: ${fig(v.rmsM * 1000)} mm, at worst ${fig(v.worstM * 1000)} mm`,
  ],
});
