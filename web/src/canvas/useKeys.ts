import { useLayoutEffect, useRef } from 'react';

export interface KeyActions {
  readonly undo: () => void;
  readonly redo: () => void;
  /** Directions -1, 0 or 1; `far` with Shift. */
  readonly nudge?: (dx: number, dy: number, far: boolean) => void;
  readonly remove?: () => void;
  readonly escape?: () => void;
  /** 1 nearer, -1 farther, 0 all of it. */
  readonly zoom?: (direction: number) => void;
  readonly level?: (by: number) => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The keys of the plan, from the moment that it shows; typing in a field, a dialog or a list keeps its own keys. */
export function useKeys(actions: KeyActions): void {
  const latest = useRef(actions);
  useLayoutEffect(() => {
    latest.current = actions;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (
        event.defaultPrevented ||
        target.closest('input, textarea, select, [role=combobox], [role=listbox], [role=dialog], [role=menu], [role=slider]')
      )
        return;
      const act = actionFor(event, latest.current, target);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

function actionFor(event: KeyboardEvent, actions: KeyActions, target: HTMLElement): (() => void) | null {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === 'z') return event.shiftKey ? actions.redo : actions.undo;
    return key === 'y' ? actions.redo : null;
  }
  if (event.altKey) return null;
  const arrow = ARROWS[event.key];
  if (arrow && !target.closest('[role=grid]')) return () => actions.nudge?.(arrow[0], arrow[1], event.shiftKey);
  if (key === 'delete' || key === 'backspace') return actions.remove ?? null;
  if (key === 'escape') return actions.escape ?? null;
  if (key === '+' || key === '=') return () => actions.zoom?.(1);
  if (key === '-') return () => actions.zoom?.(-1);
  if (key === '0') return () => actions.zoom?.(0);
  if (key === 'pageup') return () => actions.level?.(1);
  if (key === 'pagedown') return () => actions.level?.(-1);
  return null;
}
