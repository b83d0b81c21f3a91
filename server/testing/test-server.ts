import { configFromEnvironment } from '../app/config.ts';
import { startServer, type RunningServer } from '../app/create-app.ts';
import { loadDemo } from '../demo/index.ts';
import { freshDatabaseUrl } from './fresh-database.ts';
import { TestClient } from './test-client.ts';

export interface TestServer extends RunningServer {
  readonly url: string;
  readonly databaseUrl: string;
  /** A client that is not signed in yet. */
  readonly client: () => TestClient;
}

export async function startTestServer(options: { demo?: boolean; signInTries?: number } = {}): Promise<TestServer> {
  const databaseUrl = await freshDatabaseUrl();
  const config = configFromEnvironment({
    DATABASE_URL: databaseUrl,
    PORT: '0',
    LOG_LEVEL: 'silent',
    DUSKY_DEMO: options.demo ? '1' : '0',
  });
  const running = await startServer({ ...config, signInTries: options.signInTries ?? 1000 });
  if (options.demo) await loadDemo(running.database);
  return { ...running, url: running.address, databaseUrl, client: () => new TestClient(running.address) };
}
