// Here: the connection, the tables and their models. Only stores beside the resources use it.
// Not here: rules about what may be stored.
// Start with `openDatabase`.
import { Sequelize } from 'sequelize';
import { defineModels, type Models } from './models/index.ts';

export { migrateUp, migrator, withStartLock, type MigrationPoint } from './migrate.ts';
export { DEVICE_TYPE_COLUMNS } from './models/records.ts';
export { HEADER_COLUMNS, type Models, type Row, type Table } from './models/index.ts';
export { brokenConstraint, describeFailure, isBadValue, isDatabaseAway, type BrokenConstraint } from './failures.ts';

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
}

/** `connections` is the size of the pool; a worker needs fewer than the server. */
export function openDatabase(url: string, connections = 10): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: connections, acquire: 20_000, idle: 10_000 },
    dialectOptions: { connectionTimeoutMillis: 10_000, keepAlive: true },
  });
  return { sequelize, models: defineModels(sequelize) };
}
