import type { KeyboardEvent } from 'react';

const FIELDS = 'input:not([type=hidden]):not(:disabled), textarea:not(:disabled)';

/** Goes to the first field of what is selected, as soon as its panel is there. */
export function focusInspector(): void {
  requestAnimationFrame(() => {
    const field = document.querySelector<HTMLInputElement>(`.inspector :is(${FIELDS})`);
    field?.focus();
    field?.select();
  });
}

/** Enter in a field of the panel writes it and goes back to the plan, where keys are the plan's. */
export function backToPlan(event: KeyboardEvent): void {
  if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement) || event.target.closest('[role=combobox]')) return;
  const field = event.target;
  // The field writes first; where it says what is wrong, the focus stays with it.
  requestAnimationFrame(() => {
    if (document.activeElement === field && field.getAttribute('aria-invalid') !== 'true')
      planElement()?.focus({ preventScroll: true });
  });
}

export const planElement = () => document.querySelector<HTMLElement>('[data-plan]');

/** Keys are the plan's: a tool was taken up. */
export const focusPlan = (): void => void requestAnimationFrame(() => planElement()?.focus({ preventScroll: true }));
