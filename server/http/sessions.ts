import { randomBytes, timingSafeEqual } from 'node:crypto';
import type { RequestHandler } from 'express';
import session from 'express-session';
import connectPgSimple from 'connect-pg-simple';
import pg from 'pg';
import type { Logger } from 'pino';
import { refusal } from './problems.ts';

declare module 'express-session' {
  interface SessionData {
    memberId: string;
    csrfToken: string;
  }
}

export interface SessionParser {
  readonly parse: RequestHandler;
  readonly close: () => Promise<void>;
}

const A_WEEK_MS = 7 * 24 * 3600 * 1000;

/** Sessions in PostgreSQL; the cookie is out of reach of scripts, and Secure wherever the request came over TLS. */
export function sessions(databaseUrl: string, secret: string, log: Logger): SessionParser {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 4, connectionTimeoutMillis: 4000 });
  pool.on('error', (error) => log.warn({ err: error }, 'session connection lost'));
  const Store = connectPgSimple(session);
  const store = new Store({ pool, tableName: 'sessions', errorLog: (...args: unknown[]) => log.warn({ args }, 'session store') });
  const parse = session({
    store,
    secret,
    name: 'spool',
    resave: false,
    saveUninitialized: false,
    rolling: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: A_WEEK_MS },
  });
  return {
    parse,
    close: async () => {
      store.close();
      await pool.end();
    },
  };
}

export const newCsrfToken = (): string => randomBytes(24).toString('base64url');

/** Refuses a request that would change something unless it carries the token of its session. */
export const requireCsrf: RequestHandler = (request, _response, next) => {
  if (request.method === 'GET' || request.method === 'HEAD') return next();
  const expected = Buffer.from(request.session.csrfToken ?? '');
  const given = Buffer.from(request.get('x-csrf-token') ?? '');
  if (expected.length === 0 || given.length !== expected.length || !timingSafeEqual(given, expected)) {
    return next(refusal('csrf-missing', { field: 'x-csrf-token' }));
  }
  next();
};
