import { QueryTypes, type Sequelize } from 'sequelize';
import { Umzug, type UmzugStorage } from 'umzug';
import { firstTables } from './migrations/2026-11-24-first-tables.ts';
import { foundOnSite } from './migrations/2026-11-25-found-on-site.ts';
import { briefAndDevices } from './migrations/2026-11-26-brief-and-devices.ts';
import { firmMaps } from './migrations/2026-11-27-firm-maps.ts';
import { cabling } from './migrations/2026-11-29-cabling.ts';
import { airAndCords } from './migrations/2026-12-01-air-and-cords.ts';
import { notches } from './migrations/2026-12-02-notches.ts';
import { checks } from './migrations/2026-11-30-checks.ts';
import { trunks } from './migrations/2026-11-28-trunks.ts';
import { survey } from './migrations/2026-11-25-survey.ts';

type Sql = (statements: string) => Promise<void>;

/** A dated step of the database's shape, up and down, in literal SQL. */
export interface Migration {
  readonly name: string;
  readonly up: (sql: Sql) => Promise<void>;
  readonly down: (sql: Sql) => Promise<void>;
}

/** In the order in which they are made. */
const MIGRATIONS: readonly Migration[] = [
  firstTables,
  survey,
  foundOnSite,
  briefAndDevices,
  firmMaps,
  trunks,
  cabling,
  checks,
  airAndCords,
  notches,
];

class AppliedTable implements UmzugStorage<Sequelize> {
  constructor(private readonly sequelize: Sequelize) {}
  async executed(): Promise<string[]> {
    await this.sequelize.query('CREATE TABLE IF NOT EXISTS applied_migrations (name text PRIMARY KEY)');
    const rows = await this.sequelize.query<{ name: string }>('SELECT name FROM applied_migrations ORDER BY name', {
      type: QueryTypes.SELECT,
    });
    return rows.map((row) => row.name);
  }
  async logMigration({ name }: { name: string }): Promise<void> {
    await this.sequelize.query('INSERT INTO applied_migrations VALUES (:name)', { replacements: { name } });
  }
  async unlogMigration({ name }: { name: string }): Promise<void> {
    await this.sequelize.query('DELETE FROM applied_migrations WHERE name = :name', { replacements: { name } });
  }
}

/** Steps run in a transaction each; two servers that start at once take turns. */
export function migrator(sequelize: Sequelize): Umzug<Sequelize> {
  const inTransaction = (run: (sql: Sql) => Promise<void>) =>
    sequelize.transaction(async (transaction) => {
      await run(async (statements) => void (await sequelize.query(statements, { transaction })));
    });
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({ name, up: () => inTransaction(up), down: () => inTransaction(down) })),
    context: sequelize,
    storage: new AppliedTable(sequelize),
    logger: undefined,
  });
}

const MIGRATION_LOCK = 40_410_001;

export async function migrateUp(sequelize: Sequelize): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await sequelize.query(`SELECT pg_advisory_xact_lock(${MIGRATION_LOCK})`, { transaction });
    await migrator(sequelize).up();
  });
}
