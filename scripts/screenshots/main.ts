import { join } from 'node:path';
import type { DocumentReply } from '../../core/model/index.ts';
import { openGranary, planPoint, saved } from '../../e2e/testing/steps.ts';
import { startApp } from '../../e2e/testing/app.ts';

const FOLDER = join(import.meta.dirname, '../../docs/screenshots');
const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };

/** Drives the demo houses and takes one picture of each main view. */
const app = await startApp();
const { page } = await app.person();
const shoot = async (name: string) => {
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
  console.log(name);
};
await page.goto(app.url);
await page.getByRole('button', { name: 'Open the demo firm' }).waitFor();
await page.getByRole('button', { name: 'Open the demo firm' }).click();
await page.getByRole('heading', { name: 'Merrowfen Landing' }).waitFor();
await shoot('projects');

const granary = await openGranaryAgain();
await page.getByRole('button', { name: /^Ceiling speaker$/ }).click();
const spot = await planPoint(page, 4.2, 9.2);
await page.mouse.click(spot.x, spot.y);
await page
  .locator('.inspector')
  .getByText(/16 AWG loses/)
  .waitFor();
await saved(page);
await shoot('plan-devices');
await page.keyboard.press('Control+z');
await saved(page);
await openRun(granary, 'level_l', 'L-SC-08.1');
await shoot('plan-cabling');
await page.goto(`${app.url}/p/${granary}/cabling?view=schedule`);
await page.getByRole('row').nth(3).waitFor();
await shoot('schedule');
await page.goto(`${app.url}/p/${granary}/cabling?view=ways`);
await page.locator('.hole-table').first().waitFor();
await page.getByRole('button', { name: 'Tidy routes' }).click();
await page.locator('.pathways__ways-comparison').waitFor();
await shoot('ways');
await page.goto(`${app.url}/p/${granary}/cabling?view=labels`);
await page.locator('.labels__label-table tbody tr').first().waitFor();
await page.getByLabel('Pattern of numbers').fill('{level}{room}-{type}{device}.{leg}');
await page.getByText(/runs get a new number/).waitFor();
await shoot('labels');
await page.goto(`${app.url}/p/${granary}/brief`);
await page.getByRole('button', { name: 'Loft study, Display: Not discussed' }).click();
await shoot('brief');
await page.goto(`${app.url}/p/${granary}/devices?view=library`);
await page.getByRole('button', { name: /^Wall speaker$/ }).click();
await shoot('library');
await page.goto(`${app.url}/p/${granary}/devices?view=plates`);
await page.locator('.plates__plate-tile').nth(2).click();
await shoot('plates');
const house = ((await (await page.request.get(`${app.url}/api/projects/${granary}`)).json()) as DocumentReply).document;
const display = Object.values(house.devices).find(({ name }) => name === 'over the fireplace')!;
await page.goto(`${app.url}/p/${granary}/devices?level=${display.levelId}&sel=device:${display.id}`);
await page.getByLabel('Mount', { exact: true }).click();
await page.getByText('Full-motion mount').click();
await page.getByRole('button', { name: 'See it on its wall' }).click();
await page.getByRole('button', { name: /^Keypad$/ }).click();
const face = (await page.locator('.walls__elevation-wall').boundingBox())!;
await page.mouse.move(face.x + face.width * 0.2, face.y + face.height * 0.6);
await shoot('wall');
await page.keyboard.press('Escape');

await page.goto(`${app.url}/projects`);
await page.getByRole('link', { name: 'Open Merrowfen Landing' }).click();
await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
const quay = new URL(page.url()).pathname.split('/')[2];
await page.goto(`${app.url}/p/${quay}/inspect?view=findings`);
await page.locator('.finding').first().waitFor();
await page
  .getByRole('button', { name: /^Accept, assign/ })
  .first()
  .click();
await shoot('checks');

await page.goto(`${app.url}/projects`);
await page.getByRole('link', { name: 'Open Ropewalk Flat' }).click();
await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
const flat = new URL(page.url()).pathname.split('/')[2];
await page.goto(`${app.url}/p/${flat}/survey`);
await page.locator('.survey__survey-foot').waitFor();
const living = await planPoint(page, 1.2, 7.4);
await page.mouse.click(living.x, living.y);
await shoot('survey');
await page.goto(`${app.url}/p/${granary}/head-end`);
await page.getByRole('button', { name: 'Design this head end' }).waitFor();
await shoot('head-end');
await page.goto(`${app.url}/p/${granary}/order`);
await page.getByText(/spools to buy/).waitFor();
await shoot('order');
await page.goto(`${app.url}/p/${granary}/devices?view=theatre`);
await page.getByText(/^Heard from seat/).waitFor();
await page.getByRole('tab', { name: 'Subwoofers' }).click();
await page.getByText(/^As placed, the seats differ/).waitFor();
await shoot('theatre');
await page.goto(`${app.url}/people`);
await page.getByRole('button', { name: 'Invite' }).click();
await page.getByLabel('Email').fill('crew@tidewrack.example');
await page.getByRole('radio', { name: /^Crew/ }).check();
await page.getByRole('button', { name: 'Send invitation' }).click();
await page.getByRole('rowheader', { name: 'crew@tidewrack.example' }).waitFor();
await page.locator('.ant-modal').waitFor({ state: 'detached' });
await shoot('people');

await page.setViewportSize(PHONE);
await page.goto(`${app.url}/p/${flat}/survey?view=walk`);
await page.locator('.walk-card').waitFor();
await shoot('survey-walk-phone');
await page.goto(`${app.url}/p/${quay}/pre-wire?view=pull`);
await page.getByRole('button', { name: 'Pulled', exact: true }).first().waitFor();
await shoot('pre-wire-phone');
await page.goto(`${app.url}/scan`);
await page.getByLabel('Run number or code').fill('M-GR-01.1');
await page.getByRole('button', { name: 'Look up' }).click();
await page.getByText('Found in').waitFor();
await shoot('scan-phone');
await page.setViewportSize(DESK);
await app.close();
process.exit(0);

async function openGranaryAgain(): Promise<string> {
  await page.goto('about:blank');
  await page.context().clearCookies();
  return openGranary(app, page);
}

/** A run chosen by its link, as from a message. */
async function openRun(projectId: string, levelId: string, number: string): Promise<void> {
  const { document: project } = (await (await page.request.get(`${app.url}/api/projects/${projectId}`)).json()) as DocumentReply;
  const run = Object.values(project.runs).find((one) => one.number === number)!;
  await page.goto(`${app.url}/p/${projectId}/cabling?level=${levelId}&sel=run:${run.id}`);
  await page.locator('.run.chosen').first().waitFor({ state: 'attached' });
}
