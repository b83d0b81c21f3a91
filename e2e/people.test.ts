import { expect } from 'chai';
import type { DocumentReply } from '@dusky-spool/core/model';
import { openGranary, projectIdOf, saved } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

const PASSWORD = 'tide creek rope 12';

describe('people of a firm', () => {
  let app: App;
  let owner: Page;
  let crew: Page;
  let projectId: string;
  before(async () => {
    app = await startApp();
    ({ page: owner } = await app.person());
    ({ page: crew } = await app.person());
    projectId = await openGranary(app, owner);
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));

  /** The link of the newest mail in the simulated box. */
  async function newestLink(): Promise<string> {
    await owner.goto(`${app.url}/people?view=mail`);
    const body = await owner.locator('.people__mail-list pre').first().innerText();
    return /https?:\/\/\S+/.exec(body)![0];
  }

  it('are invited by mail, join with a password, and see what their role allows', async () => {
    await owner.goto(`${app.url}/people`);
    await owner.getByRole('button', { name: 'Invite' }).click();
    await owner.getByLabel('Email').fill('not an address');
    await owner.getByRole('button', { name: 'Send invitation' }).click();
    await owner.getByText('This is not an email address').waitFor();
    await owner.getByLabel('Email').fill('crew@example.test');
    await owner.getByRole('radio', { name: /^Crew/ }).check();
    await owner.getByRole('button', { name: 'Send invitation' }).click();
    await owner.getByRole('rowheader', { name: 'crew@example.test' }).waitFor();
    await crew.goto(await newestLink());
    await crew.getByRole('heading', { name: 'Join Tidewrack Integration' }).waitFor();
    expect(crew.url()).to.not.include('code=');
    await crew.getByLabel('Your name').fill('Site crew');
    await crew.getByLabel('Choose a password').fill('short');
    await crew.getByRole('button', { name: 'Join' }).click();
    await crew.getByText('It has fewer than 12 characters.').waitFor();
    await crew.getByLabel('Choose a password').fill(PASSWORD);
    await crew.getByRole('button', { name: 'Join' }).click();
    await crew.getByRole('link', { name: 'Open Saltmarsh Granary' }).waitFor();
    expect(await crew.getByRole('button', { name: 'New project' }).count()).to.equal(0);
    expect(await crew.getByRole('link', { name: 'People' }).count()).to.equal(0);
    await crew.getByRole('link', { name: 'Open Saltmarsh Granary' }).click();
    await crew.getByText('Crew: site records only').waitFor();
    await crew.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    expect(await crew.getByRole('button', { name: /^Ceiling speaker$/ }).count()).to.equal(0);
    await crew
      .getByRole('button', { name: /^KP Keypad, Kitchen/ })
      .first()
      .click();
    await crew.keyboard.press('ArrowRight');
    await crew.getByText(/Your role in the firm \(crew\) does not allow this/).waitFor();
    await crew.getByText(/of 122 runs/).waitFor();
  });

  it('are signed out elsewhere at once when their sessions are ended, and who has a deleted project open sees that it was deleted', async () => {
    await crew.goto(`${app.url}/p/${projectId}/devices`);
    await crew.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    await owner.goto(`${app.url}/projects`);
    await owner.getByRole('button', { name: 'Delete Saltmarsh Granary' }).click();
    await owner.getByLabel('Type its name to delete it').fill('Saltmarsh Granary');
    await owner.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
    await crew.getByText('This project was deleted.').waitFor();
    await owner.getByRole('button', { name: 'Restore Saltmarsh Granary' }).click();
    await owner.getByRole('link', { name: 'Open Saltmarsh Granary' }).waitFor();
    await crew.reload();
    await crew.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
    await owner.goto(`${app.url}/people`);
    await owner.getByRole('button', { name: 'Remove Site crew' }).click();
    await owner.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
    await crew.getByRole('button', { name: 'Open the demo firm' }).waitFor();
    await owner.goto(`${app.url}/people?view=audit`);
    await owner.getByText('Removed a member').waitFor();
    await owner.getByText(/all signatures in order/).waitFor();
  });
});

describe('a person at a device of one’s own', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app.close());
  afterEach(() => expect(app.problems).to.deep.equal([]));
  /** Everything that the browser stores, as text. */
  const stored = (page: Page): Promise<string> =>
    page.evaluate(`new Promise((done) => {
      const request = indexedDB.open('dusky-spool');
      request.onsuccess = async () => {
        const all = [];
        for (const name of request.result.objectStoreNames) {
          const rows = request.result.transaction(name).objectStore(name).getAll();
          all.push(await new Promise((read) => (rows.onsuccess = () => read(rows.result))));
        }
        request.result.close();
        done(JSON.stringify(all));
      };
    })`);

  it('makes a firm, signs out with the houses locked, and finds them again at the next sign-in', async () => {
    const { page } = await app.person();
    await page.goto(app.url);
    await page.getByRole('button', { name: 'Create your own firm' }).click();
    for (const [label, value] of [
      ['Firm', 'Reedbed Wiring'],
      ['Your name', 'Own owner'],
      ['Email', 'own@example.test'],
      ['Password', PASSWORD],
    ])
      await page.getByLabel(label, { exact: true }).fill(value);
    await page.getByRole('button', { name: 'Create your own firm' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the house').fill('Sluice house');
    await page.getByText('European Union').click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByRole('heading', { name: 'Sluice house' }).waitFor();
    const projectId = projectIdOf(page);
    await page.waitForTimeout(1500);
    expect(await stored(page)).to.include('Sluice house');
    const signOut = async (choice: RegExp) => {
      await page.goto(`${app.url}/projects`);
      await page.getByRole('button', { name: 'Sign out' }).click();
      await page.getByRole('radio', { name: choice }).check();
      await page.getByRole('dialog').getByRole('button', { name: 'Sign out' }).click();
      await page.getByRole('button', { name: 'Open the demo firm' }).waitFor();
    };
    await signOut(/^Lock them/);
    expect(await stored(page)).to.not.include('Sluice house');
    await page.getByLabel('Email').fill('own@example.test');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('link', { name: 'Open Sluice house' }).waitFor();
    expect(await stored(page)).to.include('Sluice house');
    // Without a connection the page comes from the service worker, once that is there.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await page.context().setOffline(true);
    await page.goto(`${app.url}/p/${projectId}/survey`);
    await page.getByRole('heading', { name: 'Sluice house' }).waitFor();
    await page.context().setOffline(false);
    await signOut(/^Delete them/);
    expect(await stored(page)).to.not.match(/Sluice house|own@/);
  }).timeout(300_000);

  it('settles an offline edit of what somebody deleted: it comes back with the edit', async () => {
    const [{ page: one }, { page: two }] = [await app.person(), await app.person()];
    const projectId = await openGranary(app, one);
    await openGranary(app, two);
    for (const page of [one, two])
      await page
        .getByRole('button', { name: /^KP Keypad, Kitchen/ })
        .first()
        .click();
    const name = two.locator('.inspector').getByLabel('Name');
    await name.waitFor();
    await two.context().setOffline(true);
    await name.fill('by the larder');
    await name.press('Enter');
    await two.getByText(/No connection · 1 edit kept/).waitFor();
    await one.keyboard.press('Delete');
    await one.getByText(/of 121 runs/).waitFor();
    await saved(one);
    await two.context().setOffline(false);
    await two.getByRole('button', { name: '1 edit set aside' }).click();
    const dialog = two.getByRole('dialog', { name: 'Edits set aside' });
    await dialog.getByText('It was deleted meanwhile by another person.').waitFor();
    expect(await dialog.innerText()).to.include('by the larder');
    await dialog.getByRole('button', { name: 'Restore with the edit' }).click();
    await two.getByRole('button', { name: '1 edit set aside' }).waitFor({ state: 'detached' });
    await saved(two);
    await one.getByText(/of 122 runs/).waitFor();
    const { document: project } = (await (await one.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply;
    expect(Object.values(project.devices).filter(({ name: one }) => one === 'by the larder')).to.have.length(1);
  }).timeout(300_000);
});
