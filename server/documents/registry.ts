import { PRINT } from '@dusky-spool/design';
import QRCode from 'qrcode';
import sharp from 'sharp';
import { runChecks } from '@dusky-spool/core/rules';
import {
  buildingMarks,
  bundleTags,
  cutOutTemplate,
  deviceMarks,
  fileName,
  labelsCsv,
  labelsOf,
  type LabelPens,
  labelsSvg,
  planList,
  planSheet,
  planSvg,
  rackDrawings,
  scheduleCsv,
  scheduleOf,
  type ScheduleRow,
  type SheetPaper,
  theatreSheet,
  theatreTables,
  wireList,
} from '@dusky-spool/core/sheets';
import { channelCode } from '@dusky-spool/core/brief';
import { onLevel } from '@dusky-spool/core/derive';
import { levelsFromBelow } from '@dusky-spool/core/house';
import type { Problem } from '@dusky-spool/core/math';
import { type OfferTablesReply, type ProjectDocument, writeProjectFile } from '@dusky-spool/core/model';
import { type PlannedRun, planRuns } from '@dusky-spool/core/runs';
import { labelsPdf } from './labels-pdf.ts';
import { planPdf } from './plan-pdf.ts';
import type { DocumentName, DocumentQuery } from './queries.ts';
import { scheduleXlsx } from './schedule-xlsx.ts';
import { SHEETS, withLowered } from './sheets.ts';
import { headEndPdf, rackFieldMm } from './head-end-pdf.ts';
import { type KeyPlan, tablesPdf, type TablesSheet } from './tables-pdf.ts';
import { tagsPdf } from './tags-pdf.ts';
import { templatePdf } from './template-pdf.ts';
import { datesIcs } from './dates-ics.ts';
import { drawingSet } from './drawing-set.ts';
import { SYSTEM_LINES } from './fonts.ts';
import { houseXlsx } from './house-xlsx.ts';
import { changeTables, offerTables } from './offer-tables.ts';
import { packageGapTables } from './package-gap-tables.ts';
import { packageZip, type PackedFile } from './package-zip.ts';
import { planDxf } from './plan-dxf.ts';
import { theatrePdf } from './theatre-pdf.ts';
import { THEATRE_WORDS } from './theatre-words.ts';
import { en, placeWords, sheetPlaceWords, words } from '@dusky-spool/texts';

/** A project at the moment of asking, and the day, YYYY-MM-DD. */
export interface DocumentSource {
  readonly project: ProjectDocument;
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

const labelPens: LabelPens = {
  to: (there) => words.t('documents.labelTo', { there }),
  ink: PRINT.labelInk,
  rule: PRINT.rule,
  codeOf: (text) => QRCode.create(text, { errorCorrectionLevel: 'M' }).modules,
};

const PDF = 'application/pdf';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
/** A mark by which spreadsheets know UTF-8. */
const csvBytes = (text: string) => Buffer.from(`\uFEFF${text}`, 'utf8');

function labels({ project, progress }: DocumentSource): ReturnType<typeof labelsOf> {
  const runs = planRuns(project);
  progress(0.5);
  return labelsOf(project, runs, en.terms);
}

function scheduleRows({ project, today, progress }: DocumentSource): readonly ScheduleRow[] {
  planRuns(project);
  progress(0.3);
  runChecks(project, today);
  progress(0.5);
  return scheduleOf(project, en.terms, today);
}

/** Sheets whose places are measured from walls. */
const hasPlaces = (sheet: TablesSheet): boolean => sheet !== 'checks';

/** The levels that have walls, each with its walls numbered. */
const keyPlans = (project: ProjectDocument, paper: SheetPaper): KeyPlan[] =>
  levelsFromBelow(project).flatMap(({ id, name }) => {
    const sheet = onLevel(project, 'walls', id).length > 0 ? planSheet(project, id, paper, null) : null;
    return sheet?.ok ? [{ sheet: sheet.value, level: name }] : [];
  });

type SheetName = keyof typeof SHEETS;

const makeSheet =
  (name: SheetName): Make<`${SheetName}.pdf`> =>
  async ({ project, revision, today, progress }, { paper }) => {
    const { sheet, tablesOf } = SHEETS[name];
    const tables = withLowered(project, tablesOf(project, today));
    progress(0.6);
    const title = { project: project.project, revision, date: today };
    if (sheet === 'headEnd') {
      const drawings = rackDrawings(project, rackFieldMm(paper));
      return { name: `${name}.pdf`, mediaType: PDF, bytes: await headEndPdf(drawings, tables, title, paper) };
    }
    const plans = hasPlaces(sheet) && tables.length > 0 ? keyPlans(project, paper) : [];
    return { name: `${name}.pdf`, mediaType: PDF, bytes: await tablesPdf(sheet, tables, title, paper, plans) };
  };

function planListOf(project: ProjectDocument, levelId: string, runs: readonly PlannedRun[]) {
  const { outdoors } = en.terms;
  return planList(project, levelId, runs, { outdoors, atCeiling: en.documents.trades.words.atCeiling, place: sheetPlaceWords });
}

/** The house and its devices in meters, as they are drawn true to size. */
function levelMarks(project: ProjectDocument, level: string, refuse: Refuse) {
  if (!Object.hasOwn(project.levels, level)) return refuse({ code: 'level-missing', kind: 'invalid', field: 'level' });
  const marks = buildingMarks(project, level);
  if (marks.length === 0)
    return refuse({ code: 'level-empty', kind: 'incomplete', field: 'level', level: project.levels[level].name });
  return [...marks, ...deviceMarks(project, level, planRuns(project), () => true)];
}

/** Sharpness of a plan as a picture, dots per inch. */
const PNG_DPI = 150;

function svgOf(project: ProjectDocument, level: string, paper: SheetPaper, refuse: Refuse): string {
  const sheet = planSheet(project, level, paper);
  if (!sheet.ok) return refuse(sheet.problem);
  const pens = { ink: PRINT.ink, soft: PRINT.inkSoft, systems: SYSTEM_LINES };
  return planSvg(sheet.value, `${project.project.name}, ${project.levels[level].name}`, pens);
}

/** Everything of a project as one ZIP with a manifest: tables, drawings, plans in open formats, labels, dates, and the project itself. */
const makePackage: Make<'package.zip'> = async (source, query, refuse) => {
  const { project, revision, today, progress } = source;
  const files: PackedFile[] = [];
  const add = async (made: MadeDocument | Promise<MadeDocument>) => {
    const { name, mediaType, bytes } = await made;
    files.push({ name, mediaType, bytes });
    progress(0.1 + (0.8 * files.length) / 20);
  };
  const quiet = { ...source, progress: () => undefined };
  const paper = project.project.units === 'imperial' ? 'Letter' : 'A4';
  await add(DOCUMENTS['drawing-set.pdf'](quiet, { pack: 'all', paper: query.paper, preview: 'no' }, refuse));
  for (const name of ['schedule.csv', 'house.xlsx', 'labels.csv', 'wire-list.csv', 'dates.ics'] as const)
    await add(DOCUMENTS[name](quiet, {}, refuse));
  await add(DOCUMENTS['offer.pdf'](quiet, { paper }, refuse));
  if (Object.keys(project.runs).length > 0) await add(DOCUMENTS['labels.pdf'](quiet, { size: 'medium', paper }, refuse));
  for (const { id } of levelsFromBelow(project)) {
    if (onLevel(project, 'walls', id).length === 0) continue;
    for (const name of ['plan.dxf', 'plan.svg'] as const)
      await add(DOCUMENTS[name](quiet, { level: id, paper: query.paper }, refuse));
  }
  const file = Buffer.from(writeProjectFile({ project, pictures: [] }), 'utf8');
  files.push({ name: 'project.spool.json', mediaType: 'application/json', bytes: file });
  return { name: 'package.zip', mediaType: 'application/zip', bytes: packageZip(project, revision, today, files) };
};

/** How every document that is handed out of a project is made, by its name in `DOCUMENT_QUERIES`. */
export const DOCUMENTS: { readonly [N in DocumentName]: Make<N> } = {
  'schedule.csv': (source) => ({
    name: 'schedule.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(scheduleCsv(source.project, scheduleRows(source), en.documents.columns, placeWords)),
  }),
  'schedule.xlsx': async (source) => {
    const rows = scheduleRows(source);
    return { name: 'schedule.xlsx', mediaType: XLSX, bytes: await scheduleXlsx(source.project, rows) };
  },
  'labels.pdf': async (source, { size, paper }) => {
    const { units, name } = source.project.project;
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
    bytes: Buffer.from(labelsSvg(labels(source), { size, paper, units: source.project.project.units }, labelPens), 'utf8'),
  }),
  'bundle-tags.pdf': async ({ project, progress }, { paper }) => {
    const tags = bundleTags(project);
    progress(0.6);
    return { name: 'bundle-tags.pdf', mediaType: PDF, bytes: await tagsPdf(tags, paper, project.project.name) };
  },
  'print-labels': async (source, { runIds, ends, size }, refuse) => {
    const wanted = new Set(runIds);
    const chosen = labels(source).filter(({ runId, end }) => wanted.has(runId) && ends.includes(end));
    if (chosen.length === 0) refuse({ code: 'record-gone', in: 'runs', id: runIds[0] });
    const { units, name } = source.project.project;
    const result = { labels: chosen.length, runIds: [...new Set(chosen.map(({ runId }) => runId))] };
    return { name: 'labels.pdf', mediaType: PDF, bytes: await labelsPdf(chosen, size, 'Roll', units, name), result };
  },
  'plan.pdf': async ({ project, revision, today, progress }, { level, paper }, refuse) => {
    const runs = planRuns(project);
    const sheet = planSheet(project, level, paper, runs);
    if (!sheet.ok) return refuse(sheet.problem);
    progress(0.6);
    const title = { project: project.project, level: project.levels[level].name, revision, date: today };
    const word = words.t('documents.sheetOf', { level: title.level }).split(' ')[0].toLowerCase();
    return {
      name: `plan-${word}.pdf`,
      mediaType: PDF,
      bytes: await planPdf(sheet.value, title, planListOf(project, level, runs)),
    };
  },
  'cut-out': async ({ project }, { deviceId }, refuse) => {
    const template = cutOutTemplate(project, deviceId, project.project.units);
    if (!template.ok) return refuse(template.problem);
    return {
      name: 'cut-out-template.pdf',
      mediaType: PDF,
      bytes: await templatePdf(template.value, project.project.name),
    };
  },
  'package-gaps.pdf': async ({ project, revision, today }, { paper }) => {
    const title = { project: project.project, revision, date: today };
    return {
      name: 'package-gaps.pdf',
      mediaType: PDF,
      bytes: await tablesPdf('packageGaps', packageGapTables(project), title, paper),
    };
  },
  'offer.pdf': async ({ project, revision, today, progress }, { paper }) => {
    const tables = offerTables(project, today);
    progress(0.6);
    const title = { project: project.project, revision, date: today };
    return { name: 'offer.pdf', mediaType: PDF, bytes: await tablesPdf('offer', tables, title, paper) };
  },
  'offer.json': ({ project, today }) => {
    const tables: OfferTablesReply['tables'] = offerTables(project, today)
      .filter(({ section }) => section !== 'sign')
      .map(({ section, columns, rows }) => ({
        ...{ section, title: words.t(`documents.offer.sections.${section}`), note: words.t(`documents.offer.notes.${section}`) },
        columns: columns.map((column) => words.t(`documents.offer.columns.${column}`)),
        rows: rows.map((row) => [...row]),
      }));
    const bytes = Buffer.from(JSON.stringify({ tables } satisfies OfferTablesReply), 'utf8');
    return { name: 'offer.json', mediaType: 'application/json', bytes };
  },
  'change-order.pdf': async ({ project, revision, today }, { changeId, paper }, refuse) => {
    const tables = changeTables(project, changeId);
    if (!tables) return refuse({ code: 'record-gone', in: 'changeOrders', id: changeId });
    const title = { project: project.project, revision, date: today };
    return { name: 'change-order.pdf', mediaType: PDF, bytes: await tablesPdf('offer', tables, title, paper) };
  },
  'plan.dxf': ({ project }, { level }, refuse) => {
    const marks = levelMarks(project, level, refuse);
    return {
      name: `plan-${fileName(project.levels[level].name)}.dxf`,
      mediaType: 'image/vnd.dxf',
      bytes: planDxf(project, marks),
    };
  },
  'plan.svg': ({ project }, { level, paper }, refuse) => {
    const name = `plan-${fileName(project.levels[level]?.name ?? 'level')}.svg`;
    return { name, mediaType: 'image/svg+xml', bytes: Buffer.from(svgOf(project, level, paper, refuse), 'utf8') };
  },
  'plan.png': async ({ project }, { level, paper }, refuse) => {
    const svg = Buffer.from(svgOf(project, level, paper, refuse), 'utf8');
    const bytes = await sharp(svg, { density: PNG_DPI, limitInputPixels: 200_000_000 }).png().toBuffer();
    return { name: `plan-${fileName(project.levels[level].name)}.png`, mediaType: 'image/png', bytes };
  },
  'wire-list.csv': (source) => ({
    name: 'wire-list.csv',
    mediaType: 'text/csv; charset=utf-8',
    bytes: csvBytes(wireList(labels(source), en.documents.wireList)),
  }),
  'house.xlsx': async (source) => ({
    name: 'house.xlsx',
    mediaType: XLSX,
    bytes: await houseXlsx(source.project, scheduleRows(source), source.today),
  }),
  'dates.ics': ({ project, today }) => ({
    name: 'dates.ics',
    mediaType: 'text/calendar; charset=utf-8',
    bytes: Buffer.from(datesIcs(project, today), 'utf8'),
  }),
  'package.zip': makePackage,
  'drawing-set.pdf': async (source, query) => ({
    name: query.preview === 'yes' ? 'drawing-set-preview.pdf' : `drawing-set-${query.pack}.pdf`,
    mediaType: PDF,
    bytes: await drawingSet(source, query),
  }),
  'cabling-sheet.pdf': makeSheet('cabling-sheet'),
  'checks.pdf': makeSheet('checks'),
  'site-sheet.pdf': makeSheet('site-sheet'),
  'trades-sheet.pdf': makeSheet('trades-sheet'),
  'head-end.pdf': makeSheet('head-end'),
  'plate-schedule.pdf': makeSheet('plate-schedule'),
  'hole-list.pdf': makeSheet('hole-list'),
  'theatre-sheet.pdf': async ({ project, revision, today, progress }, { room, paper }, refuse) => {
    const sheet = theatreSheet(project, room, paper, channelCode);
    if (!sheet.ok) return refuse(sheet.problem);
    progress(0.5);
    const title = { project: project.project, level: project.rooms[room].name, revision, date: today };
    return {
      name: 'theatre-sheet.pdf',
      mediaType: PDF,
      bytes: await theatrePdf(sheet.value, title, theatreTables(project, room, THEATRE_WORDS)),
    };
  },
};
