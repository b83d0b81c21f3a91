import { groupedBy } from '../math/index.ts';
import { Certainty, type Bin, fitsOn, newBin, packed, put, type Sized, take } from './pack.ts';
import type { FilledSpool, SpoolAnswer, SpoolOffer, SpoolProblem, StockSpool } from './spool-problem.ts';

const EPS = 1e-9;
/** Work of the search, in steps times cuts: what a packing may take at first, and all of them together; then the plain ones go on. */
const [TRY_WORK, ALL_WORK] = [6e5, 3e6];
/** Packings that are tried with little work each, after the search has used up its own. */
const MOST_TRIES = 400;
const LITTLE_WORK = 5e4;

/**
 * Spools for the cuts of one cable type: what is there and what is bought, with the cuts of each, for the least money or the fewest spools.
 * Sets of new spools are tried from the least on; the first of them that meets what every plan must (length in all, as many spools as the
 * largest bundle has cuts) is the lower bound, and the first on which every cut finds a place is the answer.
 */
export function solveSpools(problem: SpoolProblem): SpoolAnswer {
  const certainty = new Certainty(problem.confidence);
  const all = problem.cuts.map(certainty.sized);
  const longest = Math.max(0, ...problem.stock.map(({ leftM }) => leftM), ...problem.offers.map(({ lengthM }) => lengthM));
  const tooLong = all.filter(({ aloneM }) => aloneM > longest + EPS).map(({ id }) => id);
  const cuts = all.filter(({ aloneM }) => aloneM <= longest + EPS);
  const offers = usefulOffers(problem);
  if (cuts.length === 0)
    return { spools: [], buy: [], costCents: 0, count: 0, boundCents: 0, boundCount: 0, without: [], tooLong };
  const sets = new Sets(offers, problem.aim, new Musts(cuts, problem.stock, certainty));
  let bound: SpoolSet | null = null;
  let work = 0;
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const set = sets.next();
    if (!set) break;
    bound ??= set;
    const steps = Math.ceil((work < ALL_WORK ? TRY_WORK : LITTLE_WORK) / cuts.length);
    const found = packed([...problem.stock.map(({ leftM }) => leftM), ...set.lengthsM], cuts, certainty, steps);
    work += found.steps * cuts.length;
    if (found.bins) return { ...answerOf(problem, { bins: found.bins, set, bound, certainty }), tooLong };
  }
  return { ...plainAnswer(problem, { cuts, offers, bound, certainty }), tooLong };
}

/** Sizes of which no longer one costs as little or less; with the fewest spools as aim, by length alone. */
function usefulOffers({ offers }: SpoolProblem): SpoolOffer[] {
  return offers.filter(
    (one, n) =>
      !offers.some(
        (other, m) =>
          other.lengthM >= one.lengthM &&
          other.priceCents <= one.priceCents &&
          (other.lengthM > one.lengthM || other.priceCents < one.priceCents || m < n),
      ),
  );
}

interface SpoolSet {
  readonly costCents: number;
  readonly count: number;
  readonly lengthsM: readonly number[];
  /** Size of each of them. */
  readonly offerIds: readonly string[];
}

/** Sets that cost a little more than the plain one are looked at too, or some spools more: the packing may need them. */
const [WIDER, MORE] = [1.1, 3];

interface Queued {
  /** How many of each size, longest first. */
  readonly counts: readonly number[];
  readonly key: number;
}

/** Of sets with so many of the shorter sizes no more are looked at than this. */
const MOST_OTHERS = 60_000;

/**
 * Sets of new spools that meet what every plan must, the least first: by price, or by number and then price. For any numbers of the other
 * sizes there is a least number of the longest; the sets with one more of it come after.
 */
class Sets {
  private readonly queue: Queued[] = [];
  private readonly order: readonly SpoolOffer[];

  constructor(
    offers: readonly SpoolOffer[],
    private readonly aim: SpoolProblem['aim'],
    private readonly must: Musts,
  ) {
    this.order = offers.toSorted((a, b) => b.lengthM - a.lengthM || a.priceCents - b.priceCents);
    const [longest] = this.order;
    if (!longest) {
      this.queue.push({ counts: [], key: 0 });
      return;
    }
    const counts = this.order.map(() => 0);
    const plain = this.plain();
    const most = Math.max(this.keyOf(plain) * WIDER, this.keyOf([plain[0] + MORE, ...plain.slice(1)]));
    const go = (k: number, lengthM: number) => {
      if (this.queue.length > MOST_OTHERS) return;
      if (k === this.order.length) {
        counts[0] = Math.max(0, Math.ceil((must.missingM - lengthM) / longest.lengthM - 1e-6));
        const key = this.keyOf(counts);
        if (key <= most) this.queue.push({ counts: [...counts], key });
        counts[0] = 0;
        return;
      }
      for (counts[k] = 0; this.keyOf(counts) <= most; counts[k]++) go(k + 1, lengthM + counts[k] * this.order[k].lengthM);
      counts[k] = 0;
    };
    go(1, 0);
    // The least at the end, from where it is taken.
    this.queue.sort((a, b) => b.key - a.key);
  }

  /** The fewest of the longest size alone that meet what must be. */
  private plain(): number[] {
    const counts = this.order.map(() => 0);
    counts[0] = Math.max(0, Math.ceil(this.must.missingM / this.order[0].lengthM - 1e-6));
    const most = counts[0] + this.must.most;
    while (counts[0] < most && !this.must.met(this.setOf(counts).lengthsM)) counts[0]++;
    return counts;
  }

  private setOf(counts: readonly number[]): SpoolSet {
    const sizes = counts.flatMap((n, k) => Array.from({ length: n }, () => this.order[k]));
    return {
      costCents: counts.reduce((sum, n, k) => sum + n * this.order[k].priceCents, 0),
      count: sizes.length,
      lengthsM: sizes.map(({ lengthM }) => lengthM),
      offerIds: sizes.map(({ id }) => id),
    };
  }

  private keyOf(counts: readonly number[]): number {
    let [cost, count] = [0, 0];
    for (let k = 0; k < counts.length; k++) {
      cost += counts[k] * this.order[k].priceCents;
      count += counts[k];
    }
    return this.aim === 'cost' ? cost * 1e4 + count : count * 1e11 + cost;
  }

  private push(counts: readonly number[]): void {
    const key = this.keyOf(counts);
    let [low, high] = [0, this.queue.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.queue[middle].key > key) low = middle + 1;
      else high = middle;
    }
    this.queue.splice(low, 0, { counts, key });
  }

  next(): SpoolSet | null {
    for (let found = this.queue.pop(); found; found = this.queue.pop()) {
      const [n, ...others] = found.counts;
      if (n !== undefined && n <= this.must.most) this.push([n + 1, ...others]);
      const set = this.setOf(found.counts);
      if (this.must.met(set.lengthsM)) return set;
    }
    return null;
  }
}

/** What every plan must meet, whatever is cut from what. */
class Musts {
  private readonly needM: number;
  private readonly bundles: readonly (readonly number[])[];
  private readonly alone: readonly number[];

  constructor(
    cuts: readonly Sized[],
    private readonly stock: readonly StockSpool[],
    certainty: Certainty,
  ) {
    const mean = cuts.reduce((sum, { meanM }) => sum + meanM, 0);
    const variance = cuts.reduce((sum, { varianceM2 }) => sum + varianceM2, 0);
    // Reserves of several spools together are no less than that of one with all cuts; below half there is none.
    this.needM = certainty.needM(mean, variance);
    const byBundle = groupedBy(
      cuts.filter(({ bundle }) => bundle !== ''),
      ({ bundle }) => bundle,
    );
    this.bundles = [...byBundle.values()].map((own) => own.map(({ aloneM }) => aloneM).sort((a, b) => b - a));
    this.alone = cuts.map(({ aloneM }) => aloneM).sort((a, b) => b - a);
  }

  /** No plan needs more spools than it has cuts. */
  get most(): number {
    return this.alone.length;
  }

  /** What the stock is too short by, m. */
  get missingM(): number {
    return this.needM - this.stock.reduce((sum, { leftM }) => sum + leftM, 0);
  }

  met(lengthsM: readonly number[]): boolean {
    const lengths = [...this.stock.map(({ leftM }) => leftM), ...lengthsM].sort((a, b) => b - a);
    if (lengths.reduce((sum, one) => sum + one, 0) < this.needM - 1e-6) return false;
    if ((lengths[0] ?? 0) < this.alone[0] - EPS) return false;
    // Each cut of a bundle has a spool of its own: the longest cut on the longest spool, and so on.
    if (this.bundles.some((sizes) => sizes.some((size, k) => (lengths[k] ?? 0) < size - EPS))) return false;
    return this.longestFit(lengths);
  }

  /** Cuts of more than half of the longest spool have one each. */
  private longestFit(lengths: readonly number[]): boolean {
    const half = lengths[0] / 2;
    return this.alone.every((size, k) => size <= half + EPS || (lengths[k] ?? 0) >= size - EPS);
  }
}

interface Found {
  readonly bins: readonly Bin[];
  readonly set: SpoolSet;
  readonly bound: SpoolSet;
  readonly certainty: Certainty;
}

function answerOf(problem: SpoolProblem, { bins, set, bound, certainty }: Found): Omit<SpoolAnswer, 'tooLong'> {
  gathered(bins, certainty);
  const spools = bins.flatMap((bin, n): FilledSpool[] => {
    if (bin.cuts.size === 0) return [];
    const usedM = certainty.needM(bin.meanM, bin.varianceM2);
    const isStock = n < problem.stock.length;
    return [
      {
        stockId: isStock ? problem.stock[n].id : null,
        offerId: isStock ? null : set.offerIds[n - problem.stock.length],
        lengthM: bin.lengthM,
        cutIds: [...bin.cuts].map(({ id }) => id).sort(),
        usedM,
        leftM: bin.lengthM - usedM,
      },
    ];
  });
  // A spool from which nothing is cut is not bought.
  const buy = problem.offers
    .map(({ id, priceCents }) => ({ offerId: id, priceCents, count: spools.filter(({ offerId }) => offerId === id).length }))
    .filter(({ count }) => count > 0);
  return {
    spools,
    buy: buy.map(({ offerId, count }) => ({ offerId, count })),
    costCents: buy.reduce((sum, { count, priceCents }) => sum + count * priceCents, 0),
    count: buy.reduce((sum, { count }) => sum + count, 0),
    ...{ boundCents: bound.costCents, boundCount: bound.count },
    without: [],
  };
}

/** Passes over all cuts that gather remainders. */
const GATHER_PASSES = 4;

/** Moves cuts so that what remains is on few spools: one long remainder is worth more than many short ones. */
function gathered(bins: readonly Bin[], certainty: Certainty): void {
  const left = (bin: Bin) => bin.lengthM - certainty.needM(bin.meanM, bin.varianceM2);
  for (let pass = 0; pass < GATHER_PASSES; pass++) {
    let moved = false;
    // From the spool with the most left to those with less.
    for (const from of bins.toSorted((a, b) => left(b) - left(a)))
      for (const cut of [...from.cuts].sort((a, b) => b.aloneM - a.aloneM || (a.id < b.id ? -1 : 1))) {
        const to = bins
          .filter((bin) => bin !== from && bin.cuts.size > 0 && left(bin) < left(from) && fitsOn(bin, cut, certainty))
          .sort((a, b) => left(a) - left(b))[0];
        if (!to) continue;
        take(from, cut);
        put(to, cut);
        moved = true;
      }
    if (!moved) return;
  }
}

interface Plain {
  readonly cuts: readonly Sized[];
  readonly offers: readonly SpoolOffer[];
  readonly bound: SpoolSet | null;
  readonly certainty: Certainty;
}

/** First fit, longest first, buying the longest size whenever nothing fits: an answer where the search gave none. */
function plainAnswer(problem: SpoolProblem, { cuts, offers, bound, certainty }: Plain): Omit<SpoolAnswer, 'tooLong'> {
  const longest = offers.toSorted((a, b) => b.lengthM - a.lengthM)[0];
  const bins = problem.stock.map(({ leftM }) => newBin(leftM));
  const without: string[] = [];
  for (const cut of cuts.toSorted((a, b) => b.aloneM - a.aloneM || (a.id < b.id ? -1 : 1))) {
    const fit = bins.find((bin) => fitsOn(bin, cut, certainty));
    if (fit) put(fit, cut);
    else if (longest && cut.aloneM <= longest.lengthM + EPS) {
      const bin = newBin(longest.lengthM);
      put(bin, cut);
      bins.push(bin);
    } else without.push(cut.id);
  }
  const bought = bins.length - problem.stock.length;
  const set: SpoolSet = {
    costCents: bought * (longest?.priceCents ?? 0),
    count: bought,
    lengthsM: Array.from({ length: bought }, () => longest.lengthM),
    offerIds: Array.from({ length: bought }, () => longest.id),
  };
  return { ...answerOf(problem, { bins, set, bound: bound ?? { ...set, costCents: 0, count: 0 }, certainty }), without };
}
