import express, { Router } from 'express';
import { MOST_FILE_BYTES } from '@dusky-spool/core/formats';
import { newProjectRequest, type DocumentReply } from '@dusky-spool/core/contract';
import type { Database } from '../../database/index.ts';
import { parseBody, requireProject } from '../../http/index.ts';
import { exportProject, importProject, makeProject } from './service.ts';
import { deleteProject, listPictures, listProjects, loadDocument } from './store.ts';

export function projectRoutes(database: Database): Router {
  const router = Router();
  const owned = requireProject(database);
  router.get('/projects', async (_request, response) => {
    response.json({ projects: await listProjects(database, response.locals.member!.firmId) });
  });
  router.post('/projects', async (request, response) => {
    const { name, units } = parseBody(request, newProjectRequest);
    response.status(201).json({ id: await makeProject(database, response.locals.member!.firmId, name, units, new Date()) });
  });
  router.post('/projects/import', express.text({ type: () => true, limit: MOST_FILE_BYTES }), async (request, response) => {
    const text = typeof request.body === 'string' ? request.body : '';
    response.status(201).json({ id: await importProject(database, response.locals.member!.firmId, text, new Date()) });
  });
  router.get('/projects/:projectId', owned, async (request, response) => {
    const projectId = String(request.params.projectId);
    const reply: DocumentReply = {
      projectId,
      ...(await loadDocument(database, projectId)),
      pictures: await listPictures(database, projectId),
    };
    response.json(reply);
  });
  router.delete('/projects/:projectId', owned, async (request, response) => {
    await deleteProject(database, String(request.params.projectId));
    response.status(204).end();
  });
  router.get('/projects/:projectId/file', owned, async (request, response) => {
    const { name, text } = await exportProject(database, String(request.params.projectId));
    response.attachment(`${name}.spool.json`).type('application/json').send(text);
  });
  return router;
}
