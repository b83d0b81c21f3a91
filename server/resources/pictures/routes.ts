import type { Request, RequestHandler, Response } from 'express';
import multer from 'multer';
import { madeReply, pictureReply, planFileReply, workbookReply } from '@dusky-spool/core/model';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { resultFile } from '../../jobs/store.ts';
import { type Services, untilGone } from '../../services/services.ts';
import { readPicture, readTile } from './store.ts';

/** Largest picture or PDF that is taken, bytes. */
const MAX_PICTURE_BYTES = 60 * 1024 * 1024;

const upload = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: MAX_PICTURE_BYTES, files: 1, fields: 0, parts: 1 },
});

/** Largest workbook that is taken, bytes. */
const MAX_WORKBOOK_BYTES = 5 * 1024 * 1024;

/** Takes the one file of a request; what the parser finds wrong with the parts is the sender's to put right. */
const takeFile: RequestHandler = (request, response, next) =>
  void upload.single('picture')(request, response, (error: unknown) => {
    const isTooLarge = (error as { code?: unknown } | undefined)?.code === 'LIMIT_FILE_SIZE';
    if (isTooLarge) next(refusal('file-too-large', { field: 'picture', mostBytes: MAX_PICTURE_BYTES }));
    else next(error ? refusal('upload-malformed', { field: 'picture' }) : undefined);
  });

const KEEP = 'private, max-age=31536000, immutable';

/** A picture from outside is only ever looked at: should a browser open one by itself, nothing in it may run or load. */
function asPicture(response: Response, mediaType: string): Response {
  return response
    .set('Cache-Control', KEEP)
    .set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox")
    .set('X-Content-Type-Options', 'nosniff')
    .type(mediaType);
}

/** Plan pictures, PDF plan sets and workbooks: they are read by jobs in processes of their own. */
export function pictureRoutes(table: RouteTable, services: Services): void {
  takingRoutes(table, services);
  readingRoutes(table, services);
  pageRoutes(table, services);
}

/** Files that are taken in. */
function takingRoutes(table: RouteTable, { jobs }: Services): void {
  const bytesOf = (request: Request): Buffer => {
    const bytes = request.file?.buffer;
    if (!bytes) throw refusal('picture-missing', { field: 'picture' });
    if (bytes.length === 0) throw refusal('file-empty', { field: 'picture' });
    return bytes;
  };
  for (const [path, kind, does, reply] of [
    ['pictures', 'picture', 'Takes a plan picture', pictureReply],
    ['sheets', 'plan-file', 'Takes a PDF of plans', planFileReply],
  ] as const)
    table.post(
      `/projects/:projectId/${path}`,
      'plan',
      { does, body: 'picture', reply, status: 201 },
      takeFile,
      async (request, response) => {
        const projectId = String(request.params.projectId);
        const job = await jobs.run(
          response.locals.member!,
          { kind, params: {}, projectId, input: bytesOf(request) },
          untilGone(request),
        );
        response.status(201).json(job.result);
      },
    );

  // The same as a job that can be watched: a large plan takes half a minute to be looked at and cut.
  table.post(
    '/projects/:projectId/pictures/job',
    'plan',
    { does: 'Takes a plan picture as a job', body: 'picture', reply: madeReply, status: 202 },
    takeFile,
    async (request, response) => {
      const projectId = String(request.params.projectId);
      const submission = { kind: 'picture', params: {}, projectId, input: bytesOf(request) } as const;
      response.status(202).json({ id: await jobs.submit(response.locals.member!, submission) });
    },
  );

  table.post(
    '/projects/:projectId/workbooks',
    'plan',
    { does: 'Reads the cells of a workbook', body: 'picture', reply: workbookReply },
    takeFile,
    async (request, response) => {
      const input = bytesOf(request);
      if (input.length > MAX_WORKBOOK_BYTES) throw refusal('file-too-large', { field: 'file', mostBytes: MAX_WORKBOOK_BYTES });
      const projectId = String(request.params.projectId);
      const submission = { kind: 'workbook', params: {}, projectId, input } as const;
      const job = await jobs.run(response.locals.member!, submission, untilGone(request));
      response.json(job.result);
    },
  );
}

/** Pictures and their tiles, to look at. */
function readingRoutes(table: RouteTable, { database }: Services): void {
  table.get(
    '/projects/:projectId/pictures/:pictureId',
    'read',
    { does: 'A plan picture', reply: 'file' },
    async (request, response) => {
      const picture = await readPicture(database, String(request.params.projectId), String(request.params.pictureId));
      if (!picture) throw refusal('not-found', { field: 'picture' });
      asPicture(response, picture.mediaType).send(picture.bytes);
    },
  );

  table.get(
    '/projects/:projectId/pictures/:pictureId/tiles/:z/:x/:y',
    'read',
    { does: 'A tile of a large plan picture', reply: 'file' },
    async (request, response) => {
      const { projectId, pictureId, z, x, y } = request.params as Record<string, string>;
      const place = [z, x, y].map((text) => (/^\d{1,4}$/.test(text) ? Number(text) : -1));
      const tile = await readTile(database, projectId, pictureId, place);
      if (!tile) throw refusal('not-found', { field: 'tile' });
      asPicture(response, 'image/webp').send(tile);
    },
  );
}

/** Pages of a PDF that was taken in. */
function pageRoutes(table: RouteTable, { database, jobs }: Services): void {
  const pageOf = (request: Request) => {
    const { sheetId, page } = request.params as Record<string, string>;
    if (!/^[0-9a-f]{64}$/.test(sheetId) || !/^\d{1,4}$/.test(page)) throw refusal('not-found', { field: 'sheet' });
    return { sheetId, page: Number(page) };
  };

  table.get(
    '/projects/:projectId/sheets/:sheetId/:page/thumbnail',
    'plan',
    { does: 'A page of a PDF, small', reply: 'file' },
    async (request, response) => {
      const projectId = String(request.params.projectId);
      const submission = { kind: 'plan-thumbnail', params: pageOf(request), projectId } as const;
      const job = await jobs.run(response.locals.member!, submission, untilGone(request));
      asPicture(response, 'image/png').send((await resultFile(database, job.id))!.bytes);
    },
  );

  table.post(
    '/projects/:projectId/sheets/:sheetId/:page',
    'plan',
    { does: 'Makes a plan picture of a page of a PDF', reply: pictureReply, status: 201 },
    async (request, response) => {
      const projectId = String(request.params.projectId);
      const submission = { kind: 'plan-page', params: pageOf(request), projectId } as const;
      const job = await jobs.run(response.locals.member!, submission, untilGone(request));
      response.status(201).json(job.result);
    },
  );
}
