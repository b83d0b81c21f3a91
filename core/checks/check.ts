import type { CollectionName, Operation, ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';

/** Would fail or endanger; judge it; fine. */
export type Rank = 'stop' | 'look' | 'fine';

/** What would put a finding right, as a change that can be previewed and applied. */
export interface Cure {
  readonly code: string;
  readonly figures: Readonly<Record<string, unknown>>;
  readonly operations: readonly Operation[];
}

/** One statement of a check. `code` and `figures` make its sentence; measured and allowed are in `unit`. */
export interface Finding {
  readonly check: string;
  readonly rank: Rank;
  readonly code: string;
  readonly subjects: readonly { readonly in: CollectionName; readonly id: string }[];
  readonly measured: number | null;
  readonly allowed: number | null;
  readonly unit: string;
  readonly figures: Readonly<Record<string, unknown>>;
  readonly cures: readonly Cure[];
}

/** What a check may look at. */
export interface CheckContext {
  readonly document: ProjectDocument;
  readonly runs: readonly PlannedRun[];
  /** YYYY-MM-DD; without it nothing is said about dates. */
  readonly today?: string;
}

/**
 * A rule: `run` is pure. `severity` is the worst rank it can give. A rule that names the tables it `reads`, and looks at
 * nothing else, is not run again while they are the same.
 */
export interface Check {
  readonly id: string;
  readonly title: string;
  readonly source: string;
  readonly severity: Rank;
  readonly appliesTo: CollectionName;
  readonly reads?: readonly CollectionName[];
  readonly run: (context: CheckContext) => Finding[];
}

export const defineCheck = (check: Check): Check => check;

/** Ranks from the worst on. */
export const ORDER: Readonly<Record<Rank, number>> = { stop: 0, look: 1, fine: 2 };

/** The worst rank among findings; `fine` where there are none. */
export const worstRank = (findings: readonly Pick<Finding, 'rank'>[]): Rank =>
  findings.reduce<Rank>((worst, { rank }) => (ORDER[rank] < ORDER[worst] ? rank : worst), 'fine');

/** The findings about one record. */
export const findingsOf = <F extends Pick<Finding, 'subjects'>>(findings: readonly F[], id: string): F[] =>
  findings.filter((finding) => finding.subjects.some((subject) => subject.id === id));
