import { boundsOf, BoxIndex, crossingParameters, distance2, type Point2, rotate2 } from '../../math/index.ts';
import {
  type Band,
  bandsBetween,
  byDirection,
  type Candidate,
  centreLine,
  INDEX_CELL_M,
  type Joint,
  joinBands,
  meet,
  type ProposalOptions,
  SAME_LINE_M,
  SHORTEST_BAND_M,
  type Stroke,
  strokesOf,
  usualThicknesses,
  width,
} from './wall-bands.ts';

type Line = readonly [Point2, Point2];

/** Lines of one direction. */
interface Frame {
  readonly angleRad: number;
  readonly strokes: readonly Stroke[];
  /** Those that are no hatching, tiles or treads. */
  readonly single: readonly Stroke[];
}
interface FramedBand {
  readonly band: Band;
  readonly frame: Frame;
}
type FramedCandidate = Candidate & FramedBand;

/**
 * The walls among the lines of a layer on which everything is drawn: furniture, stairs, tiles, dimension lines and frames fall away.
 * Kept is what hangs together the way walls do, with openings in it: at a junction the face of a wall is open, or the lines of the other
 * run into it, while furniture stands against a face that goes on behind it. Null where nothing hangs together so.
 */
export function mixedWalls(
  lines: readonly Line[],
  options: ProposalOptions,
  openingsOf: (walls: readonly Candidate[]) => readonly number[],
  onShare: (share: number) => void,
): readonly Candidate[] | null {
  let done = 0;
  const stepDone = () => onShare(Math.min(1, ++done / STEPS));
  const frames = byDirection(lines).map(({ angleRad, lines: own }): Frame => {
    const strokes = strokesOf(own, angleRad, options).sort((s, t) => s.v - t.v);
    return { angleRad, strokes, single: withoutSeries(strokes, options) };
  });
  const bands = (usual: readonly number[]): FramedBand[] =>
    frames.flatMap((frame) =>
      joinBands(
        bandsBetween(frame.single, options, (chain, open) => bestPairs(chain, open, usual, options)),
        options,
      ).map((band) => ({ band, frame })),
    );
  const standing = (all: readonly FramedBand[], isStrict: boolean): FramedCandidate[] => {
    const walls = all.map(({ band, frame }) => ({ band, frame, angleRad: frame.angleRad, ...centreLine(band, frame.angleRad) }));
    const drawn = walls.map(({ a, b }) => ({ a, b }));
    const joints = meet(walls, options).filter((joint) => !isStrict || isOpenJoint(joint, walls, drawn));
    return hangingTogether(walls, joints, openingsOf).filter(({ a, b }) => distance2(a, b) >= SHORTEST_BAND_M);
  };
  stepDone();
  // Where every wall is drawn as a closed shape of its own, no joint is open: then all that touches hangs together.
  for (const isStrict of [true, false]) {
    const usual = usualThicknesses(standing(bands([]), isStrict).map(({ band }) => band));
    stepDone();
    const found = standing(bands(usual), isStrict);
    stepDone();
    // A short piece of odd thickness without an opening is rather furniture that touches two walls.
    const openings = openingsOf(found);
    const kept = found.filter(
      (wall, n) =>
        usual.some((one) => Math.abs(one - width(wall.band)) < USUAL_WITHIN_M) ||
        distance2(wall.a, wall.b) > SHORT_PIECE_M ||
        openings[n] > 0,
    );
    const walls = standing(kept, isStrict);
    stepDone();
    if (walls.length >= FEWEST_WALLS) return walls;
  }
  return null;
}

/** Steps that a share is told of, where the first try finds a house. */
const STEPS = 5;
/** So few walls are no house. */
const FEWEST_WALLS = 3;
const USUAL_WITHIN_M = 0.02;
const SHORT_PIECE_M = 1.5;
/** Rims of baths, frames and handrails are thinner than walls. */
const THINNEST_M = 0.07;

const SERIES_LINES = 5;
const WIDEST_SERIES_M = 0.6;
const SERIES_SHARE = 0.7;
const BESIDE_SHARE = 0.3;

/**
 * Lines without rows of five or more at one distance: hatching, tiles, treads. One of the outer two is a wall's face where
 * beyond it lies the other face, and nothing more. The lines come in the order of their heights.
 */
function withoutSeries(sorted: readonly Stroke[], { thickestM }: ProposalOptions): Stroke[] {
  const gone = new Set<Stroke>();
  const after = (start: number, v: number, like: Stroke) => {
    for (let k = start; k < sorted.length && sorted[k].v <= v + SAME_LINE_M; k++)
      if (Math.abs(sorted[k].v - v) <= SAME_LINE_M && sharedSpan(sorted[k], like) >= SERIES_SHARE) return k;
    return -1;
  };
  /** Lines that could be the other face of a wall, on one side of a line. */
  const beside = (stroke: Stroke, side: number) => {
    const [low, high] = side > 0 ? [stroke.v + THINNEST_M, stroke.v + thickestM] : [stroke.v - thickestM, stroke.v - THINNEST_M];
    const found: Stroke[] = [];
    for (let k = firstAt(sorted, low); k < sorted.length && sorted[k].v <= high; k++)
      if (sharedSpan(sorted[k], stroke) > BESIDE_SHARE) found.push(sorted[k]);
    return found;
  };
  for (let i = 0; i < sorted.length; i++) {
    for (let j = i + 1; j < sorted.length && sorted[j].v - sorted[i].v <= WIDEST_SERIES_M; j++) {
      const stepM = sorted[j].v - sorted[i].v;
      if (stepM < 2 * SAME_LINE_M || sharedSpan(sorted[i], sorted[j]) < SERIES_SHARE) continue;
      if (gone.has(sorted[i]) && gone.has(sorted[j])) continue;
      const row = [i, j];
      for (let k = after(j + 1, sorted[j].v + stepM, sorted[j]); k >= 0; k = after(k + 1, sorted[k].v + stepM, sorted[k]))
        row.push(k);
      if (row.length < SERIES_LINES) continue;
      for (const k of row.slice(1, -1)) gone.add(sorted[k]);
      for (const [k, side] of [
        [row[0], -1],
        [row.at(-1)!, 1],
      ] as const) {
        const nearest = beside(sorted[k], side).sort((s, t) => Math.abs(s.v - sorted[k].v) - Math.abs(t.v - sorted[k].v))[0];
        if (!nearest || beside(nearest, side).length > 0) gone.add(sorted[k]);
      }
    }
  }
  return sorted.filter((stroke) => !gone.has(stroke));
}

/** The part of the longer of two lines that runs beside the other. */
function sharedSpan(s: Stroke, t: Stroke): number {
  const longest = Math.max(s.u1 - s.u0, t.u1 - t.u0);
  return longest > 0 ? Math.max(0, Math.min(s.u1, t.u1) - Math.max(s.u0, t.u0)) / longest : 0;
}

/** What speaks for two lines as the faces of a wall: it goes on from before, its thickness is usual, its lines are long. */
const GOES_ON = 1.5;
const USUAL = 3;
const ANY = 1;
const LINE_BETWEEN = 0.5;
const PER_M = 0.01;

/** The pairs among the lines at one place that are most likely walls; no line belongs to two. */
function bestPairs(
  active: readonly Stroke[],
  open: readonly Band[],
  usual: readonly number[],
  { thickestM }: ProposalOptions,
): [number, number][] {
  const n = active.length;
  const isUsual = (thicknessM: number) => usual.some((one) => Math.abs(one - thicknessM) < USUAL_WITHIN_M);
  const best: { score: number; pair: [number, number] | null }[] = Array.from({ length: n + 1 }, () => ({
    score: 0,
    pair: null,
  }));
  for (let i = n - 2; i >= 0; i--) {
    best[i] = { score: best[i + 1].score, pair: null };
    for (let j = i + 1; j < n; j++) {
      const [low, high] = [active[i], active[j]];
      const thicknessM = high.v - low.v;
      if (thicknessM > thickestM) break;
      if (thicknessM < THINNEST_M) continue;
      const goesOn = open.some(
        ({ vLow, vHigh }) => Math.abs(vLow - low.v) < SAME_LINE_M && Math.abs(vHigh - high.v) < SAME_LINE_M,
      );
      // Lines inside a wall that goes on are panes of glass or its core.
      const isInside = open.some(
        (band) => isUsual(band.vHigh - band.vLow) && low.v > band.vLow - SAME_LINE_M && high.v < band.vHigh + SAME_LINE_M,
      );
      const score =
        (isUsual(thicknessM) && (goesOn || !isInside) ? USUAL : ANY) +
        (goesOn ? GOES_ON : 0) -
        LINE_BETWEEN * (j - i - 1) +
        PER_M * Math.min(low.u1 - low.u0, high.u1 - high.u0) +
        best[j + 1].score;
      if (score > best[i].score) best[i] = { score, pair: [i, j] };
    }
  }
  const pairs: [number, number][] = [];
  for (let i = 0; i < n;) {
    const pair = best[i].pair;
    if (pair) pairs.push([active[pair[0]].v, active[pair[1]].v]);
    i = pair ? pair[1] + 1 : i + 1;
  }
  return pairs;
}

/** Whether two walls are one mass where they meet: no face is drawn between them, or the lines of the one run into the other. */
function isOpenJoint(
  { wall: i, end, other: j }: Joint,
  walls: readonly FramedCandidate[],
  drawn: readonly { readonly a: Point2; readonly b: Point2 }[],
): boolean {
  const { band, frame } = walls[j];
  const inFrame = (p: Point2) => rotate2(p, -frame.angleRad);
  const [near, far] = end === 'a' ? [inFrame(drawn[i].a), inFrame(drawn[i].b)] : [inFrame(drawn[i].b), inFrame(drawn[i].a)];
  const isAbove = far[1] > (band.vLow + band.vHigh) / 2;
  const faceV = isAbove ? band.vHigh : band.vLow;
  const intoM = isAbove ? faceV - near[1] : near[1] - faceV;
  if (intoM > RUNS_IN_M) return true;
  if (Math.abs(far[1] - near[1]) < 1e-6) return true;
  const u = near[0] + ((far[0] - near[0]) * (faceV - near[1])) / (far[1] - near[1]);
  const { strokes } = frame;
  for (let k = firstAt(strokes, faceV - 2 * SAME_LINE_M); k < strokes.length && strokes[k].v < faceV + 2 * SAME_LINE_M; k++)
    if (strokes[k].u0 < u - SAME_LINE_M && strokes[k].u1 > u + SAME_LINE_M) return false;
  return true;
}
const RUNS_IN_M = 0.02;

/** The first of lines in the order of their heights that is not lower. */
function firstAt(strokes: readonly Stroke[], v: number): number {
  let [low, high] = [0, strokes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (strokes[middle].v < v) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A building by itself, such as a garage, has at least this share of the wall length of the largest. */
const OWN_BUILDING = 0.1;

/** The walls that hang together and have openings in them. */
function hangingTogether(
  walls: readonly FramedCandidate[],
  joints: readonly Joint[],
  openingsOf: (walls: readonly Candidate[]) => readonly number[],
): FramedCandidate[] {
  const group = walls.map((_, n) => n);
  const rootOf = (n: number): number => (group[n] === n ? n : (group[n] = rootOf(group[n])));
  for (const { wall, other } of joints) group[rootOf(wall)] = rootOf(other);
  const index = new BoxIndex(walls, ({ a, b }) => boundsOf([a, b])!, INDEX_CELL_M);
  walls.forEach((wall, i) => {
    for (const j of index.near(boundsOf([wall.a, wall.b])!))
      if (j > i && isCrossing(wall, walls[j])) group[rootOf(i)] = rootOf(j);
  });
  const groups = new Map<number, FramedCandidate[]>();
  walls.forEach((wall, n) => {
    const members = groups.get(rootOf(n));
    if (members) members.push(wall);
    else groups.set(rootOf(n), [wall]);
  });
  const judged = [...groups.values()].map((members) => ({
    members,
    openings: openingsOf(members).reduce((sum, count) => sum + count, 0),
    lengthM: members.reduce((sum, { a, b }) => sum + distance2(a, b), 0),
  }));
  const withOpenings = judged.filter(({ openings }) => openings > 0);
  const longestM = Math.max(0, ...withOpenings.map(({ lengthM }) => lengthM));
  return withOpenings.filter(({ lengthM }) => lengthM >= OWN_BUILDING * longestM).flatMap(({ members }) => members);
}

const isCrossing = (one: Candidate, other: Candidate): boolean => {
  if (Math.abs(Math.sin(one.angleRad - other.angleRad)) < 0.1) return false;
  const hit = crossingParameters(one.a, one.b, other.a, other.b);
  if (!hit) return false;
  // Near an end they meet and do not cross: that is for the joints to say.
  const inside = (t: number, wall: Candidate, by: Candidate) => {
    const marginM = width(by.band) / 2 + 0.05;
    const at = t * distance2(wall.a, wall.b);
    return at > marginM && at < distance2(wall.a, wall.b) - marginM;
  };
  return inside(hit.t, one, other) && inside(hit.u, other, one);
};
