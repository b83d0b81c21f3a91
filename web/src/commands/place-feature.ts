import { type FeatureMake, usualSize } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { create, newFeature, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

/** Clear inside of a conduit and pitch of a roof that nobody has measured yet. */
const USUAL_INSIDE_M = 0.025;
const USUAL_PITCH_RAD = 0.6;

/** Something of the house (furniture, beam, conduit, outlet) at its points, m, in its usual size. */
export function placeFeature(
  project: ProjectDocument,
  {
    id,
    levelId,
    make,
    points,
  }: { readonly id: string; readonly levelId: string; readonly make: FeatureMake; readonly points: readonly Point2[] },
): Operation[] {
  const feature = newFeature({
    id,
    levelId,
    kind: make.kind,
    points: points.map(([x, y]) => [x, y]),
    ...usualSize(make, project.levels[levelId].ceilingHeightM),
    decision: make.group === 'existing' || make.group === 'trade' ? 'open' : null,
    tested: make.fields.includes('tested') ? 'not-known' : null,
    insideDiameterM: make.fields.includes('insideDiameterM') ? USUAL_INSIDE_M : null,
    pitchRad: make.fields.includes('pitchRad') ? USUAL_PITCH_RAD : null,
  });
  return [create('features', feature)];
}
