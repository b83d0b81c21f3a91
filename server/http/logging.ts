import { createHash } from 'node:crypto';
import { pino, type Logger } from 'pino';
import { describeFailure } from '../database/failures.ts';

/**
 * A log without SQL, values, names or addresses: a failure is written as its class, its SQLSTATE, the constraint and the
 * places in the code.
 */
export const makeLog = (level: string): Logger =>
  pino({
    level,
    base: undefined,
    serializers: {
      err: describeFailure,
      error: describeFailure,
      req: (request: { method?: string }) => ({ method: request.method }),
      res: (response: { statusCode?: number }) => ({ status: response.statusCode }),
    },
  });

/** A short fingerprint of an id for logs and public lists; the id cannot be found from it. */
export const fingerprint = (id: string): string => createHash('sha256').update(id).digest('hex').slice(0, 32);
