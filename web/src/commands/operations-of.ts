import { ok, type Outcome } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';

/** The operations of what a step of the core found out, or its problem. */
export const operationsOf = (outcome: Outcome<{ readonly operations: readonly Operation[] }>): Outcome<readonly Operation[]> =>
  outcome.ok ? ok(outcome.value.operations) : outcome;
