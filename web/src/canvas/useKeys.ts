import { useHotkeys } from 'react-hotkeys-hook';

export interface KeyActions {
  readonly undo: () => void;
  readonly redo: () => void;
  /** Directions -1, 0 or 1; `far` with Shift. */
  readonly nudge?: (dx: number, dy: number, far: boolean) => void;
  readonly remove?: () => void;
  readonly escape?: () => void;
  /** Enter: to the fields of what is selected, or a click at the cursor. */
  readonly enter?: () => void;
  /** Space: a click at the cursor. */
  readonly press?: () => void;
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

const FIELDS = 'input, textarea, select, [role=combobox], [role=listbox], [role=dialog], [role=menu], [role=slider]';
/** Whether a key belongs to what has the focus: a field, a dialog, a list. */
export const belongsElsewhere = (event: KeyboardEvent): boolean => event.defaultPrevented || isInside(event, FIELDS);
const isInGrid = (event: KeyboardEvent): boolean => isInside(event, '[role=grid]');
const isInside = ({ target }: KeyboardEvent, selector: string): boolean =>
  target instanceof Element && target.closest(selector) !== null;

/** Keys are those that are typed, on any keyboard; `_` joins a key to its modifiers, so that + can be a key. */
export const HOTKEYS = {
  useKey: true,
  splitKey: '_',
  preventDefault: true,
  // What has keys of its own is told by `belongsElsewhere`: the library would leave out radio buttons, such as those of the levels.
  enableOnFormTags: true,
  ignoreEventWhen: belongsElsewhere,
} as const;

/** The keys of the plan; typing in a field, a dialog or a list keeps its own keys. */
export function useKeys({ undo, redo, nudge, remove, escape, enter, press, zoom, level }: KeyActions): void {
  useHotkeys('mod_z', undo, HOTKEYS);
  useHotkeys('mod_shift_z,mod_y', redo, HOTKEYS);
  useHotkeys(
    'arrowleft,arrowright,arrowup,arrowdown,shift_arrowleft,shift_arrowright,shift_arrowup,shift_arrowdown',
    (event) => nudge?.(...ARROWS[event.key], event.shiftKey),
    { ...HOTKEYS, ignoreEventWhen: (event) => belongsElsewhere(event) || isInGrid(event) },
  );
  useHotkeys('delete,backspace', () => remove?.(), { ...HOTKEYS, enabled: remove !== undefined });
  useHotkeys('escape', () => escape?.(), { ...HOTKEYS, enabled: escape !== undefined });
  useHotkeys('enter', () => enter?.(), {
    ...HOTKEYS,
    enabled: enter !== undefined,
    // A button that has the focus is pressed by Enter.
    ignoreEventWhen: (event) => belongsElsewhere(event) || isInGrid(event) || isInside(event, 'button, a, summary'),
  });
  useHotkeys('space', () => press?.(), {
    ...HOTKEYS,
    enabled: press !== undefined,
    ignoreEventWhen: (event) =>
      belongsElsewhere(event) || isInGrid(event) || isInside(event, 'button, a, summary, [role=button]'),
  });
  useHotkeys('+,shift_+,=', () => zoom?.(1), HOTKEYS);
  useHotkeys('-', () => zoom?.(-1), HOTKEYS);
  useHotkeys('0', () => zoom?.(0), HOTKEYS);
  useHotkeys('pageup', () => level?.(1), HOTKEYS);
  useHotkeys('pagedown', () => level?.(-1), HOTKEYS);
}
