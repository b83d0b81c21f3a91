/** A plan position in metres: x to the right, y up the page. */
export type Point2 = readonly [x: number, y: number];
/** A position in metres: as Point2, and z up. */
export type Point3 = readonly [x: number, y: number, z: number];

export const distance2 = (a: Point2, b: Point2): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Asked for many thousand times on every way: `Math.hypot` of three takes several times as long. */
export function distance3(a: Point3, b: Point3): number {
  const [x, y, z] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  return Math.sqrt(x * x + y * y + z * z);
}

/** Turns a point about the origin, counter-clockwise by `angleRad`. */
export function rotate2([x, y]: Point2, angleRad: number): Point2 {
  if (angleRad === 0) return [x, y];
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return [x * cos - y * sin, x * sin + y * cos];
}

/** Equal within `tolerance` (m). */
export const nearly = (a: number, b: number, tolerance = 1e-9): boolean => Math.abs(a - b) <= tolerance;

export const samePoint2 = (a: Point2, b: Point2, tolerance = 1e-9): boolean =>
  nearly(a[0], b[0], tolerance) && nearly(a[1], b[1], tolerance);

/** A tenth of a millimetre is finer than anyone can build, and keeps files readable. */
export const tidyM = (valueM: number): number => Math.round(valueM * 1e4) / 1e4;
