import { err, METRES_PER, ok, type Outcome } from '../math/index.ts';

/** The length marks printed on the jacket at both ends of a cable, as they were read; they rise or fall along the cable. */
export interface FootageMarks {
  readonly first: string;
  readonly last: string;
  readonly unit: 'm' | 'ft';
}

export interface MarkedLength {
  readonly lengthM: number;
  /** The counter turned over between the two marks. */
  readonly turnedOver: boolean;
}

const MARK = /^\d{1,6}$/;

/**
 * The length of a cable by the marks at its ends (trade practice). The counter has as many digits as the longer mark and turns over after
 * the last one, so that two lengths are possible: `expectedM`, the planned length in m, says which; without it the shorter one is taken.
 * Problems: `mark-not-read` (with `field`), `marks-alike`.
 */
export function lengthByMarks({ first, last, unit }: FootageMarks, expectedM: number | null): Outcome<MarkedLength> {
  for (const [field, mark] of [
    ['first', first],
    ['last', last],
  ] as const)
    if (!MARK.test(mark.trim())) return err('mark-not-read', { kind: 'invalid', field, value: mark.slice(0, 20) });
  const digits = Math.max(first.trim().length, last.trim().length);
  const apart = Math.abs(Number(first) - Number(last));
  if (apart === 0) return err('marks-alike', { kind: 'invalid', field: 'last', value: last.trim() });
  const [straight, over] = [apart, 10 ** digits - apart].map((marks) => marks * METRES_PER[unit]);
  const turnedOver = expectedM === null ? over < straight : Math.abs(over - expectedM) < Math.abs(straight - expectedM);
  return ok({ lengthM: turnedOver ? over : straight, turnedOver });
}
