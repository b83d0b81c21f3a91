import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Duplex } from 'node:stream';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { WebSocket, WebSocketServer } from 'ws';
import { LIVE_CLOSED, type LiveMessage, PROTOCOL_VERSION, type Role, storedChangeFor } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';
import type { EventBus } from '../events/event-bus.ts';
import { maySeeProject, memberOf } from '../http/membership-store.ts';
import { sessionName } from '../http/sessions.ts';
import { tabOf } from '../http/tab.ts';
import { changesSince, revisionOfProject } from '../resources/changes/store.ts';

export interface Live {
  readonly close: () => Promise<void>;
}

interface Admitted {
  readonly projectId: string;
  readonly memberId: string;
  readonly role: Role;
  readonly session: string;
  /** The page that follows; empty where it does not say. */
  readonly tab: string;
}

interface Follower extends Admitted {
  readonly socket: WebSocket;
  readonly request: IncomingMessage;
  revision: number;
  /** Revisions that the page made itself: they are not sent to it. */
  readonly own: Set<number>;
  /** Answered the last ping. */
  alive: boolean;
}

const PATH = /^\/api\/projects\/([0-9a-f-]{36})\/live$/i;
const tabIn = (url = '') => tabOf(new URLSearchParams(url.split('?')[1]).get('tab') ?? undefined);
const HEARTBEAT_MS = 25_000;
const ADMISSION_MS = 10_000;
/** Followers on one server; more are turned away before anything is looked up for them. */
const MAX_FOLLOWERS = 5000;

/** Follows every project that someone has open. Works across several servers on one database. */
export function startLive(server: Server, database: Database, bus: EventBus, parseSession: RequestHandler, log: Logger): Live {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 1024 });
  sockets.on('wsClientError', (_error, socket) => socket.destroy());
  const followers = new Set<Follower>();
  const queues = new Map<string, Promise<void>>();

  const send = (follower: Follower, message: LiveMessage) =>
    follower.socket.readyState === WebSocket.OPEN && follower.socket.send(JSON.stringify(message));
  const where = (matches: (follower: Follower) => boolean) => [...followers].filter(matches);

  /** Sends a project's followers what they do not have yet, one round after the other. */
  const bringUpToDate = (projectId: string): Promise<void> => {
    const next = (queues.get(projectId) ?? Promise.resolve()).then(async () => {
      const here = where((follower) => follower.projectId === projectId);
      if (here.length === 0) return void queues.delete(projectId);
      const from = Math.min(...here.map((follower) => follower.revision));
      for (const stored of await changesSince(database, projectId, from)) {
        for (const follower of here.filter((f) => f.revision < stored.revision)) {
          follower.revision = stored.revision;
          if (!follower.own.delete(stored.revision))
            send(follower, { type: 'change', stored: storedChangeFor(follower.role, stored) });
        }
      }
    });
    const settled = next.catch((error: unknown) => log.warn({ err: error as Error }, 'followers were not updated'));
    queues.set(projectId, settled);
    return settled;
  };
  const end = (matches: (follower: Follower) => boolean, message: LiveMessage, code: number) => {
    for (const follower of where(matches)) {
      send(follower, message);
      follower.socket.close(code);
      // One that does not answer the goodbye is cut off.
      setTimeout(() => follower.socket.terminate(), 2000).unref();
    }
  };

  const endGone = (matches: (follower: Follower) => boolean) => end(matches, { type: 'gone' }, LIVE_CLOSED.gone);
  const endSignedOut = (matches: (follower: Follower) => boolean) => end(matches, { type: 'signed-out' }, LIVE_CLOSED.signedOut);

  const stopListening = bus.on((event) => {
    if (event.kind === 'change') {
      const { projectId, revision, tab } = event;
      for (const follower of tab === '' ? [] : where((f) => f.projectId === projectId && f.tab === tab))
        if (follower.revision < revision) follower.own.add(revision);
      void bringUpToDate(projectId);
    } else if (event.kind === 'project-gone') endGone((f) => f.projectId === event.projectId);
    else if (event.kind === 'session-ended') endSignedOut((f) => f.session === event.session);
    else if (event.kind === 'member-out') endSignedOut((f) => f.memberId === event.memberId);
  });
  bus.onReturn(() => {
    for (const projectId of new Set([...followers].map((follower) => follower.projectId))) void bringUpToDate(projectId);
  });

  server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
    // Until the WebSocket takes it over nobody else handles its errors.
    const onError = () => socket.destroy();
    socket.on('error', onError);
    const tooLate = setTimeout(() => socket.destroy(), ADMISSION_MS);
    void admit(request)
      .catch(() => null)
      .then((admitted) => {
        clearTimeout(tooLate);
        if (socket.destroyed) return;
        if (!admitted) return void socket.end('HTTP/1.1 401 Unauthorized\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
        socket.off('error', onError);
        sockets.handleUpgrade(request, socket, head, (webSocket) => void follow(webSocket, request, admitted));
      })
      .catch((error: unknown) => {
        log.error({ err: error as Error }, 'a follower was not admitted');
        socket.destroy();
      });
  });

  async function admit(request: IncomingMessage): Promise<Admitted | null> {
    const projectId = PATH.exec((request.url ?? '').split('?')[0])?.[1].toLowerCase();
    const origin = request.headers.origin;
    if (!projectId || followers.size >= MAX_FOLLOWERS) return null;
    if (origin && !(URL.canParse(origin) && new URL(origin).host === request.headers.host)) return null;
    return admittedBySession(request, projectId);
  }

  async function admittedBySession(request: IncomingMessage, projectId: string): Promise<Admitted | null> {
    const parsed = request as IncomingMessage & { session?: { memberId?: string; id: string }; sessionID?: string };
    delete parsed.session;
    await new Promise<void>((done, failed) =>
      parseSession(parsed as never, { end: () => undefined } as unknown as ServerResponse as never, (error?: unknown) =>
        error ? failed(error as Error) : done(),
      ),
    );
    const member = await memberOf(database, (parsed.session as { memberId?: string } | undefined)?.memberId);
    if (!member || !(await maySeeProject(database, member, projectId))) return null;
    return {
      projectId,
      memberId: member.id,
      role: member.role,
      session: sessionName(parsed.sessionID ?? ''),
      tab: tabIn(request.url),
    };
  }

  async function follow(socket: WebSocket, request: IncomingMessage, admitted: Admitted): Promise<void> {
    const follower: Follower = { ...admitted, socket, request, revision: Number.MAX_SAFE_INTEGER, own: new Set(), alive: true };
    socket.on('close', () => followers.delete(follower));
    socket.on('error', () => socket.terminate());
    socket.on('pong', () => (follower.alive = true));
    followers.add(follower);
    try {
      const revision = await revisionOfProject(database, admitted.projectId);
      if (revision === null) return endGone((f) => f === follower);
      follower.revision = revision;
      send(follower, { type: 'at-revision', revision, protocol: PROTOCOL_VERSION });
      await bringUpToDate(admitted.projectId);
    } catch {
      socket.close();
    }
  }

  /** Ends a follower who may not follow any more, with the reason: the project is gone, or the session is over. */
  async function endLapsed(follower: Follower): Promise<void> {
    const isGone = (await revisionOfProject(database, follower.projectId)) === null;
    (isGone ? endGone : endSignedOut)((f) => f === follower);
  }

  /** Cuts off who does not answer, and lets go of those whose session or project ended without an event. */
  const heartbeat = setInterval(() => {
    for (const follower of followers) {
      if (!follower.alive) {
        follower.socket.terminate();
        continue;
      }
      follower.alive = false;
      follower.socket.ping();
      admittedBySession(follower.request, follower.projectId).then(
        (still) => (still ? undefined : endLapsed(follower)),
        () => undefined,
      );
    }
  }, HEARTBEAT_MS);
  return {
    close: () => {
      clearInterval(heartbeat);
      stopListening();
      sockets.clients.forEach((client) => client.terminate());
      sockets.close();
      return Promise.resolve();
    },
  };
}
