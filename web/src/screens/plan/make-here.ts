import { PRINT } from '@dusky-spool/design';
import type { ProjectDocument } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import {
  fileName,
  type LabelSize,
  labelsCsv,
  labelsOf,
  labelsSvg,
  type Paper,
  scheduleCsv,
  type ScheduleRow,
} from '@dusky-spool/core/sheets';
import { en, placeWords, words } from '@dusky-spool/texts';
import QRCode from 'qrcode';

/** Documents that this device can make from what it holds, without a connection. */
export type MadeHere = 'schedule.csv' | 'labels.csv' | 'labels.svg';

interface Source {
  readonly project: ProjectDocument;
  readonly rows: readonly ScheduleRow[];
  readonly runs: readonly PlannedRun[];
}

/** A mark by which spreadsheets know UTF-8. */
const UTF8_MARK = '\uFEFF';

/** One of them as a file: the same as the server makes. */
export function makeHere(
  document: MadeHere,
  { project, rows, runs }: Source,
  { size = 'medium', paper = 'A4' }: { readonly size?: LabelSize; readonly paper?: Paper },
): { readonly name: string; readonly blob: Blob } {
  const name = `${fileName(project.project.name)}-${document}`;
  const csv = (text: string) => new Blob([`${UTF8_MARK}${text}`], { type: 'text/csv;charset=utf-8' });
  if (document === 'schedule.csv') return { name, blob: csv(scheduleCsv(project, rows, en.documents.columns, placeWords)) };
  const labels = labelsOf(project, runs, en.terms);
  if (document === 'labels.csv') return { name, blob: csv(labelsCsv(labels, en.documents.labelColumns)) };
  const drawing = labelsSvg(
    labels,
    { size, paper, units: project.project.units },
    {
      to: (there) => words.t('documents.labelTo', { there }),
      ink: PRINT.labelInk,
      rule: PRINT.rule,
      codeOf: (text) => QRCode.create(text, { errorCorrectionLevel: 'M' }).modules,
    },
  );
  return { name, blob: new Blob([drawing], { type: 'image/svg+xml' }) };
}
