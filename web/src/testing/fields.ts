import { fireEvent } from '@testing-library/react';
import type { renderPage } from './render.tsx';

type Page = Pick<ReturnType<typeof renderPage>, 'user' | 'getByLabelText' | 'getByRole' | 'findByRole' | 'queryByLabelText'>;

const inputOf = (page: Page, label: string | RegExp) =>
  page.getByLabelText(label, { selector: 'input, textarea' }) as HTMLInputElement;

/** What a field shows. */
export const valueIn = (page: Page, label: string | RegExp): string => inputOf(page, label).value;

/** Types into a field and leaves it. */
export async function enter(page: Page, label: string | RegExp, value: string): Promise<void> {
  const input = inputOf(page, label);
  await page.user.clear(input);
  if (value !== '') await page.user.type(input, value);
  await page.user.tab();
}

/** Chooses from a list by what the choice says. */
export async function choose(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  const input = inputOf(page, label);
  fireEvent.mouseDown(input.closest('.ant-select') ?? input);
  const all = [...document.querySelectorAll('.ant-select-item-option')];
  const found = all.find(({ textContent }) =>
    typeof option === 'string' ? textContent?.trim() === option : option.test(textContent ?? ''),
  );
  if (!found) throw new Error(`no choice ${String(option)} among: ${all.map(({ textContent }) => textContent).join(' | ')}`);
  await page.user.click(found);
}

export const press = async (page: Page, name: string | RegExp): Promise<void> =>
  page.user.click(await page.findByRole('button', { name }));
export const flip = async (page: Page, label: string | RegExp): Promise<void> =>
  page.user.click(page.getByRole('switch', { name: label }));
