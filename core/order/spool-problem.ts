/** Everything of one cable type. Lengths in m, prices in whole cents. */

/** A cut for a run: what it is expected to need, and at the longest, each with its reserve. */
export interface Cut {
  readonly id: string;
  readonly meanM: number;
  /** A quarter of the range. */
  readonly sdM: number;
  readonly mostM: number;
  /** Cuts of one bundle are pulled together, each from a spool of its own; empty is alone. */
  readonly bundle: string;
}

/** A spool or box that is there already, with what is left on it. */
export interface StockSpool {
  readonly id: string;
  readonly leftM: number;
}

/** A size that can be bought. */
export interface SpoolOffer {
  readonly id: string;
  readonly lengthM: number;
  readonly priceCents: number;
}

export interface SpoolProblem {
  readonly cuts: readonly Cut[];
  readonly stock: readonly StockSpool[];
  readonly offers: readonly SpoolOffer[];
  /** Probability that a spool lasts for its cuts, 0.5 to 1; at 1 every run is at its longest. */
  readonly confidence: number;
  /** What is least: money, or spools. */
  readonly aim: 'cost' | 'count';
}

/** A spool with what is cut from it. */
export interface FilledSpool {
  /** Stock that is there, or the size that is bought. */
  readonly stockId: string | null;
  readonly offerId: string | null;
  readonly lengthM: number;
  readonly cutIds: readonly string[];
  /** What its cuts take at the chosen confidence, and what then remains, m. */
  readonly usedM: number;
  readonly leftM: number;
}

export interface SpoolAnswer {
  readonly spools: readonly FilledSpool[];
  readonly buy: readonly { readonly offerId: string; readonly count: number }[];
  readonly costCents: number;
  /** Spools that are bought. */
  readonly count: number;
  /** No plan can do with less, cents and spools. */
  readonly boundCents: number;
  readonly boundCount: number;
  /** Cuts that no spool holds: longer than all of them. */
  readonly tooLong: readonly string[];
  /** Cuts for which nothing was found, since no size is on offer. */
  readonly without: readonly string[];
}
