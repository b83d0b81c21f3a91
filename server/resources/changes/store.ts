import { QueryTypes, type Transaction } from 'sequelize';
import {
  type Change,
  type CollectionName,
  type HouseLists,
  type Operation,
  sameValue,
  type StoredChange,
} from '@dusky-spool/core/model';
import { brokenConstraint } from '../../database/failures.ts';
import type { Database } from '../../database/index.ts';
import { eventText, NOTIFY_STATEMENT } from '../../events/event-bus.ts';
import { refusal } from '../../http/problems.ts';
import { headerOf } from '../projects/store.ts';

type Fields = Record<string, unknown>;

/** A change that was stored before, and whether another one under its id says the same. */
interface AppliedChange {
  readonly revision: number;
  readonly isSame: (change: Change) => boolean;
}

interface TurnRow {
  readonly revision: number;
  readonly appliedAt: number | null;
  readonly title: string;
  readonly operations: Operation[];
  readonly undoes: string | null;
}

/** Everything that one change does to the tables, inside one transaction. */
export class ChangeStore {
  constructor(
    private readonly database: Database,
    private readonly projectId: string,
    private readonly transaction: Transaction,
  ) {}

  /**
   * Takes the project's turn: changes to one project go one after the other. Returns its revision, and what was stored under the
   * change's id before. Problem: `project-gone`.
   */
  async takeTurn(changeId: string): Promise<{ readonly revision: number; readonly applied: AppliedChange | null }> {
    const [row] = await this.database.sequelize.query<TurnRow>(
      `SELECT p.revision, c.revision AS "appliedAt", c.title, c.operations, c.undoes
       FROM projects p LEFT JOIN changes c ON c.project_id = p.id AND c.id = :changeId
       WHERE p.id = :projectId AND p.deleted_at IS NULL FOR UPDATE OF p`,
      { replacements: { projectId: this.projectId, changeId }, type: QueryTypes.SELECT, transaction: this.transaction },
    );
    if (!row) throw refusal('project-gone', { field: 'project' });
    const { revision, appliedAt } = row;
    if (appliedAt === null) return { revision, applied: null };
    const isSame = ({ title, operations, undoes }: Change) =>
      title === row.title && (undoes ?? null) === row.undoes && sameValue(JSON.parse(JSON.stringify(operations)), row.operations);
    return { revision, applied: { revision: appliedAt, isSame } };
  }

  /** What the size of the house follows from, as this transaction sees it: of the walls only the corners of their extent on each level. */
  async houseLists(): Promise<HouseLists> {
    const { sequelize, models } = this.database;
    const { projectId, transaction } = this;
    const read = async (name: 'rooms' | 'racks', attributes: string[]) => {
      const rows = await models.records[name].findAll({ where: { projectId }, attributes, raw: true, transaction });
      return Object.fromEntries((rows as unknown as { id: string }[]).map((row) => [row.id, row]));
    };
    const extents = await sequelize.query<{ levelId: string; minX: number; maxX: number; minY: number; maxY: number }>(
      `SELECT level_id AS "levelId", min(x) AS "minX", max(x) AS "maxX", min(y) AS "minY", max(y) AS "maxY"
       FROM walls, LATERAL (VALUES ((a->>0)::float8, (a->>1)::float8), ((b->>0)::float8, (b->>1)::float8)) AS ends (x, y)
       WHERE project_id = :projectId GROUP BY level_id`,
      { replacements: { projectId }, type: QueryTypes.SELECT, transaction },
    );
    const walls = extents.map(({ levelId, minX, maxX, minY, maxY }) => [levelId, { levelId, a: [minX, minY], b: [maxX, maxY] }]);
    return {
      rooms: await read('rooms', ['id', 'levelId', 'name', 'polygon']),
      walls: Object.fromEntries(walls) as unknown,
      racks: await read('racks', ['id', 'levelId', 'x', 'y']),
    } as HouseLists;
  }

  count(name: CollectionName): Promise<number> {
    return this.database.models.records[name].count({ where: { projectId: this.projectId }, transaction: this.transaction });
  }

  /** A spool of these cuts from which more is cut than was on it, with both lengths, m; null where none is. */
  async overdrawnSpool(cutIds: readonly string[]): Promise<{ spool: string; lengthM: number; cutM: number } | null> {
    const [row] = await this.database.sequelize.query<{ spool: string; lengthM: number; cutM: number }>(
      `SELECT s.code AS spool, s.length_m AS "lengthM", sum(c.length_m) AS "cutM"
       FROM spools s JOIN spool_cuts c ON c.project_id = s.project_id AND c.spool_id = s.id
       WHERE s.project_id = :projectId AND s.id IN (SELECT spool_id FROM spool_cuts WHERE project_id = :projectId AND id IN (:cutIds))
       GROUP BY s.id, s.code, s.length_m HAVING sum(c.length_m) > s.length_m + 1e-6 LIMIT 1`,
      { replacements: { projectId: this.projectId, cutIds }, type: QueryTypes.SELECT, transaction: this.transaction },
    );
    return row ?? null;
  }

  async current(operation: Operation): Promise<Fields | undefined> {
    const { models } = this.database;
    const { transaction } = this;
    if (operation.in === 'project')
      return headerOf(
        (await models.projects.findByPk(this.projectId, { raw: true, transaction })) as unknown as Fields,
      ) as unknown as Fields;
    const row = (await models.records[operation.in].findOne({
      where: { projectId: this.projectId, id: operation.id },
      raw: true,
      transaction,
    })) as Fields | null;
    if (!row) return undefined;
    const { projectId: _projectId, ...record } = row;
    return record;
  }

  /** Does an operation; `result` is the record that it makes, with the fields that an older app does not know. */
  async write(operation: Operation, result: Fields | null): Promise<void> {
    const { models } = this.database;
    const { transaction, projectId } = this;
    if (operation.in === 'project') {
      if (operation.op === 'update') await models.projects.update(operation.after, { where: { id: projectId }, transaction });
      return;
    }
    const table = models.records[operation.in];
    const where = { projectId, id: operation.id };
    if (operation.op === 'create') await this.create(operation, result ?? operation.record);
    else if (operation.op === 'delete') await table.destroy({ where, transaction });
    else if (Object.keys(operation.after).length > 0) await table.update(operation.after, { where, transaction });
  }

  /** A new record. Nothing is looked up before: the database knows whether its id is taken. Problem: `record-exists`. */
  private async create(operation: Extract<Operation, { op: 'create' }>, record: object): Promise<void> {
    const { transaction, projectId } = this;
    const table = this.database.models.records[operation.in];
    try {
      await table.create({ ...record, projectId }, { transaction, returning: false });
    } catch (error) {
      if (brokenConstraint(error)?.constraint.endsWith('_pkey'))
        throw refusal('record-exists', { in: operation.in, id: operation.id });
      throw error;
    }
  }

  /** Checks the deferred constraints, stores the change, raises the revision, and notifies all servers after the commit. */
  async store(change: Change, memberId: string, revision: number, at: Date, tab: string): Promise<void> {
    const { id, title, operations, undoes } = change;
    const { projectId } = this;
    // One round trip for what every change does.
    await this.database.sequelize.query(
      `SET CONSTRAINTS ALL IMMEDIATE;
       INSERT INTO changes (project_id, id, revision, member_id, title, operations, undoes, created_at)
       VALUES (:projectId, :id, :revision, :memberId, :title, :operations, :undoes, :at);
       UPDATE projects SET revision = :revision, updated_at = :at WHERE id = :projectId;
       ${NOTIFY_STATEMENT}`,
      {
        replacements: {
          projectId,
          id,
          revision,
          memberId,
          title,
          operations: JSON.stringify(operations),
          undoes: undoes ?? null,
          at,
          event: eventText({ kind: 'change', projectId, revision, tab }),
        },
        transaction: this.transaction,
      },
    );
  }
}

const MAX_AT_ONCE = 500;

/** The changes after a revision, oldest first, at most 500. */
export async function changesSince({ sequelize }: Database, projectId: string, revision: number): Promise<StoredChange[]> {
  const rows = await sequelize.query<{
    id: string;
    revision: number;
    title: string;
    operations: Operation[];
    undoes: string | null;
    author: string | null;
    at: Date;
  }>(
    `SELECT c.id, c.revision, c.title, c.operations, c.undoes, m.name AS author, c.created_at AS at
     FROM changes c LEFT JOIN members m ON m.id = c.member_id
     WHERE c.project_id = :projectId AND c.revision > :revision ORDER BY c.revision LIMIT ${MAX_AT_ONCE}`,
    { replacements: { projectId, revision }, type: QueryTypes.SELECT },
  );
  return rows.map(({ id, revision: at, title, operations, undoes, author, at: when }) => ({
    revision: at,
    change: { id, baseRevision: at - 1, title, operations, ...(undoes ? { undoes } : {}) },
    author: author ?? '',
    at: when.toISOString(),
  }));
}

export async function revisionOfProject({ models }: Database, projectId: string): Promise<number | null> {
  const row = (await models.projects.findOne({
    where: { id: projectId, deletedAt: null },
    attributes: ['revision'],
    raw: true,
  })) as unknown as {
    revision: number;
  } | null;
  return row?.revision ?? null;
}
