import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import type { Request, RequestHandler, Response } from 'express';
import session from 'express-session';
import connectPgSimple from 'connect-pg-simple';
import pg from 'pg';
import type { Logger } from 'pino';
import { fingerprint } from './logging.ts';
import { refusal } from './problems.ts';

declare module 'express-session' {
  interface SessionData {
    memberId: string;
    csrfToken: string;
    /** When the member signed in, ms since 1970. */
    startedAt: number;
    /** `phone` or `computer`, as the browser says of itself. */
    device: string;
  }
}

export interface SessionLimits {
  /** A session that nobody uses ends after so many hours. */
  readonly idleHours: number;
  /** Every session ends after so many hours. */
  readonly absoluteHours: number;
}

export interface Sessions {
  /** Reads the session of a request that carries one; one that is too old is taken as none. */
  readonly parse: RequestHandler;
  readonly close: () => Promise<void>;
}

const COOKIE = 'spool';
const VISIT_COOKIE = 'spool-visit';
const HOUR_MS = 3600 * 1000;

/** Sessions in PostgreSQL; the cookie is out of reach of scripts, and Secure wherever the request came over TLS. */
export function openSessions(databaseUrl: string, secret: string, limits: SessionLimits, log: Logger): Sessions {
  // The table's times have no zone: they are UTC here and wherever they are read.
  const options = '-c TimeZone=UTC';
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 4, connectionTimeoutMillis: 10_000, options });
  pool.on('error', (error) => log.warn({ err: error }, 'session connection lost'));
  const Store = connectPgSimple(session);
  const touchEveryMs = Math.min(60_000, (limits.idleHours * HOUR_MS) / 20);
  /** A session in use is moved on once a minute, not at every request. */
  class CalmStore extends Store {
    private readonly touchedMs = new Map<string, number>();
    override touch(sid: string, data: session.SessionData, done?: () => void): void {
      const now = Date.now();
      if (now - (this.touchedMs.get(sid) ?? 0) < touchEveryMs) return done?.();
      if (this.touchedMs.size > 10_000) this.touchedMs.clear();
      this.touchedMs.set(sid, now);
      super.touch(sid, data, done);
    }
  }
  const store = new CalmStore({
    pool,
    tableName: 'sessions',
    errorLog: () => log.warn('session store failed'),
  });
  const read = session({
    store,
    secret,
    name: COOKIE,
    resave: false,
    saveUninitialized: false,
    // Every use moves the end of the session on, in the browser and in the table.
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: limits.idleHours * HOUR_MS },
  });
  const parse: RequestHandler = (request, response, next) =>
    read(request, response, (error?: unknown) => {
      if (error) return next(error);
      const { startedAt = Date.now() } = request.session ?? {};
      if (!request.session?.memberId || Date.now() - startedAt < limits.absoluteHours * HOUR_MS) return next();
      request.session.regenerate(next);
    });
  return {
    parse,
    close: async () => {
      store.close();
      await pool.end();
    },
  };
}

/** Known to its owner and to the audit trail; the session cannot be taken over with it. */
export const sessionName = (sid: string): string => fingerprint(sid);

export const newCsrfToken = (): string => randomBytes(24).toString('base64url');

const cookieOf = (request: IncomingMessage, name: string): string | undefined =>
  (request.headers.cookie ?? '')
    .split(';')
    .map((part) => part.trim().split('='))
    .find(([key]) => key === name)?.[1];

const visitToken = (secret: string, visit: string): string =>
  createHmac('sha256', secret).update(`visit ${visit}`).digest('base64url').slice(0, 32);

/**
 * The token of a visitor who has no session: made from a cookie of this browser and the server's secret, so that a visit
 * leaves no row behind.
 */
export function tokenForVisitor(secret: string, request: Request, response: Response): string {
  let visit = cookieOf(request, VISIT_COOKIE);
  if (!visit || !/^[\w-]{16,64}$/.test(visit)) {
    visit = randomBytes(18).toString('base64url');
    response.cookie(VISIT_COOKIE, visit, { httpOnly: true, sameSite: 'lax', secure: request.secure, path: '/api' });
  }
  return visitToken(secret, visit);
}

const sameText = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length > 0 && left.length === right.length && timingSafeEqual(left, right);
};

/** Refuses a request that would change something unless it carries the token of its session, or of its visit. */
export const requireCsrf =
  (secret: string): RequestHandler =>
  (request, _response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    const given = request.get('x-csrf-token') ?? '';
    const visit = cookieOf(request, VISIT_COOKIE);
    const expected = request.session?.csrfToken ?? (visit ? visitToken(secret, visit) : '');
    next(sameText(expected, given) ? undefined : refusal('csrf-missing', { field: 'x-csrf-token' }));
  };

/** A new session id for the one who signs in, so that a planted one is worth nothing. */
export async function beginSession(request: Request, memberId: string, now: number): Promise<void> {
  await new Promise<void>((done, failed) => request.session.regenerate((error) => (error ? failed(error as Error) : done())));
  request.session.memberId = memberId;
  request.session.csrfToken = newCsrfToken();
  request.session.startedAt = now;
  request.session.device = /mobi/i.test(request.get('user-agent') ?? '') ? 'phone' : 'computer';
}
