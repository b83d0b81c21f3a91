import { configFromEnvironment } from '../services/config.ts';
import { startServer } from './create-app.ts';
import { backupBefore } from './backup-before.ts';
import { makeLog } from '../http/logging.ts';
import { countMembers } from '../resources/session/store.ts';

const config = configFromEnvironment();
const log = makeLog(config.logLevel);

// A failure that nobody planned is written down; the server goes on for everybody else.
process.on('uncaughtException', (error) => log.error({ err: error }, 'uncaught'));
process.on('unhandledRejection', (reason) => log.error({ err: reason as Error }, 'unhandled'));

const running = await startServer(config, { beforeMigrations: backupBefore(config) }).catch((error: unknown) => {
  log.fatal({ err: error as Error }, 'the server did not start');
  console.error(error instanceof Error ? error.message : 'The server did not start.');
  process.exit(1);
});
const firstStart = (await countMembers(running.database)) === 0;
console.log(JSON.stringify({ ready: true, address: running.address, firstStart }));

// The first document then takes as long as any other.
const WARM_AFTER_MS = 1500;
if (process.env.NODE_ENV !== 'test') setTimeout(() => running.services.jobs.warm(), WARM_AFTER_MS).unref();

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    void running.close().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  });
}
