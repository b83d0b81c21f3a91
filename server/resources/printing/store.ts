import { randomUUID } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import type { Database } from '../../database/index.ts';

export interface PrintedJob {
  readonly id: string;
  readonly pages: number;
  readonly type: string;
}

const KEPT = 20;
const PAGES_OF_PDF = /\/Type\s*\/Page\b(?!s)/g;

/** Keeps what went to the printer for a firm, so that its people can look at it again; the last twenty of them. */
export async function storePrinted(
  { sequelize, models }: Database,
  of: { readonly firmId: string; readonly projectId: string },
  bytes: Buffer,
  mediaType: string,
): Promise<void> {
  const pages = bytes.toString('latin1').match(PAGES_OF_PDF)?.length ?? 1;
  await models.printedJobs.create(
    { id: randomUUID(), ...of, pages, mediaType, bytes, createdAt: new Date() },
    { returning: false },
  );
  await sequelize.query(
    `DELETE FROM printed_jobs WHERE firm_id = :firmId AND id NOT IN (
       SELECT id FROM printed_jobs WHERE firm_id = :firmId ORDER BY created_at DESC LIMIT ${KEPT})`,
    { replacements: { firmId: of.firmId } },
  );
}

/** What a firm has printed, newest first. */
export const printedBy = ({ sequelize }: Database, firmId: string): Promise<PrintedJob[]> =>
  sequelize.query(
    `SELECT id, pages, media_type AS type FROM printed_jobs WHERE firm_id = :firmId ORDER BY created_at DESC LIMIT ${KEPT}`,
    { replacements: { firmId }, type: QueryTypes.SELECT },
  );

export const printedJob = async ({ models }: Database, firmId: string, id: string) =>
  (await models.printedJobs.findOne({ where: { firmId, id }, attributes: ['bytes', 'mediaType'], raw: true })) as unknown as {
    bytes: Buffer;
    mediaType: string;
  } | null;

export const deletePrinted = ({ models }: Database, before: Date): Promise<number> =>
  models.printedJobs.destroy({ where: { createdAt: { [Op.lt]: before } } });
