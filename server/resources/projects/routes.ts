import { randomUUID } from 'node:crypto';
import express, { type Request, type Response } from 'express';
import {
  copyProjectRequest,
  deletedProjectsReply,
  documentReply,
  type DocumentReply,
  hasRight,
  KNOWS_AREAS,
  madeReply,
  MAX_FILE_BYTES,
  maySeeCosts,
  newProjectRequest,
  projectForClient,
  projectsReply,
  type ProjectsReply,
  withoutAreas,
} from '@dusky-spool/core/model';
import { isUuid, plannersMayDelete, type SignedIn } from '../../http/membership-store.ts';
import { parseBody } from '../../http/parse.ts';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { sendJobFile } from '../jobs/routes.ts';
import { type Services, untilGone } from '../../services/services.ts';
import { copyProject, makeProject } from './service.ts';
import { deletedProjects, deleteProject, listPictures, listProjects, loadProject, restoreProject } from './store.ts';

/** An app in a browser from before outdoor areas; the oldest ones say no protocol, and neither do programs, which are no browsers. */
function isOlderApp(request: Request): boolean {
  const protocol = request.get('x-spool-protocol');
  return protocol === undefined ? request.get('sec-fetch-site') !== undefined : Number(protocol) < KNOWS_AREAS;
}

export function projectRoutes(table: RouteTable, services: Services): void {
  const { database, jobs, audit, bus } = services;

  const mayDelete = async (member: SignedIn): Promise<boolean> =>
    hasRight(member.role, 'own') || (hasRight(member.role, 'plan') && (await plannersMayDelete(database, member.firmId)));
  const requireDeleter = async (response: Response): Promise<SignedIn> => {
    const member = response.locals.member!;
    if (!(await mayDelete(member))) throw refusal('role-too-low', { field: 'role', role: member.role });
    return member;
  };

  table.get('/projects', 'read', { does: 'The projects of the firm', reply: projectsReply }, async (_request, response) => {
    const member = response.locals.member!;
    const projects = await listProjects(database, member.firmId, member.role === 'client' ? member.id : null);
    response.json({ projects, mayDelete: await mayDelete(member) } satisfies ProjectsReply);
  });
  table.post(
    '/projects',
    'plan',
    { does: 'Makes an empty project', body: newProjectRequest, reply: madeReply, status: 201 },
    express.json({ limit: '20kb' }),
    async (request, response) => {
      const wanted = parseBody(request, newProjectRequest);
      response.status(201).json({ id: await makeProject(database, response.locals.member!.firmId, wanted, new Date()) });
    },
  );
  table.post(
    '/projects/:projectId/copy',
    'plan',
    { does: 'Makes a new house on the plan of this one', body: copyProjectRequest, reply: madeReply, status: 201 },
    express.json({ limit: '20kb' }),
    async (request, response) => {
      const wanted = parseBody(request, copyProjectRequest);
      const { firmId } = response.locals.member!;
      const id = await copyProject(database, firmId, String(request.params.projectId), wanted, new Date());
      response.status(201).json({ id });
    },
  );
  table.post(
    '/projects/import',
    'plan',
    { does: 'Makes a project of a project file', body: 'file', reply: madeReply, status: 201 },
    express.text({ type: () => true, limit: MAX_FILE_BYTES }),
    async (request, response) => {
      const member = response.locals.member!;
      const input = Buffer.from(typeof request.body === 'string' ? request.body : '', 'utf8');
      const projectId = randomUUID();
      const job = await jobs.run(member, { kind: 'import', params: { projectId }, input }, untilGone(request));
      await audit.add({ firmId: member.firmId, kind: 'import', member, about: { project: projectId } });
      response.status(201).json(job.result);
    },
  );
  table.get(
    '/projects/:projectId',
    'read',
    { does: 'A project as it stands', reply: documentReply },
    async (request, response) => {
      const projectId = String(request.params.projectId);
      const { project, revision } = await loadProject(database, projectId);
      const shown = maySeeCosts(response.locals.member!.role) ? project : projectForClient(project);
      const reply: DocumentReply = {
        projectId,
        revision,
        document: isOlderApp(request) ? withoutAreas(shown) : shown,
        pictures: await listPictures(database, projectId),
      };
      response.json(reply);
    },
  );
  table.delete(
    '/projects/:projectId',
    'plan',
    { does: 'Deletes a project; it can be restored for thirty days' },
    async (request, response) => {
      const member = await requireDeleter(response);
      const projectId = String(request.params.projectId);
      if (await deleteProject(database, projectId, member.id, new Date())) {
        await bus.emit({ kind: 'project-gone', projectId });
        await audit.add({ firmId: member.firmId, kind: 'project-deleted', member, about: { project: projectId } });
      }
      response.status(204).end();
    },
  );
  table.get('/projects/:projectId/file', 'plan', { does: 'The project as a file', reply: 'file' }, async (request, response) => {
    const member = response.locals.member!;
    const projectId = String(request.params.projectId);
    const job = await jobs.run(member, { kind: 'project-file', params: {}, projectId }, untilGone(request));
    await audit.add({ firmId: member.firmId, kind: 'export', member, about: { project: projectId, document: 'project file' } });
    await sendJobFile(database, job.id, response);
  });

  table.get(
    '/deleted-projects',
    'plan',
    { does: 'Deleted projects that can be restored', reply: deletedProjectsReply },
    async (_request, response) => {
      response.json({ projects: await deletedProjects(database, response.locals.member!.firmId) });
    },
  );
  table.post(
    '/deleted-projects/:deletedId/restore',
    'plan',
    { does: 'Restores a deleted project' },
    async (request, response) => {
      const member = await requireDeleter(response);
      const projectId = String(request.params.deletedId);
      if (!isUuid(projectId) || !(await restoreProject(database, member.firmId, projectId)))
        throw refusal('not-found', { field: 'project' });
      await audit.add({ firmId: member.firmId, kind: 'project-restored', member, about: { project: projectId } });
      response.status(204).end();
    },
  );
}
