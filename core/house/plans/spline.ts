import { type DxfEntity, numberOf } from './dxf-file.ts';

type Point = [number, number];

const PIECES_A_SPAN = 6;
const MAX_POINTS = 5000;
const HIGHEST_DEGREE = 10;

/** Points along a spline: through its fit points, else along the curve of its control points by de Boor. */
export function splinePoints(entity: DxfEntity): Point[] {
  const fit = pointsOf(entity, 11);
  if (fit.length > 1) return fit.slice(0, MAX_POINTS);
  const control = pointsOf(entity, 10).slice(0, MAX_POINTS);
  const degree = entity.number(71, 3);
  const knots = numbersOf(entity, 40);
  const isSound =
    degree >= 1 &&
    degree <= HIGHEST_DEGREE &&
    control.length > degree &&
    knots.length === control.length + degree + 1 &&
    knots.every((knot, n) => Number.isFinite(knot) && (n === 0 || knot >= knots[n - 1]));
  return isSound ? alongKnots(control, knots, degree, numbersOf(entity, 41)) : control;
}

function numbersOf({ codes, values }: DxfEntity, code: number): number[] {
  return values.filter((_, n) => codes[n] === code).map(numberOf);
}

function pointsOf(entity: DxfEntity, code: number): Point[] {
  const [xs, ys] = [numbersOf(entity, code), numbersOf(entity, code + 10)];
  return xs.map((x, n): Point => [x, ys[n] ?? 0]);
}

function alongKnots(control: readonly Point[], knots: readonly number[], degree: number, weights: readonly number[]): Point[] {
  const found: Point[] = [];
  for (let span = degree; span < control.length && found.length < MAX_POINTS; span++) {
    const [from, to] = [knots[span], knots[span + 1]];
    if (to <= from) continue;
    for (let n = found.length === 0 ? 0 : 1; n <= PIECES_A_SPAN; n++)
      found.push(deBoor(control, knots, degree, weights, span, from + ((to - from) * n) / PIECES_A_SPAN));
  }
  return found;
}

function deBoor(
  control: readonly Point[],
  knots: readonly number[],
  degree: number,
  weights: readonly number[],
  span: number,
  t: number,
): Point {
  const d = Array.from({ length: degree + 1 }, (_, j) => {
    const at = j + span - degree;
    const weight = weights[at] > 0 ? weights[at] : 1;
    return [control[at][0] * weight, control[at][1] * weight, weight];
  });
  for (let r = 1; r <= degree; r++)
    for (let j = degree; j >= r; j--) {
      const low = knots[j + span - degree];
      const high = knots[j + 1 + span - r];
      const share = high > low ? (t - low) / (high - low) : 0;
      d[j] = d[j].map((value, axis) => (1 - share) * d[j - 1][axis] + share * value);
    }
  const [x, y, weight] = d[degree];
  return [x / weight, y / weight];
}
