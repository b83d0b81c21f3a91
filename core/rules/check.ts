import type { AnyNode, Each, Reading, TableName } from '../derive/index.ts';
import type { CollectionName, Device, Operation, ProjectDocument, ProjectHeader } from '../model/index.ts';
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
  /** What would put it right, for the project in which somebody looks at it. */
  readonly cures?: (project: ProjectDocument) => readonly Cure[];
}

/** What a rule says; whose it is, the runner adds. */
export type RuleFinding = Omit<Finding, 'check'>;

const NO_CURES: readonly Cure[] = [];

/** What would put a finding right, for this state of the project. */
export const curesFor = ({ cures }: Pick<Finding, 'cures'>, project: ProjectDocument): readonly Cure[] =>
  cures?.(project) ?? NO_CURES;

/** What a check may look at. */
export interface CheckContext {
  readonly project: ProjectDocument;
  /** What follows from it, as far as the rule declares it. */
  readonly read: Reading;
  /** All runs by number, for a rule that declares `PLANNED_RUNS`. */
  readonly runs: readonly PlannedRun[];
  /** YYYY-MM-DD. */
  readonly today: string;
  /** A limit of the rule as it is set in the project, in its own unit. */
  readonly limit: (name: string) => number;
}

/** Part of the job in which a rule is looked at. */
export const CHECK_STAGES = ['survey', 'brief', 'devices', 'cabling', 'labels', 'closing'] as const;
export type CheckStage = (typeof CHECK_STAGES)[number];

/** A figure of a rule that a firm may set, between bounds; `safer` says which way is stricter. */
export interface CheckLimit {
  readonly usual: number;
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly safer: 'less' | 'more';
}

interface CheckHead {
  readonly id: string;
  readonly title: string;
  /** A standard with its clause, or trade practice. */
  readonly source: string;
  /** Names of the calculators that it rests on. */
  readonly calculators?: readonly string[];
  /** Worst rank that it can give. */
  readonly severity: Rank;
  readonly stage: CheckStage;
  readonly appliesTo: CollectionName;
  /** Regions for which it holds; all where none are named. */
  readonly regions?: readonly ProjectHeader['jurisdiction'][];
  /** Where it keeps people safe: it is lowered only with a reason, and documents print that. */
  readonly safety?: true;
  readonly limits?: Readonly<Record<string, CheckLimit>>;
  /** Tables that it looks at besides what it is about; `project` is the header. */
  readonly reads: readonly TableName[];
  /** What follows from the project that it looks at. */
  readonly nodes?: readonly AnyNode[];
  /** Whether it asks what day it is. */
  readonly day?: true;
}

/** A rule over the whole project; `run` is pure. It is run again where something differs that it reads. */
export interface HouseCheck extends CheckHead {
  readonly run: (context: CheckContext) => readonly RuleFinding[];
}

/** A rule about single runs: it looks at a run with its device and its route. */
export interface RunCheck extends CheckHead {
  /** It looks at how a cable is pulled: a cable that is there already is left out. */
  readonly newCableOnly?: true;
  readonly ofRun: (planned: PlannedRun, context: CheckContext) => readonly RuleFinding[];
}

/** A rule about single devices. */
export interface DeviceCheck extends CheckHead {
  readonly ofDevice: (device: Device, context: CheckContext) => readonly RuleFinding[];
  /** Nodes over devices that it looks at for the same device. */
  readonly beside?: readonly Each<'devices', unknown>[];
}

export type Check = HouseCheck | RunCheck | DeviceCheck;

export const defineCheck = <C extends Check>(check: C): C => check;

interface Measured {
  readonly measured?: number | null;
  readonly allowed?: number | null;
  readonly unit?: string;
  readonly cures?: Finding['cures'];
}

/** What a rule says; what is left out has nothing measured and no cure. */
export const say = (
  rank: Rank,
  code: string,
  subjects: Finding['subjects'],
  figures: Finding['figures'],
  { measured = null, allowed = null, unit = '', cures }: Measured = {},
): RuleFinding => ({ rank, code, subjects, measured, allowed, unit, figures, cures });

/** Ranks from the worst on. */
export const ORDER: Readonly<Record<Rank, number>> = { stop: 0, look: 1, fine: 2 };

/** The worst rank among findings; `fine` where there are none. */
export const worstRank = (findings: readonly Pick<Finding, 'rank'>[]): Rank =>
  findings.reduce<Rank>((worst, { rank }) => (ORDER[rank] < ORDER[worst] ? rank : worst), 'fine');

/** The findings about one record. */
export const findingsOf = <F extends Pick<Finding, 'subjects'>>(findings: readonly F[], id: string): F[] =>
  findings.filter((finding) => finding.subjects.some((subject) => subject.id === id));
