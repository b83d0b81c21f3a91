import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import type { Problem } from '@dusky-spool/core/outcome';
import { isDatabaseAway } from '../database/index.ts';

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
  'not-found': 404,
  conflict: 409,
  'file-too-large': 413,
  'picture-too-large': 413,
  'too-many-tries': 429,
  'database-away': 503,
  'instrument-away': 503,
  'pdf-tools-missing': 501,
};

/** Every problem that a request can end in, as a status and a body that names it. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = problemOf(error);
    const status = STATUS[problem.code] ?? (problem.code === 'unexpected' ? 500 : 422);
    if (status >= 500) log.error({ err: error }, problem.code);
    response.status(status).json({ problem });
  };
}

function problemOf(error: unknown): Problem {
  if (error instanceof PlannedRefusal) return error.problem;
  const { type, code } = error as { type?: string; code?: string };
  if (type === 'entity.too.large' || code === 'LIMIT_FILE_SIZE') return { code: 'file-too-large', field: 'file' };
  if (type === 'entity.parse.failed') return { code: 'file-not-json', field: 'body' };
  if (typeof code === 'string' && code.startsWith('LIMIT_')) return { code: 'upload-malformed', field: 'picture' };
  if (isDatabaseAway(error)) return { code: 'database-away' };
  return { code: 'unexpected' };
}
