import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, planPoint, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

const ROOT = join(import.meta.dirname, '..');

describe('work goes on', () => {
  let app: App;
  let page: Page;
  let projectId: string;
  const folder = mkdtempSync(join(tmpdir(), 'spool-e2e-'));
  const postgres = (command: string) => {
    const { stdout, stderr, status } = spawnSync(
      process.execPath,
      [join(ROOT, 'scripts/pg-local.mjs'), command, '--dir', join(folder, 'pg'), '--db', 'away', '--fast'],
      { encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(stderr);
    return stdout.trim() === '' ? { url: '' } : (JSON.parse(stdout.trim().split('\n').at(-1)!) as { url: string });
  };
  before(async () => {
    app = await startApp(postgres('start').url);
    ({ page } = await app.person());
    projectId = await openGranary(app, page);
  });
  after(async () => {
    await app.close();
    postgres('destroy');
    rmSync(folder, { recursive: true, force: true });
  });

  const place = async (x: number, y: number) => {
    // The palette keeps the type.
    const type = page.getByRole('button', { name: /^Ceiling speaker$/ });
    if ((await type.getAttribute('aria-pressed')) !== 'true') await type.click();
    const at = await planPoint(page, x, y);
    await page.mouse.click(at.x, at.y);
  };
  const devices = async () =>
    Object.keys(
      ((await (await page.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply).document.devices,
    ).length;

  it('while PostgreSQL is stopped: the app says so, keeps the edits, and sends them after', async () => {
    await saved(page);
    postgres('stop');
    await place(3, 9.2);
    await page.getByText(/Database away · 1 edit kept/).waitFor();
    await place(6, 9.2);
    await page.getByText(/Database away · 2 edits kept/).waitFor();
    postgres('start');
    await saved(page);
    expect(await devices()).to.equal(93);
  });

  it('while the server is killed: the edits are kept, also over closing the tab, and sent after', async () => {
    await app.kill();
    await place(3, 5.3);
    await page.getByText(/No connection · 1 edit kept/).waitFor();
    await page.waitForTimeout(300);
    await app.restart();
    await page.reload();
    await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    await saved(page);
    await page.getByText(/of 125 runs/).waitFor();
    expect(await devices()).to.equal(94);
  });
});
