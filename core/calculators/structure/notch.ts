import { atLeast, atMost } from '../calculator.ts';
import { err, ok, type Outcome } from '../../math/index.ts';
import type { ProjectHeader } from '../../model/index.ts';

/** A notch in a sawn member, or a chase in masonry, m. */
export interface Notch {
  readonly member: 'stud' | 'joist' | 'plate' | 'masonry';
  /** Actual depth of the member, or thickness of the masonry. */
  readonly depthM: number;
  readonly jurisdiction: ProjectHeader['jurisdiction'];
  readonly bearing: boolean;
  readonly notchM: number;
  /** Along the member; null where it is not known. */
  readonly lengthM: number | null;
  readonly spanM: number | null;
  /** From the nearer support to the nearer end of the notch. */
  readonly fromSupportM: number | null;
  readonly face: 'top' | 'bottom';
  /** A level chase in masonry. */
  readonly level: boolean;
}

export interface NotchLimit {
  readonly mostM: number;
  readonly mostLengthM: number | null;
  readonly nailPlates: boolean;
  readonly ok: true;
}

/**
 * Answers: may a member be notched like this? Units: m. Limits: studs (a quarter of the depth bearing, 0.40 not), joists (a
 * sixth of the depth, a third of it long, none in the middle third; a quarter at the ends), in the UK and EU (top only, an eighth, 0.07
 * to 0.25 of the span, joists to 250 mm; masonry: a third of the leaf upright, a sixth level), plates (half). Valid for sawn
 * timber and single leaves of masonry. Refused as prohibited with the limit where it is over.
 */
export function notchLimit(notch: Notch): Outcome<NotchLimit> {
  const { member, depthM, jurisdiction, bearing, notchM, lengthM, spanM, fromSupportM, face, level } = notch;
  const over = (code: string, field: string, maxM: number | null) =>
    err(code, { kind: 'prohibited', field, notchM, mostM: maxM });
  const within = (maxM: number, maxLengthM: number | null, nailPlates: boolean): Outcome<NotchLimit> =>
    ok({ mostM: maxM, mostLengthM: maxLengthM, nailPlates, ok: true });
  if (member === 'masonry') {
    const maxM = depthM / (level ? 6 : 3);
    return atMost(notchM, maxM) ? within(maxM, null, false) : over('notch-over', 'notchM', maxM);
  }
  if (member === 'stud' || member === 'plate') {
    const maxM = (member === 'plate' ? 0.5 : bearing ? 0.25 : 0.4) * depthM;
    return atMost(notchM, maxM) ? within(maxM, null, true) : over('notch-over', 'notchM', maxM);
  }
  if (jurisdiction === 'EU' || jurisdiction === 'UK') {
    const maxM = 0.125 * depthM;
    if (face !== 'top') return over('notch-bottom', 'face', maxM);
    if (!atMost(depthM, 0.25)) return over('notch-deep-joist', 'depthM', 0);
    if (!atMost(notchM, maxM)) return over('notch-over', 'notchM', maxM);
    if (spanM !== null && fromSupportM !== null) {
      const share = Math.min(fromSupportM, spanM - fromSupportM) / spanM;
      if (!atLeast(share, 0.07) || !atMost(share, 0.25)) return over('notch-off-span', 'fromSupportM', maxM);
    }
    return within(maxM, null, true);
  }
  const atEnd = fromSupportM !== null && fromSupportM <= 1e-9;
  const maxM = atEnd ? depthM / 4 : depthM / 6;
  const maxLengthM: number | null = atEnd ? null : depthM / 3;
  if (!atEnd && spanM !== null && fromSupportM !== null) {
    const end = fromSupportM + (lengthM ?? 0);
    if (end > spanM / 3 + 1e-9 && fromSupportM < (2 * spanM) / 3 - 1e-9) return over('notch-middle-third', 'fromSupportM', 0);
  }
  if (!atMost(notchM, maxM)) return over('notch-over', 'notchM', maxM);
  if (maxLengthM !== null && lengthM !== null && !atMost(lengthM, maxLengthM))
    return err('notch-too-long', { kind: 'prohibited', field: 'lengthM', lengthM, mostM: maxLengthM });
  return within(maxM, maxLengthM, true);
}
