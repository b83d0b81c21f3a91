import express, { Router } from 'express';
import { z } from 'zod';
import { changesRequest } from '@dusky-spool/core/contract';
import type { Database } from '../../database/index.ts';
import { parseBody, parseQuery, requireProject } from '../../http/index.ts';
import { applyChanges } from './service.ts';
import { changesSince } from './store.ts';

const sinceQuery = z.strictObject({ since: z.coerce.number().int().min(0) });

export function changeRoutes(database: Database): Router {
  const router = Router();
  const owned = requireProject(database);
  router.post('/projects/:projectId/changes', owned, express.json({ limit: '20mb' }), async (request, response) => {
    const { changes } = parseBody(request, changesRequest);
    response.json(await applyChanges(database, String(request.params.projectId), response.locals.member!.id, changes));
  });
  router.get('/projects/:projectId/changes', owned, async (request, response) => {
    const { since } = parseQuery(request, sinceQuery);
    response.json({ changes: await changesSince(database, String(request.params.projectId), since) });
  });
  return router;
}
