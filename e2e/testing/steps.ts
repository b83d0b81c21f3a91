import type { Page } from 'playwright-core';
import type { App } from './app.ts';

/** Signs in to the demo firm and opens the Saltmarsh Granary at the Devices stage. */
export async function openGranary(app: App, page: Page, house = 'Saltmarsh Granary'): Promise<string> {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Open the demo firm' }).click();
  await page.getByRole('link', { name: `Open ${house}` }).click();
  await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor();
  await page.waitForTimeout(150);
  return projectIdOf(page);
}

export const projectIdOf = (page: Page): string => new URL(page.url()).pathname.split('/')[2];

/** Waits until everything is acknowledged. */
export const saved = (page: Page) => page.getByText(/^Saved · rev \d+$/).waitFor();

/** The screen position of a plan position in metres, read off two devices whose places are known. */
export async function planPoint(
  page: Page,
  x: number,
  y: number,
  picture = '.canvas__plan-canvas .canvas__world',
): Promise<{ x: number; y: number }> {
  return page.evaluate(
    ([px, py, selector]) => {
      const world = document.querySelector<SVGGElement>(selector)!;
      const matrix = world.getScreenCTM()!;
      const at = new DOMPoint(px, py).matrixTransform(matrix);
      return { x: at.x, y: at.y };
    },
    [x, y, picture] as const,
  );
}
