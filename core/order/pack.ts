import { drawFrom } from '../math/index.ts';
import { normalQuantile } from './confidence.ts';
import type { Cut } from './spool-problem.ts';

const EPS = 1e-9;

/** A spool while it is filled. */
export interface Bin {
  readonly lengthM: number;
  readonly cuts: Set<Sized>;
  readonly bundles: Map<string, Sized>;
  meanM: number;
  varianceM2: number;
}

/** A cut as the packing sees it. */
export interface Sized {
  readonly id: string;
  readonly bundle: string;
  readonly meanM: number;
  readonly varianceM2: number;
  /** What it takes of a spool by itself. */
  readonly aloneM: number;
}

/** How certain a plan is: `sum(mean) + z * sqrt(sum(sd^2))` has to fit; at 1 every cut at its longest. */
export class Certainty {
  readonly z: number;
  constructor(private readonly confidence: number) {
    this.z = confidence >= 1 ? 0 : normalQuantile(confidence);
  }
  sized = ({ id, bundle, meanM, sdM, mostM }: Cut): Sized => {
    const [mean, variance] = this.confidence >= 1 ? [mostM, 0] : [meanM, sdM ** 2];
    return { id, bundle, meanM: mean, varianceM2: variance, aloneM: this.needM(mean, variance) };
  };
  needM = (meanM: number, varianceM2: number): number => meanM + this.z * Math.sqrt(Math.max(0, varianceM2));
}

export const newBin = (lengthM: number): Bin => ({ lengthM, cuts: new Set(), bundles: new Map(), meanM: 0, varianceM2: 0 });

export function put(bin: Bin, cut: Sized): void {
  bin.cuts.add(cut);
  if (cut.bundle !== '') bin.bundles.set(cut.bundle, cut);
  bin.meanM += cut.meanM;
  bin.varianceM2 += cut.varianceM2;
}

export function take(bin: Bin, cut: Sized): void {
  bin.cuts.delete(cut);
  if (cut.bundle !== '') bin.bundles.delete(cut.bundle);
  bin.meanM -= cut.meanM;
  bin.varianceM2 -= cut.varianceM2;
}

/** A cut that was put in stays for so many steps. */
const TABU = 7;

/**
 * Puts every cut on one of these spools, no two of a bundle on one; null where the search finds no way within its steps. Best
 * fit, longest first; then what found no place pushes the least out of a spool, which looks for another.
 */
export function packed(
  lengthsM: readonly number[],
  cuts: readonly Sized[],
  certainty: Certainty,
  mostSteps: number,
): { readonly bins: readonly Bin[] | null; readonly steps: number } {
  const bins = lengthsM.map(newBin);
  const size = new Map<string, number>();
  for (const { bundle } of cuts) if (bundle !== '') size.set(bundle, (size.get(bundle) ?? 0) + 1);
  const spread = ({ bundle }: Sized) => size.get(bundle) ?? 1;
  const open: Sized[] = [];
  // Bundles with as many cuts as there are spools come first: they have the least choice.
  const tight = (cut: Sized) => (spread(cut) > bins.length * 0.7 ? 1 : 0);
  for (const cut of cuts.toSorted((a, b) => tight(b) - tight(a) || b.aloneM - a.aloneM || (a.id < b.id ? -1 : 1))) {
    const bin = bestFit(bins, cut, certainty);
    if (bin) put(bin, cut);
    else open.push(cut);
  }
  const random = drawFrom(cuts.length);
  const until = new Map<Sized, number>();
  let step = 0;
  for (; step < mostSteps && open.length > 0; step++) {
    open.sort((a, b) => b.aloneM - a.aloneM || (a.id < b.id ? -1 : 1));
    const cut = open.shift()!;
    const free = bestFit(bins, cut, certainty);
    if (free) {
      put(free, cut);
      continue;
    }
    const push = cheapestPush(bins, cut, certainty, random, (one) => (until.get(one) ?? -1) >= step);
    if (!push) {
      open.push(cut);
      until.clear();
      continue;
    }
    for (const out of push.out) {
      take(push.bin, out);
      open.push(out);
    }
    put(push.bin, cut);
    until.set(cut, step + TABU);
  }
  if (open.length === 0) return { bins, steps: step };
  return { bins: cuts.length <= FEW ? searched(lengthsM, cuts, certainty) : null, steps: step };
}

/** So few cuts are tried in every way, as far as that goes. */
const FEW = 24;
const MOST_NODES = 30_000;

/** Every way of putting cuts on spools, longest first, until one holds; null where none does, or the search grows too large. */
function searched(lengthsM: readonly number[], cuts: readonly Sized[], certainty: Certainty): Bin[] | null {
  const bins = lengthsM.map(newBin);
  const order = cuts.toSorted((a, b) => b.aloneM - a.aloneM || (a.id < b.id ? -1 : 1));
  let nodes = 0;
  const go = (n: number): boolean => {
    if (n === order.length) return true;
    if (++nodes > MOST_NODES) return false;
    const cut = order[n];
    const empty = new Set<number>();
    for (const bin of bins) {
      if (!fitsOn(bin, cut, certainty)) continue;
      // Of empty spools of one length one is as good as another.
      if (bin.cuts.size === 0) {
        if (empty.has(bin.lengthM)) continue;
        empty.add(bin.lengthM);
      }
      put(bin, cut);
      if (go(n + 1)) return true;
      take(bin, cut);
    }
    return false;
  };
  return go(0) ? bins : null;
}

const leftWith = (bin: Bin, cut: Sized, { needM }: Certainty): number =>
  bin.lengthM - needM(bin.meanM + cut.meanM, bin.varianceM2 + cut.varianceM2);

/** Whether a cut finds room on a spool, beside none of its bundle. */
export const fitsOn = (bin: Bin, cut: Sized, certainty: Certainty): boolean =>
  leftWith(bin, cut, certainty) >= -EPS && !bin.bundles.has(cut.bundle);

function bestFit(bins: readonly Bin[], cut: Sized, certainty: Certainty): Bin | null {
  let [best, least] = [null as Bin | null, Infinity];
  for (const bin of bins) {
    if (!fitsOn(bin, cut, certainty)) continue;
    const left = leftWith(bin, cut, certainty);
    if (left < least) [best, least] = [bin, left];
  }
  return best;
}

interface Push {
  readonly bin: Bin;
  readonly out: readonly Sized[];
}

/** The spool from which the least has to go for a cut to fit; a little chance among the good ones keeps it from going round in circles. */
function cheapestPush(
  bins: readonly Bin[],
  cut: Sized,
  { needM }: Certainty,
  random: () => number,
  isTabu: (cut: Sized) => boolean,
): Push | null {
  let best: Push | null = null;
  let least = Infinity;
  for (const bin of bins) {
    if (needM(cut.meanM, cut.varianceM2) > bin.lengthM + EPS) continue;
    const out: Sized[] = [];
    let [meanM, varianceM2] = [bin.meanM + cut.meanM, bin.varianceM2 + cut.varianceM2];
    const other = bin.bundles.get(cut.bundle);
    if (other && cut.bundle !== '') {
      if (isTabu(other)) continue;
      out.push(other);
      [meanM, varianceM2] = [meanM - other.meanM, varianceM2 - other.varianceM2];
    }
    let excess = needM(meanM, varianceM2) - bin.lengthM;
    while (excess > EPS) {
      // The smallest single cut that makes room, else the largest that there is.
      let [chosen, margin] = [null as Sized | null, Infinity];
      for (const one of bin.cuts) {
        if (out.includes(one) || isTabu(one)) continue;
        const over = one.aloneM - excess;
        const score = over >= -EPS ? over : 1e6 - one.aloneM;
        if (score < margin) [chosen, margin] = [one, score];
      }
      if (!chosen) break;
      out.push(chosen);
      [meanM, varianceM2] = [meanM - chosen.meanM, varianceM2 - chosen.varianceM2];
      excess = needM(meanM, varianceM2) - bin.lengthM;
    }
    if (excess > EPS) continue;
    const cost = out.reduce((sum, one) => sum + one.aloneM ** 2, 0) * (1 + 0.15 * random());
    if (cost < least) [best, least] = [{ bin, out }, cost];
  }
  return best;
}
