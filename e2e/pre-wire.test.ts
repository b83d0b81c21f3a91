import { expect } from 'chai';
import type { Page } from 'playwright-core';
import type { DocumentReply, ProjectDocument } from '@dusky-spool/core/model';
import { openGranary } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';

describe('a crew on pre-wire day', () => {
  let app: App;
  let phone: Page;
  let office: Page;
  let projectId: string;
  before(async () => {
    app = await startApp();
    [{ page: phone }, { page: office }] = [await app.person(), await app.person()];
    projectId = await openGranary(app, office);
    await openGranary(app, phone);
    await phone.setViewportSize({ width: 390, height: 844 });
  });
  after(() => app.close());

  const house = async (): Promise<ProjectDocument> =>
    ((await (await office.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply).document;
  const until = async (holds: (project: ProjectDocument) => boolean) => {
    for (let n = 0; n < 600; n++) {
      if (holds(await house())) return;
      await office.waitForTimeout(200);
    }
    throw new Error('the server never had it');
  };
  const row = () =>
    phone
      .locator('section')
      .filter({ has: phone.getByRole('button', { name: 'Pulled', exact: true }) })
      .first();

  it('issues the runs, and pulls without a connection: nothing is lost over a reload, nothing is there twice', async () => {
    await office.goto(`${app.url}/p/${projectId}/pre-wire`);
    await office.getByRole('button', { name: /^Issue all \d+ drafted runs$/ }).click();
    await until(({ runs }) => Object.values(runs).every(({ state }) => state !== 'drafted'));
    await phone.goto(`${app.url}/p/${projectId}/pre-wire?view=pull`);
    await row().waitFor();
    await phone.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await phone.waitForTimeout(1000);
    await phone.context().setOffline(true);
    const first = (await row().getAttribute('aria-label'))!;
    await row()
      .getByRole('button', { name: /^Open spool/ })
      .click();
    await row()
      .getByText(/from S\d+/)
      .waitFor();
    await row().getByLabel('Mark at head end').fill('0998');
    await row().getByLabel('Mark at far end').fill('0976');
    await row().getByRole('button', { name: 'Pulled', exact: true }).click();
    await phone.getByText(`✓ ${first}: 22.0 m`).waitFor();
    await phone.getByText(/2 edits kept/).waitFor();
    await phone.reload();
    await phone.getByText('1 of 122 runs pulled').waitFor();
    const second = (await row().getAttribute('aria-label'))!;
    expect(second).not.to.equal(first);
    await row().getByRole('button', { name: 'Pulled', exact: true }).click();
    await phone.getByText(`✓ ${second}: pulled, not measured`).waitFor();
    // Meanwhile the office changes another run.
    const other = Object.values((await house()).runs).find(({ number }) => number !== first && number !== second)!;
    await office.goto(`${app.url}/p/${projectId}/cabling?sel=run:${other.id}`);
    await phone.context().setOffline(false);
    await until(({ runs }) => Object.values(runs).filter(({ state }) => state === 'pulled').length === 2);
    const { runs, spoolCuts, spools } = await house();
    const byNumber = new Map(Object.values(runs).map((run) => [run.number, run]));
    expect([first, second].map((number) => byNumber.get(number)!.state)).to.deep.equal(['pulled', 'pulled']);
    const cuts = Object.values(spoolCuts).map(({ runId, lengthM, spoolId }) => [runId, lengthM, spools[spoolId].code]);
    expect(cuts.filter(([runId]) => runId === byNumber.get(first)!.id)).to.have.length(1);
    expect(cuts[0][1]).to.equal(22);
  });

  it('closes the day: labels and tests are recorded on the phone and reach the office', async () => {
    await phone.getByText('Close of day').click();
    await phone.getByText('Ends without a label: 4').waitFor();
    for (let n = 0; n < 2; n++) await phone.getByRole('button', { name: 'Both labeled' }).first().click();
    await phone.getByText(/Ends without a label/).waitFor({ state: 'detached' });
    await until(({ runs }) => Object.values(runs).filter(({ labelledEnds }) => labelledEnds === 'both').length === 2);
    await office.goto(`${app.url}/p/${projectId}/pre-wire`);
    await office.getByText('2 of 122 runs pulled').waitFor();
  });
});
