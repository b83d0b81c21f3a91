import express, { type Request, type Response } from 'express';
import { maySeeCosts, siteFileReply, siteFileRequest, siteFilesReply, type SiteFileState } from '@dusky-spool/core/model';
import { parseShape } from '../../http/parse.ts';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { type Services, untilGone } from '../../services/services.ts';
import { addPart, beginFile, copyOf, fileRow, isShared, partsOf, siteFiles } from './store.ts';

/** Largest part of a file, bytes: a weak connection gets it through. */
const MAX_PART = '1mb';

const placeOf = (request: Request) => {
  const { projectId, fileId } = request.params as Record<string, string>;
  if (!/^[0-9a-f]{64}$/.test(fileId)) throw refusal('not-found', { field: 'file' });
  return { projectId, fileId };
};

const asFile = (response: Response, mediaType: string): Response =>
  response
    .set('Cache-Control', 'private, max-age=31536000, immutable')
    .set('Content-Security-Policy', "default-src 'none'; sandbox")
    .set('X-Content-Type-Options', 'nosniff')
    .type(mediaType);

/** Files of photos and films: they come in parts and go on where they stopped; a client sees the copies of what is shared. */
export function photoRoutes(table: RouteTable, services: Services): void {
  uploadRoutes(table, services);
  viewRoutes(table, services);
}

function uploadRoutes(table: RouteTable, { database, jobs }: Services): void {
  table.get(
    '/projects/:projectId/photos',
    'field',
    { does: 'Files of photos with how much of each is there', reply: siteFilesReply },
    async (request, response) => {
      response.json({ files: await siteFiles(database, String(request.params.projectId)) });
    },
  );

  table.put(
    '/projects/:projectId/photos/:fileId',
    'field',
    { does: 'Begins the upload of a photo, or says how far it came', body: siteFileRequest, reply: siteFileReply },
    express.json({ limit: '10kb' }),
    async (request, response) => {
      const { projectId, fileId } = placeOf(request);
      const wanted = parseShape(request.body, siteFileRequest);
      const memberId = response.locals.member!.id;
      response.json(await beginFile(database, projectId, fileId, { ...wanted, memberId }));
    },
  );

  table.put(
    '/projects/:projectId/photos/:fileId/parts/:fromByte',
    'field',
    { does: 'Takes a part of a photo', body: 'file', reply: siteFileReply },
    express.raw({ type: () => true, limit: MAX_PART }),
    async (request, response) => {
      const { projectId, fileId } = placeOf(request);
      const from = String(request.params.fromByte);
      if (!/^\d{1,9}$/.test(from)) throw refusal('input-invalid', { kind: 'invalid', field: 'fromByte' });
      const bytes: unknown = request.body;
      if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw refusal('file-empty', { field: 'bytes' });
      const state = await addPart(database, projectId, fileId, Number(from), bytes);
      if (state.isComplete || state.receivedBytes < state.sizeBytes) return void response.json(state);
      await jobs.run(response.locals.member!, { kind: 'photo', params: { fileId }, projectId }, untilGone(request));
      response.json({ ...state, isComplete: true } satisfies SiteFileState);
    },
  );
}

function viewRoutes(table: RouteTable, { database }: Services): void {
  const mayLook = async (response: Response, projectId: string, fileId: string): Promise<void> => {
    if (!maySeeCosts(response.locals.member!.role) && !(await isShared(database, projectId, fileId)))
      throw refusal('not-found', { field: 'file' });
  };
  for (const [copy, mediaType, does] of [
    ['thumbnail', 'image/webp', 'A photo, small'],
    ['shared', 'image/jpeg', 'A photo without place and camera data'],
  ] as const)
    table.get(`/projects/:projectId/photos/:fileId/${copy}`, 'read', { does, reply: 'file' }, async (request, response) => {
      const { projectId, fileId } = placeOf(request);
      await mayLook(response, projectId, fileId);
      const bytes = await copyOf(database, projectId, fileId, copy);
      if (!bytes) throw refusal('not-found', { field: 'file' });
      asFile(response, mediaType).send(bytes);
    });

  table.get(
    '/projects/:projectId/photos/:fileId',
    'field',
    { does: 'A photo or film as it was taken', reply: 'file' },
    async (request, response) => {
      const { projectId, fileId } = placeOf(request);
      const row = await fileRow(database, projectId, fileId);
      if (!row?.isComplete) throw refusal('not-found', { field: 'file' });
      asFile(response, row.mediaType).set('Content-Length', String(row.sizeBytes));
      for await (const part of partsOf(database, projectId, fileId)) {
        if (response.closed) return;
        if (!response.write(part)) await new Promise((ready) => response.once('drain', ready).once('close', ready));
      }
      response.end();
    },
  );
}
