import { randomUUID } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import { describeFailure, type Database } from '../database/index.ts';

/** Closes jobs whose server died, so that nobody waits for them for ever. */
export async function closeLostJobs({ models }: Database, before: Date): Promise<void> {
  await models.jobs.update(
    { state: 'failed', problem: { code: 'unexpected' }, finishedAt: new Date() },
    { where: { state: { [Op.in]: ['waiting', 'running'] }, createdAt: { [Op.lt]: before } } },
  );
}

/** Keeps the class of a failure for the diagnostics file; nothing of its words. */
export async function storeError({ models }: Database, error: unknown, place: string): Promise<void> {
  const kind = describeFailure(error).kind;
  await models.serverErrors.create({ id: randomUUID(), place, kind, createdAt: new Date() }, { returning: false });
}

export const deleteOldErrors = ({ models }: Database, before: Date): Promise<number> =>
  models.serverErrors.destroy({ where: { createdAt: { [Op.lt]: before } } });

export interface Counts {
  readonly firms: number;
  readonly members: number;
  readonly projects: number;
  readonly runs: number;
  readonly pictures: number;
  readonly openJobs: number;
  readonly databaseMb: number;
}

export async function countAll({ sequelize }: Database): Promise<Counts> {
  const [row] = await sequelize.query<Counts>(
    `SELECT (SELECT count(*)::int FROM firms) AS firms, (SELECT count(*)::int FROM members WHERE removed_at IS NULL) AS members,
       (SELECT count(*)::int FROM projects WHERE deleted_at IS NULL) AS projects, (SELECT count(*)::int FROM runs) AS runs,
       (SELECT count(*)::int FROM pictures) AS pictures,
       (SELECT count(*)::int FROM jobs WHERE state IN ('waiting', 'running')) AS "openJobs",
       (pg_database_size(current_database()) / 1048576)::int AS "databaseMb"`,
    { type: QueryTypes.SELECT },
  );
  return row;
}

export async function lastErrors({ sequelize }: Database): Promise<{ place: string; kind: string; at: string }[]> {
  return sequelize.query(
    `SELECT place, kind, to_char(created_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at
     FROM server_errors ORDER BY created_at DESC LIMIT 50`,
    { type: QueryTypes.SELECT },
  );
}

export async function databaseVersion({ sequelize }: Database): Promise<string> {
  const [row] = await sequelize.query<{ version: string }>("SELECT current_setting('server_version') AS version", {
    type: QueryTypes.SELECT,
  });
  return row.version;
}

/** A key of the server: made once, stored in the database, never in a file of the repository. */
export async function readSecret({ sequelize }: Database, name: string, make: () => string): Promise<string> {
  await sequelize.query('INSERT INTO secrets VALUES (:name, :value) ON CONFLICT DO NOTHING', {
    replacements: { name, value: make() },
  });
  const [row] = await sequelize.query<{ value: string }>('SELECT value FROM secrets WHERE name = :name', {
    replacements: { name },
    type: QueryTypes.SELECT,
  });
  return row.value;
}
