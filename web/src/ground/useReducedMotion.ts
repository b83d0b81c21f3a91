import { useSyncExternalStore } from 'react';

const wish = window.matchMedia('(prefers-reduced-motion: reduce)');

function subscribe(changed: () => void): () => void {
  wish.addEventListener('change', changed);
  return () => wish.removeEventListener('change', changed);
}

/** Whether the person has asked the system for less motion. */
export const useReducedMotion = (): boolean => useSyncExternalStore(subscribe, () => wish.matches);
