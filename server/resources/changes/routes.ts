import express from 'express';
import { z } from 'zod';
import { changesReply, changesRequest, storedChangeFor, storedChangesReply } from '@dusky-spool/core/model';
import { parseQuery, parseShape } from '../../http/parse.ts';
import { tabOf } from '../../http/tab.ts';
import type { RouteTable } from '../../http/route-table.ts';
import type { Services } from '../../services/services.ts';
import { applyChanges } from './service.ts';
import { changesSince } from './store.ts';

const sinceQuery = z.strictObject({ since: z.coerce.number().int().min(0).max(2_147_483_647) });

export function changeRoutes(table: RouteTable, services: Services): void {
  table.post(
    '/projects/:projectId/changes',
    'read',
    { does: 'Applies changes', body: changesRequest, reply: changesReply },
    express.json({ limit: '20mb' }),
    async (request, response) => {
      const { changes } = parseShape(request.body, changesRequest);
      const tab = tabOf(request.get('x-spool-tab'));
      response.json(await applyChanges(services, String(request.params.projectId), response.locals.member!, changes, tab));
    },
  );
  table.get(
    '/projects/:projectId/changes',
    'read',
    { does: 'Changes since a revision', query: sinceQuery, reply: storedChangesReply },
    async (request, response) => {
      const { since } = parseQuery(request, sinceQuery);
      const stored = await changesSince(services.database, String(request.params.projectId), since);
      const { role } = response.locals.member!;
      response.json({ changes: stored.map((one) => storedChangeFor(role, one)) });
    },
  );
}
