import { createServer, type Server } from 'node:http';
import { randomBytes } from 'node:crypto';
import compression from 'compression';
import express from 'express';
import { pino, type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { QueryTypes } from 'sequelize';
import { startBridge, type Bridge } from '../bridge/index.ts';
import { migrateUp, openDatabase, type Database } from '../database/index.ts';
import { problemHandler, refusal, requireCsrf, requireMember, securityHeaders, sessions } from '../http/index.ts';
import { startLive } from '../live/index.ts';
import { changeRoutes } from '../resources/changes/routes.ts';
import { documentRoutes } from '../resources/documents/routes.ts';
import { libraryRoutes } from '../resources/library/routes.ts';
import { pictureRoutes } from '../resources/pictures/routes.ts';
import { projectRoutes } from '../resources/projects/routes.ts';
import { sessionRoutes } from '../resources/session/routes.ts';
import type { Config } from './config.ts';
import { servePages } from './pages.ts';

export interface RunningServer {
  readonly server: Server;
  readonly database: Database;
  readonly address: string;
  readonly close: () => Promise<void>;
}

/** Migrates, builds the app and listens. */
export async function startServer(config: Config): Promise<RunningServer> {
  const log = pino({ level: config.logLevel });
  const database = openDatabase(config.databaseUrl);
  await migrateUp(database.sequelize);
  const session = sessions(config.databaseUrl, await sessionSecret(database), log);
  const bridge = await startBridge();
  const app = buildApp(config, database, session.parse, log, bridge);
  const server = createServer(app);
  const live = startLive(server, database, config.databaseUrl, session.parse, log);
  await new Promise<void>((listening, failed) => {
    server.once('error', failed);
    server.listen(config.port, config.host, listening);
  });
  const { port } = server.address() as { port: number };
  return {
    server,
    database,
    address: `http://${config.host}:${port}`,
    close: async () => {
      bridge.close();
      await live.close();
      server.closeAllConnections();
      await new Promise<void>((done) => server.close(() => done()));
      await session.close();
      await database.sequelize.close();
    },
  };
}

function buildApp(
  config: Config,
  database: Database,
  parseSession: express.RequestHandler,
  log: Logger,
  bridge: Bridge,
): express.Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.use(pinoHttp({ logger: log, autoLogging: false }));
  app.use(...securityHeaders());
  app.use(compression());
  const api = express.Router();
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.get('/health', async (_request, response) => {
    await database.sequelize.query('SELECT 1');
    response.json({ ready: true });
  });
  api.use(parseSession);
  api.use(sessionRoutes(database, config));
  api.use(requireMember(database), requireCsrf);
  api.post('/projects', express.json({ limit: '20kb' }));
  api.use(
    projectRoutes(database),
    changeRoutes(database),
    pictureRoutes(database),
    documentRoutes(database, bridge.printer),
    libraryRoutes(database),
    bridge.routes,
  );
  api.use(() => {
    throw refusal('not-found', { field: 'address' });
  });
  app.use('/api', api);
  app.use(servePages(config.webFolder));
  app.use(problemHandler(log));
  return app;
}

/** The key that signs session cookies: made once, kept in the database, never in a file of the repository. */
async function sessionSecret({ sequelize }: Database): Promise<string> {
  await sequelize.query("INSERT INTO secrets VALUES ('session', :value) ON CONFLICT DO NOTHING", {
    replacements: { value: randomBytes(32).toString('base64url') },
  });
  const [row] = await sequelize.query<{ value: string }>("SELECT value FROM secrets WHERE name = 'session'", {
    type: QueryTypes.SELECT,
  });
  return row.value;
}
