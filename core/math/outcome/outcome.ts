/** Why an answer is refused, in the order in which they are reported (ENGINEERING 0.4). */
export const REFUSAL_KINDS = ['incomplete', 'invalid', 'out_of_domain', 'prohibited', 'defer', 'infeasible'] as const;
export type RefusalKind = (typeof REFUSAL_KINDS)[number];

/** A problem as data: a code that the texts turn into a sentence, the field it is about, and figures. */
export interface Problem {
  readonly code: string;
  readonly kind?: RefusalKind;
  readonly field?: string;
  readonly [figure: string]: unknown;
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

export const ok = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const err = (code: string, figures: Omit<Problem, 'code'> = {}): { ok: false; problem: Problem } => ({
  ok: false,
  problem: { code, ...figures },
});
