import type { CollectionName, ProjectDocument } from '../model/index.ts';

/** A house with one mistake of a rule in it, and its twin without. */
export interface Planted {
  readonly rule: string;
  readonly mistake: () => ProjectDocument;
  readonly clean: () => ProjectDocument;
  readonly code: string;
  readonly about: CollectionName;
  /** Measured and allowed as worked by hand, where the rule measures. */
  readonly figures?: readonly [measured: number, allowed: number, within?: number];
  readonly today?: string;
  /** Whether its first cure clears it and raises nothing of the same or a higher rank. */
  readonly cured: boolean;
}
