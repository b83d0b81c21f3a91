import { randomUUID } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import { describeFailure } from '../database/failures.ts';
import type { Database } from '../database/index.ts';

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
