import { Op, QueryTypes, Transaction } from 'sequelize';
import {
  COLLECTION_NAMES,
  type CollectionName,
  COLLECTIONS,
  type DeletedProject,
  emptyProject,
  type Picture,
  type PictureInfo,
  type ProjectDocument,
  type ProjectHeader,
  type ProjectSummary,
} from '@dusky-spool/core/model';
import { HEADER_COLUMNS } from '../../database/models/index.ts';
import type { Database } from '../../database/index.ts';
import { firmName } from '../session/store.ts';

type Fields = Record<string, unknown>;

/** The fields of a list's records in schema order, as the columns to read. */
const FIELDS = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [name, Object.keys((COLLECTIONS[name].schema as unknown as { shape: object }).shape)]),
) as Record<CollectionName, string[]>;
const HEADER_FIELDS = Object.keys(HEADER_COLUMNS);

export const headerOf = (row: Fields): ProjectHeader =>
  Object.fromEntries([['id', 'project'], ...HEADER_FIELDS.map((field) => [field, row[field]])]) as unknown as ProjectHeader;

export const isProjectOf = async ({ models }: Database, firmId: string, projectId: string): Promise<boolean> =>
  (await models.projects.count({ where: { id: projectId, firmId } })) > 0;

/** A project as it stood at one moment. */
export async function loadProject(
  { sequelize, models }: Database,
  projectId: string,
): Promise<{ revision: number; project: ProjectDocument }> {
  return sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, async (transaction) => {
    const row = (await models.projects.findByPk(projectId, {
      transaction,
      raw: true,
      rejectOnEmpty: true,
    })) as unknown as Fields;
    const project = emptyProject(headerOf(row)) as unknown as Record<string, Record<string, unknown>>;
    for (const name of COLLECTION_NAMES) {
      const rows = (await models.records[name].findAll({
        where: { projectId },
        attributes: FIELDS[name],
        order: ['id'],
        raw: true,
        transaction,
      })) as unknown as Fields[];
      const table = project[name];
      for (const record of rows) table[record.id as string] = record;
    }
    return { revision: row.revision as number, project: project as unknown as ProjectDocument };
  });
}

export async function listPictures({ models }: Database, projectId: string): Promise<PictureInfo[]> {
  return (await models.pictures.findAll({
    where: { projectId },
    attributes: ['id', 'mediaType', 'widthPx', 'heightPx', 'paperMetresPerPixel'],
    order: ['id'],
    raw: true,
  })) as unknown as PictureInfo[];
}

/** Pictures with their bytes, for a file. */
export async function loadPictures({ models }: Database, projectId: string): Promise<Picture[]> {
  const rows = (await models.pictures.findAll({ where: { projectId }, order: ['id'], raw: true })) as unknown as (PictureInfo & {
    bytes: Buffer;
  })[];
  return rows.map(({ id, mediaType, widthPx, heightPx, paperMetresPerPixel, bytes }) => ({
    id,
    mediaType: mediaType as Picture['mediaType'],
    widthPx,
    heightPx,
    paperMetresPerPixel,
    base64: bytes.toString('base64'),
  }));
}

/** What the title block of a new project says of the firm: as in the project that was worked on last, else its name. */
export async function firmOnPlans(database: Database, firmId: string): Promise<{ firm: string; firmContact: string }> {
  const last = await database.models.projects.findOne({ where: { firmId, deletedAt: null }, order: [['updatedAt', 'DESC']] });
  const said = last?.get() as { firm: string; firmContact: string } | undefined;
  if (said && (said.firm !== '' || said.firmContact !== '')) return { firm: said.firm, firmContact: said.firmContact };
  return { firm: await firmName(database, firmId), firmContact: '' };
}

/** Stores a whole project under an id of its own: all of it or nothing. */
export async function insertProject(
  { sequelize, models }: Database,
  { firmId, projectId }: { readonly firmId: string; readonly projectId: string },
  project: ProjectDocument,
  pictures: readonly Picture[],
  at: Date,
): Promise<string> {
  await sequelize.transaction(async (transaction) => {
    const { id: _id, ...header } = project.project;
    await models.projects.create(
      { id: projectId, firmId, revision: 0, ...header, createdAt: at, updatedAt: at, deletedAt: null, deletedBy: null },
      { transaction },
    );
    for (const { base64, ...info } of pictures) {
      await models.pictures.create({ projectId, ...info, tiled: false, bytes: Buffer.from(base64, 'base64') }, { transaction });
    }
    for (const name of COLLECTION_NAMES) {
      const records = Object.values(project[name] as Record<string, Fields>).map((record) => ({ projectId, ...record }));
      for (let start = 0; start < records.length; start += 500) {
        await models.records[name].bulkCreate(records.slice(start, start + 500), { transaction });
      }
    }
  });
  return projectId;
}

/** The plan pictures of a project, for another one. */
export async function copyPictures({ sequelize }: Database, fromId: string, toId: string): Promise<void> {
  await sequelize.query(
    `INSERT INTO pictures (project_id, id, media_type, width_px, height_px, paper_metres_per_pixel, tiled, bytes)
     SELECT :toId, id, media_type, width_px, height_px, paper_metres_per_pixel, false, bytes FROM pictures WHERE project_id = :fromId`,
    { replacements: { fromId, toId } },
  );
}

/** Projects of a firm; with `memberId` only those that this client may see. */
export async function listProjects({ sequelize }: Database, firmId: string, memberId: string | null): Promise<ProjectSummary[]> {
  const count = (table: string, where = '') => `(SELECT count(*)::int FROM ${table} t WHERE t.project_id = p.id ${where})`;
  const rows = await sequelize.query<Omit<ProjectSummary, 'updatedAt'> & { updatedAt: Date }>(
    `SELECT p.id, p.short_id AS "shortId", p.name, p.description, p.revision, p.updated_at AS "updatedAt",
       ${count('levels')} AS levels, ${count('rooms')} AS rooms, ${count('devices')} AS devices, ${count('runs')} AS runs,
       ${count('runs', "AND t.state IN ('pulled', 'terminated', 'tested')")} AS "runsPulled"
     FROM projects p WHERE p.firm_id = :firmId AND p.deleted_at IS NULL
       AND (:memberId::uuid IS NULL OR EXISTS (SELECT 1 FROM member_projects m WHERE m.project_id = p.id AND m.member_id = :memberId::uuid))
     ORDER BY p.created_at, p.name`,
    { replacements: { firmId, memberId }, type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() }));
}

/** Names of a firm's projects by their ids, deleted ones among them. */
export async function projectNames({ models }: Database, firmId: string): Promise<ReadonlyMap<string, string>> {
  const rows = (await models.projects.findAll({ where: { firmId }, attributes: ['id', 'name'], raw: true })) as unknown as {
    id: string;
    name: string;
  }[];
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** A deleted project rests so long before it is deleted with everything that belongs to it. */
export const REST_DAYS = 30;
const DAY_MS = 24 * 3600 * 1000;

/** Puts a project to rest; false where it rests already. */
export async function deleteProject({ models }: Database, projectId: string, memberId: string, at: Date): Promise<boolean> {
  const [count] = await models.projects.update(
    { deletedAt: at, deletedBy: memberId },
    { where: { id: projectId, deletedAt: null } },
  );
  return count === 1;
}

export async function restoreProject({ models }: Database, firmId: string, projectId: string): Promise<boolean> {
  const [count] = await models.projects.update(
    { deletedAt: null, deletedBy: null },
    { where: { id: projectId, firmId, deletedAt: { [Op.ne]: null } } },
  );
  return count === 1;
}

export async function deletedProjects({ sequelize }: Database, firmId: string): Promise<DeletedProject[]> {
  const rows = await sequelize.query<{ id: string; name: string; deletedAt: Date; deletedBy: string | null }>(
    `SELECT p.id, p.name, p.deleted_at AS "deletedAt", m.name AS "deletedBy" FROM projects p LEFT JOIN members m ON m.id = p.deleted_by
     WHERE p.firm_id = :firmId AND p.deleted_at IS NOT NULL ORDER BY p.deleted_at DESC`,
    { replacements: { firmId }, type: QueryTypes.SELECT },
  );
  return rows.map(({ id, name, deletedAt, deletedBy }) => ({
    id,
    name,
    deletedAt: deletedAt.toISOString(),
    deletedBy: deletedBy ?? '',
    goneAt: new Date(deletedAt.getTime() + REST_DAYS * DAY_MS).toISOString(),
  }));
}

/** Projects whose rest is over go with everything that belongs to them; returns how many. */
export const removeRested = ({ models }: Database, now: Date): Promise<number> =>
  models.projects.destroy({ where: { deletedAt: { [Op.lt]: new Date(now.getTime() - REST_DAYS * DAY_MS) } } });
