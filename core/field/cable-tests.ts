import { err, ok, type Outcome } from '../math/index.ts';
import {
  CABLE_FAULTS,
  type CableFault,
  type CableTest,
  create,
  type Operation,
  type ProjectDocument,
  type TestKind,
  update,
} from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { warmLinkM } from '../rules/index.ts';
import type { PlannedRun } from '../runs/index.ts';

/** What a cable tester read of one cable. */
export interface TestReading {
  /** Electrical length, m; null where it reads none. */
  readonly lengthM: number | null;
  readonly lossDb?: number | null;
  readonly faults: readonly { readonly fault: CableFault; readonly pair: string; readonly atM: number | null }[];
  /** Number of the run whose remote unit answered at the far end; empty where it does not say. */
  readonly farEnd?: string;
}

/** A reading against the plan. */
export interface JudgedTest {
  readonly passed: boolean;
  readonly faults: CableTest['faults'];
  /** The planned length that it was held against, m; null where the run has no route. */
  readonly leastM: number | null;
  readonly mostM: number | null;
  /** The longest that its category allows, m; null where there is no such limit. */
  readonly longestM: number | null;
  /** The length does not fit the plan by more than its range: somebody says why, or it is the wrong cable. */
  readonly asksWhy: boolean;
}

/** A tester reads length by the speed in the cable, which varies from pair to pair: so much of it either way. */
const READING_SHARE = 0.03;

/**
 * Judges a reading: faults of the wiring fail, another cable's far end fails, a length beyond what its category allows fails. A length that
 * only differs from the plan does not fail where it is explained: `reason` says why.
 */
export function judgeTest(project: ProjectDocument, planned: PlannedRun, reading: TestReading, reason = ''): JudgedTest {
  const { run, length } = planned;
  const cable = project.cableTypes[run.cableTypeId];
  const link = cable.family === 'cat' ? warmLinkM(project, cable) : null;
  const longestM = link?.ok ? link.value : null;
  const { lengthM } = reading;
  const cut = listOf(project, 'spoolCuts').find(({ runId }) => runId === run.id);
  const leastM = length ? Math.min(length.leastM, cut?.lengthM ?? Infinity) : null;
  const mostM = length ? Math.max(length.mostM, length.cutLengthM, cut?.lengthM ?? 0) : null;
  const faults = [...reading.faults];
  if (reading.farEnd && reading.farEnd !== run.number) faults.push({ fault: 'wrong-end', pair: '', atM: null });
  const isTooLong = lengthM !== null && longestM !== null && lengthM > longestM * (1 + 1e-9);
  const isOff =
    lengthM !== null &&
    leastM !== null &&
    mostM !== null &&
    (lengthM < leastM * (1 - READING_SHARE) - 1e-9 || lengthM > mostM * (1 + READING_SHARE) + 1e-9);
  // An open or shorted cable is read up to its fault: that length says nothing of the plan.
  const isCutShort = faults.some(({ fault }) => fault === 'open' || fault === 'short');
  const asksWhy = isOff && !isCutShort && reason.trim() === '';
  if ((isTooLong || asksWhy) && !faults.some(({ fault }) => fault === 'wrong-length'))
    faults.push({ fault: 'wrong-length', pair: '', atM: null });
  return { passed: faults.length === 0, faults, leastM, mostM, longestM, asksWhy };
}

/** What a test is recorded with. */
export interface TestRecord extends Pick<CableTest, 'id' | 'kind' | 'on' | 'by' | 'tester' | 'limits' | 'reason' | 'note'> {
  readonly reading: TestReading;
}

/**
 * The operations that record a test: the test itself, and on the run the day on which it passed; a failed test takes that day away again.
 * Problems: `test-length` (not above 0, or longer than any cable).
 */
export function recordTest(project: ProjectDocument, planned: PlannedRun, record: TestRecord): Outcome<Operation[]> {
  const { reading, ...rest } = record;
  const { lengthM, lossDb = null } = reading;
  if (lengthM !== null && !(lengthM > 0 && lengthM <= 5000))
    return err('test-length', { kind: 'out_of_domain', field: 'length', value: lengthM });
  const judged = judgeTest(project, planned, reading, record.reason);
  const { run } = planned;
  const test: CableTest = { ...rest, runId: run.id, lengthM, lossDb, passed: judged.passed, faults: judged.faults.slice(0, 20) };
  const on = judged.passed ? record.on : '';
  const field = record.kind === 'raw' ? { rawTestedOn: on } : { endTestedOn: on };
  return ok(
    [create('cableTests', test), update('runs', run, { ...field, testedBy: record.by.slice(0, 60) })].filter(
      (one) => one !== null,
    ),
  );
}

/** All tests of a run, the newest first. */
export const testsOf = (project: Pick<ProjectDocument, 'cableTests'>, runId: string): CableTest[] =>
  listOf(project, 'cableTests')
    .filter((test) => test.runId === runId)
    .toSorted((a, b) => b.on.localeCompare(a.on));

/** The fault that a tester means by a word of its own; null where it is none that is known. */
export function faultOfWord(word: string): CableFault | null {
  const plain = word
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, '-');
  const exact = CABLE_FAULTS.find((fault) => fault === plain);
  return exact ?? FAULT_WORDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null;
}

const FAULT_WORDS: readonly (readonly [CableFault, RegExp])[] = [
  ['split-pair', /split/],
  ['reversed-pair', /revers|polarity/],
  ['crossed-pairs', /cross|transpos|miswire/],
  ['wrong-end', /wrong-(end|cable)|other-end/],
  ['wrong-length', /length/],
  ['high-loss', /loss|attenuation|insertion/],
  ['open', /open|broken|cut/],
  ['short', /short/],
];

/** Kinds of test by where the run is in its life: what is terminated is tested finished. */
export const testKindOf = (planned: Pick<PlannedRun, 'run'>): TestKind =>
  planned.run.state === 'terminated' || planned.run.state === 'tested' ? 'finished' : 'raw';
