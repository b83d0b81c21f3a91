import { useLayoutEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { belongsElsewhere, HOTKEYS } from '../../canvas/useKeys.ts';

export type SurveyCommand = 'copy' | 'paste' | 'duplicate' | 'all' | 'help';

export interface SurveyKeys {
  /** A letter of the tool bar. */
  readonly tool: (letter: string) => void;
  /** Text for the next length while something is drawn; Enter, Backspace. Whether the key was taken. */
  readonly typing: (key: string) => boolean;
  readonly command: (name: SurveyCommand) => void;
}

/** Keys of the survey that the plan does not have. What is typed for a length comes before all others. */
export function useSurveyKeys({ tool, typing, command }: SurveyKeys): void {
  useTyping(typing);
  useHotkeys('v,w,o,t,m,p', (event) => tool(event.key.toLowerCase()), HOTKEYS);
  useHotkeys('mod_c', () => command('copy'), HOTKEYS);
  useHotkeys('mod_v', () => command('paste'), HOTKEYS);
  useHotkeys('mod_d', () => command('duplicate'), HOTKEYS);
  useHotkeys('mod_a', () => command('all'), HOTKEYS);
  useHotkeys('?,shift_?', () => command('help'), HOTKEYS);
}

/** Hears keys before anything else does, and keeps those that are text for the tool. */
function useTyping(typing: SurveyKeys['typing']): void {
  const latest = useRef(typing);
  useLayoutEffect(() => {
    latest.current = typing;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || belongsElsewhere(event)) return;
      if (!latest.current(event.key)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
}
