import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { freePort, startProcess } from '../../server/faults/kill-run.ts';
import { freshDatabaseUrl } from '../../server/testing/fresh-database.ts';
import { existsSync } from 'node:fs';

export interface App {
  readonly url: string;
  readonly browser: Browser;
  /** A new person at a new computer; ends the test where the page throws or its policy blocks something. */
  readonly person: (options?: Parameters<Browser['newContext']>[0]) => Promise<{ page: Page; context: BrowserContext }>;
  /** Starts the server again; with other settings where they are given. */
  readonly restart: (env?: NodeJS.ProcessEnv) => Promise<void>;
  readonly kill: () => Promise<void>;
  readonly problems: string[];
  readonly close: () => Promise<void>;
}

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The app with its demo houses, served by its own process. */
export async function startApp(databaseUrl?: string, env: NodeJS.ProcessEnv = {}): Promise<App> {
  const database = databaseUrl ?? (await freshDatabaseUrl());
  const port = await freePort();
  const start = (more: NodeJS.ProcessEnv) => startProcess(database, port, { DUSKY_DEMO: '1', ...more });
  let server = await start(env);
  const executablePath = process.env.CHROMIUM ?? ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
  const browser = await chromium.launch({ executablePath, headless: true, args: FLAGS });
  const problems: string[] = [];
  const kill = async () => {
    const gone = new Promise((done) => server.once('exit', done));
    server.kill('SIGKILL');
    await gone;
  };
  return {
    url: `http://127.0.0.1:${port}`,
    browser,
    problems,
    person: async (options = {}) => {
      // Without motion: on a busy machine a click lands on what a menu's item has just left.
      const context = await browser.newContext({
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        reducedMotion: 'reduce',
        ...options,
      });
      const page = await context.newPage();
      page.setDefaultTimeout(120_000);
      page.on('pageerror', (error) => problems.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !/Failed to load resource|WebSocket connection|net::ERR/.test(message.text()))
          problems.push(message.text());
      });
      return { page, context };
    },
    kill,
    restart: async (more = {}) => {
      server = await start(more);
    },
    close: async () => {
      await browser.close();
      if (server.exitCode === null && server.signalCode === null) await kill();
    },
  };
}
