import type { Equipment } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';

/** `U12 to 14`, `0.10 / 0.35 m`, or nothing. */
export function placeText({ atUnit, units, xM, yM, face }: Equipment): string {
  if (atUnit !== null) {
    const rear = face === 'rear' ? ` ${text('headEnd.faces.rear')}` : '';
    return `U${atUnit}${units > 1 ? `–${atUnit + units - 1}` : ''}${rear}`;
  }
  return xM === null ? '–' : `${xM.toFixed(2)} / ${(yM ?? 0).toFixed(2)} m`;
}
