import { configFromEnvironment } from '../services/config.ts';
import { type RunningServer, startServer } from '../app/create-app.ts';
import type { Lane } from '../jobs/job-kinds.ts';
import { freshDatabaseUrl } from './fresh-database.ts';
import { TEST_SETUP_TOKEN, TestClient } from './test-client.ts';

export interface TestServer extends RunningServer {
  readonly url: string;
  readonly databaseUrl: string;
  /** A client that is not signed in yet. */
  readonly client: () => TestClient;
}

export interface TestServerOptions {
  readonly demo?: boolean;
  readonly signInTries?: number;
  /** More settings from the environment. */
  readonly env?: NodeJS.ProcessEnv;
  readonly lanes?: readonly Lane[];
  readonly databaseUrl?: string;
}

export async function startTestServer(options: TestServerOptions = {}): Promise<TestServer> {
  const databaseUrl = options.databaseUrl ?? (await freshDatabaseUrl());
  const config = configFromEnvironment({
    DATABASE_URL: databaseUrl,
    PORT: '0',
    LOG_LEVEL: 'silent',
    DUSKY_DEMO: options.demo ? '1' : '0',
    SETUP_TOKEN: TEST_SETUP_TOKEN,
    SIGN_IN_TRIES: String(options.signInTries ?? 1000),
    ...options.env,
  });
  const running = await startServer(config, { lanes: options.lanes });
  return { ...running, url: running.address, databaseUrl, client: () => new TestClient(running.address, running.routes) };
}
