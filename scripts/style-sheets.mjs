// Module hook for tests: a style sheet gives its class names as the build does (web/vite.config.ts); a global one gives nothing.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import { camelCase, localClassesIn } from './class-names.mjs';

function classNames(file) {
  const names = [...localClassesIn(readFileSync(file, 'utf8'))];
  return Object.fromEntries(names.map((name) => [camelCase(name), `${basename(file, '.module.css')}__${name}`]));
}

export const load = (url, context, next) => {
  const [address] = url.split('?');
  if (!address.endsWith('.css')) return next(url, context);
  const names = address.endsWith('.module.css') ? classNames(fileURLToPath(address)) : {};
  return { format: 'module', source: `export default ${JSON.stringify(names)};`, shortCircuit: true };
};
