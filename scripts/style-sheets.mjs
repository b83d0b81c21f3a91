// Module hook for tests: a style sheet gives its class names as the build does (web/vite.config.ts); a global one gives nothing.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';

const GLOBAL_CLASSES = /:global\([^)]*\)/g;
const CLASS = /\.([a-zA-Z][\w-]*)/g;
const camelCase = (name) => name.replace(/-+(\w)/g, (_, letter) => letter.toUpperCase());

function classNames(file) {
  const sheet = readFileSync(file, 'utf8').replace(GLOBAL_CLASSES, '');
  const names = [...sheet.matchAll(CLASS)].map(([, name]) => name);
  return Object.fromEntries(names.map((name) => [camelCase(name), `${basename(file, '.module.css')}__${name}`]));
}

export const load = (url, context, next) => {
  const [address] = url.split('?');
  if (!address.endsWith('.css')) return next(url, context);
  const names = address.endsWith('.module.css') ? classNames(fileURLToPath(address)) : {};
  return { format: 'module', source: `export default ${JSON.stringify(names)};`, shortCircuit: true };
};
