import { pictureToPlan, planToPicture } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { type Operation, type Underlay, update } from '@dusky-spool/core/model';

interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** A picture changed in some way, with one place of it (px) where it was on the plan. */
function keeping(underlay: Underlay, pixel: Point2, after: Partial<Underlay>): Operation | null {
  const was = pictureToPlan(underlay, pixel);
  const is = pictureToPlan({ ...underlay, ...after }, pixel);
  return update('underlays', underlay, {
    ...after,
    originX: underlay.originX + was[0] - is[0],
    originY: underlay.originY + was[1] - is[1],
  });
}

const middleOf = ({ widthPx, heightPx }: Size): Point2 => [widthPx / 2, heightPx / 2];

/** Gives a picture another scale; the plan position `fixed` stays where it is on the picture. */
export const rescaled = (underlay: Underlay, fixed: Point2, metresPerPixel: number, metresPerPixelY: number): Operation | null =>
  keeping(underlay, planToPicture(underlay, fixed), { metresPerPixel, metresPerPixelY, scaled: true });

/** Gives a picture the scale that it was drawn at: `ratio` is 50 for 1:50. Its middle stays. Null where the file does not know its paper. */
export const atRatio = (
  underlay: Underlay,
  picture: Size & { readonly paperMetresPerPixel: number | null },
  ratio: number,
): Operation | null => {
  if (picture.paperMetresPerPixel === null) return null;
  const metresPerPixel = picture.paperMetresPerPixel * ratio;
  return keeping(underlay, middleOf(picture), { metresPerPixel, metresPerPixelY: metresPerPixel, scaled: true });
};

/** Turns a picture about its middle. */
export const turned = (underlay: Underlay, size: Size, byRad: number): Operation | null =>
  keeping(underlay, middleOf(size), {
    rotationRad: Math.atan2(Math.sin(underlay.rotationRad + byRad), Math.cos(underlay.rotationRad + byRad)),
  });

/** Exchanges left and right of a picture; its middle stays. */
export const mirrored = (underlay: Underlay, size: Size): Operation | null =>
  keeping(underlay, middleOf(size), { mirrored: !underlay.mirrored });
