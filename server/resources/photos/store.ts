import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { SiteFileState } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';

interface SiteFileRow {
  readonly mediaType: string;
  readonly sizeBytes: number;
  readonly receivedBytes: number;
  readonly isComplete: boolean;
}

const stateOf = (id: string, { sizeBytes, receivedBytes, isComplete }: SiteFileRow): SiteFileState => ({
  id,
  sizeBytes,
  receivedBytes,
  isComplete,
});

const rowOf = async (
  { models }: Database,
  projectId: string,
  id: string,
  transaction?: Transaction,
): Promise<SiteFileRow | null> =>
  (await models.siteFiles.findOne({
    where: { projectId, id },
    attributes: ['mediaType', 'sizeBytes', 'receivedBytes', 'isComplete'],
    raw: true,
    ...(transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}),
  })) as unknown as SiteFileRow | null;

/** All files of a project with how much of each is there. */
export const siteFiles = async ({ models }: Database, projectId: string): Promise<SiteFileState[]> => {
  const rows = (await models.siteFiles.findAll({
    where: { projectId },
    attributes: ['id', 'sizeBytes', 'receivedBytes', 'isComplete'],
    order: [['id', 'ASC']],
    raw: true,
  })) as unknown as SiteFileState[];
  return rows.map(({ id, sizeBytes, receivedBytes, isComplete }) => ({ id, sizeBytes, receivedBytes, isComplete }));
};

/** Begins an upload, or says how far it came. Problem: `upload-differs` where it was begun with another size. */
export async function beginFile(
  database: Database,
  projectId: string,
  id: string,
  wanted: { readonly mediaType: string; readonly sizeBytes: number; readonly memberId: string },
): Promise<SiteFileState> {
  const { mediaType, sizeBytes, memberId } = wanted;
  await database.models.siteFiles.bulkCreate(
    [
      {
        ...{ projectId, id, mediaType, sizeBytes, receivedBytes: 0, widthPx: null, heightPx: null, isComplete: false },
        ...{ byMember: memberId, updatedAt: new Date(), thumbnail: null, shared: null },
      },
    ],
    { ignoreDuplicates: true },
  );
  const row = (await rowOf(database, projectId, id))!;
  if (row.sizeBytes !== sizeBytes) throw refusal('upload-differs', { kind: 'invalid', field: 'sizeBytes' });
  return stateOf(id, row);
}

/**
 * Takes a part. One that was there already, wholly or in part, changes nothing, so that a lost answer can be asked for again.
 * Problems: `not-found` where nothing was begun, `upload-gap` (with `receivedBytes`), `upload-too-long`.
 */
export const addPart = (
  database: Database,
  projectId: string,
  id: string,
  fromByte: number,
  bytes: Buffer,
): Promise<SiteFileState> =>
  database.sequelize.transaction(async (transaction) => {
    const row = await rowOf(database, projectId, id, transaction);
    if (!row) throw refusal('not-found', { field: 'file' });
    if (fromByte > row.receivedBytes) throw refusal('upload-gap', { field: 'fromByte', receivedBytes: row.receivedBytes });
    if (fromByte < row.receivedBytes || row.isComplete) return stateOf(id, row);
    const receivedBytes = fromByte + bytes.length;
    if (receivedBytes > row.sizeBytes) throw refusal('upload-too-long', { kind: 'invalid', field: 'bytes' });
    await database.models.siteFileParts.create({ projectId, fileId: id, fromByte, bytes }, { transaction });
    await database.models.siteFiles.update({ receivedBytes, updatedAt: new Date() }, { where: { projectId, id }, transaction });
    return stateOf(id, { ...row, receivedBytes });
  });

/** The whole file in its order, part by part. */
export async function* partsOf({ sequelize }: Database, projectId: string, id: string): AsyncGenerator<Buffer> {
  let from = -1;
  for (;;) {
    const [part] = await sequelize.query<{ from: number; bytes: Buffer }>(
      `SELECT from_byte AS "from", bytes FROM site_file_parts
       WHERE project_id = :projectId AND file_id = :id AND from_byte > :from ORDER BY from_byte LIMIT 1`,
      { type: QueryTypes.SELECT, replacements: { projectId, id, from } },
    );
    if (!part) return;
    yield part.bytes;
    from = part.from;
  }
}

export async function wholeFile(database: Database, projectId: string, id: string): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of partsOf(database, projectId, id)) parts.push(part);
  return Buffer.concat(parts);
}

export const completeFile = async (
  { models }: Database,
  projectId: string,
  id: string,
  made: {
    readonly widthPx: number | null;
    readonly heightPx: number | null;
    readonly thumbnail: Buffer | null;
    readonly shared: Buffer | null;
  },
): Promise<void> => {
  await models.siteFiles.update({ ...made, isComplete: true, updatedAt: new Date() }, { where: { projectId, id } });
};

export const deleteFile = async ({ models }: Database, projectId: string, id: string): Promise<void> => {
  await models.siteFiles.destroy({ where: { projectId, id } });
};

/** The copy of a complete file that is asked for; null where there is none. */
export async function copyOf(
  { models }: Database,
  projectId: string,
  id: string,
  copy: 'thumbnail' | 'shared',
): Promise<Buffer | null> {
  const row = (await models.siteFiles.findOne({
    where: { projectId, id, isComplete: true },
    attributes: [copy],
    raw: true,
  })) as unknown as Record<typeof copy, Buffer | null> | null;
  return row?.[copy] ?? null;
}

export const fileRow = (database: Database, projectId: string, id: string): Promise<SiteFileRow | null> =>
  rowOf(database, projectId, id);

/** Whether a photo of this file is shared with the client. */
export const isShared = async ({ models }: Database, projectId: string, fileId: string): Promise<boolean> =>
  (await models.records.photos.count({ where: { projectId, fileId, isShared: true } })) > 0;

/** Uploads that nobody went on with. */
export const deleteUnfinished = ({ models }: Database, before: Date): Promise<number> =>
  models.siteFiles.destroy({ where: { isComplete: false, updatedAt: { [Op.lt]: before } } });
