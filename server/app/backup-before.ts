import { spawn } from 'node:child_process';
import { join } from 'node:path';
import type { Config } from '../services/config.ts';

const SCRIPT = join(import.meta.dirname, '../../scripts/backup.mjs');

/** Writes a backup into the folder of the settings before migrations are made; a start without one does not go on. */
export function backupBefore({ backupFolder, databaseUrl }: Config): ((steps: readonly string[]) => Promise<void>) | undefined {
  if (backupFolder === '') return undefined;
  return (steps) =>
    new Promise((done, failed) => {
      const child = spawn(process.execPath, [SCRIPT, '--folder', backupFolder, '--why', `before ${steps.join(' ')}`], {
        env: { ...process.env, DATABASE_URL: databaseUrl },
        stdio: ['ignore', 'ignore', 'inherit'],
      });
      child.once('error', failed);
      child.once('exit', (code) =>
        code === 0 ? done() : failed(new Error('The backup before the migration failed, so nothing was migrated.')),
      );
    });
}
