import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { unzipSync } from 'fflate';
import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { planPoint, projectIdOf } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

/** A build of the web app from before the protocol had a version, as browsers still have it. */
const OLDER_BUILD = join(import.meta.dirname, 'older-build/web-dist.zip');

describe('an older app', () => {
  let app: App;
  const folder = mkdtempSync(join(tmpdir(), 'spool-older-'));
  before(async () => {
    for (const [name, bytes] of Object.entries(unzipSync(new Uint8Array(readFileSync(OLDER_BUILD))))) {
      mkdirSync(dirname(join(folder, name)), { recursive: true });
      writeFileSync(join(folder, name), bytes);
    }
    app = await startApp(undefined, { WEB_FOLDER: folder });
  });
  after(async () => {
    await app.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('against a newer server brings itself up to date, and its unsent edits arrive once', async () => {
    const { page } = await app.person();
    await page.goto(app.url);
    await page.getByRole('button', { name: 'Open the demo firm' }).click();
    await page.getByRole('link', { name: 'Open Saltmarsh Granary' }).click();
    await page.locator('.plan-canvas .device').first().waitFor();
    // The older app is kept on the device from now on.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await page.waitForTimeout(2500);
    const address = page.url();
    const projectId = projectIdOf(page);
    await app.kill();
    for (const x of [3, 6]) {
      await page.getByRole('button', { name: /^Ceiling speaker$/ }).click();
      const at = await planPoint(page, x, 9.2, '.plan-canvas .world');
      await page.mouse.click(at.x, at.y);
    }
    await page.getByText(/No connection · 2 edits kept/).waitFor();
    await page.waitForTimeout(500);
    await page.goto('about:blank');

    await app.restart();
    await page.goto(address);
    await page.locator('.plan-canvas .device, .canvas__plan-canvas .canvas__device').first().waitFor();
    const devices = async () =>
      Object.keys(
        ((await (await page.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply).document.devices,
      ).length;
    for (let n = 0; n < 80 && (await devices()) < 93; n++) await page.waitForTimeout(250);
    expect(await devices()).to.equal(93);
    // The new app shows what the older one did not have.
    await page.waitForFunction(() => document.querySelector('script[type=module]') !== null);
    // An app of then asks its service worker once for each page; where that was still fetching, the next page asks again.
    const people = page.getByRole('link', { name: 'People' });
    for (let n = 0; n < 8 && !(await people.isVisible()); n++) {
      await page.goto(`${app.url}/projects`);
      await people.waitFor({ timeout: 30_000 }).catch(() => undefined);
    }
    await people.waitFor();
    await page.waitForTimeout(500);
    expect(await devices()).to.equal(93);
    const { changes } = (await (await page.request.get(`${app.url}/api/projects/${projectId}/changes?since=0`)).json()) as {
      changes: { change: { id: string } }[];
    };
    expect(new Set(changes.map(({ change }) => change.id)).size).to.equal(changes.length);
    expect(changes).to.have.length(2);
  }).timeout(300_000);
});
