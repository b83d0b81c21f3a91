import type { CheckWords } from '@dusky-spool/core/sheets';
import { formatClearance, type UnitSystem } from '@dusky-spool/core/math';
import { en } from './en/index.ts';
import { findingSentence } from './sentences.ts';
import { words } from './words.ts';

/** The words of the sheet of findings. */
export const checkWords = (units: UnitSystem): CheckWords => ({
  sentence: (finding) => {
    const number = typeof finding.figures.number === 'string' ? finding.figures.number : '';
    const sentence = findingSentence(finding, units);
    return number === '' || sentence.includes(number) ? sentence : `${number}: ${sentence}`;
  },
  figure: (value, unit) =>
    unit === 'm'
      ? formatClearance(value, units)
      : unit === ''
        ? words.t('documents.checks.counted', { count: value })
        : `${Number(value.toPrecision(4))} ${unit}`,
  off: en.documents.checks.off,
  ranks: en.terms.ranks,
});
