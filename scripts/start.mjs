// npm start [-- --data FOLDER]: the app for a firm's own use. Settings are environment variables (docs/operations.md).
import { randomBytes } from 'node:crypto';
import { join, resolve } from 'node:path';
import {
  ensureBuilt,
  ensurePackages,
  ensurePostgres,
  giveFolder,
  isFree,
  localDatabase,
  plainAccount,
  runServer,
  tryPdfTools,
} from './prepare.mjs';
import { dataFolder } from './own-data.mjs';

const own = !process.env.DATABASE_URL;
const folder = dataFolder();

ensurePackages();
if (own) ensurePostgres();
tryPdfTools();
ensureBuilt();

const port = process.env.PORT ?? '4410';
const host = process.env.HOST ?? '127.0.0.1';
if (host === '127.0.0.1' && port !== '0' && !(await isFree(Number(port)))) {
  console.error(`PORT: ${port} is in use on this machine. Stop what uses it, or set PORT to another number.`);
  process.exit(1);
}
const database = own ? localDatabase('start', join(folder, 'pg'), '--db', 'spool') : null;
const backupFolder = resolve(process.env.BACKUP_FOLDER ?? join(folder, 'backups'));
giveFolder(backupFolder, plainAccount());
const setupToken = process.env.SETUP_TOKEN ?? randomBytes(18).toString('base64url');

runServer(
  {
    NODE_ENV: 'production',
    DATABASE_URL: database?.url ?? process.env.DATABASE_URL,
    DUSKY_DEMO: '0',
    HOST: host,
    PORT: port,
    BACKUP_FOLDER: backupFolder,
    SETUP_TOKEN: setupToken,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'info',
  },
  ({ address, firstStart }) => {
    console.log(
      `Dusky Spool is ready at ${process.env.PUBLIC_URL ?? address}. Data: ${own ? folder : 'DATABASE_URL'}. Ctrl-C stops it.`,
    );
    if (firstStart) console.log(`No account exists yet. Setup token for the first one: ${setupToken}`);
  },
  (code) => {
    if (own && database?.state !== 'already running') localDatabase('stop', join(folder, 'pg'));
    process.exit(code);
  },
  30_000,
);
