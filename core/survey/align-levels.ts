import { z } from 'zod';
import { tidyM, rotate2, type Point2 } from '../geometry/index.ts';
import { fine, refuse, type Outcome } from '../outcome/index.ts';
import { update, type Operation, type ProjectDocument } from '../project/index.ts';
import { listOf } from '../derive/index.ts';

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
  if (points.length > 1 && Math.hypot(dot, cross) < 1e-9) return refuse('points-together', { kind: 'invalid', field: 'points' });
  const turnRad = points.length > 1 ? Math.atan2(cross, dot) : 0;
  const [rx, ry] = rotate2([mx, my], turnRad);
  const [dx, dy] = [cx - rx, cy - ry];
  const residuals = points.map((p) => {
    const [x, y] = rotate2([p.movingX, p.movingY], turnRad);
    return { name: p.name, residualM: Math.hypot(x + dx - p.x, y + dy - p.y) };
  });
  return fine({
    turnRad,
    dx,
    dy,
    worstM: Math.max(...residuals.map((r) => r.residualM)),
    rmsM: Math.sqrt(residuals.reduce((sum, r) => sum + r.residualM ** 2, 0) / residuals.length),
    residuals,
  });
}

/** The points that two levels share by name, as input of the alignment. */
export function sharedPoints(
  document: ProjectDocument,
  stays: string,
  moves: string,
): z.input<typeof levelAlignmentInput>['points'] {
  const points = listOf(document, 'referencePoints');
  return points
    .filter((point) => point.levelId === stays)
    .flatMap((point) => {
      const other = points.find((p) => p.levelId === moves && p.name === point.name);
      return other ? [{ name: point.name, x: point.x, y: point.y, movingX: other.x, movingY: other.y }] : [];
    });
}

/** Turns and shifts all that is drawn on a level. Cables already issued keep their routes and show the difference. */
export function moveLevel(
  document: ProjectDocument,
  levelId: string,
  motion: Pick<LevelAlignment, 'turnRad' | 'dx' | 'dy'>,
): Operation[] {
  const { turnRad, dx, dy } = motion;
  const at = (p: Point2): [number, number] => {
    const [x, y] = rotate2(p, turnRad);
    return [tidyM(x + dx), tidyM(y + dy)];
  };
  const place = ({ x, y }: { x: number; y: number }) => {
    const [nx, ny] = at([x, y]);
    return { x: nx, y: ny };
  };
  const turn = (angleRad: number) => Math.atan2(Math.sin(angleRad + turnRad), Math.cos(angleRad + turnRad));
  const here = (record: { levelId: string }) => record.levelId === levelId;
  const level = document.levels[levelId];
  return [
    update('levels', level, { gridAngleRad: turn(level.gridAngleRad) }),
    ...listOf(document, 'walls')
      .filter(here)
      .map((wall) => update('walls', wall, { a: at(wall.a), b: at(wall.b) })),
    ...listOf(document, 'rooms')
      .filter(here)
      .map((room) =>
        update('rooms', room, {
          polygon: room.polygon.map(at),
          joistAngleRad: turn(room.joistAngleRad),
          slope: room.slope && { ...room.slope, angleRad: turn(room.slope.angleRad) },
        }),
      ),
    ...listOf(document, 'features')
      .filter(here)
      .map((feature) => update('features', feature, { points: feature.points.map(at), facingRad: turn(feature.facingRad) })),
    ...listOf(document, 'devices')
      .filter(here)
      .map((device) => update('devices', device, { ...place(device), facingRad: turn(device.facingRad) })),
    ...listOf(document, 'racks')
      .filter(here)
      .map((rack) => update('racks', rack, { ...place(rack), facingRad: turn(rack.facingRad) })),
    ...listOf(document, 'dimensions')
      .filter(here)
      .map((one) => update('dimensions', one, { a: at(one.a), b: at(one.b) })),
    ...listOf(document, 'referencePoints')
      .filter(here)
      .map((point) => update('referencePoints', point, place(point))),
    ...listOf(document, 'underlays')
      .filter(here)
      .map((underlay) => {
        const [originX, originY] = at([underlay.originX, underlay.originY]);
        return update('underlays', underlay, { originX, originY, rotationRad: turn(underlay.rotationRad) });
      }),
  ].filter((operation) => operation !== null);
}
