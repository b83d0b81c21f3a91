import { PASSIVES, WINDOWS } from '../calculators/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';

export type RfService = keyof typeof WINDOWS;

/** A signal as it enters: its level at the lowest and at the highest frequency that is used, dBuV and MHz. */
export interface RfSource {
  readonly service: RfService;
  readonly lowestMhz: number;
  readonly highestMhz: number;
  readonly atLowestDbuv: number;
  readonly atHighestDbuv: number;
}

/** An outlet with what its cable and connectors lose at both ends of the band, dB. */
export interface RfOutlet {
  readonly id: string;
  readonly lowDb: number;
  readonly highDb: number;
}

/** A splitter, or an outlet at the end of a cable. */
export type RfNode =
  | { readonly kind: 'splitter'; readonly ways: number; readonly outputs: readonly RfNode[] }
  | { readonly kind: 'outlet'; readonly id: string; readonly padDb: number }
  | { readonly kind: 'unused' };

export interface RfLevel {
  readonly id: string;
  readonly atLowestDbuv: number;
  readonly atHighestDbuv: number;
  readonly padDb: number;
  readonly onTarget: boolean;
}

/** A tree that brings every outlet into its window, at least price. */
export interface RfPlan {
  /** Gain of the amplifier before the splitters; 0 is none. */
  readonly gainDb: number;
  readonly tree: RfNode;
  readonly levels: readonly RfLevel[];
  /** Outputs that are closed with 75 ohm. */
  readonly terminators: number;
  readonly price: number;
  readonly tried: number;
}

/** Invented prices of parts; what counts is which parts are fewer. */
const PRICE = { splitter: { 2: 8, 3: 11, 4: 14, 6: 20, 8: 24 }, amplifier: 70, pad: 4, terminator: 1 } as const;
const WAYS = [2, 3, 4, 6, 8] as const;
const GAINS_DB = [0, 10, 15, 20, 25, 30] as const;
const PADS_DB = [0, 3, 6, 9, 12, 16, 20] as const;
/** What an amplifier gives at most with many channels (ENGINEERING 5.2), dBuV. */
export const MOST_OUT_DBUV = 105;
/** More outlets than this want a head end of their own. */
export const MOST_OUTLETS = 64;
export const TABLE_TOP_MHZ = 1002;
/** Two compression connectors, and a plate above 1 GHz (ENGINEERING 5.1), dB. */
export const CONNECTORS_DB = 0.4;
export const PLATE_DB = 0.5;
export const PLATE_FROM_MHZ = 1000;

/** What a splitter of so many ways loses at a frequency, dB; null where the table has none of it. */
export const splitterDb = (ways: number, mhz: number): number | null =>
  PASSIVES[`splitter-${ways}`]?.[mhz > TABLE_TOP_MHZ ? 1 : 0] ?? null;
const splitDb = (ways: number, mhz: number): number => splitterDb(ways, mhz)!;

/** An output of a tree of splitters: what is lost on the way to it, at both ends of the band, dB. */
interface Output {
  readonly lowDb: number;
  readonly highDb: number;
}

/** Outputs of a shape that lose the same: those of the first splitter, or of the second ones of so many ways. */
interface OutputClass extends Output {
  /** 0 for the first splitter. */
  readonly ways: number;
  readonly count: number;
}

/** How a first splitter is followed: by none, or by one of so many ways on some of its outputs. */
interface Shape {
  readonly root: number;
  readonly next: readonly number[];
  readonly classes: readonly OutputClass[];
  readonly outputs: number;
  readonly price: number;
}

/** Shapes of one or two stages with at least so many outputs and no splitter too many, the cheapest first. */
function shapesFor(count: number, source: RfSource): Shape[] {
  if (count === 1) return [{ root: 1, next: [], classes: [{ ways: 0, count: 1, lowDb: 0, highDb: 0 }], outputs: 1, price: 0 }];
  const at = (ways: number): Output => ({ lowDb: splitDb(ways, source.lowestMhz), highDb: splitDb(ways, source.highestMhz) });
  const shapes: Shape[] = [];
  const grow = (root: number, next: readonly number[], from: number) => {
    const ends = root - next.length + next.reduce((sum, ways) => sum + ways, 0);
    if (ends >= count) {
      shapes.push(shapeOf(root, next, at));
      return;
    }
    if (next.length === root) return;
    for (let n = from; n < WAYS.length; n++) grow(root, [...next, WAYS[n]], n);
  };
  for (const root of WAYS) grow(root, [], 0);
  const leastPrice = ({ price, outputs }: Shape) => price + PRICE.terminator * (outputs - count);
  return shapes.sort((a, b) => leastPrice(a) - leastPrice(b));
}

function shapeOf(root: number, next: readonly number[], at: (ways: number) => Output): Shape {
  const first = at(root);
  const direct = root - next.length;
  const second = WAYS.filter((ways) => next.includes(ways)).map((ways): OutputClass => {
    const { lowDb, highDb } = at(ways);
    const count = ways * next.filter((one) => one === ways).length;
    return { ways, count, lowDb: first.lowDb + lowDb, highDb: first.highDb + highDb };
  });
  const classes = [...(direct > 0 ? [{ ways: 0, count: direct, ...first }] : []), ...second];
  const price = [root, ...next].reduce((sum, ways) => sum + PRICE.splitter[ways as keyof typeof PRICE.splitter], 0);
  return { root, next, classes, outputs: classes.reduce((sum, { count }) => sum + count, 0), price };
}

/** The level of an outlet behind an output with the least pad that keeps it in the window; null where none does. */
function levelAt(source: RfSource, gainDb: number, output: Output, outlet: RfOutlet): Omit<RfLevel, 'id'> | null {
  const { least, most, planLeast, planMost } = WINDOWS[source.service];
  for (const padDb of PADS_DB) {
    const atLowestDbuv = source.atLowestDbuv + gainDb - output.lowDb - outlet.lowDb - padDb;
    const atHighestDbuv = source.atHighestDbuv + gainDb - output.highDb - outlet.highDb - padDb;
    const [low, high] = [Math.min(atLowestDbuv, atHighestDbuv), Math.max(atLowestDbuv, atHighestDbuv)];
    if (low < least - 1e-9) return null;
    if (high <= most + 1e-9)
      return { atLowestDbuv, atHighestDbuv, padDb, onTarget: low >= planLeast - 1e-9 && high <= planMost + 1e-9 };
  }
  return null;
}

type At = Omit<RfLevel, 'id'> | null;

/**
 * The classes that outlets take with the fewest pads, each by its place in the list: augmented along the cheapest ways, outlet after outlet.
 * Null where some outlet finds none.
 */
function assigned(levels: readonly (readonly At[])[], capacity: readonly number[]): number[] | null {
  const cost = (n: number, k: number): number => (levels[n][k] === null ? Infinity : levels[n][k]!.padDb > 0 ? 1 : 0);
  const taken: number[] = [];
  const used = capacity.map(() => 0);
  for (let n = 0; n < levels.length; n++) {
    const dist = capacity.map((_, k) => cost(n, k));
    /** From which class one comes, and which outlet moves on. */
    const from = capacity.map((): { readonly k: number; readonly n: number } | null => null);
    for (let round = 1; round < capacity.length; round++)
      for (let a = 0; a < capacity.length; a++) {
        if (dist[a] === Infinity) continue;
        for (let m = 0; m < n; m++) {
          if (taken[m] !== a) continue;
          for (let b = 0; b < capacity.length; b++) {
            const next = dist[a] + cost(m, b) - cost(m, a);
            if (next < dist[b] - 1e-9) {
              dist[b] = next;
              from[b] = { k: a, n: m };
            }
          }
        }
      }
    let end = -1;
    for (let k = 0; k < capacity.length; k++)
      if (used[k] < capacity[k] && dist[k] < Infinity && (end < 0 || dist[k] < dist[end])) end = k;
    if (end < 0) return null;
    used[end]++;
    let k = end;
    for (let step = from[k]; step !== null; step = from[k]) {
      taken[step.n] = k;
      k = step.k;
    }
    taken[n] = k;
  }
  return taken;
}

interface Best {
  readonly shape: Shape;
  readonly gainDb: number;
  readonly levels: readonly (RfLevel & { readonly ways: number })[];
  readonly price: number;
}

/**
 * Splitters, an amplifier and pads that bring every outlet into its window at least price: one or two stages of splitters in every shape,
 * every gain, and for each the outputs that need the fewest pads. Problems by field: `rf-no-outlets`, `rf-too-many`, `rf-source-weak` with
 * the level that is missing, `rf-source-hot`, `rf-tilted`.
 */
export function solveRf(source: RfSource, outlets: readonly RfOutlet[]): Outcome<RfPlan> {
  if (outlets.length === 0) return err('rf-no-outlets', { kind: 'incomplete', field: 'outlets' });
  if (outlets.length > MOST_OUTLETS)
    return err('rf-too-many', { kind: 'infeasible', field: 'outlets', count: outlets.length, most: MOST_OUTLETS });
  const sorted = [...outlets].sort((a, b) => b.highDb - a.highDb || (a.id < b.id ? -1 : 1));
  const shapes = shapesFor(sorted.length, source);
  let best: Best | null = null;
  let tried = 0;
  for (const gainDb of GAINS_DB) {
    if (gainDb > 0 && Math.max(source.atLowestDbuv, source.atHighestDbuv) + gainDb > MOST_OUT_DBUV) break;
    for (const shape of shapes) {
      const fixed = shape.price + (gainDb > 0 ? PRICE.amplifier : 0) + PRICE.terminator * (shape.outputs - sorted.length);
      if (best && fixed >= best.price) break;
      tried++;
      const at = sorted.map((outlet) => shape.classes.map((output) => levelAt(source, gainDb, output, outlet)));
      // At least so many pads, whatever goes where.
      const pads = at.filter((row) => !row.some((one) => one?.padDb === 0)).length;
      if (best && fixed + PRICE.pad * pads >= best.price) continue;
      const taken = assigned(
        at,
        shape.classes.map(({ count }) => count),
      );
      if (!taken) continue;
      const levels = sorted.map(({ id }, n) => ({ id, ways: shape.classes[taken[n]].ways, ...at[n][taken[n]]! }));
      const price = fixed + PRICE.pad * levels.filter(({ padDb }) => padDb > 0).length;
      if (!best || price < best.price) best = { shape, gainDb, levels, price };
    }
  }
  if (!best) return whyNot(source, sorted, shapes);
  return ok({
    ...{ gainDb: best.gainDb, price: best.price, tried },
    levels: best.levels.map(({ ways: _ways, ...level }) => level),
    tree: treeOf(best.shape, best.levels),
    terminators: best.shape.outputs - best.levels.length,
  });
}

/** What keeps any tree from working: too little level, a tilt wider than the window, or too much level. */
function whyNot(source: RfSource, outlets: readonly RfOutlet[], shapes: readonly Shape[]): Outcome<never> {
  const { least, most } = WINDOWS[source.service];
  const highest = Math.max(source.atLowestDbuv, source.atHighestDbuv);
  const top = Math.max(...GAINS_DB.filter((one) => one === 0 || highest + one <= MOST_OUT_DBUV));
  const tilt = Math.max(
    ...outlets.map(({ lowDb, highDb }) => Math.abs(source.atLowestDbuv - lowDb - source.atHighestDbuv + highDb)),
  );
  if (tilt > most - least)
    return err('rf-tilted', { kind: 'infeasible', field: 'atLowestDbuv', tiltDb: Number(tilt.toFixed(1)), mostDb: most - least });
  const lossDb = Math.min(...shapes.map(({ classes }) => Math.min(...classes.map(({ highDb }) => highDb))));
  const weakest = source.atHighestDbuv + top - lossDb - outlets[0].highDb;
  const missingDb = Number(Math.max(0, least - weakest).toFixed(1));
  if (missingDb > 0 || source.atHighestDbuv < least)
    return err('rf-source-weak', { kind: 'infeasible', field: 'atHighestDbuv', missingDb });
  return err('rf-source-hot', { kind: 'infeasible', field: 'atLowestDbuv', most });
}

/** The tree of a shape with its outlets on the outputs that they take. */
function treeOf({ root, next }: Shape, levels: Best['levels']): RfNode {
  const leavesOf = (ways: number) =>
    levels.filter((one) => one.ways === ways).map(({ id, padDb }): RfNode => ({ kind: 'outlet', id, padDb }));
  const direct = leavesOf(0);
  if (root === 1) return direct[0];
  const filled = (leaves: RfNode[], count: number): RfNode[] => {
    const own = leaves.splice(0, count);
    return [...own, ...Array.from({ length: count - own.length }, (): RfNode => ({ kind: 'unused' }))];
  };
  const stages = WAYS.flatMap((ways) => {
    const leaves = leavesOf(ways);
    return next.filter((one) => one === ways).map((): RfNode => ({ kind: 'splitter', ways, outputs: filled(leaves, ways) }));
  });
  return { kind: 'splitter', ways: root, outputs: [...filled(direct, root - next.length), ...stages] };
}
