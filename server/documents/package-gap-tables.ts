import { listOf } from '@dusky-spool/core/derive';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { packageGaps } from '@dusky-spool/texts';
import type { SheetTable } from './tables-pdf.ts';

/** What the builder's package lacks, who does the rest, and where to sign. */
export function packageGapTables(project: ProjectDocument): SheetTable[] {
  const { missing, work, unclear } = packageGaps(project);
  const signed = listOf(project, 'packageSignatures').toSorted((a, b) => (a.signedOn < b.signedOn ? -1 : 1));
  return [
    { section: 'missing', columns: ['place', 'thing', 'wanted', 'included'], rows: missing.map((row) => [...row]) },
    { section: 'work', columns: ['line', 'task', 'by'], rows: work.map((row) => [...row]) },
    { section: 'unclear', columns: ['line'], rows: unclear.map((line) => [line]) },
    {
      ...{ section: 'signed', columns: ['name', 'day', 'lines'] },
      rows: signed.map(({ signedBy, signedOn, lines }) => [signedBy, signedOn, String(lines.length)]),
    },
    {
      ...{ section: 'sign', columns: ['name', 'day', 'signature'] },
      rows: [
        ['', '', ''],
        ['', '', ''],
      ],
    },
  ].filter(({ rows }) => rows.length > 0);
}
