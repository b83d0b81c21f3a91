import { createHash } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import { type PictureInfo, WHOLE_UP_TO_PX } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import type { InspectedPicture } from './inspect.ts';

/** Stores an inspected picture under the fingerprint of its bytes. */
export async function storePicture({ models }: Database, projectId: string, picture: InspectedPicture): Promise<PictureInfo> {
  const { bytes, ...found } = picture;
  const id = createHash('sha256').update(bytes).digest('hex');
  if ((await models.pictures.count({ where: { projectId, id } })) === 0)
    await models.pictures.upsert({ projectId, id, ...found, tiled: false, bytes });
  return { id, ...found };
}

export const readPicture = async ({ models }: Database, projectId: string, id: string) =>
  (await models.pictures.findOne({ where: { projectId, id }, attributes: ['mediaType', 'bytes'], raw: true })) as unknown as {
    mediaType: string;
    bytes: Buffer;
  } | null;

type StoredPicture = PictureInfo & { readonly bytes: Buffer; readonly tiled: boolean };

/** A stored picture with its bytes and whether its tiles are stored; null where it is not there. */
export const pictureToTile = async ({ models }: Database, projectId: string, id: string): Promise<StoredPicture | null> =>
  (await models.pictures.findOne({ where: { projectId, id }, raw: true })) as unknown as StoredPicture | null;

interface TileRow {
  readonly z: number;
  readonly y: number;
  readonly x: number;
  readonly bytes: Buffer;
}

/** Stores all tiles of a picture, some at a time, and marks it as tiled; all of it or nothing. */
export const insertTiles = (
  { sequelize, models }: Database,
  projectId: string,
  pictureId: string,
  batches: AsyncIterable<readonly TileRow[]>,
): Promise<void> =>
  sequelize.transaction(async (transaction) => {
    for await (const tiles of batches) {
      const rows = tiles.map((tile) => ({ projectId, pictureId, ...tile }));
      await models.pictureTiles.bulkCreate(rows, { transaction, ignoreDuplicates: true });
    }
    await models.pictures.update({ tiled: true }, { where: { projectId, id: pictureId }, transaction });
  });

export async function readTile(
  { models }: Database,
  projectId: string,
  pictureId: string,
  [z, x, y]: readonly number[],
): Promise<Buffer | null> {
  const tile = await models.pictureTiles.findOne({ where: { projectId, pictureId, z, y, x }, attributes: ['bytes'], raw: true });
  return (tile as unknown as { bytes: Buffer } | null)?.bytes ?? null;
}

/** Large pictures that have no tiles yet: brought in before tiles were cut at once. */
export const picturesWithoutTiles = ({
  sequelize,
}: Database): Promise<{ projectId: string; pictureId: string; firmId: string }[]> =>
  sequelize.query(
    `SELECT p.project_id AS "projectId", p.id AS "pictureId", o.firm_id AS "firmId"
     FROM pictures p JOIN projects o ON o.id = p.project_id
     WHERE NOT p.tiled AND p.media_type <> 'image/svg+xml' AND p.width_px::bigint * p.height_px > ${WHOLE_UP_TO_PX} LIMIT 50`,
    { type: QueryTypes.SELECT },
  );

export async function storePlanFile({ models }: Database, projectId: string, bytes: Buffer, at: Date): Promise<string> {
  const id = createHash('sha256').update(bytes).digest('hex');
  await models.planFiles.upsert({ projectId, id, bytes, createdAt: at });
  return id;
}

export const readPlanFile = async ({ models }: Database, projectId: string, id: string): Promise<Buffer | null> =>
  (
    (await models.planFiles.findOne({ where: { projectId, id }, attributes: ['bytes'], raw: true })) as unknown as {
      bytes: Buffer;
    } | null
  )?.bytes ?? null;

/** PDF plan sets are only stored while pages are chosen from them. */
export const deletePlanFiles = ({ models }: Database, before: Date): Promise<number> =>
  models.planFiles.destroy({ where: { createdAt: { [Op.lt]: before } } });

const DECODE_LOCK = 40_410_003;

/** Does the work while no other server on this database decodes a picture. */
export const oneAtATime = <T>({ sequelize }: Database, work: () => Promise<T>): Promise<T> =>
  sequelize.transaction(async (transaction) => {
    await sequelize.query(`SELECT pg_advisory_xact_lock(${DECODE_LOCK})`, { type: QueryTypes.SELECT, transaction });
    return work();
  });
