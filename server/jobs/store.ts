import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { JobState, MadeDocumentReply } from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import type { Database } from '../database/index.ts';

export interface JobRow {
  readonly id: string;
  readonly firmId: string;
  readonly memberId: string | null;
  readonly projectId: string | null;
  readonly lane: string;
  readonly kind: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly state: JobState;
  readonly progress: number;
  readonly result: Readonly<Record<string, unknown>> | null;
  readonly problem: Problem | null;
}

export interface JobFile {
  readonly name: string;
  readonly mediaType: string;
  readonly bytes: Buffer;
}

const OPEN_STATES = ['waiting', 'running'];

export async function insertJob(
  { models }: Database,
  job: Pick<JobRow, 'id' | 'firmId' | 'memberId' | 'projectId' | 'lane' | 'kind' | 'params'>,
  input: Buffer | null,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  const row = { ...job, state: 'waiting', progress: 0, result: null, problem: null, createdAt: at, finishedAt: null };
  await models.jobs.create(row, { transaction, returning: false });
  if (input) {
    const file = { jobId: job.id, part: 'input', name: '', mediaType: 'application/octet-stream', bytes: input };
    await models.jobFiles.create(file, { transaction, returning: false });
  }
}

export const readJob = async ({ models }: Database, id: string): Promise<JobRow | null> =>
  (await models.jobs.findByPk(id, { raw: true })) as unknown as JobRow | null;

/** Jobs of a firm that have not ended: how many wait or run. */
export const openJobs = ({ models }: Database, firmId: string): Promise<number> =>
  models.jobs.count({ where: { firmId, state: { [Op.in]: OPEN_STATES } } });

/** Moves an open job to another state; false where it has ended already. */
export async function moveJob(
  { models }: Database,
  id: string,
  fields: Partial<Pick<JobRow, 'state' | 'progress' | 'result' | 'problem'>> & { readonly finishedAt?: Date },
): Promise<boolean> {
  const [count] = await models.jobs.update(fields, { where: { id, state: { [Op.in]: OPEN_STATES } } });
  return count === 1;
}

/** An ended job waits once more. */
export async function reopenJob({ models }: Database, id: string): Promise<boolean> {
  const again = { state: 'waiting', progress: 0, problem: null, result: null, createdAt: new Date(), finishedAt: null };
  const [count] = await models.jobs.update(again, { where: { id, state: { [Op.in]: ['failed', 'cancelled'] } } });
  return count === 1;
}

export async function jobFile({ sequelize }: Database, jobId: string, part: 'input' | 'result'): Promise<JobFile | null> {
  const [row] = await sequelize.query<JobFile>(
    'SELECT name, media_type AS "mediaType", bytes FROM job_files WHERE job_id = :jobId AND part = :part',
    { replacements: { jobId, part }, type: QueryTypes.SELECT },
  );
  return row ?? null;
}

export const resultFile = (database: Database, jobId: string): Promise<JobFile | null> => jobFile(database, jobId, 'result');

export async function storeResultFile({ models }: Database, jobId: string, file: JobFile): Promise<void> {
  await models.jobFiles.upsert({ jobId, part: 'result', ...file });
}

/** The newest documents that were made of a project: what, from which revision, when, and whether the file is still there. */
export async function madeDocuments({ models }: Database, projectId: string, limit: number): Promise<MadeDocumentReply[]> {
  const rows = (await models.jobs.findAll({
    where: { projectId, kind: 'document', state: 'done' },
    order: [['finishedAt', 'DESC']],
    limit,
    raw: true,
  })) as unknown as (JobRow & { readonly finishedAt: Date })[];
  return rows.map(({ id, params, result, finishedAt, memberId }) => ({
    ...{ id, memberId, name: String(params.name), revision: Number(result?.revision ?? 0), madeAt: finishedAt.toISOString() },
    query: Object.fromEntries(
      Object.entries((params.query ?? {}) as Record<string, unknown>).filter(
        (entry): entry is [string, string] => typeof entry[1] === 'string',
      ),
    ),
  }));
}

/**
 * Files of jobs that ended before a moment go, and the jobs with them; that a document was made from a revision is remembered until
 * `forgotten`.
 */
export async function deleteEndedJobs({ models, sequelize }: Database, before: Date, forgotten: Date): Promise<void> {
  await sequelize.query('DELETE FROM job_files USING jobs WHERE jobs.id = job_files.job_id AND jobs.finished_at < :before', {
    replacements: { before },
  });
  const isOver = { finishedAt: { [Op.lt]: before } };
  const isNoDocument = { [Op.or]: [{ kind: { [Op.ne]: 'document' } }, { state: { [Op.ne]: 'done' } }] };
  await models.jobs.destroy({ where: { [Op.and]: [isOver, isNoDocument] } });
  await models.jobs.destroy({ where: { finishedAt: { [Op.lt]: forgotten } } });
}
