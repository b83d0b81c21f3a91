import { useEffect, useRef } from 'react';

/**
 * Gives the focus back to what had it, at the moment that something over the screen is closed. The drawer itself does so only when it has
 * slid away, and then takes it from whatever a quick person has clicked meanwhile.
 */
export function useFocusBack(open: boolean): void {
  const before = useRef<Element | null>(null);
  useEffect(() => {
    if (!open) return;
    before.current = document.activeElement;
    return () => {
      if (before.current instanceof HTMLElement) before.current.focus({ preventScroll: true });
    };
  }, [open]);
}
