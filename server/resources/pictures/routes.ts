import { createHash } from 'node:crypto';
import { Router, type Response } from 'express';
import multer from 'multer';
import type { PictureInfo } from '@dusky-spool/core/contract';
import type { Database } from '../../database/index.ts';
import { refusal, requireProject } from '../../http/index.ts';
import { inspectPicture, MOST_PICTURE_BYTES } from './inspect.ts';
import { pageAsSvg, pageThumbnail, takePdf } from './pdf-sheets.ts';
import { tileOf } from './tiles.ts';

const upload = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: MOST_PICTURE_BYTES, files: 1, fields: 0, parts: 1 },
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

export function pictureRoutes({ sequelize, models }: Database): Router {
  const router = Router();
  const owned = requireProject({ sequelize, models });

  const keep = async (projectId: string, given: Buffer): Promise<PictureInfo> => {
    const { bytes, ...found } = await inspectPicture(given);
    const id = createHash('sha256').update(bytes).digest('hex');
    await models.pictures.upsert({ projectId, id, ...found, bytes });
    return { id, ...found };
  };
  const load = async (projectId: string, id: string) => {
    const picture = (await models.pictures.findOne({ where: { projectId, id }, raw: true })) as unknown as {
      mediaType: string;
      widthPx: number;
      heightPx: number;
      bytes: Buffer;
    } | null;
    if (!picture) throw refusal('not-found', { field: 'picture' });
    return picture;
  };

  router.post('/projects/:projectId/pictures', owned, upload.single('picture'), async (request, response) => {
    const bytes = request.file?.buffer;
    if (!bytes || bytes.length === 0) throw refusal('picture-missing', { field: 'picture' });
    response.status(201).json(await keep(String(request.params.projectId), bytes));
  });

  router.get('/projects/:projectId/pictures/:pictureId', owned, async (request, response) => {
    const picture = await load(String(request.params.projectId), String(request.params.pictureId));
    asPicture(response, picture.mediaType).send(picture.bytes);
  });

  router.get('/projects/:projectId/pictures/:pictureId/tiles/:z/:x/:y', owned, async (request, response) => {
    const { projectId, pictureId, z, x, y } = request.params as Record<string, string>;
    const file = await tileOf(pictureId, [z, x, y].map(Number), () => load(projectId, pictureId));
    asPicture(response, 'image/webp').sendFile(file, { dotfiles: 'allow' });
  });

  router.post('/projects/:projectId/sheets', owned, upload.single('picture'), async (request, response) => {
    const bytes = request.file?.buffer;
    if (!bytes || bytes.length === 0) throw refusal('picture-missing', { field: 'picture' });
    response.status(201).json(await takePdf(String(request.params.projectId), bytes));
  });

  router.get('/projects/:projectId/sheets/:sheetId/:page/thumbnail', owned, async (request, response) => {
    const { projectId, sheetId, page } = request.params as Record<string, string>;
    asPicture(response, 'image/png').send(await pageThumbnail(projectId, sheetId, Number(page)));
  });

  router.get('/projects/:projectId/sheets/:sheetId/:page', owned, async (request, response) => {
    const { projectId, sheetId, page } = request.params as Record<string, string>;
    response.json(await keep(projectId, await pageAsSvg(projectId, sheetId, Number(page))));
  });
  return router;
}
