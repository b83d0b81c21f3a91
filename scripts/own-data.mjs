// Where `npm start`, `npm run backup` and `npm run restore` find the firm's data.
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { localDatabase, ROOT } from './prepare.mjs';

/** The value after `--name` on the command line. */
export function option(name, byDefault) {
  const at = process.argv.indexOf(`--${name}`);
  if (at < 0) return byDefault;
  const value = process.argv[at + 1];
  if (value === undefined || value.startsWith('--')) {
    console.error(`--${name}: a value is missing after it.`);
    process.exit(2);
  }
  return value;
}
export const flag = (name) => process.argv.includes(`--${name}`);

/** `--data FOLDER`, else `DATA_FOLDER`, else `.data/firm` in the checkout. */
export const dataFolder = () => resolve(option('data', process.env.DATA_FOLDER ?? join(ROOT, '.data', 'firm')));

/** The database of `DATABASE_URL`, or of the data folder; `close` stops the latter again where it was not running. */
export function openData({ create = false } = {}) {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, close: () => undefined };
  const folder = join(dataFolder(), 'pg');
  if (!create && !existsSync(folder)) {
    console.error(`There is no data in ${dataFolder()}. Name its folder with --data, or set DATABASE_URL.`);
    process.exit(2);
  }
  const { url, state } = localDatabase('start', folder, '--db', 'spool');
  return { url, close: () => state !== 'already running' && localDatabase('stop', folder) };
}
