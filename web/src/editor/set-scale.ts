import { distance2, type Point2 } from '@dusky-spool/core/geometry';
import { update, type Operation, type Underlay } from '@dusky-spool/core/project';

/**
 * Scales a picture so that two points on it lie `lengthM` apart; the first point stays where it is.
 * Null where the two points are the same or the length is not positive.
 */
export function scaleUnderlay(underlay: Underlay, first: Point2, second: Point2, lengthM: number): Operation | null {
  const nowM = distance2(first, second);
  if (nowM < 1e-9 || lengthM <= 0) return null;
  const factor = lengthM / nowM;
  return update('underlays', underlay, {
    metresPerPixel: underlay.metresPerPixel * factor,
    metresPerPixelY: underlay.metresPerPixelY * factor,
    originX: first[0] + (underlay.originX - first[0]) * factor,
    originY: first[1] + (underlay.originY - first[1]) * factor,
    scaled: true,
  });
}
