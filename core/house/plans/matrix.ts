/** x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The matrix that does `n` first and then `m`. */
export const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

const RAD = Math.PI / 180;

const MAKE: Readonly<Record<string, (v: readonly number[]) => Matrix | null>> = {
  matrix: (v) => (v.length === 6 ? (v as unknown as Matrix) : null),
  translate: ([x, y = 0]) => [1, 0, 0, 1, x, y],
  scale: ([x, y = x]) => [x, 0, 0, y, 0, 0],
  rotate: ([degrees, x = 0, y = 0]) => {
    const [cos, sin] = [Math.cos(degrees * RAD), Math.sin(degrees * RAD)];
    return [cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y];
  },
  skewX: ([degrees]) => [1, 0, Math.tan(degrees * RAD), 1, 0, 0],
  skewY: ([degrees]) => [1, Math.tan(degrees * RAD), 0, 1, 0, 0],
};

/** The matrix of a `transform` attribute; what cannot be read changes nothing. */
export function transformOf(text: string | undefined): Matrix {
  let all = IDENTITY;
  for (const [, name, list] of (text ?? '').matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const values = list
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    const one = Object.hasOwn(MAKE, name) ? MAKE[name](values) : null;
    if (one?.every(Number.isFinite)) all = times(all, one);
  }
  return all;
}

/** How the units of a view box lie in a viewport (x, y, width, height), by `preserveAspectRatio`. */
export function viewBoxMatrix(
  [x, y, width, height]: readonly number[],
  box: readonly number[],
  preserve = 'xMidYMid meet',
): Matrix {
  const [bx, by, bw, bh] = box;
  if (box.length !== 4 || !(bw > 0 && bh > 0)) return [1, 0, 0, 1, x, y];
  let [sx, sy] = [width / bw, height / bh];
  const words = preserve.trim().split(/\s+/);
  const align = words.find((word) => word !== 'defer') ?? 'xMidYMid';
  if (align === 'none') return [sx, 0, 0, sy, x - bx * sx, y - by * sy];
  sx = sy = words.includes('slice') ? Math.max(sx, sy) : Math.min(sx, sy);
  const share = (axis: 'x' | 'Y') => (align.includes(`${axis}Min`) ? 0 : align.includes(`${axis}Max`) ? 1 : 0.5);
  return [sx, 0, 0, sy, x - bx * sx + (width - bw * sx) * share('x'), y - by * sy + (height - bh * sy) * share('Y')];
}
