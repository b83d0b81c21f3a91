import { createRequire } from 'node:module';
import { expect } from 'chai';
import type { AxeResults } from 'axe-core';
import { openGranary } from './testing/steps.ts';
import { type App, startApp } from './testing/app.ts';
import type { Page } from 'playwright-core';

const AXE = createRequire(import.meta.url).resolve('axe-core/axe.min.js');
const STAGES = ['brief', 'survey', 'devices', 'cabling', 'head-end', 'order', 'pre-wire', 'inspect', 'trim-out', 'handover'];

/** Every screen by its address. */
const ADDRESSES = [
  ...STAGES.map((stage) => `/p/PROJECT/${stage}`),
  '/p/PROJECT/cabling?view=schedule',
  '/p/PROJECT/cabling?view=ways',
  '/p/PROJECT/cabling?view=labels',
  '/p/PROJECT/survey?view=walk',
  '/p/PROJECT/inspect?view=findings',
  '/p/PROJECT/inspect?view=rules',
  '/p/PROJECT/inspect?view=calculators',
  '/projects',
  '/people',
  '/people?view=audit',
  '/people?view=mail',
  '/people?view=server',
  '/account',
  '/join?code=none',
  '/reset?code=none',
  '/scan',
  '/guide/survey',
  '/p/PROJECT/devices?view=list',
  '/p/PROJECT/devices?view=library',
  '/p/PROJECT/devices?view=plates',
  '/p/PROJECT/head-end?tab=ports',
  '/p/PROJECT/head-end?tab=map',
  '/p/PROJECT/head-end?tab=power',
  '/p/PROJECT/head-end?tab=coax',
  ...['zones', 'paths', 'control', 'alarm', 'room', 'loss'].map((tab) => `/p/PROJECT/head-end?tab=${tab}`),
];
/** What is opened over a screen or beside it. */
const OPENED = [
  'the export menu',
  'labels to print',
  'the plan to print',
  'the panel of a device',
  'the panel of several devices',
  'findings',
  'the find box',
  'a tool of the plan',
  'a tool of the survey',
  'the keys',
  'a new project',
  'a project to delete',
  'signing out',
];

describe('every screen', () => {
  let app: App;
  let page: Page;
  let projectId: string;
  before(async () => {
    app = await startApp();
    // The policy of the pages lets no foreign script in; the checker is put in past it.
    ({ page } = await app.person({ bypassCSP: true, reducedMotion: 'reduce' }));
    projectId = await openGranary(app, page, 'Merrowfen Landing');
    devices = await page.locator('[data-device]').evaluateAll((all) => all.map((one) => one.getAttribute('data-device')!));
  });
  after(() => app.close());

  async function violations(rules: readonly string[]): Promise<string[]> {
    await page.addScriptTag({ path: AXE });
    // Menus and messages of the component library stand at the end of the page, outside its landmarks.
    const more = { 'label-content-name-mismatch': { enabled: true }, region: { enabled: false } };
    const options = { runOnly: rules, rules: rules.length > 1 ? more : {} };
    const { violations: found } = (await page.evaluate(`axe.run(document, ${JSON.stringify(options)})`)) as AxeResults;
    return found.flatMap((v) =>
      v.nodes.slice(0, 3).map((node) => `${v.id}: ${node.html.slice(0, 160)} ${node.failureSummary?.split('\n')[1] ?? ''}`),
    );
  }
  /** Goes to an address as a link within the app does, without loading the app anew. */
  async function goTo(address: string): Promise<void> {
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, address);
    await page.locator('h1').first().waitFor();
  }
  /** Nothing is scrolled sideways: the page is as wide as its window. */
  async function fits(address: string): Promise<void> {
    const [pagePx, windowPx] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
    expect(pagePx, `width of ${address}`).to.be.at.most(windowPx);
  }
  const addressOf = (address: string) => address.replace('PROJECT', projectId);
  /** What lies over a screen or beside it, and how it is opened. */
  const opened = (): readonly (readonly [string, string, () => Promise<unknown>])[] => {
    const button = (name: string | RegExp) => page.getByRole('button', { name }).first().click();
    const device = `/p/${projectId}/devices?sel=device:`;
    return [
      ['the export menu', `/p/${projectId}/cabling?view=schedule&export=all`, () => page.getByRole('menuitem').first().waitFor()],
      ['labels to print', `/p/${projectId}/cabling?view=schedule&export=labels`, () => page.getByRole('dialog').waitFor()],
      ['the plan to print', `/p/${projectId}/cabling?view=schedule&export=plan`, () => page.getByRole('dialog').waitFor()],
      ['the panel of a device', `${device}${devices[0]}`, () => page.locator('.inspector .field').first().waitFor()],
      ['the panel of several devices', `${device}${devices.slice(0, 3).join(',')}`, () => page.getByText('3 selected').waitFor()],
      ['findings', `/p/${projectId}/devices`, () => button(/warnings?$/)],
      ['the find box', `/p/${projectId}/devices`, () => page.keyboard.press('Control+k')],
      ['a tool of the plan', `/p/${projectId}/devices?place=access-point`, () => page.keyboard.press('ArrowRight')],
      ['a tool of the survey', `/p/${projectId}/survey?tool=walls`, () => page.keyboard.press('ArrowRight')],
      ['the keys', `/p/${projectId}/survey`, () => button('Keys')],
      ['a new project', '/projects', () => button('New project')],
      ['a project to delete', '/projects', () => button(/^Delete /)],
      ['signing out', '/projects', () => button('Sign out')],
    ];
  };
  let devices: readonly string[];

  for (const dusk of [false, true]) {
    // Names and roles are the same in both themes.
    const rules = dusk ? ['color-contrast'] : ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'];
    describe(dusk ? 'in the dusk theme' : 'in the light theme', () => {
      before(async () => {
        await page.evaluate(
          (on) =>
            localStorage.setItem(
              'spool-settings',
              JSON.stringify({ state: { dusk: on, ledgerOpen: true, inspectorOpen: true }, version: 0 }),
            ),
          dusk,
        );
        await page.goto(app.url + addressOf(ADDRESSES[0]));
        await page.locator('h1').first().waitFor();
      });
      const what = dusk ? 'contrast' : 'names, contrast and roles';
      for (const address of ADDRESSES)
        it(`has ${what} in order: ${address.replace('PROJECT', '')}`, async () => {
          await goTo(addressOf(address));
          await page.waitForTimeout(300);
          expect(await violations(rules)).to.deep.equal([]);
          await fits(address);
        });
      for (const name of OPENED)
        it(`has ${what} in order: ${name}`, async () => {
          const [, address, open] = opened().find(([own]) => own === name)!;
          await goTo(address);
          await page.waitForTimeout(200);
          await open();
          await page.waitForTimeout(400);
          expect(await violations(rules)).to.deep.equal([]);
          await page.keyboard.press('Escape');
          await page.keyboard.press('Escape');
        });
    });
  }

  it('fits a phone without scrolling sideways', async function () {
    this.timeout(300_000);
    await page.setViewportSize({ width: 390, height: 844 });
    for (const address of ADDRESSES) {
      await goTo(addressOf(address));
      await page.waitForTimeout(200);
      await fits(address);
    }
  });

  it('of the pre-wire day has targets of 48 px on a phone', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`${app.url}/p/${projectId}/pre-wire`);
    await page.locator('.run-list .ant-btn').first().waitFor();
    const heights = await page
      .locator('.run-list .ant-btn, .stages__pull-bundle > header .ant-btn')
      .evaluateAll((buttons) => buttons.map((button) => button.getBoundingClientRect().height));
    expect(Math.min(...heights)).to.be.at.least(48);
  });
});
