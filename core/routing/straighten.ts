import type { Point3 } from '../geometry/index.ts';
import type { Medium } from '../project/index.ts';

/** Drops repeated points, steps there and back, and points in the midst of a straight segment of one medium. */
export function straighten(points: readonly Point3[], media: readonly Medium[]): { points: Point3[]; media: Medium[] } {
  const outPoints: Point3[] = [points[0]];
  const outMedia: Medium[] = [];
  for (let k = 1; k < points.length; k++) {
    if (apart(outPoints[outPoints.length - 1], points[k]) < 1e-6) continue;
    outPoints.push(points[k]);
    outMedia.push(media[k - 1]);
    while (
      outPoints.length >= 3 &&
      outMedia.at(-1) === outMedia.at(-2) &&
      inLine(outPoints.at(-3)!, outPoints.at(-2)!, outPoints.at(-1)!)
    ) {
      outPoints.splice(-2, 1);
      outMedia.pop();
      if (apart(outPoints.at(-2)!, outPoints.at(-1)!) < 1e-6) {
        outPoints.pop();
        outMedia.pop();
      }
    }
  }
  return { points: outPoints, media: outMedia };
}

const apart = (a: Point3, b: Point3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Whether the three points lie on one line, the last one on either side of the middle one. */
function inLine(a: Point3, b: Point3, c: Point3): boolean {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const v = [c[0] - b[0], c[1] - b[1], c[2] - b[2]];
  const cross = Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]);
  return cross <= 1e-7 * Math.max(1e-6, Math.hypot(...u) * Math.hypot(...v));
}

/** A micrometre is finer than any building and keeps float noise out of files. */
export const tidy = ([x, y, z]: Point3): Point3 => [
  Math.round(x * 1e6) / 1e6,
  Math.round(y * 1e6) / 1e6,
  Math.round(z * 1e6) / 1e6,
];
