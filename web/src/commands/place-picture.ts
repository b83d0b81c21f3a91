import { type Point2, rotate2 } from '@dusky-spool/core/math';
import { type Operation, type Underlay, update } from '@dusky-spool/core/model';

/** Where a plan position lies on a picture, px from its lower left corner. */
export function onPicture(underlay: Underlay, p: Point2): Point2 {
  const [x, y] = rotate2([p[0] - underlay.originX, p[1] - underlay.originY], -underlay.rotationRad);
  return [x / underlay.metresPerPixel, y / underlay.metresPerPixelY];
}

/** Gives a picture another scale; the plan position `fixed` stays where it is on the picture. */
export function rescaled(underlay: Underlay, fixed: Point2, metresPerPixel: number, metresPerPixelY: number): Operation | null {
  const [u, v] = onPicture(underlay, fixed);
  const [dx, dy] = rotate2([u * metresPerPixel, v * metresPerPixelY], underlay.rotationRad);
  return update('underlays', underlay, {
    metresPerPixel,
    metresPerPixelY,
    originX: fixed[0] - dx,
    originY: fixed[1] - dy,
    scaled: true,
  });
}

/** Turns a picture about the middle of what is shown of it. */
export function turned(underlay: Underlay, size: { widthPx: number; heightPx: number }, byRad: number): Operation | null {
  const middle: Point2 = [(size.widthPx * underlay.metresPerPixel) / 2, (size.heightPx * underlay.metresPerPixelY) / 2];
  const [mx, my] = rotate2(middle, underlay.rotationRad);
  const rotationRad = Math.atan2(Math.sin(underlay.rotationRad + byRad), Math.cos(underlay.rotationRad + byRad));
  const [nx, ny] = rotate2(middle, rotationRad);
  return update('underlays', underlay, { rotationRad, originX: underlay.originX + mx - nx, originY: underlay.originY + my - ny });
}
