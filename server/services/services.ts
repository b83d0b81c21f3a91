import type { Request } from 'express';
import type { Logger } from 'pino';
import type { Config } from './config.ts';
import type { AuditTrail } from '../audit/audit-store.ts';
import type { LabelPrinter } from '../bridge/label-printer.ts';
import type { Database } from '../database/index.ts';
import type { EventBus } from '../events/event-bus.ts';
import type { ErrorReport } from '../http/problems.ts';
import type { JobQueue } from '../jobs/queue.ts';
import type { MailRoom } from '../mail/mail-store.ts';
import type { SignInAttempts } from '../http/attempt-store.ts';

/** What the resources share, made once at the start. */
export interface Services {
  readonly config: Config;
  readonly database: Database;
  readonly bus: EventBus;
  readonly jobs: JobQueue;
  readonly audit: AuditTrail;
  readonly mail: MailRoom;
  readonly attempts: SignInAttempts;
  readonly printer: LabelPrinter;
  /** Signs cookies and tokens. */
  readonly secret: string;
  readonly log: Logger;
  readonly report: ErrorReport;
}

/** An address of the app as people see it, for a link in a mail. */
export const linkTo = ({ config }: Services, request: Request, path: string): string =>
  `${config.publicUrl || `${request.protocol}://${request.get('host') ?? ''}`}${path}`;

/** Ends when the one who asked has gone away. */
export function untilGone(request: Request): AbortSignal {
  const gone = new AbortController();
  const { res } = request;
  res?.once('close', () => {
    if (!res.writableFinished) gone.abort();
  });
  return gone.signal;
}
