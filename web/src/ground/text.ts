import { type TextKey, words } from '@dusky-spool/texts';

/** A text of the screens, by its key below `ui`; a key that does not exist is an error of the compiler. */
export const text = (key: TextKey<'ui'>, figures: Record<string, unknown> = {}): string => words.t(`ui.${key}`, figures);

/** A term of the trade, by its key below `terms`. */
export const term = (key: TextKey<'terms'>): string => words.t(`terms.${key}`);

/** A text whose last part is data, such as the limit of a rule or the kind of a line: `part` is the key before it. */
export const textNamed = (part: string, name: string): string => words.t(`ui.${part}.${name}`);
export const termNamed = (part: string, name: string): string => words.t(`terms.${part}.${name}`);
