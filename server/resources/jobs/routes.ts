import type { Response } from 'express';
import { hasRight, jobReply, type JobReply } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { isUuid, maySeeProject, type SignedIn } from '../../http/membership-store.ts';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { type JobRow, readJob, resultFile } from '../../jobs/store.ts';
import type { Services } from '../../services/services.ts';

/** Sends the file that a job made as a download. Problem: `not-found`. */
export async function sendJobFile(database: Database, jobId: string, response: Response): Promise<void> {
  const file = await resultFile(database, jobId);
  if (!file) throw refusal('not-found', { field: 'file' });
  response.attachment(file.name).type(file.mediaType).send(file.bytes);
}

/** Jobs: how far one is, its file, stopping it, trying it again. */
export function jobRoutes(table: RouteTable, { database, jobs }: Services): void {
  /** A job of the member's own firm, and of the member unless he or she runs the firm. Problem: `not-found`. */
  const find = async (member: SignedIn, id: unknown): Promise<JobRow> => {
    const job = isUuid(String(id)) ? await readJob(database, String(id).toLowerCase()) : null;
    const isOwn = job?.firmId === member.firmId && (job.memberId === member.id || hasRight(member.role, 'own'));
    if (!job || !isOwn || (job.projectId && !(await maySeeProject(database, member, job.projectId))))
      throw refusal('not-found', { field: 'job' });
    return job;
  };
  const replyOf = async ({ id, kind, state, progress, problem, result }: JobRow): Promise<JobReply> => {
    const file = state === 'done' ? ((await resultFile(database, id))?.name ?? null) : null;
    return { id, kind, state, progress, problem, file, result };
  };
  table.get('/jobs/:jobId', 'read', { does: 'How far a job is', reply: jobReply }, async (request, response) => {
    response.json(await replyOf(await find(response.locals.member!, request.params.jobId)));
  });
  table.get('/jobs/:jobId/file', 'read', { does: 'The file that a job made', reply: 'file' }, async (request, response) => {
    const job = await find(response.locals.member!, request.params.jobId);
    if (job.state !== 'done') throw refusal('job-not-done', { field: 'job', state: job.state });
    await sendJobFile(database, job.id, response);
  });
  table.delete('/jobs/:jobId', 'read', { does: 'Stops a job' }, async (request, response) => {
    await jobs.cancel((await find(response.locals.member!, request.params.jobId)).id);
    response.status(204).end();
  });
  table.post(
    '/jobs/:jobId/retry',
    'read',
    { does: 'Does a job again', reply: jobReply, status: 202 },
    async (request, response) => {
      const job = await find(response.locals.member!, request.params.jobId);
      if (!(await jobs.retry(job))) throw refusal('job-not-ended', { field: 'job', state: job.state });
      response.status(202).json(await replyOf((await readJob(database, job.id))!));
    },
  );
}
