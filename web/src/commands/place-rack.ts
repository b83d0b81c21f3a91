import type { Point2 } from '@dusky-spool/core/math';
import { create, newRack, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

const CODES = [...'ABCDEFGHJK'];

/** The first code that no rack has. */
export function freeRackCode(project: ProjectDocument): string {
  const codes = new Set(Object.values(project.racks).map(({ code }) => code));
  return CODES.find((letter) => !codes.has(letter)) ?? `R${codes.size + 1}`;
}

/** A rack of 24 units, 600 by 600 mm, entered at 2 m, facing down the page. */
export const placeRack = (
  project: ProjectDocument,
  {
    id,
    levelId,
    at: [x, y],
    name,
  }: { readonly id: string; readonly levelId: string; readonly at: Point2; readonly name: string },
): Operation[] => [
  create(
    'racks',
    newRack({
      id,
      levelId,
      code: freeRackCode(project),
      name,
      x,
      y,
      facingRad: -Math.PI / 2,
      widthM: 0.6,
      depthM: 0.6,
      units: 24,
      entryHeightM: 2,
    }),
  ),
];
