import { boundsOf, BoxIndex, crossingParameters, distance2, grownBounds, type Point2, rotate2 } from '../../math/index.ts';

type Line = readonly [Point2, Point2];

export interface ProposalOptions {
  readonly thinnestM: number;
  readonly thickestM: number;
  /** Gaps in a wall up to this wide are openings in it; wider ones end it. */
  readonly gapM: number;
  /** How far lines may miss each other and still be meant to meet. */
  readonly toleranceM: number;
  /** Thickness of walls that are drawn as single lines. */
  readonly singleLineM: number;
}

export const PROPOSAL_OPTIONS: ProposalOptions = {
  thinnestM: 0.05,
  thickestM: 0.5,
  gapM: 2.6,
  toleranceM: 0.03,
  singleLineM: 0.115,
};

/** A stretch of a face line in the frame of its direction: at height v, from u0 to u1. */
export interface Stroke {
  readonly v: number;
  readonly u0: number;
  readonly u1: number;
}
/** A wall in that frame: between vLow and vHigh. */
export interface Band {
  vLow: number;
  vHigh: number;
  u0: number;
  u1: number;
  gaps: [number, number][];
  drawnM: number;
}

export const SAME_LINE_M = 0.006;
export const SHORTEST_BAND_M = 0.12;
/** Side of a cell in which lines and walls are looked up by place, m. */
export const INDEX_CELL_M = 4;
/** Walls that meet at the smallest angle do so within so many thicknesses of their ends. */
const FARTHEST_MEETING = 11;
const SAME_DIRECTION_RAD = Math.PI / 240;

/** Lines in groups of nearly the same direction. */
export function byDirection(lines: readonly Line[]): { angleRad: number; lines: Line[] }[] {
  const items = lines
    .filter(([a, b]) => distance2(a, b) > 1e-4)
    .map((line) => {
      const [a, b] = line;
      const angle = Math.atan2(b[1] - a[1], b[0] - a[0]);
      return {
        line,
        angle: angle < -1e-9 ? angle + Math.PI : angle >= Math.PI - 1e-9 ? angle - Math.PI : angle,
        lengthM: distance2(a, b),
      };
    })
    // Long lines set the direction; short ones join it.
    .sort((p, q) => q.lengthM - p.lengthM || p.angle - q.angle);
  const groups: { angleRad: number; lines: Line[] }[] = [];
  for (const { line, angle, lengthM } of items) {
    const off = (g: number) => Math.abs(Math.atan2(Math.sin(2 * (angle - g)), Math.cos(2 * (angle - g)))) / 2;
    // A short line's direction is less certain than a long one's.
    const group = groups.find(({ angleRad }) => off(angleRad) < Math.max(SAME_DIRECTION_RAD, Math.min(0.05, 0.002 / lengthM)));
    if (group) group.lines.push(line);
    else groups.push({ angleRad: angle, lines: [line] });
  }
  return groups;
}

/** The lines of one direction as strokes, those on one line joined. */
export function strokesOf(lines: readonly Line[], angleRad: number, { toleranceM }: ProposalOptions): Stroke[] {
  const raw = lines
    .map(([a, b]): Stroke => {
      const [p, q] = [rotate2(a, -angleRad), rotate2(b, -angleRad)];
      return { v: (p[1] + q[1]) / 2, u0: Math.min(p[0], q[0]), u1: Math.max(p[0], q[0]) };
    })
    .sort((s, t) => s.v - t.v || s.u0 - t.u0);
  const strokes: Stroke[] = [];
  for (let i = 0; i < raw.length;) {
    let j = i + 1;
    while (j < raw.length && raw[j].v - raw[i].v <= SAME_LINE_M) j++;
    const row = raw.slice(i, j).sort((s, t) => s.u0 - t.u0);
    let open = { ...row[0] };
    for (const stroke of row.slice(1)) {
      if (stroke.u0 <= open.u1 + toleranceM / 2) open.u1 = Math.max(open.u1, stroke.u1);
      else {
        strokes.push(open);
        open = { ...stroke };
      }
    }
    strokes.push(open);
    i = j;
  }
  return strokes;
}

/** Lines that lie beside each other at one place, none farther from the next than a wall is thick, with the walls among them. */
interface Chain {
  readonly strokes: readonly Stroke[];
  readonly bands: readonly Band[];
}

/**
 * Bands between strokes: at every place along the direction, `choose` says which lines of a chain are the faces of one wall, given the
 * walls that go on from before. A chain that stays the same is not asked of again.
 */
export function bandsBetween(
  strokes: readonly Stroke[],
  { thickestM }: ProposalOptions,
  choose: (chain: readonly Stroke[], open: readonly Band[]) => [number, number][],
): Band[] {
  const stops = [...new Set(strokes.flatMap(({ u0, u1 }) => [u0, u1]))].sort((a, b) => a - b);
  const starting = [...strokes].sort((a, b) => a.u0 - b.u0);
  const bands: Band[] = [];
  let before: readonly Chain[] = [];
  let active: Stroke[] = [];
  let next = 0;
  for (let k = 0; k + 1 < stops.length; k++) {
    const [from, to] = [stops[k], stops[k + 1]];
    const middle = (from + to) / 2;
    while (next < starting.length && starting[next].u0 <= middle) active.push(starting[next++]);
    active = active.filter(({ u1 }) => u1 > middle).sort((a, b) => a.v - b.v);
    const known = new Map(before.map((chain) => [chain.strokes[0], chain]));
    before = chainsOf(active, thickestM).map((chain): Chain => {
      const same = known.get(chain[0]);
      if (same && same.strokes.length === chain.length && chain.every((stroke, n) => stroke === same.strokes[n])) {
        for (const band of same.bands) goOn(band, from, to);
        return same;
      }
      const [low, high] = [chain[0].v - SAME_LINE_M, chain.at(-1)!.v + SAME_LINE_M];
      const open = before.flatMap((one) => one.bands.filter(({ vLow, vHigh }) => vHigh >= low && vLow <= high));
      const going = choose(chain, open).map(([vLow, vHigh]): Band => {
        const band = open.find((one) => Math.abs(one.vLow - vLow) < SAME_LINE_M && Math.abs(one.vHigh - vHigh) < SAME_LINE_M);
        if (band) {
          goOn(band, from, to);
          return band;
        }
        const made: Band = { vLow, vHigh, u0: from, u1: to, gaps: [], drawnM: to - from };
        bands.push(made);
        return made;
      });
      return { strokes: chain, bands: going };
    });
  }
  return bands;
}

function goOn(band: Band, from: number, to: number): void {
  band.u1 = to;
  band.drawnM += to - from;
}

function chainsOf(active: readonly Stroke[], thickestM: number): Stroke[][] {
  const chains: Stroke[][] = [];
  for (const stroke of active) {
    const last = chains.at(-1);
    if (last && stroke.v - last.at(-1)!.v <= thickestM) last.push(stroke);
    else chains.push([stroke]);
  }
  return chains;
}

/** Thicknesses that make up a good part of the drawing. */
export function usualThicknesses(bands: readonly Band[]): number[] {
  const lengths = new Map<number, number>();
  let total = 0;
  for (const { vLow, vHigh, drawnM } of bands) {
    const key = Math.round((vHigh - vLow) * 100) / 100;
    lengths.set(key, (lengths.get(key) ?? 0) + drawnM);
    total += drawnM;
  }
  return [...lengths].filter(([, length]) => length > total * 0.05).map(([thickness]) => thickness);
}

/** Bands on one line become one wall; what is missing between them are its gaps. */
export function joinBands(bands: readonly Band[], { gapM, toleranceM }: ProposalOptions): Band[] {
  const rest = bands
    .filter((band) => band.u1 - band.u0 > toleranceM)
    .map((band) => ({ ...band, gaps: [...band.gaps] }))
    .sort((a, b) => a.vLow - b.vLow || a.u0 - b.u0);
  const joined: Band[] = [];
  /** Joined bands by the place of their middle, in steps of twice the tolerance. */
  const byMiddle = new Map<number, Band[]>();
  const stepOf = (band: Band) => Math.floor(mid(band) / (2 * toleranceM));
  for (const band of rest.sort((a, b) => a.u0 - b.u0)) {
    const step = stepOf(band);
    const before = [step - 2, step - 1, step, step + 1, step + 2]
      .flatMap((one) => byMiddle.get(one) ?? [])
      .filter(
        (other) =>
          Math.abs(mid(other) - mid(band)) < toleranceM && band.u0 - other.u1 <= gapM && band.u0 >= other.u1 - toleranceM,
      )
      .sort((a, b) => b.u1 - a.u1)[0];
    // Where lines come and go beside a wall its measured thickness changes for a stretch: the longer stretch says what it is.
    if (!before || Math.abs(width(before) - width(band)) > Math.max(0.12, toleranceM * 2)) {
      joined.push(band);
      byMiddle.set(step, [...(byMiddle.get(step) ?? []), band]);
      continue;
    }
    if (band.u0 - before.u1 > toleranceM) before.gaps.push([before.u1, band.u0]);
    if (band.drawnM > before.drawnM) [before.vLow, before.vHigh] = [band.vLow, band.vHigh];
    before.u1 = Math.max(before.u1, band.u1);
    before.drawnM += band.drawnM;
  }
  return joined.filter((band) => band.drawnM >= SHORTEST_BAND_M && band.drawnM >= 0.6 * width(band));
}

export const mid = ({ vLow, vHigh }: Band) => (vLow + vHigh) / 2;
export const width = ({ vLow, vHigh }: Band) => vHigh - vLow;

export function centreLine(band: Band, angleRad: number): { a: Point2; b: Point2 } {
  return { a: rotate2([band.u0, mid(band)], angleRad), b: rotate2([band.u1, mid(band)], angleRad) };
}

export interface Candidate {
  readonly band: Band;
  readonly angleRad: number;
  a: Point2;
  b: Point2;
}

/** An end of a wall that meets another wall, both by their places in the list. */
export interface Joint {
  readonly wall: number;
  readonly end: 'a' | 'b';
  readonly other: number;
}

/** Leads ends on to the centre line of the wall that they meet. */
export function meet(walls: readonly Candidate[], { toleranceM }: ProposalOptions): Joint[] {
  const joints: Joint[] = [];
  const was = walls.map(({ a, b }) => ({ a, b }));
  const thickestM = Math.max(0, ...walls.map(({ band }) => width(band)));
  const index = new BoxIndex(was, ({ a, b }) => boundsOf([a, b])!, INDEX_CELL_M);
  walls.forEach((wall, i) => {
    for (const end of ['a', 'b'] as const) {
      const at = was[i][end];
      let best: { p: Point2; movedM: number; other: number } | null = null;
      // Two walls that meet at a small angle meet far from their ends.
      for (const j of index.near(grownBounds(boundsOf([at])!, FARTHEST_MEETING * (thickestM + toleranceM)))) {
        const other = walls[j];
        if (i === j || Math.abs(Math.sin(wall.angleRad - other.angleRad)) < 0.1) continue;
        const hit = crossingParameters(was[i].a, was[i].b, was[j].a, was[j].b);
        if (!hit) continue;
        const p: Point2 = [was[i].a[0] + (was[i].b[0] - was[i].a[0]) * hit.t, was[i].a[1] + (was[i].b[1] - was[i].a[1]) * hit.t];
        const movedM = distance2(p, at);
        const slant = Math.abs(Math.sin(wall.angleRad - other.angleRad));
        const reachM = (width(other.band) / 2 + toleranceM) / slant + width(wall.band) / 2;
        const lengthM = distance2(was[j].a, was[j].b);
        const beyondM = Math.max(-hit.u, hit.u - 1, 0) * lengthM;
        if (movedM > reachM || beyondM > width(wall.band) / 2 / slant + width(other.band) / 2 + toleranceM) continue;
        if (!best || movedM < best.movedM) best = { p, movedM, other: j };
      }
      if (!best) continue;
      wall[end] = best.p;
      joints.push({ wall: i, end, other: best.other });
    }
  });
  return joints;
}
