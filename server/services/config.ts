import { resolve } from 'node:path';

/** Settings from the environment; nothing secret has a default. docs/operations.md describes each for who runs a server. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  readonly host: string;
  /** Load the demo firm and offer one-click sign-in; newcomers may make a firm of their own. */
  readonly demo: boolean;
  readonly webFolder: string;
  readonly logLevel: string;
  /** Failed sign-ins allowed per account and quarter of an hour. */
  readonly signInTries: number;
  /** What Express may believe of forwarded headers: `loopback`, addresses, or a number of proxies; empty believes none. */
  readonly trustProxy: string;
  readonly sessionIdleHours: number;
  readonly sessionAbsoluteHours: number;
  /** Where people reach the app, for links in mails; empty takes the address of the request. */
  readonly publicUrl: string;
  readonly smtpUrl: string;
  readonly mailFrom: string;
  /** The first account needs this token; null in the demo. */
  readonly setupToken: string | null;
  /** Where a backup is written before each migration; empty writes none. */
  readonly backupFolder: string;
}

/** A setting that must be a number of at least `min`; says which one is wrong. */
function numberSetting(env: NodeJS.ProcessEnv, name: string, byDefault: number, min: number): number {
  const text = env[name];
  if (text === undefined || text === '') return byDefault;
  const value = Number(text);
  if (!Number.isFinite(value) || value < min) throw new Error(`${name} is “${text}”: it must be a number of at least ${min}.`);
  return value;
}

export function configFromEnvironment(env: NodeJS.ProcessEnv = process.env): Config {
  if (!env.DATABASE_URL)
    throw new Error('DATABASE_URL is not set. `npm run demo`, `npm start` and `npm test` set it for their own database.');
  const demo = env.DUSKY_DEMO === '1';
  return {
    databaseUrl: env.DATABASE_URL,
    port: numberSetting(env, 'PORT', 4410, 0),
    host: env.HOST ?? '127.0.0.1',
    demo,
    webFolder: env.WEB_FOLDER ? resolve(env.WEB_FOLDER) : resolve(import.meta.dirname, '../../web/dist'),
    logLevel: env.LOG_LEVEL ?? 'info',
    signInTries: numberSetting(env, 'SIGN_IN_TRIES', 10, 1),
    trustProxy: env.TRUST_PROXY ?? '',
    sessionIdleHours: numberSetting(env, 'SESSION_IDLE_HOURS', 72, 0.0001),
    sessionAbsoluteHours: numberSetting(env, 'SESSION_ABSOLUTE_HOURS', 720, 0.0001),
    publicUrl: (env.PUBLIC_URL ?? '').replace(/\/+$/, ''),
    smtpUrl: env.SMTP_URL ?? '',
    mailFrom: env.MAIL_FROM ?? 'Dusky Spool <no-reply@localhost>',
    setupToken: demo ? null : (env.SETUP_TOKEN ?? ''),
    backupFolder: env.BACKUP_FOLDER ?? '',
  };
}
