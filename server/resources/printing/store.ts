import { Op, QueryTypes } from 'sequelize';
import type { Database } from '../../database/index.ts';

export interface PrintedJob {
  /** Counted within the firm. */
  readonly id: number;
  readonly pages: number;
  readonly type: string;
}

const MAX_STORED = 20;
const PAGES_OF_PDF = /\/Type\s*\/Page\b(?!s)/g;

/** Stores what went to the printer for a firm, so that its people can look at it again; the last twenty of them. */
export async function storePrinted(
  { sequelize, models }: Database,
  of: { readonly firmId: string; readonly projectId: string },
  bytes: Buffer,
  mediaType: string,
): Promise<void> {
  const pages = bytes.toString('latin1').match(PAGES_OF_PDF)?.length ?? 1;
  const { firmId, projectId } = of;
  await sequelize.transaction(async (transaction) => {
    await sequelize.query('SELECT 1 FROM firms WHERE id = :firmId FOR UPDATE', { replacements: { firmId }, transaction });
    const last = ((await models.printedJobs.max('number', { where: { firmId }, transaction })) as number | null) ?? 0;
    const row = { firmId, number: last + 1, projectId, pages, mediaType, bytes, createdAt: new Date() };
    await models.printedJobs.create(row, { transaction, returning: false });
    await models.printedJobs.destroy({ where: { firmId, number: { [Op.lte]: last + 1 - MAX_STORED } }, transaction });
  });
}

/** What a firm has printed, newest first. */
export const printedBy = ({ sequelize }: Database, firmId: string): Promise<PrintedJob[]> =>
  sequelize.query(
    'SELECT number AS id, pages, media_type AS type FROM printed_jobs WHERE firm_id = :firmId ORDER BY number DESC',
    { replacements: { firmId }, type: QueryTypes.SELECT },
  );

export const printedJob = async ({ models }: Database, firmId: string, number: number) =>
  (await models.printedJobs.findOne({ where: { firmId, number }, attributes: ['bytes', 'mediaType'], raw: true })) as unknown as {
    bytes: Buffer;
    mediaType: string;
  } | null;

export const deletePrinted = ({ models }: Database, before: Date): Promise<number> =>
  models.printedJobs.destroy({ where: { createdAt: { [Op.lt]: before } } });
