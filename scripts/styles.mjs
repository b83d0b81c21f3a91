// Holds the style sheets to their components: every class that a component takes from its module is there, every class of a
// module is used, and so is every global one. Sizes of spaces come from the tokens.
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { camelCase, classesIn, localClassesIn } from './class-names.mjs';

const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../web/src');
const files = readdirSync(ROOT, { recursive: true }).map((path) => join(ROOT, path));

const text = Object.fromEntries(
  files.filter((file) => /\.(tsx?|css)$/.test(file)).map((file) => [file, readFileSync(file, 'utf8')]),
);
const code = files.filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file));
const problems = [];

for (const sheet of files.filter((file) => file.endsWith('.module.css'))) {
  const names = new Set([...localClassesIn(text[sheet])].map(camelCase));
  const users = code.filter((file) =>
    [...text[file].matchAll(/^import css from '([^']+)';/gm)].some(([, path]) => resolve(dirname(file), path) === sheet),
  );
  const used = new Set(users.flatMap((file) => [...text[file].matchAll(/\bcss\.(\w+)/g)].map(([, name]) => name)));
  for (const name of used) if (!names.has(name)) problems.push(`${relative(ROOT, sheet)} has no class ${name}`);
  for (const name of names) if (!used.has(name)) problems.push(`${relative(ROOT, sheet)}: no component uses ${name}`);
}

/** A selector in the code names a class of a module by its name in the page, `${css.name}`: as text it would find nothing. */
const local = new Set(files.filter((file) => file.endsWith('.module.css')).flatMap((file) => [...localClassesIn(text[file])]));
for (const file of code)
  for (const [, found] of text[file].matchAll(/(?:querySelector(?:All)?|closest|matches)(?:<[^>]*>)?\(\s*['"`]([^'"`]*)/g))
    for (const [, name] of found.replace(/\$\{[^}]*\}/g, '').matchAll(/\.([a-z][\w-]*)/g))
      if (local.has(name)) problems.push(`${relative(ROOT, file)} looks for .${name}, which is a class of a module`);

/** Words in the code's strings: a global class may be put together there. */
const words = new Set(code.flatMap((file) => text[file].match(/[a-zA-Z][\w-]*/g) ?? []));
const shared = join(ROOT, 'styles/shared.css');
for (const name of classesIn(text[shared]))
  if (!/^ant-/.test(name) && !words.has(name) && ![...words].some((word) => word.endsWith('-') && name.startsWith(word)))
    problems.push(`styles/shared.css: no component uses ${name}`);

const SPACED = /^\s*(?:padding|margin|gap|row-gap|column-gap|(?:padding|margin)-[a-z-]+):[^;]*?(?<![\w.-])-?([2-9]|[1-4]\d)px/gm;
for (const file of files.filter((one) => one.endsWith('.css') && !one.endsWith('tokens.css')))
  for (const [line] of text[file].matchAll(SPACED))
    problems.push(`${relative(ROOT, file)}: ${line.trim()} is no space of the scale`);

problems.forEach((problem) => console.error(problem));
console.log(`${files.filter((file) => file.endsWith('.css')).length} style sheets, ${problems.length} problems`);
process.exit(problems.length > 0 ? 1 : 0);
