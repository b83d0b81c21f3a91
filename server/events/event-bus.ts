import pg from 'pg';
import type { Logger } from 'pino';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/index.ts';

/** What servers notify each other of. Ids only: whoever needs more reads it from the database. */
export type ServerEvent =
  /** `tab` is the page that made the change: it knows it already. */
  | { readonly kind: 'change'; readonly projectId: string; readonly revision: number; readonly tab: string }
  | { readonly kind: 'project-gone'; readonly projectId: string }
  | { readonly kind: 'session-ended'; readonly session: string }
  | { readonly kind: 'member-out'; readonly memberId: string }
  | { readonly kind: 'job-waits'; readonly lane: string }
  | { readonly kind: 'job-stopped'; readonly jobId: string }
  | { readonly kind: 'job-ended'; readonly jobId: string };

const CHANNEL = 'spool_events';
/** Sends the event in `:event`, as `eventText` writes it. */
export const NOTIFY_STATEMENT = `SELECT pg_notify('${CHANNEL}', :event)`;
export const eventText = (event: ServerEvent): string => JSON.stringify(event);
const RETRY_MS = 1000;

type Listener = (event: ServerEvent) => void;

/** Sends and receives events; listens again by itself after the database was away. */
export class EventBus {
  private readonly listeners = new Set<Listener>();
  private readonly returned = new Set<() => void>();
  private client: pg.Client | null = null;
  private closed = false;
  private retry: NodeJS.Timeout | undefined;
  private wasAway = false;

  constructor(
    private readonly database: Database,
    private readonly databaseUrl: string,
    private readonly log: Logger,
  ) {}

  start = (): Promise<void> => this.connect();

  /** Receives every event from now on; returns a function that stops it. */
  on(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** Runs when the connection is there again: events may have been missed. */
  onReturn(task: () => void): void {
    this.returned.add(task);
  }

  /** Notifies all servers; within a transaction only once it is committed. */
  async emit(event: ServerEvent, transaction?: Transaction): Promise<void> {
    await this.database.sequelize.query(NOTIFY_STATEMENT, {
      replacements: { event: eventText(event) },
      transaction,
    });
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.retry);
    await this.client?.end().catch(() => undefined);
  }

  private async connect(): Promise<void> {
    if (this.closed) return;
    const client = new pg.Client({ connectionString: this.databaseUrl, connectionTimeoutMillis: 10_000, keepAlive: true });
    let lost = false;
    const again = () => {
      if (lost) return;
      lost = true;
      this.wasAway = true;
      client.removeAllListeners('notification');
      if (!this.closed) this.retry = setTimeout(() => void this.connect(), RETRY_MS);
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload }) => this.receive(payload ?? ''));
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      this.client = client;
      if (this.wasAway) for (const task of this.returned) task();
      this.wasAway = false;
    } catch (error) {
      this.log.warn({ err: error as Error }, 'cannot listen for events');
      void client.end().catch(() => undefined);
      again();
    }
  }

  private receive(payload: string): void {
    let event: ServerEvent;
    try {
      event = JSON.parse(payload) as ServerEvent;
    } catch {
      return;
    }
    for (const listener of this.listeners) {
      try {
        listener(event);
      } catch (error) {
        this.log.error({ err: error as Error, kind: event.kind }, 'an event was not handled');
      }
    }
  }
}
