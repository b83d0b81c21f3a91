import { type CsvColumn, writeCsv } from '../../model/index.ts';
import type { CableLabel } from './cable-label.ts';

/** Titles of the columns, from the texts. */
export interface LabelTitles {
  readonly end: string;
  readonly number: string;
  readonly here: string;
  readonly there: string;
  readonly cable: string;
  readonly length: string;
  readonly conductors: string;
  readonly code: string;
  readonly wrap: string;
  readonly flag: string;
}

/** Labels as a table for a label printer's own program; lengths in m, sizes in mm. */
export function labelsCsv(labels: readonly CableLabel[], titles: LabelTitles): string {
  const columns: CsvColumn<CableLabel>[] = [
    { title: titles.number, value: (label) => label.number },
    { title: titles.end, value: (label) => label.end },
    { title: titles.here, value: (label) => label.here },
    { title: titles.there, value: (label) => label.there },
    { title: titles.cable, value: (label) => label.cable },
    { title: `${titles.length} (m)`, value: (label) => label.cutLengthM ?? '' },
    { title: titles.conductors, value: (label) => label.conductors },
    { title: titles.code, value: (label) => label.code },
    { title: `${titles.wrap} (mm)`, value: (label) => label.fit.wrapMm },
    { title: `${titles.flag} (mm)`, value: (label) => label.fit.flagMm },
  ];
  return writeCsv(columns, labels);
}
