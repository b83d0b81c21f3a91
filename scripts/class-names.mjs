// How classes of style sheets are called: in the sheet `.palette-item`, in the code `css.paletteItem`. The check of style sheets and the
// component tests read them the same way.
const COMMENTS = /\/\*[\s\S]*?\*\//g;
const GLOBAL_CLASSES = /:global\([^)]*\)/g;
const CLASS = /\.(-?[a-zA-Z][\w-]*)(?=[^{};]*\{)/g;

export const camelCase = (name) => name.replace(/-+(\w)/g, (_, letter) => letter.toUpperCase());

/** Every class that a style sheet names. */
export const classesIn = (sheet) => new Set([...sheet.replace(COMMENTS, '').matchAll(CLASS)].map(([, name]) => name));

/** The classes that are a module's own. */
export const localClassesIn = (sheet) => classesIn(sheet.replace(GLOBAL_CLASSES, ''));
