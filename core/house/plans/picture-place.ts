import { type Point2, rotate2 } from '../../math/index.ts';
import type { Underlay } from '../../model/index.ts';

type Place = Pick<Underlay, 'originX' | 'originY' | 'rotationRad' | 'metresPerPixel' | 'metresPerPixelY'> & {
  readonly mirrored?: boolean;
};

/** Where a pixel of a picture lies on the plan, m; pixels count from the lower left corner of the picture. */
export function pictureToPlan(underlay: Place, [x, y]: Point2): Point2 {
  const across = underlay.mirrored ? -x : x;
  const [dx, dy] = rotate2([across * underlay.metresPerPixel, y * underlay.metresPerPixelY], underlay.rotationRad);
  return [underlay.originX + dx, underlay.originY + dy];
}

/** Where a plan position (m) lies on a picture, px from its lower left corner. */
export function planToPicture(underlay: Place, [x, y]: Point2): Point2 {
  const [u, v] = rotate2([x - underlay.originX, y - underlay.originY], -underlay.rotationRad);
  const across = u / underlay.metresPerPixel;
  return [underlay.mirrored ? -across : across, v / underlay.metresPerPixelY];
}
