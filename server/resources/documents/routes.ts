import express, { type Request, type Response } from 'express';
import {
  hasRight,
  madeDocumentsReply,
  type MadeDocumentsReply,
  madeReply,
  maySeeCosts,
  printLabelsReply,
  type PrintLabelsReply,
  printLabelsRequest,
} from '@dusky-spool/core/model';
import {
  DOCUMENT_QUERIES,
  DOCUMENT_TITLES,
  type DocumentName,
  FETCHED_DOCUMENTS,
  isDocument,
  PLANNER_DOCUMENTS,
} from '../../documents/queries.ts';
import { parseBody, parseValue } from '../../http/parse.ts';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { madeDocuments, resultFile } from '../../jobs/store.ts';
import { sendJobFile } from '../jobs/routes.ts';
import { storePrinted } from '../printing/store.ts';
import { type Services, untilGone } from '../../services/services.ts';
import type { z } from 'zod';

/** What is handed out of a project, made from its state at the moment of asking, by the job queue. */
export function documentRoutes(table: RouteTable, services: Services): void {
  const { database, jobs, audit, printer } = services;
  const submission = (request: Request, name: DocumentName, query: Readonly<Record<string, unknown>>) => ({
    kind: 'document' as const,
    params: { name, query, today: today(), forClient: !maySeeCosts(request.res!.locals.member!.role) },
    projectId: String(request.params.projectId),
  });
  const note = (response: Response, projectId: string, project: string) => {
    const member = response.locals.member!;
    return audit.add({ firmId: member.firmId, kind: 'export', member, about: { project: projectId, document: project } });
  };
  const fetch = (path: string, name: DocumentName, queryOf: (request: Request) => unknown) =>
    table.get(
      path,
      PLANNER_DOCUMENTS.has(name) ? 'plan' : 'read',
      { does: DOCUMENT_TITLES[name], query: DOCUMENT_QUERIES[name], reply: 'file' },
      async (request, response) => {
        const query = parseValue(DOCUMENT_QUERIES[name] as z.ZodType<Record<string, unknown>>, queryOf(request));
        const job = await jobs.run(response.locals.member!, submission(request, name, query), untilGone(request));
        await note(response, String(request.params.projectId), name);
        await sendJobFile(database, job.id, response);
      },
    );
  for (const name of FETCHED_DOCUMENTS) fetch(`/projects/:projectId/documents/${name}`, name, (request) => request.query);
  fetch('/projects/:projectId/documents/cut-out/:deviceId', 'cut-out', ({ params }) => ({ deviceId: params.deviceId }));

  madeRoutes(table, services);
  // The same as a job that can be watched and stopped: the file is fetched from it when it is done.
  table.post(
    '/projects/:projectId/documents/:name/job',
    'read',
    { does: 'Makes a document as a job', reply: madeReply, status: 202 },
    express.json({ limit: '20kb' }),
    async (request, response) => {
      const name = String(request.params.name);
      if (!isDocument(name) || name === 'print-labels') throw refusal('not-found', { field: 'document' });
      const { role } = response.locals.member!;
      if (PLANNER_DOCUMENTS.has(name) && !hasRight(role, 'plan')) throw refusal('role-too-low', { field: 'role', role });
      const query = parseValue(DOCUMENT_QUERIES[name] as z.ZodType<Record<string, unknown>>, request.body);
      const id = await jobs.submit(response.locals.member!, submission(request, name, query));
      await note(response, String(request.params.projectId), name);
      response.status(202).json({ id });
    },
  );
  table.post(
    '/projects/:projectId/file/job',
    'plan',
    { does: 'Makes the project file as a job', reply: madeReply, status: 202 },
    async (request, response) => {
      const projectId = String(request.params.projectId);
      const id = await jobs.submit(response.locals.member!, { kind: 'project-file', params: {}, projectId });
      await note(response, projectId, 'project file');
      response.status(202).json({ id });
    },
  );

  table.post(
    '/projects/:projectId/documents/print-labels',
    'field',
    { does: 'Prints labels', body: printLabelsRequest, reply: printLabelsReply },
    express.json({ limit: '400kb' }),
    async (request, response) => {
      const query = parseBody(request, printLabelsRequest);
      const { firmId } = response.locals.member!;
      const projectId = String(request.params.projectId);
      const job = await jobs.run(response.locals.member!, submission(request, 'print-labels', query), untilGone(request));
      const { bytes, mediaType } = (await resultFile(database, job.id))!;
      await printer.print(bytes);
      await storePrinted(database, { firmId, projectId }, bytes, mediaType);
      await note(response, projectId, 'labels to the printer');
      const { labels, runIds } = job.result as { labels: number; runIds: string[] };
      response.json({ printer: printer.name, labels, runIds } satisfies PrintLabelsReply);
    },
  );
}

/** What was made lately, and from which revision. */
function madeRoutes(table: RouteTable, { database }: Services): void {
  table.get(
    '/projects/:projectId/documents',
    'read',
    { does: 'Documents that were made lately, with the revision of each', reply: madeDocumentsReply },
    async (request, response) => {
      const all = await madeDocuments(database, String(request.params.projectId), MADE_LISTED);
      const { id, role } = response.locals.member!;
      // A job is its member's own, and that of who runs the firm.
      const documents = all.filter(({ memberId }) => memberId === id || hasRight(role, 'own'));
      response.json({ documents } satisfies MadeDocumentsReply);
    },
  );
}

/** So many documents are listed. */
const MADE_LISTED = 50;

/** As printed in title blocks: 2026-11-24. */
const today = () => new Date().toISOString().slice(0, 10);
