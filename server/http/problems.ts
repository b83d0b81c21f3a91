import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import type { Problem } from '@dusky-spool/core/math';
import { isBadValue, isDatabaseAway } from '../database/failures.ts';

/** A refusal on its way to the one place where problems become statuses. */
export class PlannedRefusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code);
  }
}

export const refusal = (code: string, figures: Omit<Problem, 'code'> = {}) => new PlannedRefusal({ code, ...figures });

const STATUS: Readonly<Record<string, number>> = {
  'not-signed-in': 401,
  'sign-in-wrong': 401,
  'csrf-missing': 403,
  'not-allowed': 403,
  'role-too-low': 403,
  'not-found': 404,
  'project-gone': 404,
  conflict: 409,
  'file-too-large': 413,
  'upload-malformed': 400,
  'picture-too-large': 413,
  'too-many-tries': 429,
  'too-many-jobs': 429,
  'app-too-old': 426,
  unexpected: 500,
  'pdf-tools-missing': 501,
  'database-away': 503,
  'instrument-away': 503,
  'server-stopping': 503,
  'job-too-slow': 422,
};

/** Statuses of malformed requests that are passed on as they are; every other one below 500 becomes 400. */
const REQUEST_STATUSES = new Set([404, 405, 406, 411, 412, 413, 414, 415, 416]);

/** Receives every failure that nobody planned: `place` is the route, without any id or name. */
export type ErrorReport = (error: unknown, place: string) => void;

/** Every problem that a request can end in, as a status and a body that names it. */
export function problemHandler(log: Logger, report: ErrorReport = () => undefined): ErrorRequestHandler {
  return (error, request, response, next) => {
    const { problem, status } = answerOf(error);
    if (status === 500) {
      const place = `${request.method} ${String((request.route as { path?: string } | undefined)?.path ?? 'unknown route')}`;
      log.error({ err: error as Error, place }, 'unexpected');
      report(error, place);
    } else if (status > 500) log.warn({ code: problem.code }, 'not available');
    if (response.headersSent) return next(error);
    for (const name of ['Content-Disposition', 'Content-Range', 'ETag', 'Last-Modified']) response.removeHeader(name);
    response.status(status).set('Cache-Control', 'no-store').json({ problem });
  };
}

/** The problem that a failure comes to, and its status. */
export function answerOf(error: unknown): { readonly problem: Problem; readonly status: number } {
  if (error instanceof PlannedRefusal) return { problem: error.problem, status: STATUS[error.problem.code] ?? 422 };
  const { type, status, statusCode } = (error ?? {}) as {
    type?: string;
    status?: number;
    statusCode?: number;
  };
  if (type === 'entity.too.large') return { problem: { code: 'file-too-large', field: 'file' }, status: 413 };
  if (type === 'entity.parse.failed') return { problem: { code: 'file-not-json', field: 'body', reason: '' }, status: 422 };
  const requestStatus = status ?? statusCode;
  if (requestStatus !== undefined && requestStatus >= 400 && requestStatus < 500)
    return requestStatus === 404
      ? { problem: { code: 'not-found', field: 'file' }, status: 404 }
      : {
          problem: { code: 'request-malformed', kind: 'invalid', field: FIELD_OF_STATUS[requestStatus] ?? 'request' },
          status: REQUEST_STATUSES.has(requestStatus) ? requestStatus : 400,
        };
  if (isDatabaseAway(error)) return { problem: { code: 'database-away' }, status: 503 };
  if (isBadValue(error))
    return {
      problem: { code: 'input-invalid', kind: 'invalid', field: 'request', reason: 'holds a value that cannot be stored' },
      status: 422,
    };
  return { problem: { code: 'unexpected' }, status: 500 };
}

const FIELD_OF_STATUS: Readonly<Record<number, string>> = {
  412: 'If-Match',
  413: 'body',
  415: 'Content-Type or Content-Encoding',
  416: 'Range',
};
