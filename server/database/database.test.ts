import { expect } from 'chai';
import { QueryTypes } from 'sequelize';
import { COLLECTION_NAMES, COLLECTIONS } from '@dusky-spool/core/model';
import { freshDatabaseUrl } from '../testing/fresh-database.ts';
import { type Database, openDatabase } from './index.ts';
import { migrator } from './migrate.ts';
import type { Table } from './models/index.ts';

const KINDS: Record<string, string> = {
  'double precision': 'DOUBLE PRECISION',
  'timestamp with time zone': 'TIMESTAMP WITH TIME ZONE',
  bytea: 'BYTEA',
};

describe('the database', () => {
  let database: Database;
  beforeEach(async () => {
    database = openDatabase(await freshDatabaseUrl());
  });
  afterEach(() => database.sequelize.close());

  const tables = async () =>
    (
      await database.sequelize.query<{ table_name: string }>(
        "SELECT t.table_name FROM information_schema.tables t WHERE table_schema = 'public'",
        {
          type: QueryTypes.SELECT,
        },
      )
    ).map((row) => row.table_name);

  it('is made and unmade by its migrations, twice over', async () => {
    for (let round = 0; round < 2; round++) {
      await migrator(database.sequelize).up();
      expect(await tables()).to.include.members(['projects', 'runs', 'device_types', 'changes', 'sessions']);
      await migrator(database.sequelize).down({ to: 0 });
      expect(await tables()).to.deep.equal(['applied_migrations']);
    }
  });

  it('is brought level where an early form of a migration had left columns out', async () => {
    await migrator(database.sequelize).down({ to: 0 });
    await migrator(database.sequelize).up({ to: '2026-11-30-checks' });
    await database.sequelize.query('ALTER TABLE cable_types DROP rating; ALTER TABLE features DROP reserved');
    await migrator(database.sequelize).up();
    const rows = await database.sequelize.query<{ column_name: string }>(
      `SELECT column_name FROM information_schema.columns WHERE (table_name, column_name) IN (('cable_types', 'rating'), ('features', 'reserved'))`,
      { type: QueryTypes.SELECT },
    );
    expect(rows).to.have.length(2);
    await migrator(database.sequelize).down({ to: 0 });
  });

  it('has in its tables just what the models say', async () => {
    await migrator(database.sequelize).up();
    const { records, ...rest } = database.models;
    for (const model of [...Object.values(rest as Record<string, Table>), ...Object.values(records)]) {
      const name = model.getTableName() as string;
      const rows = await database.sequelize.query<{ column_name: string; data_type: string; is_nullable: string }>(
        'SELECT c.column_name, data_type, is_nullable FROM information_schema.columns c WHERE table_name = :name',
        { replacements: { name }, type: QueryTypes.SELECT },
      );
      const inDatabase = rows
        .map((row) => [row.column_name, KINDS[row.data_type] ?? row.data_type.toUpperCase(), row.is_nullable === 'YES'])
        .sort();
      const inModel = Object.values(model.getAttributes())
        .map((attribute) => [attribute.field!, (attribute.type as { toSql(): string }).toSql(), attribute.allowNull !== false])
        .sort();
      expect(inDatabase, name).to.deep.equal(inModel);
    }
  });

  it('has a column for every field of every record', () => {
    for (const name of COLLECTION_NAMES) {
      const fields = Object.keys((COLLECTIONS[name].schema as unknown as { shape: object }).shape).sort();
      const columns = Object.keys(database.models.records[name].getAttributes())
        .filter((column) => column !== 'projectId')
        .sort();
      expect(columns, name).to.deep.equal(fields);
    }
  });

  it('holds the rules itself: references and unique values of the core are constraints', async () => {
    await migrator(database.sequelize).up();
    const rows = await database.sequelize.query<{ definition: string; table: string }>(
      "SELECT conrelid::regclass::text AS table, pg_get_constraintdef(oid) AS definition FROM pg_constraint WHERE contype IN ('f', 'u')",
      { type: QueryTypes.SELECT },
    );
    const sql = (field: string) => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
    for (const name of COLLECTION_NAMES) {
      const own = rows.filter((row) => row.table === sql(name)).map((row) => row.definition);
      for (const [field, target] of Object.entries(COLLECTIONS[name].refers)) {
        expect(
          own.some((d) => d.startsWith(`FOREIGN KEY (project_id, ${sql(field)}) REFERENCES ${sql(target)}(`)),
          `${name}.${field}`,
        ).to.equal(true);
      }
      for (const fields of COLLECTIONS[name].unique) {
        expect(
          own.some((d) => d.startsWith(`UNIQUE (project_id, ${fields.map(sql).join(', ')})`)),
          `${name}: ${fields.join()}`,
        ).to.equal(true);
      }
    }
  });
});
