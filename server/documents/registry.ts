import { runChecks } from '@dusky-spool/core/rules';
import {
  bundleTags,
  cutOutTemplate,
  labelsCsv,
  labelsOf,
  planSheet,
  scheduleCsv,
  scheduleOf,
  type ScheduleRow,
} from '@dusky-spool/core/sheets';
import type { Problem } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import { labelsPdf } from './labels-pdf.ts';
import { labelsSvg } from './labels-svg.ts';
import { planPdf } from './plan-pdf.ts';
import type { DocumentName, DocumentQuery } from './queries.ts';
import { scheduleXlsx } from './schedule-xlsx.ts';
import { SHEETS, withLowered } from './sheets.ts';
import { tablesPdf } from './tables-pdf.ts';
import { tagsPdf } from './tags-pdf.ts';
import { templatePdf } from './template-pdf.ts';
import { en, words } from '@dusky-spool/texts';

/** A project at the moment of asking, and the day, YYYY-MM-DD. */
export interface DocumentSource {
  readonly document: ProjectDocument;
  readonly revision: number;
  readonly today: string;
  /** Share done, 0 to 1. */
  readonly progress: (share: number) => void;
}

export interface MadeDocument {
  /** What follows the project's name in the file's name. */
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Buffer;
  /** Reported beside the file. */
  readonly result?: Readonly<Record<string, unknown>>;
}

type Refuse = (problem: Problem) => never;

type Make<N extends DocumentName> = (
  source: DocumentSource,
  query: DocumentQuery<N>,
  refuse: Refuse,
) => Promise<MadeDocument> | MadeDocument;

const PDF = 'application/pdf';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** A mark by which spreadsheets know UTF-8. */
const csvBytes = (text: string) => Buffer.from(`\uFEFF${text}`, 'utf8');

function labels({ document, progress }: DocumentSource): ReturnType<typeof labelsOf> {
  const runs = planRuns(document);
  progress(0.5);
  return labelsOf(document, runs, en.terms);
}

function scheduleRows({ document, today, progress }: DocumentSource): readonly ScheduleRow[] {
  planRuns(document);
  progress(0.3);
  runChecks(document, today);
  progress(0.5);
  return scheduleOf(document, en.terms, today);
}

type SheetName = keyof typeof SHEETS;

const makeSheet =
  (name: SheetName): Make<`${SheetName}.pdf`> =>
  async ({ document, revision, today, progress }, { paper }) => {
    const { sheet, tablesOf } = SHEETS[name];
    const tables = withLowered(document, tablesOf(document, today));
    progress(0.6);
    const title = { project: document.project, revision, date: today };
    return { name: `${name}.pdf`, mediaType: PDF, bytes: await tablesPdf(sheet, tables, title, paper) };
  };

/** How every document that is handed out of a project is made, by its name in `DOCUMENT_QUERIES`. */
export const DOCUMENTS: { readonly [N in DocumentName]: Make<N> } = {
  'schedule.csv': (source) => ({
    name: 'schedule.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(scheduleCsv(scheduleRows(source), source.document.project.units, en.documents.columns)),
  }),
  'schedule.xlsx': async (source) => {
    const rows = scheduleRows(source);
    return { name: 'schedule.xlsx', mediaType: XLSX, bytes: await scheduleXlsx(source.document, rows) };
  },
  'labels.pdf': async (source, { size, paper }) => {
    const { units, name } = source.document.project;
    return { name: 'labels.pdf', mediaType: PDF, bytes: await labelsPdf(labels(source), size, paper, units, name) };
  },
  'labels.csv': (source) => ({
    name: 'labels.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(labelsCsv(labels(source), en.documents.labelColumns)),
  }),
  'labels.svg': (source, { size, paper }) => ({
    name: 'labels.svg',
    mediaType: 'image/svg+xml',
    bytes: Buffer.from(labelsSvg(labels(source), size, paper, source.document.project.units), 'utf8'),
  }),
  'bundle-tags.pdf': async ({ document, progress }, { paper }) => {
    const tags = bundleTags(document);
    progress(0.6);
    return { name: 'bundle-tags.pdf', mediaType: PDF, bytes: await tagsPdf(tags, paper, document.project.name) };
  },
  'print-labels': async (source, { runIds, ends, size }, refuse) => {
    const wanted = new Set(runIds);
    const chosen = labels(source).filter(({ runId, end }) => wanted.has(runId) && ends.includes(end));
    if (chosen.length === 0) refuse({ code: 'record-gone', in: 'runs', id: runIds[0] });
    const { units, name } = source.document.project;
    const result = { labels: chosen.length, runIds: [...new Set(chosen.map(({ runId }) => runId))] };
    return { name: 'labels.pdf', mediaType: PDF, bytes: await labelsPdf(chosen, size, 'Roll', units, name), result };
  },
  'plan.pdf': async ({ document, revision, today, progress }, { level, paper }, refuse) => {
    const sheet = planSheet(document, level, paper);
    if (!sheet.ok) return refuse(sheet.problem);
    progress(0.6);
    const title = { project: document.project, level: document.levels[level].name, revision, date: today };
    const word = words.t('documents.sheetOf', { level: title.level }).split(' ')[0].toLowerCase();
    return { name: `plan-${word}.pdf`, mediaType: PDF, bytes: await planPdf(sheet.value, title) };
  },
  'cut-out': async ({ document }, { deviceId }, refuse) => {
    const template = cutOutTemplate(document, deviceId, document.project.units);
    if (!template.ok) return refuse(template.problem);
    return {
      name: 'cut-out-template.pdf',
      mediaType: PDF,
      bytes: await templatePdf(template.value, document.project.name),
    };
  },
  'cabling-sheet.pdf': makeSheet('cabling-sheet'),
  'checks.pdf': makeSheet('checks'),
  'site-sheet.pdf': makeSheet('site-sheet'),
  'trades-sheet.pdf': makeSheet('trades-sheet'),
  'plate-schedule.pdf': makeSheet('plate-schedule'),
  'hole-list.pdf': makeSheet('hole-list'),
};
