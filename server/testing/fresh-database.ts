import { randomBytes } from 'node:crypto';
import pg from 'pg';

/** A new, empty database in the cluster that `npm test` started. */
export async function freshDatabaseUrl(): Promise<string> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set: run these tests with npm test -- --only server');
  const name = `t_${randomBytes(6).toString('hex')}`;
  const client = new pg.Client({ connectionString: base });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const url = new URL(base);
  url.pathname = `/${name}`;
  return url.toString();
}
