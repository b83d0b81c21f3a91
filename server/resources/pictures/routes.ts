import { createHash } from 'node:crypto';
import { Router } from 'express';
import multer from 'multer';
import type { PictureInfo } from '@dusky-spool/core/contract';
import type { Database } from '../../database/index.ts';
import { refusal, requireProject } from '../../http/index.ts';
import { inspectPicture, MOST_PICTURE_BYTES } from './inspect.ts';

const upload = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: MOST_PICTURE_BYTES, files: 1, fields: 0, parts: 1 },
});

export function pictureRoutes({ sequelize, models }: Database): Router {
  const router = Router();
  const owned = requireProject({ sequelize, models });
  router.post('/projects/:projectId/pictures', owned, upload.single('picture'), async (request, response) => {
    const bytes = request.file?.buffer;
    if (!bytes || bytes.length === 0) throw refusal('picture-missing', { field: 'picture' });
    const found = await inspectPicture(bytes);
    const id = createHash('sha256').update(bytes).digest('hex');
    const projectId = String(request.params.projectId);
    await models.pictures.upsert({ projectId, id, ...found, bytes });
    const reply: PictureInfo = { id, ...found };
    response.status(201).json(reply);
  });
  router.get('/projects/:projectId/pictures/:pictureId', owned, async (request, response) => {
    const where = { projectId: String(request.params.projectId), id: String(request.params.pictureId) };
    const picture = (await models.pictures.findOne({ where, raw: true })) as unknown as {
      mediaType: string;
      bytes: Buffer;
    } | null;
    if (!picture) throw refusal('not-found', { field: 'picture' });
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type(picture.mediaType).send(picture.bytes);
  });
  return router;
}
