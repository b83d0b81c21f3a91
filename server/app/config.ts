import { resolve } from 'node:path';

/** Settings from the environment; nothing secret has a default. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  readonly host: string;
  /** Load the demo firm and offer one-click sign-in. */
  readonly demo: boolean;
  readonly webFolder: string;
  readonly logLevel: string;
  /** Failed sign-ins allowed per address and quarter of an hour. */
  readonly signInTries: number;
}

export function configFromEnvironment(env: NodeJS.ProcessEnv = process.env): Config {
  if (!env.DATABASE_URL) throw new Error('DATABASE_URL is not set. `npm run demo` and `npm test` set it for their own database.');
  return {
    databaseUrl: env.DATABASE_URL,
    port: Number(env.PORT ?? 4410),
    host: env.HOST ?? '127.0.0.1',
    demo: env.DUSKY_DEMO === '1',
    webFolder: resolve(import.meta.dirname, '../../web/dist'),
    logLevel: env.LOG_LEVEL ?? 'info',
    signInTries: Number(env.SIGN_IN_TRIES ?? 10),
  };
}
