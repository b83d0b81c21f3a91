import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Duplex } from 'node:stream';
import type { RequestHandler } from 'express';
import pg from 'pg';
import type { Logger } from 'pino';
import { WebSocket, WebSocketServer } from 'ws';
import type { LiveMessage } from '@dusky-spool/core/contract';
import type { Database } from '../database/index.ts';
import { memberOf } from '../http/index.ts';
import { ownsProject } from '../http/membership.ts';
import { changesSince, revisionOfProject } from '../resources/changes/store.ts';

export interface Live {
  readonly close: () => Promise<void>;
}

interface Follower {
  readonly socket: WebSocket;
  readonly projectId: string;
  revision: number;
}

const PATH = /^\/api\/projects\/([0-9a-f-]{36})\/live$/i;
const HEARTBEAT_MS = 25_000;
const RETRY_MS = 1000;

/** Follows every project that someone has open. Works across several servers on one database. */
export function startLive(
  server: Server,
  database: Database,
  databaseUrl: string,
  parseSession: RequestHandler,
  log: Logger,
): Live {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 1024 });
  const followers = new Set<Follower>();
  const queues = new Map<string, Promise<void>>();

  const tell = (follower: Follower, message: LiveMessage) =>
    follower.socket.readyState === WebSocket.OPEN && follower.socket.send(JSON.stringify(message));

  /** Sends a project's followers what they do not have yet, one round after the other. */
  const bringUpToDate = (projectId: string): Promise<void> => {
    const next = (queues.get(projectId) ?? Promise.resolve()).then(async () => {
      const here = [...followers].filter((follower) => follower.projectId === projectId);
      if (here.length === 0) return;
      const from = Math.min(...here.map((follower) => follower.revision));
      for (const stored of await changesSince(database, projectId, from)) {
        for (const follower of here.filter((f) => f.revision < stored.revision)) {
          follower.revision = stored.revision;
          tell(follower, { type: 'change', stored });
        }
      }
    });
    const settled = next.catch((error: unknown) => log.warn({ err: error }, 'followers not told'));
    queues.set(projectId, settled);
    return settled;
  };

  const listener = listen(
    databaseUrl,
    log,
    (projectId) => void bringUpToDate(projectId),
    () => {
      for (const projectId of new Set([...followers].map((follower) => follower.projectId))) void bringUpToDate(projectId);
    },
  );

  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    void admit(request).then((projectId) => {
      if (!projectId) {
        socket.end('HTTP/1.1 401 Unauthorized\r\nConnection: close\r\n\r\n');
        return;
      }
      sockets.handleUpgrade(request, socket, head, (webSocket) => void follow(webSocket, projectId));
    });
  });

  async function admit(request: IncomingMessage): Promise<string | null> {
    try {
      const projectId = PATH.exec((request.url ?? '').split('?')[0])?.[1];
      const origin = request.headers.origin;
      if (!projectId || (origin && new URL(origin).host !== request.headers.host)) return null;
      const parsed = request as IncomingMessage & { session?: { memberId?: string } };
      await new Promise<void>((done, failed) =>
        parseSession(parsed as never, {} as ServerResponse as never, (error?: unknown) =>
          error ? failed(error as Error) : done(),
        ),
      );
      const member = await memberOf(database, parsed.session?.memberId);
      return member && (await ownsProject(database, member.firmId, projectId)) ? projectId : null;
    } catch {
      return null;
    }
  }

  async function follow(socket: WebSocket, projectId: string): Promise<void> {
    const follower: Follower = { socket, projectId, revision: Number.MAX_SAFE_INTEGER };
    socket.on('close', () => followers.delete(follower));
    socket.on('error', () => socket.terminate());
    followers.add(follower);
    try {
      const revision = await revisionOfProject(database, projectId);
      if (revision === null) return socket.close();
      follower.revision = revision;
      tell(follower, { type: 'at-revision', revision });
      await bringUpToDate(projectId);
    } catch {
      socket.close();
    }
  }

  const heartbeat = setInterval(() => sockets.clients.forEach((client) => client.ping()), HEARTBEAT_MS);
  return {
    close: async () => {
      clearInterval(heartbeat);
      sockets.clients.forEach((client) => client.terminate());
      sockets.close();
      await listener.close();
    },
  };
}

/** A connection that listens, and comes back after the database was away. */
function listen(databaseUrl: string, log: Logger, heard: (projectId: string) => void, back: () => void): Live {
  let client: pg.Client | null = null;
  let closed = false;
  let retry: NodeJS.Timeout | undefined;
  let wasAway = false;

  const connect = async (): Promise<void> => {
    if (closed) return;
    const next = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 4000, keepAlive: true });
    let lost = false;
    const again = () => {
      if (lost) return;
      lost = true;
      wasAway = true;
      next.removeAllListeners('notification');
      if (!closed) retry = setTimeout(() => void connect(), RETRY_MS);
    };
    next.on('error', again);
    next.on('end', again);
    next.on('notification', (message) => heard(message.payload ?? ''));
    try {
      await next.connect();
      await next.query('LISTEN spool_changes');
      client = next;
      if (wasAway) back();
      wasAway = false;
    } catch (error) {
      log.warn({ err: error }, 'cannot listen for changes');
      again();
    }
  };
  void connect();
  return {
    close: async () => {
      closed = true;
      clearTimeout(retry);
      await client?.end().catch(() => undefined);
    },
  };
}
