import { z } from 'zod';
import { labelsQuery, planQuery, printLabelsRequest, siteQuery } from '@dusky-spool/core/contract';
import { cutOutTemplate, planSheet, scheduleCsv, scheduleOf } from '@dusky-spool/core/documents';
import { bundleTags, labelsCsv, labelsOf } from '@dusky-spool/core/labels';
import type { Problem } from '@dusky-spool/core/outcome';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { planRuns } from '@dusky-spool/core/runs';
import { en, words } from '@dusky-spool/texts';
import { labelsPdf } from './labels-pdf.ts';
import { labelsSvg } from './labels-svg.ts';
import { planPdf } from './plan-pdf.ts';
import { scheduleXlsx } from './schedule-xlsx.ts';
import { SHEETS, withLowered } from './sheets.ts';
import { tablesPdf } from './tables-pdf.ts';
import { tagsPdf } from './tags-pdf.ts';
import { templatePdf } from './template-pdf.ts';

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
  /** What is told beside the file. */
  readonly result?: Readonly<Record<string, unknown>>;
}

type Refuse = (problem: Problem) => never;

export interface DocumentKind {
  readonly query: z.ZodType<Readonly<Record<string, unknown>>>;
  readonly make: (source: DocumentSource, query: never, refuse: Refuse) => Promise<MadeDocument> | MadeDocument;
}

const kind = <Q extends z.ZodType<Readonly<Record<string, unknown>>>>(
  query: Q,
  make: (source: DocumentSource, query: z.infer<Q>, refuse: Refuse) => Promise<MadeDocument> | MadeDocument,
): DocumentKind => ({ query, make });

const NO_QUERY = z.strictObject({});
const PDF = 'application/pdf';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** A mark by which spreadsheets know UTF-8. */
const csvBytes = (text: string) => Buffer.from(`\uFEFF${text}`, 'utf8');

function labels({ document, progress }: DocumentSource): ReturnType<typeof labelsOf> {
  const runs = planRuns(document);
  progress(0.5);
  return labelsOf(document, runs, en.terms);
}

const sheets = Object.fromEntries(
  Object.entries(SHEETS).map(([name, { sheet, tablesOf }]) => [
    `${name}.pdf`,
    kind(siteQuery, async ({ document, revision, today, progress }, { paper }) => {
      const tables = withLowered(document, tablesOf(document, today));
      progress(0.6);
      const title = { project: document.project, revision, date: today };
      return { name: `${name}.pdf`, mediaType: PDF, bytes: await tablesPdf(sheet, tables, title, paper) };
    }),
  ]),
);

/** Every document that is handed out of a project, by the name at the end of its address. */
export const DOCUMENTS = {
  'schedule.csv': kind(NO_QUERY, ({ document }) => ({
    name: 'schedule.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(scheduleCsv(scheduleOf(document, en.terms), document.project.units, en.documents.columns)),
  })),
  'schedule.xlsx': kind(NO_QUERY, async ({ document, progress }) => {
    const rows = scheduleOf(document, en.terms);
    progress(0.5);
    return { name: 'schedule.xlsx', mediaType: XLSX, bytes: await scheduleXlsx(document, rows) };
  }),
  'labels.pdf': kind(labelsQuery, async (source, { size, paper }) => {
    const { units, name } = source.document.project;
    return { name: 'labels.pdf', mediaType: PDF, bytes: await labelsPdf(labels(source), size, paper, units, name) };
  }),
  'labels.csv': kind(NO_QUERY, (source) => ({
    name: 'labels.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(labelsCsv(labels(source), en.documents.labelColumns)),
  })),
  'labels.svg': kind(labelsQuery, (source, { size, paper }) => ({
    name: 'labels.svg',
    mediaType: 'image/svg+xml',
    bytes: Buffer.from(labelsSvg(labels(source), size, paper, source.document.project.units), 'utf8'),
  })),
  'bundle-tags.pdf': kind(siteQuery, async ({ document, progress }, { paper }) => {
    const tags = bundleTags(document, planRuns(document));
    progress(0.6);
    return { name: 'bundle-tags.pdf', mediaType: PDF, bytes: await tagsPdf(tags, paper, document.project.name) };
  }),
  'print-labels': kind(printLabelsRequest, async (source, { runIds, ends, size }, refuse) => {
    const wanted = new Set(runIds);
    const chosen = labels(source).filter(({ runId, end }) => wanted.has(runId) && ends.includes(end));
    if (chosen.length === 0) refuse({ code: 'record-gone', in: 'runs', id: runIds[0] });
    const { units, name } = source.document.project;
    const result = { labels: chosen.length, runIds: [...new Set(chosen.map(({ runId }) => runId))] };
    return { name: 'labels.pdf', mediaType: PDF, bytes: await labelsPdf(chosen, size, 'Roll', units, name), result };
  }),
  'plan.pdf': kind(planQuery, async ({ document, revision, today, progress }, { level, paper }, refuse) => {
    const sheet = planSheet(document, level, paper);
    if (!sheet.ok) return refuse(sheet.problem);
    progress(0.6);
    const title = { project: document.project, level: document.levels[level].name, revision, date: today };
    const word = words.t('documents.sheetOf', { level: title.level }).split(' ')[0].toLowerCase();
    return { name: `plan-${word}.pdf`, mediaType: PDF, bytes: await planPdf(sheet.value, title) };
  }),
  'cut-out': kind(z.strictObject({ deviceId: z.string().max(40) }), async ({ document }, { deviceId }, refuse) => {
    const template = cutOutTemplate(document, deviceId, document.project.units);
    if (!template.ok) return refuse(template.problem);
    return {
      name: 'cut-out-template.pdf',
      mediaType: PDF,
      bytes: await templatePdf(template.value, document.project.name),
    };
  }),
  ...sheets,
} satisfies Record<string, DocumentKind>;

export type DocumentName = keyof typeof DOCUMENTS;
export const isDocument = (name: string): name is DocumentName => Object.hasOwn(DOCUMENTS, name);

/** Documents that a browser fetches by their name alone. */
export const FETCHED_DOCUMENTS = (Object.keys(DOCUMENTS) as DocumentName[]).filter((name) => name.includes('.'));
