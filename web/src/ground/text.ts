import { words } from '@dusky-spool/texts';

/** A text of the screens, by its key below `ui`. */
export const text = (key: string, figures: Record<string, unknown> = {}): string => words.t(`ui.${key}`, figures);

/** A term of the trade, by its key below `terms`. */
export const term = (key: string): string => words.t(`terms.${key}`);
