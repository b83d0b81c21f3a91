import { randomUUID } from 'node:crypto';
import { QueryTypes, Transaction } from 'sequelize';
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  emptyDocument,
  type CollectionName,
  type ProjectDocument,
  type ProjectHeader,
} from '@dusky-spool/core/project';
import type { PictureInfo, ProjectSummary } from '@dusky-spool/core/contract';
import type { Picture } from '@dusky-spool/core/formats';
import { HEADER_COLUMNS, type Database } from '../../database/index.ts';

type Fields = Record<string, unknown>;

/** The fields of a list's records in schema order, as the columns to read. */
const FIELDS = Object.fromEntries(
  COLLECTION_NAMES.map((name) => [name, Object.keys((COLLECTIONS[name].schema as unknown as { shape: object }).shape)]),
) as Record<CollectionName, string[]>;
const HEADER_FIELDS = Object.keys(HEADER_COLUMNS);

export const headerOf = (row: Fields): ProjectHeader =>
  Object.fromEntries([['id', 'project'], ...HEADER_FIELDS.map((field) => [field, row[field]])]) as unknown as ProjectHeader;

/** A project as it stood at one moment. */
export async function loadDocument(
  { sequelize, models }: Database,
  projectId: string,
): Promise<{ revision: number; document: ProjectDocument }> {
  return sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, async (transaction) => {
    const project = (await models.projects.findByPk(projectId, {
      transaction,
      raw: true,
      rejectOnEmpty: true,
    })) as unknown as Fields;
    const document = emptyDocument(headerOf(project)) as unknown as Record<string, Record<string, unknown>>;
    for (const name of COLLECTION_NAMES) {
      const rows = (await models.records[name].findAll({
        where: { projectId },
        attributes: FIELDS[name],
        raw: true,
        transaction,
      })) as unknown as Fields[];
      const table = document[name];
      for (const row of rows) table[row.id as string] = row;
    }
    return { revision: project.revision as number, document: document as unknown as ProjectDocument };
  });
}

export async function listPictures({ models }: Database, projectId: string): Promise<PictureInfo[]> {
  return (await models.pictures.findAll({
    where: { projectId },
    attributes: ['id', 'mediaType', 'widthPx', 'heightPx'],
    order: ['id'],
    raw: true,
  })) as unknown as PictureInfo[];
}

/** Pictures with their bytes, for a file. */
export async function loadPictures({ models }: Database, projectId: string): Promise<Picture[]> {
  const rows = (await models.pictures.findAll({ where: { projectId }, order: ['id'], raw: true })) as unknown as (PictureInfo & {
    bytes: Buffer;
  })[];
  return rows.map(({ id, mediaType, widthPx, heightPx, bytes }) => ({
    id,
    mediaType: mediaType as Picture['mediaType'],
    widthPx,
    heightPx,
    base64: bytes.toString('base64'),
  }));
}

/** Stores a whole project under a new id: all of it or nothing. */
export async function insertProject(
  { sequelize, models }: Database,
  firmId: string,
  document: ProjectDocument,
  pictures: readonly Picture[],
  at: Date,
): Promise<string> {
  const projectId = randomUUID();
  await sequelize.transaction(async (transaction) => {
    const { id: _id, ...header } = document.project;
    await models.projects.create(
      { id: projectId, firmId, revision: 0, ...header, createdAt: at, updatedAt: at },
      { transaction },
    );
    for (const { base64, ...info } of pictures) {
      await models.pictures.create({ projectId, ...info, bytes: Buffer.from(base64, 'base64') }, { transaction });
    }
    for (const name of COLLECTION_NAMES) {
      const records = Object.values(document[name] as Record<string, Fields>).map((record) => ({ projectId, ...record }));
      for (let start = 0; start < records.length; start += 500) {
        await models.records[name].bulkCreate(records.slice(start, start + 500), { transaction });
      }
    }
  });
  return projectId;
}

export async function listProjects({ sequelize }: Database, firmId: string): Promise<ProjectSummary[]> {
  const count = (table: string, where = '') => `(SELECT count(*)::int FROM ${table} t WHERE t.project_id = p.id ${where})`;
  const rows = await sequelize.query<Omit<ProjectSummary, 'updatedAt'> & { updatedAt: Date }>(
    `SELECT p.id, p.short_id AS "shortId", p.name, p.description, p.revision, p.updated_at AS "updatedAt",
       ${count('levels')} AS levels, ${count('rooms')} AS rooms, ${count('devices')} AS devices, ${count('runs')} AS runs,
       ${count('runs', "AND t.state IN ('pulled', 'terminated', 'tested')")} AS "runsPulled"
     FROM projects p WHERE p.firm_id = :firmId ORDER BY p.created_at, p.name`,
    { replacements: { firmId }, type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() }));
}

export async function deleteProject({ models }: Database, projectId: string): Promise<void> {
  await models.projects.destroy({ where: { id: projectId } });
}
