import { QueryTypes } from 'sequelize';
import type { Database } from '../../database/index.ts';

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
