import { err, ok, type Outcome } from '../../math/index.ts';

/** What a label's square code holds: the house and the run, no address of any host. */
export interface LabelCode {
  readonly shortId: string;
  readonly number: string;
}

const MARK = 'SPOOL';
const FORM = new RegExp(`^${MARK}:([0-9A-HJKMNP-TV-Z]{5}):([A-Z0-9./-]{1,40})$`);

/** The text of the code: capitals, digits and `:./-` only, so that it stays in the compact alphanumeric mode. */
export const labelCode = ({ shortId, number }: LabelCode): string => `${MARK}:${shortId}:${number}`;

/** Reads a code. Problems: `label-not-ours`. */
export function readLabelCode(text: string): Outcome<LabelCode> {
  const match = FORM.exec(text.trim().toUpperCase());
  return match ? ok({ shortId: match[1], number: match[2] }) : err('label-not-ours', { kind: 'invalid', field: 'label' });
}
