import { boundsOf, BoxIndex, crossingParameters, distance2, grownBounds, type Point2, rotate2 } from '../../math/index.ts';
import { mixedWalls } from './mixed-layer.ts';
import {
  type Band,
  bandsBetween,
  byDirection,
  type Candidate,
  centreLine,
  INDEX_CELL_M,
  joinBands,
  meet,
  PROPOSAL_OPTIONS,
  type ProposalOptions,
  SHORTEST_BAND_M,
  type Stroke,
  strokesOf,
  usualThicknesses,
  width,
} from './wall-bands.ts';

type Line = readonly [Point2, Point2];

/** What a wall layer says, m. Arcs as centre, radius, start and end angle. */
export interface ProposalInput {
  readonly lines: readonly (readonly [Point2, Point2])[];
  /** Lines of the openings layer, drawn across or inside the walls. */
  readonly openingLines?: readonly (readonly [Point2, Point2])[];
  /** Whether the lines are of everything in the drawing, and not of walls alone. */
  readonly isMixed?: boolean;
  /** Door swings, on any layer. */
  readonly arcs?: readonly {
    readonly centre: Point2;
    readonly radiusM: number;
    readonly startRad: number;
    readonly endRad: number;
  }[];
}

export interface OpeningProposal {
  readonly kind: 'door' | 'window' | 'arch';
  /** From end a to the middle, m. */
  readonly offsetM: number;
  readonly widthM: number;
  readonly hinge: 'start' | 'end' | null;
  readonly swing: 'left' | 'right' | null;
}

export interface WallProposal {
  readonly a: Point2;
  readonly b: Point2;
  readonly thicknessM: number;
  readonly openings: readonly OpeningProposal[];
  /** 1 where both faces are drawn all along; less where they were guessed. */
  readonly certainty: number;
}

export interface Proposals {
  readonly walls: readonly WallProposal[];
  /** Lines of the wall layer that no proposal accounts for. */
  readonly unclaimed: readonly (readonly [Point2, Point2])[];
  readonly singleLines: boolean;
}

/**
 * Proposes walls for the lines of a wall layer: parallel lines a wall's thickness apart are its faces, gaps are closed,
 * ends are led on to where walls meet. Lengths in m. The same lines give the same proposals. `onShare` hears how far it is, 0 to 1.
 */
export function proposeWalls(
  input: ProposalInput,
  options: ProposalOptions = PROPOSAL_OPTIONS,
  onShare: (share: number) => void = () => undefined,
): Proposals {
  const mixed = input.isMixed ? amongEverything(input, options, onShare) : null;
  if (mixed) return mixed;
  const directions = byDirection(input.lines);
  const frames = directions.map(({ angleRad, lines }) => ({ angleRad, strokes: strokesOf(lines, angleRad, options) }));
  onShare(0.1);
  const modes = usualThicknesses(frames.flatMap(({ strokes }) => bandsOf(strokes, options, [])));
  const found = frames.map(({ angleRad, strokes }) => ({ angleRad, strokes, bands: bandsOf(strokes, options, modes) }));
  onShare(0.5);
  const drawnM = input.lines.reduce((sum, [a, b]) => sum + distance2(a, b), 0);
  const pairedM = found.reduce((sum, { bands }) => sum + bands.reduce((s, band) => s + 2 * band.drawnM, 0), 0);
  if (pairedM < 0.25 * drawnM) return singleLines(frames, options);
  const joined = found.map((frame) => ({ ...frame, bands: joinBands(frame.bands, options) }));
  const walls = joined.flatMap(({ angleRad, bands }) => bands.map((band) => ({ band, angleRad, ...centreLine(band, angleRad) })));
  meet(walls, options);
  onShare(0.8);
  const about = new DrawnThings(input).about(walls);
  const finished = walls.map((wall, n) => finish(wall, about[n], options));
  return {
    walls: finished.filter(({ a, b }) => distance2(a, b) >= SHORTEST_BAND_M),
    unclaimed: joined.flatMap(({ angleRad, strokes, bands }) => unclaimedOf(strokes, bands, angleRad, options)),
    singleLines: false,
  };
}

/** The walls of a layer that holds everything; nothing is said of lines that are no walls, since most are none. */
function amongEverything(input: ProposalInput, options: ProposalOptions, onShare: (share: number) => void): Proposals | null {
  const drawn = new DrawnThings(input);
  const walls = mixedWalls(
    input.lines,
    options,
    (all) => {
      const about = drawn.about(all);
      return all.map((wall, n) => finish(wall, about[n], options).openings.length);
    },
    onShare,
  );
  if (!walls) return null;
  const about = drawn.about(walls);
  const finished = walls.map((wall, n) => {
    const near = about[n];
    return finish(wall, { ...near, openingLines: near.openingLines.concat(panesIn(wall, near.lines)) }, options);
  });
  return { walls: finished, unclaimed: [], singleLines: false };
}

/** What lies about a wall: other walls, lines and swings. */
interface Surrounding {
  readonly walls: readonly Candidate[];
  readonly lines: ProposalInput['lines'];
  readonly openingLines: ProposalInput['lines'];
  readonly arcs: NonNullable<ProposalInput['arcs']>;
}

/** How far about a wall something may lie that has to do with it, m: the widest door leaf and swing. */
const ABOUT_M = 3;

/** Lines and swings of a drawing by place, so that a wall is held only against what lies about it. */
class DrawnThings {
  private readonly lines: BoxIndex<Line>;
  private readonly openingLines: BoxIndex<Line>;
  private readonly arcs: BoxIndex<Surrounding['arcs'][number]>;

  constructor(private readonly input: Pick<ProposalInput, 'lines' | 'openingLines' | 'arcs'>) {
    const ofLine = (line: Line) => boundsOf(line)!;
    this.lines = new BoxIndex(input.lines, ofLine, INDEX_CELL_M);
    this.openingLines = new BoxIndex(input.openingLines ?? [], ofLine, INDEX_CELL_M);
    this.arcs = new BoxIndex(input.arcs ?? [], ({ centre }) => boundsOf([centre])!, INDEX_CELL_M);
  }

  /** What lies about each wall of a list. */
  about(walls: readonly Candidate[]): Surrounding[] {
    const { lines, openingLines = [], arcs = [] } = this.input;
    const index = new BoxIndex(walls, ({ a, b }) => boundsOf([a, b])!, INDEX_CELL_M);
    return walls.map(({ a, b }) => {
      const box = grownBounds(boundsOf([a, b])!, ABOUT_M);
      return {
        walls: index.near(box).map((n) => walls[n]),
        lines: this.lines.near(box).map((n) => lines[n]),
        openingLines: this.openingLines.near(box).map((n) => openingLines[n]),
        arcs: this.arcs.near(box).map((n) => arcs[n]),
      };
    });
  }
}

const WIDEST_WINDOW_M = 4;
const OFF_FACE_M = 0.01;

/** Lines along a wall and between its faces, no longer than a window: its panes. */
const panesIn = ({ band, angleRad }: Candidate, lines: ProposalInput['lines']) =>
  lines.filter((line) => {
    const [p, q] = line.map((point) => rotate2(point, -angleRad));
    return (
      Math.abs(p[1] - q[1]) < OFF_FACE_M &&
      Math.abs(p[0] - q[0]) < WIDEST_WINDOW_M &&
      [p, q].every(([, v]) => v > band.vLow + OFF_FACE_M && v < band.vHigh - OFF_FACE_M)
    );
  });

/** Bands between the faces that are drawn on a layer of walls. */
const bandsOf = (strokes: readonly Stroke[], options: ProposalOptions, modes: readonly number[]): Band[] =>
  bandsBetween(strokes, options, (chain) =>
    splitChain(
      chain.map(({ v }) => v),
      options,
      modes,
    ),
  );

/** A group of lines as walls: the outermost where that is a wall, else parted at the widest gap; two known walls stay two. */
function splitChain(chain: readonly number[], options: ProposalOptions, modes: readonly number[]): [number, number][] {
  if (chain.length < 2) return [];
  const total = chain.at(-1)! - chain[0];
  const usual = (thickness: number) => modes.some((mode) => Math.abs(mode - thickness) < 0.02);
  if (total < options.thinnestM) return [];
  if (chain.length >= 4 && !usual(total)) {
    for (let k = 2; k <= chain.length - 2; k++) {
      const [left, right] = [chain.slice(0, k), chain.slice(k)];
      if (usual(left.at(-1)! - left[0]) && usual(right.at(-1)! - right[0]))
        return [...splitChain(left, options, modes), ...splitChain(right, options, modes)];
    }
  }
  if (total <= options.thickestM) return [[chain[0], chain.at(-1)!]];
  let widest = 1;
  for (let k = 2; k < chain.length; k++) if (chain[k] - chain[k - 1] > chain[widest] - chain[widest - 1]) widest = k;
  return [...splitChain(chain.slice(0, widest), options, modes), ...splitChain(chain.slice(widest), options, modes)];
}

function finish(wall: Candidate, near: Surrounding, options: ProposalOptions): WallProposal {
  const { band, angleRad } = wall;
  const lengthM = distance2(wall.a, wall.b);
  const startU = rotate2(wall.a, -angleRad)[0];
  const gaps = band.gaps.filter(([u0, u1]) => !crossedBy(wall, near.walls, u0, u1) && u1 - u0 >= 0.3);
  const openings = [
    ...gaps.map(([u0, u1]) => openingIn(wall, u0, u1, startU, near)),
    ...drawnOpenings(wall, gaps, startU, near, options),
  ]
    .filter(({ offsetM, widthM }) => offsetM - widthM / 2 > -0.01 && offsetM + widthM / 2 < lengthM + 0.01)
    .sort((p, q) => p.offsetM - q.offsetM);
  const spanM = band.u1 - band.u0;
  const openM = band.gaps.reduce((sum, [u0, u1]) => sum + u1 - u0, 0);
  const certainty = Math.max(0.1, Math.min(1, band.drawnM / Math.max(0.01, spanM - openM * 0.5)));
  return {
    a: wall.a,
    b: wall.b,
    thicknessM: Math.round(width(band) * 1000) / 1000,
    openings,
    certainty: Math.round(certainty * 100) / 100,
  };
}

/** Whether a gap is only where another wall passes through. */
function crossedBy(wall: Candidate, all: readonly Candidate[], u0: number, u1: number): boolean {
  return all.some((other) => {
    if (other === wall || Math.abs(Math.sin(wall.angleRad - other.angleRad)) < 0.1) return false;
    const hit = crossingParameters(wall.a, wall.b, other.a, other.b);
    if (!hit || hit.u < -0.05 || hit.u > 1.05) return false;
    const p: Point2 = [wall.a[0] + (wall.b[0] - wall.a[0]) * hit.t, wall.a[1] + (wall.b[1] - wall.a[1]) * hit.t];
    const u = rotate2(p, -wall.angleRad)[0];
    return u > u0 - 0.05 && u < u1 + 0.05 && u1 - u0 < width(other.band) * 1.5 + 0.05;
  });
}

function openingIn(wall: Candidate, u0: number, u1: number, startU: number, near: Surrounding): OpeningProposal {
  const size = { offsetM: round((u0 + u1) / 2 - startU), widthM: round(u1 - u0) };
  const door = doorAt(wall, u0, u1, near);
  if (door) return { kind: 'door', ...size, ...door };
  const across = near.openingLines.concat(near.lines).some((line) => liesAlong(wall, line, u0, u1));
  return { kind: across ? 'window' : 'arch', ...size, hinge: null, swing: null };
}

/** Openings drawn on their own layer over a wall that goes on below them. */
function drawnOpenings(
  wall: Candidate,
  gaps: readonly [number, number][],
  startU: number,
  near: Surrounding,
  options: ProposalOptions,
): OpeningProposal[] {
  const spans = near.openingLines
    .flatMap((line): [number, number][] => {
      const [p, q] = line.map((point) => rotate2(point, -wall.angleRad));
      const inside = [p, q].every(([, v]) => v > wall.band.vLow - options.toleranceM && v < wall.band.vHigh + options.toleranceM);
      const [u0, u1] = [Math.min(p[0], q[0]), Math.max(p[0], q[0])];
      return inside && u1 - u0 >= 0.3 && u0 > wall.band.u0 - 0.05 && u1 < wall.band.u1 + 0.05 ? [[u0, u1]] : [];
    })
    .sort((s, t) => s[0] - t[0]);
  const merged: [number, number][] = [];
  for (const span of spans) {
    const last = merged.at(-1);
    if (last && span[0] <= last[1] + 0.02) last[1] = Math.max(last[1], span[1]);
    else merged.push([...span]);
  }
  return merged
    .filter(([u0, u1]) => !gaps.some(([g0, g1]) => u0 < g1 && u1 > g0))
    .map(([u0, u1]) => openingIn(wall, u0, u1, startU, near))
    .map((opening) => (opening.kind === 'arch' ? { ...opening, kind: 'window' as const } : opening));
}

function liesAlong(wall: Candidate, line: readonly [Point2, Point2], u0: number, u1: number): boolean {
  const [p, q] = line.map((point) => rotate2(point, -wall.angleRad));
  if (Math.abs(p[1] - q[1]) > 0.02) return false;
  if (p[1] < wall.band.vLow - 0.02 || p[1] > wall.band.vHigh + 0.02) return false;
  const overlap = Math.min(u1, Math.max(p[0], q[0])) - Math.max(u0, Math.min(p[0], q[0]));
  return overlap > (u1 - u0) * 0.6;
}

/** A door's swing at a gap: its arc is centred on one jamb with the width of the gap for radius. */
function doorAt(
  wall: Candidate,
  u0: number,
  u1: number,
  { arcs }: Pick<Surrounding, 'arcs'>,
): Pick<OpeningProposal, 'hinge' | 'swing'> | null {
  for (const { centre, radiusM, startRad, endRad } of arcs) {
    if (Math.abs(radiusM - (u1 - u0)) > 0.12 * (u1 - u0) + 0.05) continue;
    const [u, v] = rotate2(centre, -wall.angleRad);
    if (v < wall.band.vLow - 0.12 || v > wall.band.vHigh + 0.12) continue;
    const hinge = Math.abs(u - u0) < 0.12 ? 'start' : Math.abs(u - u1) < 0.12 ? 'end' : null;
    if (!hinge) continue;
    const middle = (startRad + endRad) / 2 - wall.angleRad;
    return { hinge, swing: Math.sin(middle) > 0 ? 'left' : 'right' };
  }
  return null;
}

/** What no band accounts for. */
function unclaimedOf(
  strokes: readonly Stroke[],
  bands: readonly Band[],
  angleRad: number,
  { toleranceM }: ProposalOptions,
): [Point2, Point2][] {
  const left: [Point2, Point2][] = [];
  for (const { v, u0, u1 } of strokes) {
    const covers = bands
      .filter((band) => v > band.vLow - toleranceM && v < band.vHigh + toleranceM)
      .map((band): [number, number] => [band.u0 - width(band) - toleranceM, band.u1 + width(band) + toleranceM])
      .sort((a, b) => a[0] - b[0]);
    let from = u0;
    for (const [c0, c1] of [...covers, [Infinity, Infinity] as [number, number]]) {
      const to = Math.min(c0, u1);
      // A short line is an end cap of a wall or a jamb.
      if (to - from > 0.6) left.push([rotate2([from, v], angleRad), rotate2([to, v], angleRad)]);
      from = Math.max(from, c1);
      if (from >= u1) break;
    }
  }
  return left;
}

function singleLines(frames: readonly { angleRad: number; strokes: readonly Stroke[] }[], options: ProposalOptions): Proposals {
  const walls: Candidate[] = frames.flatMap(({ angleRad, strokes }) => {
    const half = options.singleLineM / 2;
    const bands = strokes.map(({ v, u0, u1 }): Band => ({ vLow: v - half, vHigh: v + half, u0, u1, gaps: [], drawnM: u1 - u0 }));
    return joinBands(bands, { ...options, gapM: 1.3 }).map((band) => ({ band, angleRad, ...centreLine(band, angleRad) }));
  });
  meet(walls, options);
  const about = new DrawnThings({ lines: [] }).about(walls);
  const finished = walls.map((wall, n) => ({ ...finish(wall, about[n], options), certainty: 0.5 }));
  return {
    walls: finished.filter(({ a, b }) => distance2(a, b) >= 0.3),
    unclaimed: [],
    singleLines: true,
  };
}

const round = (value: number) => Math.round(value * 1000) / 1000;
