import type { Migration, Sql } from './migrations/migration.ts';
import { firstTables } from './migrations/2026-11-24-first-tables.ts';
import { foundOnSite } from './migrations/2026-11-25-found-on-site.ts';
import { briefAndDevices } from './migrations/2026-11-26-brief-and-devices.ts';
import { firmMaps } from './migrations/2026-11-27-firm-maps.ts';
import { cabling } from './migrations/2026-11-29-cabling.ts';
import { airAndCords } from './migrations/2026-12-01-air-and-cords.ts';
import { circuits } from './migrations/2026-12-04-circuits.ts';
import { notches } from './migrations/2026-12-02-notches.ts';
import { checks } from './migrations/2026-11-30-checks.ts';
import { sharedRoutes } from './migrations/2026-11-28-trunks.ts';
import { levelDefaults } from './migrations/2026-12-05-level-defaults.ts';
import { printedLabels } from './migrations/2026-12-06-printed-labels.ts';
import { titleBlock } from './migrations/2026-12-07-title-block.ts';
import { signatures } from './migrations/2026-12-08-signatures.ts';
import { headEnds } from './migrations/2026-12-09-head-ends.ts';
import { siteAndDecisions } from './migrations/2026-12-10-site-and-decisions.ts';
import { sharedRoutesAndTests } from './migrations/2026-12-11-shared-routes-and-tests.ts';
import { sheetsOfPaper } from './migrations/2026-12-12-sheets-of-paper.ts';
import { longerPictures } from './migrations/2026-12-13-longer-pictures.ts';
import { theatres } from './migrations/2026-12-14-theatres.ts';
import { headEndEquipment } from './migrations/2026-12-16-head-end-equipment.ts';
import { doubleEndOfLine } from './migrations/2026-12-20-double-end-of-line.ts';
import { spools } from './migrations/2026-12-21-spools.ts';
import { field } from './migrations/2026-12-23-field.ts';
import { offers } from './migrations/2026-12-22-offers.ts';
import { useGroupsAndModes } from './migrations/2026-12-15-use-groups-and-modes.ts';
import { survey } from './migrations/2026-11-25-survey.ts';
import { peopleAndJobs } from './migrations/2026-12-03-people-and-jobs.ts';
import pg from 'pg';
import { QueryTypes, type Sequelize } from 'sequelize';
import { Umzug, type UmzugStorage } from 'umzug';

/** In the order in which they are made. */
const MIGRATIONS: readonly Migration[] = [
  firstTables,
  survey,
  foundOnSite,
  briefAndDevices,
  firmMaps,
  sharedRoutes,
  cabling,
  checks,
  airAndCords,
  notches,
  peopleAndJobs,
  circuits,
  levelDefaults,
  printedLabels,
  titleBlock,
  signatures,
  headEnds,
  siteAndDecisions,
  sharedRoutesAndTests,
  sheetsOfPaper,
  longerPictures,
  theatres,
  useGroupsAndModes,
  headEndEquipment,
  doubleEndOfLine,
  spools,
  offers,
  field,
];

/** Reads which steps were made. A step notes itself, in its own transaction, so nothing is left to write here. */
class AppliedTable implements UmzugStorage<Sequelize> {
  constructor(private readonly sequelize: Sequelize) {}
  async executed(): Promise<string[]> {
    await this.sequelize.query('CREATE TABLE IF NOT EXISTS applied_migrations (name text PRIMARY KEY)');
    const rows = await this.sequelize.query<{ name: string }>('SELECT name FROM applied_migrations ORDER BY name', {
      type: QueryTypes.SELECT,
    });
    return rows.map((row) => row.name);
  }
  logMigration = () => Promise.resolve();
  unlogMigration = () => Promise.resolve();
}

/** A place between the parts of a step, for tests that end the process there. */
export type MigrationPoint = 'begun' | 'stepped' | 'noted' | 'committed';

/** A step and the note that it was made are one transaction: a process that is killed leaves both or neither. */
export function migrator(
  sequelize: Sequelize,
  at: (name: string, point: MigrationPoint) => void = () => undefined,
): Umzug<Sequelize> {
  const inTransaction = async (name: string, run: (sql: Sql) => Promise<void>, note: string) => {
    await sequelize.transaction(async (transaction) => {
      at(name, 'begun');
      await run(async (statements) => void (await sequelize.query(statements, { transaction })));
      at(name, 'stepped');
      await sequelize.query(note, { replacements: { name }, transaction });
      at(name, 'noted');
    });
    at(name, 'committed');
  };
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => inTransaction(name, up, 'INSERT INTO applied_migrations VALUES (:name)'),
      down: () => inTransaction(name, down, 'DELETE FROM applied_migrations WHERE name = :name'),
    })),
    context: sequelize,
    storage: new AppliedTable(sequelize),
    logger: undefined,
  });
}

const START_LOCK = 40_410_001;

/** Does the work of a start while no other server on this database does its own. */
export async function withStartLock<T>(databaseUrl: string, work: () => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 8000 });
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [START_LOCK]);
    return await work();
  } finally {
    // The lock goes with the connection.
    await client.end().catch(() => undefined);
  }
}

/** Makes the steps that are missing. `beforeFirst` runs before them where the database holds data already. */
export async function migrateUp(sequelize: Sequelize, beforeFirst?: (steps: readonly string[]) => Promise<void>): Promise<void> {
  const steps = migrator(sequelize);
  const pending = (await steps.pending()).map(({ name }) => name);
  if (pending.length > 0 && pending.length < MIGRATIONS.length) await beforeFirst?.(pending);
  await steps.up();
}
