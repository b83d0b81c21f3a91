// npm run measure: lines of code and of tests (lines that are not blank), and the share of tests.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './prepare.mjs';

const FOLDERS = ['core', 'design', 'texts', 'server', 'web', 'cli', 'demo', 'e2e', 'scripts'];
const isTest = (path) =>
  /\.(test|spec|soak)\.tsx?$/.test(path) || path.startsWith('e2e/') || path.includes('/testing/') || path.includes('/faults/');
const counts = {};

function visit(path) {
  for (const entry of readdirSync(path)) {
    if (entry === 'node_modules' || entry === 'dist') continue;
    const full = join(path, entry);
    if (statSync(full).isDirectory()) visit(full);
    else if (/\.(tsx?|mjs|css)$/.test(entry)) {
      const name = relative(ROOT, full);
      const folder = name.split('/')[0];
      const lines = readFileSync(full, 'utf8')
        .split('\n')
        .filter((line) => line.trim() !== '').length;
      counts[folder] ??= { files: 0, code: 0, tests: 0 };
      counts[folder].files++;
      counts[folder][isTest(name) ? 'tests' : 'code'] += lines;
    }
  }
}
FOLDERS.forEach((folder) => visit(join(ROOT, folder)));
console.table(counts);
const sum = (key) => Object.values(counts).reduce((total, count) => total + count[key], 0);
const [code, tests] = [sum('code'), sum('tests')];
console.log(`${code} lines of code, ${tests} of tests: tests are ${((100 * tests) / (code + tests)).toFixed(1)} % of all.`);
