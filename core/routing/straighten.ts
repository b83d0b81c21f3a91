import { distance3, type Point3 } from '../math/index.ts';
import type { Medium } from '../model/index.ts';

/** Drops repeated points, steps there and back, and points in the midst of a straight segment of one medium. */
export function straighten(points: readonly Point3[], media: readonly Medium[]): { points: Point3[]; media: Medium[] } {
  const outPoints: Point3[] = [points[0]];
  const outMedia: Medium[] = [];
  for (let k = 1; k < points.length; k++) {
    if (distance3(outPoints[outPoints.length - 1], points[k]) < 1e-6) continue;
    outPoints.push(points[k]);
    outMedia.push(media[k - 1]);
    while (
      outPoints.length >= 3 &&
      outMedia.at(-1) === outMedia.at(-2) &&
      inLine(outPoints.at(-3)!, outPoints.at(-2)!, outPoints.at(-1)!)
    ) {
      outPoints.splice(-2, 1);
      outMedia.pop();
      if (distance3(outPoints.at(-2)!, outPoints.at(-1)!) < 1e-6) {
        outPoints.pop();
        outMedia.pop();
      }
    }
  }
  return { points: outPoints, media: outMedia };
}

/** Whether the three points lie on one line, the last one on either side of the middle one. */
function inLine(a: Point3, b: Point3, c: Point3): boolean {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [c[0] - b[0], c[1] - b[1], c[2] - b[2]];
  const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const cross = Math.sqrt(x * x + y * y + z * z);
  const lengths = Math.sqrt((ux * ux + uy * uy + uz * uz) * (vx * vx + vy * vy + vz * vz));
  return cross <= 1e-7 * Math.max(1e-6, lengths);
}

/** A micrometre is finer than any building and keeps float noise out of files. */
export const tidy = ([x, y, z]: Point3): Point3 => [
  Math.round(x * 1e6) / 1e6,
  Math.round(y * 1e6) / 1e6,
  Math.round(z * 1e6) / 1e6,
];
