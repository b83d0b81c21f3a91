import { useLayoutEffect, useRef } from 'react';

export interface SurveyKeys {
  /** A letter of the tool bar. */
  readonly tool: (letter: string) => boolean;
  /** Text for the next length while walls are drawn; Enter, Backspace. */
  readonly typing: (key: string) => boolean;
  readonly command: (name: 'copy' | 'paste' | 'duplicate' | 'all' | 'help' | 'palette') => void;
}

/** Keys of the survey that the plan does not have. They run first and keep what they take. */
export function useSurveyKeys(keys: SurveyKeys): void {
  const latest = useRef(keys);
  useLayoutEffect(() => {
    latest.current = keys;
  });
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const finder = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k';
      if (!finder && target.closest('input, textarea, select, [role=combobox], [role=dialog], [role=menu]')) return;
      if (take(event, latest.current)) {
        event.preventDefault();
        event.stopImmediatePropagation();
      }
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
}

const COMMANDS: Readonly<Record<string, Parameters<SurveyKeys['command']>[0]>> = {
  c: 'copy',
  v: 'paste',
  d: 'duplicate',
  a: 'all',
  k: 'palette',
};

function take(event: KeyboardEvent, keys: SurveyKeys): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    const command = COMMANDS[key];
    if (!command || event.shiftKey) return false;
    keys.command(command);
    return true;
  }
  if (event.altKey) return false;
  if (event.key === '?') {
    keys.command('help');
    return true;
  }
  if (keys.typing(event.key)) return true;
  return event.key.length === 1 && keys.tool(key);
}
