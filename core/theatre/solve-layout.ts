import type { SurroundChannel, TheatreAim } from '../model/index.ts';
import { type Block, channelAtSeat, type Place, spreadOf, windowOf } from './channel-at-seat.ts';
import { type FromMiddle, fromMiddle, mirrorErrorM } from './middle-line.ts';
import { lostOf, lostOverSeats, type LostTerms, mirrorLost, type Score, scoreOfTerms, spreadLost, weightOf } from './score.ts';
import type { Seat } from './seats.ts';

/** A place where a speaker of a channel could be built, or why it could not. */
export interface CandidatePlace {
  readonly at: Place;
  /** Work that it takes beyond the usual, in the unit of the budget. */
  readonly work: number;
  /** Why nothing can be built there; null where it can. */
  readonly refused: string | null;
}

export interface LayoutProblem {
  readonly layout: string;
  readonly seats: readonly Seat[];
  /** Bearing in which the seats look, degrees clockwise from up the plan, and a point of the middle line. */
  readonly facingDeg: number;
  readonly middle: readonly [number, number];
  readonly blocks: readonly Block[];
  readonly channels: readonly {
    readonly channel: SurroundChannel;
    readonly places: readonly CandidatePlace[];
    /** The place that it keeps, by its place in the list; null where it may be moved. */
    readonly pinned: number | null;
  }[];
  /** How much extra work there may be; null where nobody counts it. */
  readonly workBudget: number | null;
  /** Speakers stand at least this far apart, m. */
  readonly leastApartM: number;
  /** Which windows of angles hold. */
  readonly school?: TheatreAim['school'];
}

export interface SolvedLayout {
  /** The chosen place of each channel by its place in the list; null where none can be built. */
  readonly chosen: readonly (number | null)[];
  readonly score: Score;
  /** Combinations that were judged. */
  readonly judged: number;
  readonly stopped: 'nothing better' | 'called off';
}

export interface Watch {
  readonly onShare?: (share: number) => void;
  readonly isCalledOff?: () => boolean;
}

/** Two speakers in one place lose more than any layout. */
const TOO_NEAR = 10;
const BETTER = 1e-12;

/**
 * The places for all channels at which the least is lost by the score, with everything that is pinned left where it is. What a channel
 * loses by its angles, sight lines, levels and work is its own; what is shared is the symmetry of a pair and the budget of work. So every
 * pair is chosen together among all of its places, and pairs are gone through again until nothing gets better. The same problem gives the
 * same answer.
 */
export function solveLayout(problem: LayoutProblem, { onShare, isCalledOff }: Watch = {}): SolvedLayout {
  const steps = solvingLayout(problem, isCalledOff);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    onShare?.(step.value);
  }
}

/** The same step by step, with the share of the round that is done. */
export function* solvingLayout(problem: LayoutProblem, isCalledOff?: () => boolean): Generator<number, SolvedLayout> {
  const judge = new LayoutJudge(problem);
  const groups = groupsOf(problem);
  let judged = 0;
  let isOff = false;
  const improved = function* (from: readonly (number | null)[]): Generator<number, (number | null)[]> {
    let best = [...from];
    let least = judge.lost(best);
    for (let isBetter = true; isBetter && !isOff;) {
      isBetter = false;
      for (const [n, group] of groups.entries()) {
        if ((isOff ||= isCalledOff?.() ?? false)) break;
        for (const places of combinations(group.map((one) => judge.buildable[one]))) {
          const tried = [...best];
          group.forEach((channel, k) => (tried[channel] = places[k]));
          const lost = judge.lost(tried);
          judged++;
          if (lost < least - BETTER) [best, least, isBetter] = [tried, lost, true];
        }
        yield (n + 1) / groups.length;
      }
    }
    return best;
  };
  // With work counted and without: beyond its budget more of it loses nothing more, so that the best may lie there.
  const starts = problem.workBudget === null ? [0] : [0, 1];
  const tries: (number | null)[][] = [];
  for (const start of starts) tries.push(yield* improved(judge.first(start === 0)));
  const chosen = tries.reduce((best, one) => (judge.lost(one) < judge.lost(best) - BETTER ? one : best));
  return { chosen, score: scoreOfTerms(judge.terms(chosen)), judged, stopped: isOff ? 'called off' : 'nothing better' };
}

/** What is lost by a choice of places, 0 to 1: for tests that try every one. */
export function lostBy(problem: LayoutProblem): (chosen: readonly (number | null)[]) => number {
  const judge = new LayoutJudge(problem);
  return (chosen) => judge.lost(chosen);
}

/** Channels that are chosen together: the two of a pair, and each other one by itself. */
function groupsOf({ channels }: LayoutProblem): number[][] {
  const groups: number[][] = [];
  channels.forEach(({ channel }, n) => {
    if (channel.endsWith('-right')) {
      const left = channels.findIndex((one) => one.channel === channel.replace('-right', '-left'));
      if (left >= 0) return;
    }
    const right = channel.endsWith('-left')
      ? channels.findIndex((one) => one.channel === channel.replace('-left', '-right'))
      : -1;
    groups.push(right >= 0 ? [n, right] : [n]);
  });
  return groups;
}

function* combinations(lists: readonly (readonly (number | null)[])[]): Generator<(number | null)[]> {
  const [first, ...rest] = lists;
  if (first === undefined) return yield [];
  for (const one of first) for (const others of combinations(rest)) yield [one, ...others];
}

/** What every place of every channel loses by itself, worked out once. */
class LayoutJudge {
  /** The places of each channel that can be built, or where it is pinned. */
  readonly buildable: readonly (readonly (number | null)[])[];
  private readonly weights: readonly number[];
  private readonly angles: readonly (readonly number[])[];
  private readonly levels: readonly (readonly number[])[];
  private readonly pairs: readonly (readonly [left: number, right: number])[];
  private readonly from: FromMiddle;

  constructor(private readonly problem: LayoutProblem) {
    const { channels, seats, layout, facingDeg, blocks, school } = problem;
    this.from = fromMiddle(problem.middle, facingDeg);
    this.buildable = channels.map(({ places, pinned }) => {
      if (pinned !== null) return [pinned];
      const open = places.flatMap(({ refused }, n) => (refused === null ? [n] : []));
      return open.length > 0 ? open : [null];
    });
    this.weights = channels.map(({ channel }) => (windowOf(layout, channel, school) ? weightOf(channel) : 0));
    const figures = channels.map(({ channel, places }) => {
      const window = windowOf(layout, channel, school);
      return places.map(({ at }) => {
        const each = seats.map((seat) => channelAtSeat(at, seat, { window, facingDeg, blocks }));
        return {
          angles: lostOverSeats(
            seats,
            each.map(({ loss }) => loss),
          ),
          levels: spreadLost(spreadOf(each)),
        };
      });
    });
    this.angles = figures.map((places) => places.map((one) => one.angles));
    this.levels = figures.map((places) => places.map((one) => one.levels));
    this.pairs = groupsOf(problem).flatMap((group) => (group.length === 2 ? [[group[0], group[1]] as const] : []));
  }

  /** Where each channel loses the least by itself. */
  first(countsWork: boolean): (number | null)[] {
    const { channels, workBudget } = this.problem;
    return channels.map(({ places }, n) => {
      const lost = (place: number) =>
        lostOf({
          angles: this.angles[n][place],
          levels: this.levels[n][place],
          symmetry: 0,
          work: countsWork && workBudget ? places[place].work / workBudget : 0,
        });
      return this.buildable[n].reduce((best, one) =>
        one !== null && best !== null && lost(one) < lost(best) - BETTER ? one : best,
      );
    });
  }

  terms(chosen: readonly (number | null)[]): LostTerms {
    const { channels, workBudget } = this.problem;
    let [angles, levels, weights, work] = [0, 0, 0, 0];
    chosen.forEach((place, n) => {
      weights += this.weights[n];
      // A channel that cannot be built is lost.
      angles += this.weights[n] * (place === null ? 1 : this.angles[n][place]);
      levels += this.weights[n] * (place === null ? 0 : this.levels[n][place]);
      work += place === null ? 0 : channels[n].places[place].work;
    });
    const errors = this.pairs.map(([left, right]) => this.mirrorErrorOf(chosen[left], left, chosen[right], right));
    return {
      angles: weights === 0 ? 0 : angles / weights,
      levels: weights === 0 ? 0 : levels / weights,
      symmetry: errors.length === 0 ? 0 : errors.reduce((sum, one) => sum + mirrorLost(one), 0) / errors.length,
      work: workBudget ? Math.min(1, work / workBudget) : 0,
    };
  }

  lost(chosen: readonly (number | null)[]): number {
    return lostOf(this.terms(chosen)) + TOO_NEAR * this.tooNear(chosen);
  }

  private mirrorErrorOf(left: number | null, l: number, right: number | null, r: number): number {
    if (left === null || right === null) return Infinity;
    const { channels } = this.problem;
    return mirrorErrorM(channels[l].places[left].at, channels[r].places[right].at, this.from);
  }

  /** How many pairs of speakers stand in each other's place. */
  private tooNear(chosen: readonly (number | null)[]): number {
    const { channels, leastApartM } = this.problem;
    let count = 0;
    for (let n = 0; n < chosen.length; n++)
      for (let k = n + 1; k < chosen.length; k++) {
        const [one, other] = [chosen[n], chosen[k]];
        if (one === null || other === null) continue;
        const [a, b] = [channels[n].places[one].at, channels[k].places[other].at];
        if ((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2 < leastApartM ** 2) count++;
      }
    return count;
  }
}
