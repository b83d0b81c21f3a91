import type { Point2 } from '@dusky-spool/core/math';
import { create, newRiser, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

/** A riser of 300 by 300 mm from a level to the next one above it. */
export function placeRiser(
  project: ProjectDocument,
  {
    id,
    levelId,
    at: [x, y],
    name,
  }: { readonly id: string; readonly levelId: string; readonly at: Point2; readonly name: string },
): Operation[] {
  const above = Object.values(project.levels)
    .sort((a, b) => a.order - b.order)
    .find(({ order }) => order > project.levels[levelId].order);
  return [
    create(
      'risers',
      newRiser({ id, name, x, y, widthM: 0.3, depthM: 0.3, bottomLevelId: levelId, topLevelId: above?.id ?? levelId }),
    ),
  ];
}
