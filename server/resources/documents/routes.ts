import express, { Router, type Request, type Response } from 'express';
import { labelsQuery, printLabelsRequest, planQuery, siteQuery } from '@dusky-spool/core/contract';
import { cutOutTemplate, planSheet, scheduleCsv, scheduleOf, type ScheduleRow } from '@dusky-spool/core/documents';
import { bundleTags, labelsCsv, labelsOf } from '@dusky-spool/core/labels';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { planRuns } from '@dusky-spool/core/runs';
import { en, words } from '@dusky-spool/texts';
import type { LabelPrinter } from '../../bridge/index.ts';
import type { Database } from '../../database/index.ts';
import { labelsPdf, labelsSvg, planPdf, templatePdf, scheduleXlsx, tablesPdf, tagsPdf } from '../../documents/index.ts';
import { parseBody, parseQuery, PlannedRefusal, requireProject } from '../../http/index.ts';
import { fileName } from '../projects/service.ts';
import { loadDocument } from '../projects/store.ts';
import { SHEETS, withLowered } from './sheets.ts';

/** What is handed out of a project, made from its state at the moment of asking. */
export function documentRoutes(database: Database, printer: LabelPrinter): Router {
  const router = Router();
  const owned = requireProject(database);
  const load = (request: Request) => loadDocument(database, String(request.params.projectId));
  const rowsOf = (document: ProjectDocument): ScheduleRow[] => scheduleOf(document, en.terms);
  const send = (response: Response, document: ProjectDocument, name: string, type: string, body: Buffer | string) =>
    response
      .attachment(`${fileName(document.project.name)}-${name}`)
      .type(type)
      .send(body);

  router.get('/projects/:projectId/documents/schedule.csv', owned, async (request, response) => {
    const { document } = await load(request);
    const csv = scheduleCsv(rowsOf(document), document.project.units, en.documents.columns);
    send(response, document, 'schedule.csv', 'text/csv; charset=utf-8', `\uFEFF${csv}`);
  });
  router.get('/projects/:projectId/documents/schedule.xlsx', owned, async (request, response) => {
    const { document } = await load(request);
    const type = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    send(response, document, 'schedule.xlsx', type, await scheduleXlsx(document, rowsOf(document)));
  });
  router.get('/projects/:projectId/documents/labels.pdf', owned, async (request, response) => {
    const { size, paper } = parseQuery(request, labelsQuery);
    const { document } = await load(request);
    const labels = labelsOf(document, planRuns(document), en.terms);
    send(
      response,
      document,
      'labels.pdf',
      'application/pdf',
      await labelsPdf(labels, size, paper, document.project.units, document.project.name),
    );
  });
  router.get('/projects/:projectId/documents/labels.csv', owned, async (request, response) => {
    const { document } = await load(request);
    const csv = labelsCsv(labelsOf(document, planRuns(document), en.terms), en.documents.labelColumns);
    send(response, document, 'labels.csv', 'text/csv; charset=utf-8', `\uFEFF${csv}`);
  });
  router.get('/projects/:projectId/documents/labels.svg', owned, async (request, response) => {
    const { size, paper } = parseQuery(request, labelsQuery);
    const { document } = await load(request);
    const labels = labelsOf(document, planRuns(document), en.terms);
    send(response, document, 'labels.svg', 'image/svg+xml', labelsSvg(labels, size, paper, document.project.units));
  });
  router.get('/projects/:projectId/documents/bundle-tags.pdf', owned, async (request, response) => {
    const { paper } = parseQuery(request, siteQuery);
    const { document } = await load(request);
    const pdf = await tagsPdf(bundleTags(document, planRuns(document)), paper, document.project.name);
    send(response, document, 'bundle-tags.pdf', 'application/pdf', pdf);
  });
  router.post(
    '/projects/:projectId/documents/print-labels',
    express.json({ limit: '400kb' }),
    owned,
    async (request, response) => {
      const { runIds, ends, size } = parseBody(request, printLabelsRequest);
      const { document } = await load(request);
      const wanted = new Set(runIds);
      const labels = labelsOf(document, planRuns(document), en.terms).filter(
        ({ runId, end }) => wanted.has(runId) && ends.includes(end),
      );
      if (labels.length === 0) throw new PlannedRefusal({ code: 'record-gone', in: 'runs', id: runIds[0] });
      await printer.print(await labelsPdf(labels, size, 'Roll', document.project.units, document.project.name));
      response.json({ printer: printer.name, labels: labels.length, runIds: [...new Set(labels.map(({ runId }) => runId))] });
    },
  );
  for (const [name, { sheet, tablesOf }] of Object.entries(SHEETS))
    router.get(`/projects/:projectId/documents/${name}.pdf`, owned, async (request, response) => {
      const { paper } = parseQuery(request, siteQuery);
      const { document, revision } = await load(request);
      const title = { project: document.project, revision, date: today() };
      const tables = withLowered(document, tablesOf(document, today()));
      send(response, document, `${name}.pdf`, 'application/pdf', await tablesPdf(sheet, tables, title, paper));
    });
  router.get('/projects/:projectId/documents/plan.pdf', owned, async (request, response) => {
    const { level, paper } = parseQuery(request, planQuery);
    const { document, revision } = await load(request);
    const sheet = planSheet(document, level, paper);
    if (!sheet.ok) throw new PlannedRefusal(sheet.problem);
    const title = {
      project: document.project,
      level: document.levels[level].name,
      revision,
      date: today(),
    };
    send(
      response,
      document,
      `plan-${words.t('documents.sheetOf', { level: title.level }).split(' ')[0].toLowerCase()}.pdf`,
      'application/pdf',
      await planPdf(sheet.value, title),
    );
  });
  router.get('/projects/:projectId/documents/cut-out/:deviceId', owned, async (request, response) => {
    const { document } = await load(request);
    const template = cutOutTemplate(document, String(request.params.deviceId), document.project.units);
    if (!template.ok) throw new PlannedRefusal(template.problem);
    send(response, document, 'cut-out-template.pdf', 'application/pdf', await templatePdf(template.value, document.project.name));
  });
  return router;
}

/** As printed in title blocks: 2026-11-24. */
const today = () => new Date().toISOString().slice(0, 10);
