import { createServer, type Server } from 'node:http';
import { randomBytes } from 'node:crypto';
import compression from 'compression';
import express from 'express';
import { pinoHttp } from 'pino-http';
import { MIN_PROTOCOL, PROTOCOL_VERSION } from '@dusky-spool/core/model';
import { AuditTrail, newAuditKey } from '../audit/audit-store.ts';
import { type Bridge, startBridge } from '../bridge/index.ts';
import { migrateUp, withStartLock } from '../database/migrate.ts';
import { type Database, openDatabase } from '../database/index.ts';
import { loadDemo } from '../demo/index.ts';
import { EventBus } from '../events/event-bus.ts';
import { makeLog } from '../http/logging.ts';
import { openApi } from '../http/open-api.ts';
import { openSessions, type Sessions } from '../http/sessions.ts';
import { problemHandler, refusal } from '../http/problems.ts';
import { type Route, RouteTable } from '../http/route-table.ts';
import { securityHeaders } from '../http/security.ts';
import { JobQueue } from '../jobs/queue.ts';
import type { Lane } from '../jobs/job-kinds.ts';
import { startLive } from '../live/live.ts';
import { MailRoom } from '../mail/mail-store.ts';
import { changeRoutes } from '../resources/changes/routes.ts';
import { diagnosticsRoutes } from '../resources/diagnostics/routes.ts';
import { documentRoutes } from '../resources/documents/routes.ts';
import { jobRoutes } from '../resources/jobs/routes.ts';
import { libraryRoutes } from '../resources/library/routes.ts';
import { peopleRoutes } from '../resources/people/routes.ts';
import { photoRoutes } from '../resources/photos/routes.ts';
import { pictureRoutes } from '../resources/pictures/routes.ts';
import { instrumentRoutes } from '../resources/printing/routes.ts';
import { projectRoutes } from '../resources/projects/routes.ts';
import type { Services } from '../services/services.ts';
import { SignInAttempts } from '../http/attempt-store.ts';
import { sessionRoutes } from '../resources/session/routes.ts';
import type { Config } from '../services/config.ts';
import { startHousekeeping } from './housekeeping.ts';
import { servePages } from './pages.ts';
import { readSecret, storeError } from './store.ts';

export interface RunningServer {
  readonly server: Server;
  readonly database: Database;
  readonly services: Services;
  readonly routes: readonly Route[];
  readonly address: string;
  readonly close: () => Promise<void>;
}

export interface StartOptions {
  /** Runs before migrations of a database that holds data. */
  readonly beforeMigrations?: (steps: readonly string[]) => Promise<void>;
  /** Other limits for the job queue: for tests. */
  readonly lanes?: readonly Lane[];
}

/** A request that takes longer to arrive is ended, ms. */
const REQUEST_MS = 120_000;
const HEADERS_MS = 20_000;
/** How long requests that run may go on after the server was asked to stop, ms. */
const GRACE_MS = 8000;

/** Migrates, builds the app and listens. */
export async function startServer(config: Config, options: StartOptions = {}): Promise<RunningServer> {
  const log = makeLog(config.logLevel);
  const database = openDatabase(config.databaseUrl);
  const report = (error: unknown, place: string) => void storeError(database, error, place).catch(() => undefined);
  const bus = new EventBus(database, config.databaseUrl, log);
  const jobs = new JobQueue(database, config.databaseUrl, bus, log, report, options.lanes);
  // Two servers that start at once on one database take turns: tables, keys, queue and demo are made once.
  const { secret, audit } = await withStartLock(config.databaseUrl, async () => {
    await migrateUp(database.sequelize, options.beforeMigrations);
    await jobs.prepare();
    if (config.demo) await loadDemo(database);
    const made = new AuditTrail(database, await readSecret(database, 'audit', newAuditKey));
    await made.prepare();
    return { secret: await readSecret(database, 'session', () => randomBytes(32).toString('base64url')), audit: made };
  });
  const limits = { idleHours: config.sessionIdleHours, absoluteHours: config.sessionAbsoluteHours };
  const sessions = openSessions(config.databaseUrl, secret, limits, log);
  const bridge = await startBridge();
  const services: Services = {
    config,
    database,
    bus,
    jobs,
    audit,
    mail: new MailRoom(database, config.smtpUrl, config.mailFrom, log),
    attempts: new SignInAttempts(database, { key: secret, tries: config.signInTries }),
    printer: bridge.printer,
    secret,
    log,
    report,
  };
  const state = { stopping: false };
  const { app, table } = buildApp(services, sessions, bridge, state);
  const server = createServer({ requestTimeout: REQUEST_MS, headersTimeout: HEADERS_MS, maxHeaderSize: 16_384 }, app);
  server.on('clientError', (_error, socket) => {
    if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
    else socket.destroy();
  });
  const live = startLive(server, database, bus, sessions.parse, log);
  await bus.start();
  jobs.start();
  const stopHousekeeping = startHousekeeping(services);
  await listen(server, config);
  const { port } = server.address() as { port: number };
  return {
    server,
    database,
    services,
    routes: table.routes,
    address: `http://${config.host.includes(':') ? `[${config.host}]` : config.host}:${port}`,
    close: async () => {
      state.stopping = true;
      stopHousekeeping();
      bridge.close();
      await live.close();
      await endRequests(server);
      await jobs.close();
      services.mail.close();
      await bus.close();
      await sessions.close();
      await database.sequelize.close();
    },
  };
}

const listen = (server: Server, { port, host }: Config): Promise<void> =>
  new Promise((listening, failed) => {
    server.once('error', failed);
    server.listen(port, host, () => {
      server.off('error', failed);
      server.on('error', () => undefined);
      listening();
    });
  });

/** Takes no new request, lets those that run come to their end, and cuts off what is left then. */
async function endRequests(server: Server): Promise<void> {
  const closed = new Promise<void>((done) => server.close(() => done()));
  server.closeIdleConnections();
  const idle = setInterval(() => server.closeIdleConnections(), 100);
  const cut = setTimeout(() => server.closeAllConnections(), GRACE_MS);
  await closed;
  clearInterval(idle);
  clearTimeout(cut);
}

function buildApp(services: Services, sessions: Sessions, bridge: Bridge, state: { readonly stopping: boolean }) {
  const { config, database, log } = services;
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  if (config.trustProxy !== '')
    app.set('trust proxy', /^\d+$/.test(config.trustProxy) ? Number(config.trustProxy) : config.trustProxy);
  app.use(pinoHttp({ logger: log, autoLogging: false }) as express.RequestHandler);
  app.use(...securityHeaders());
  app.use(compression());
  const api = express.Router();
  api.use(protocolHeaders);
  // Alive: the process answers. Health: its database does too. Ready: it takes requests.
  api.get('/alive', (_request, response) => {
    response.json({ alive: true });
  });
  api.get('/health', async (_request, response) => {
    await database.sequelize.query('SELECT 1');
    response.json({ ready: !state.stopping });
  });
  api.get('/ready', async (_request, response) => {
    if (state.stopping) throw refusal('server-stopping');
    await database.sequelize.query('SELECT 1');
    response.json({ ready: true });
  });
  api.use(sessions.parse);
  const table = new RouteTable(database, services.secret);
  sessionRoutes(table, services);
  peopleRoutes(table, services);
  projectRoutes(table, services);
  changeRoutes(table, services);
  documentRoutes(table, services);
  pictureRoutes(table, services);
  photoRoutes(table, services);
  libraryRoutes(table, services);
  jobRoutes(table, services);
  instrumentRoutes(table, services, bridge);
  diagnosticsRoutes(table, services);
  // The description of the API says nothing that is secret: anybody may read it.
  let described: object | null = null;
  api.get('/openapi.json', (_request, response) => {
    response.json((described ??= openApi(table.routes)));
  });
  api.use(table.done());
  app.use('/api', api);
  app.use(servePages(config.webFolder));
  app.use(problemHandler(log, services.report));
  return { app, table };
}

/** Every answer says which protocol the server speaks; an app that is too old gets a refusal that asks it to update. */
const protocolHeaders: express.RequestHandler = (request, response, next) => {
  response.set('Cache-Control', 'no-store').set('X-Spool-Protocol', String(PROTOCOL_VERSION));
  const said = request.get('x-spool-protocol');
  if (said !== undefined && !(Number(said) >= MIN_PROTOCOL)) throw refusal('app-too-old', { needs: MIN_PROTOCOL });
  next();
};
