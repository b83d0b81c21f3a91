import { compareNumbers } from '../../runs/index.ts';
import { type CsvColumn, writeCsv } from '../../model/index.ts';
import type { CableLabel } from '../labels/index.ts';

export interface WireListTitles {
  readonly number: string;
  readonly end: string;
  readonly text: string;
  readonly line1: string;
  readonly line2: string;
  readonly line3: string;
  readonly cable: string;
  readonly length: string;
  readonly code: string;
}

/** A row for each label, in the order in which it is printed, with the lines that stand on it: what label programs read. */
export function wireList(labels: readonly CableLabel[], titles: WireListTitles): string {
  const columns: CsvColumn<CableLabel>[] = [
    { title: titles.number, value: ({ number }) => number },
    { title: titles.end, value: ({ end }) => end },
    { title: titles.text, value: ({ number, end }) => `${number} ${end}` },
    { title: titles.line1, value: ({ here }) => here },
    { title: titles.line2, value: ({ there }) => there },
    { title: titles.line3, value: ({ conductors }) => conductors },
    { title: titles.cable, value: ({ cable }) => cable },
    { title: `${titles.length} (m)`, value: ({ cutLengthM }) => cutLengthM ?? '' },
    { title: titles.code, value: ({ code }) => code },
  ];
  return writeCsv(
    columns,
    [...labels].sort((a, b) => compareNumbers(a.number, b.number) || (a.end < b.end ? 1 : -1)),
  );
}
