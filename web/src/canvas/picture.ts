/** Where the plan is seen from: screen = (x * k + tx, ty - y * k), pixels and metres. */
export interface Camera {
  readonly k: number;
  readonly tx: number;
  readonly ty: number;
}

/** The picture is drawn larger than the sheet by so much on every side, so that it can be moved before its edge shows, px. */
export const MARGIN_PX = 220;
/** A picture scaled by more than this is too coarse, or has letters too large, to go on with. */
const MAX_SCALED = 2;

/**
 * How a picture drawn for one camera must be moved and scaled, about the sheet's upper left corner, to serve another;
 * null where it cannot: its edge would show, or it would be scaled too much. `size` is that of the sheet, px.
 */
export function pictureOf(
  drawn: Camera,
  now: Camera,
  [width, height]: readonly [number, number],
): { readonly dx: number; readonly dy: number; readonly scale: number } | null {
  const scale = now.k / drawn.k;
  if (scale > MAX_SCALED || scale < 1 / MAX_SCALED) return null;
  const dx = now.tx - drawn.tx * scale;
  const dy = now.ty - drawn.ty * scale;
  const covers = (shift: number, length: number) =>
    shift - MARGIN_PX * scale <= 0 && shift + (length + MARGIN_PX) * scale >= length;
  return covers(dx, width) && covers(dy, height) ? { dx, dy, scale } : null;
}
