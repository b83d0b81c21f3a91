import type { z } from 'zod';
import { type Point2, rotate2, tidyM } from '../math/index.ts';
import { type Operation, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import type { LevelAlignment, levelAlignmentInput } from '../calculators/index.ts';

/** The points that two levels share by name, as input of the alignment. */
export function sharedPoints(
  project: ProjectDocument,
  stays: string,
  moves: string,
): z.input<typeof levelAlignmentInput>['points'] {
  const points = listOf(project, 'referencePoints');
  return points
    .filter((point) => point.levelId === stays)
    .flatMap((point) => {
      const other = points.find((p) => p.levelId === moves && p.name === point.name);
      return other ? [{ name: point.name, x: point.x, y: point.y, movingX: other.x, movingY: other.y }] : [];
    });
}

/** Turns and shifts all that is drawn on a level. Cables already issued keep their routes and show the difference. */
export function moveLevel(
  project: ProjectDocument,
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
  const level = project.levels[levelId];
  return [
    update('levels', level, { gridAngleRad: turn(level.gridAngleRad) }),
    ...listOf(project, 'walls')
      .filter(here)
      .map((wall) => update('walls', wall, { a: at(wall.a), b: at(wall.b) })),
    ...listOf(project, 'rooms')
      .filter(here)
      .map((room) =>
        update('rooms', room, {
          polygon: room.polygon.map(at),
          joistAngleRad: turn(room.joistAngleRad),
          slope: room.slope && { ...room.slope, angleRad: turn(room.slope.angleRad) },
        }),
      ),
    ...listOf(project, 'features')
      .filter(here)
      .map((feature) => update('features', feature, { points: feature.points.map(at), facingRad: turn(feature.facingRad) })),
    ...listOf(project, 'devices')
      .filter(here)
      .map((device) => update('devices', device, { ...place(device), facingRad: turn(device.facingRad) })),
    ...listOf(project, 'racks')
      .filter(here)
      .map((rack) => update('racks', rack, { ...place(rack), facingRad: turn(rack.facingRad) })),
    ...listOf(project, 'dimensions')
      .filter(here)
      .map((one) => update('dimensions', one, { a: at(one.a), b: at(one.b) })),
    ...listOf(project, 'referencePoints')
      .filter(here)
      .map((point) => update('referencePoints', point, place(point))),
    ...listOf(project, 'underlays')
      .filter(here)
      .map((underlay) => {
        const [originX, originY] = at([underlay.originX, underlay.originY]);
        return update('underlays', underlay, { originX, originY, rotationRad: turn(underlay.rotationRad) });
      }),
  ].filter((operation) => operation !== null);
}
