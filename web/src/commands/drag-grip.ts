import { moveRack } from '@dusky-spool/core/devices';
import { distance2, type Outcome, type Point2, tidyM } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { moveFeatures, moveWalls, type NewId, placeOpening } from '@dusky-spool/core/survey';
import { changeRecord } from './change-record.ts';

/** What is taken hold of on the sheet. */
export type Grip =
  | { readonly kind: 'walls'; readonly ids: readonly string[] }
  | { readonly kind: 'corner'; readonly at: Point2 }
  | { readonly kind: 'opening'; readonly id: string }
  | { readonly kind: 'features'; readonly ids: readonly string[] }
  | { readonly kind: 'feature-point'; readonly id: string; readonly index: number }
  | { readonly kind: 'rack'; readonly id: string }
  | { readonly kind: 'riser'; readonly id: string };

/** What a drag does: `by` m from where it began, to `at` m on the plan. */
export function dragGrip(
  project: ProjectDocument,
  {
    grip,
    by,
    at,
    levelId,
    newId,
  }: {
    readonly grip: Grip;
    readonly by: Point2;
    readonly at: Point2;
    readonly levelId: string;
    readonly newId: NewId;
  },
): Outcome<readonly Operation[]> {
  switch (grip.kind) {
    case 'walls':
      return moveWalls(project, { wallIds: grip.ids }, by, newId);
    case 'corner':
      return moveWalls(project, { corner: grip.at, levelId }, [at[0] - grip.at[0], at[1] - grip.at[1]], newId);
    case 'features':
      return { ok: true, value: moveFeatures(project, grip.ids, by) };
    case 'feature-point': {
      const feature = project.features[grip.id];
      const points = feature.points.map((p, i): [number, number] => (i === grip.index ? [at[0], at[1]] : p));
      return { ok: true, value: changeRecord('features', feature, { points }) };
    }
    case 'rack': {
      const { x, y } = project.racks[grip.id];
      return { ok: true, value: moveRack(project, grip.id, [x + by[0], y + by[1]]) };
    }
    case 'riser':
      return { ok: true, value: moveRiser(project, grip.id, by) };
    default:
      return slideOpening(project, grip.id, by);
  }
}

function moveRiser(project: ProjectDocument, id: string, by: Point2): Operation[] {
  const riser = project.risers[id];
  return changeRecord('risers', riser, { x: tidyM(riser.x + by[0]), y: tidyM(riser.y + by[1]) });
}

/** A door or window goes along its wall as far as it fits. */
function slideOpening(project: ProjectDocument, id: string, by: Point2): Outcome<readonly Operation[]> {
  const opening = project.openings[id];
  const { a, b } = project.walls[opening.wallId];
  const lengthM = distance2(a, b);
  const along = (by[0] * (b[0] - a[0]) + by[1] * (b[1] - a[1])) / lengthM;
  const half = opening.widthM / 2;
  const offsetM = tidyM(Math.min(lengthM - half, Math.max(half, opening.offsetM + along)));
  return placeOpening(project, { ...opening, offsetM });
}
