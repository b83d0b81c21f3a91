// npm run arrows: who may import whom. Mathematics -> project -> domain folders -> checks, documents; web and server
// import the core and never each other; only the server's stores touch Sequelize.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { ROOT } from './prepare.mjs';

/** Core folders from the ground up: each may import those of lower rank, and itself. */
const RANK = {
  outcome: 0,
  calculation: 1,
  units: 1,
  geometry: 1,
  regions: 2,
  project: 2,
  derive: 2.5,
  plans: 3,
  findings: 3,
  building: 3,
  formats: 3,
  wire: 3,
  power: 4,
  'data-links': 5,
  'picture-links': 4,
  rf: 4,
  security: 4,
  heights: 4,
  spools: 4,
  cost: 4,
  theatre: 4,
  coverage: 4,
  shades: 4,
  lighting: 4,
  'head-end': 4,
  routing: 4,
  boring: 3,
  separation: 3,
  runs: 5,
  devices: 6,
  conduits: 7,
  screed: 7,
  surface: 7,
  labels: 6,
  drilling: 9,
  library: 7,
  survey: 7,
  brief: 8,
  mounting: 8,
  plates: 9,
  calculators: 9,
  checks: 10,
  documents: 11,
  contract: 11,
  following: 12,
  testing: 13,
};
const MAY_USE_SEQUELIZE = [
  /^server\/database\//,
  /\/([a-z]+-)?store\.ts$/,
  // Notifications belong to a transaction.
  /^server\/events\/event-bus\.ts$/,
  /^server\/testing\//,
  /\.test\.ts$/,
  /^server\/app\/create-app\.ts$/,
  /^server\/resources\/session\/service\.ts$/,
];
const WORKSPACES = {
  core: ['core'],
  texts: ['core', 'texts'],
  web: ['core', 'texts', 'web'],
  server: ['core', 'texts', 'server'],
  cli: ['core', 'texts', 'cli'],
};

const problems = [];
const files = [];
const visit = (folder) => {
  for (const entry of readdirSync(folder)) {
    if (entry === 'node_modules' || entry === 'dist') continue;
    const full = join(folder, entry);
    if (statSync(full).isDirectory()) visit(full);
    else if (/\.tsx?$/.test(entry)) files.push(full);
  }
};
Object.keys(WORKSPACES).forEach((workspace) => visit(join(ROOT, workspace)));

for (const file of files) {
  const from = relative(ROOT, file);
  const isTest = /\.test\.tsx?$/.test(from) || from.includes('/testing/');
  for (const [, target] of readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)) {
    const to = target.startsWith('.')
      ? relative(ROOT, resolve(dirname(file), target))
      : target.replace(/^@dusky-spool\/(\w+)/, '$1');
    check(from, to, target, isTest);
  }
}

function check(from, to, target, isTest) {
  const [fromSpace, fromFolder] = from.split('/');
  const [toSpace, toFolder] = to.split('/');
  const internal = target.startsWith('.') || target.startsWith('@dusky-spool/');
  if (internal && !isTest && !(WORKSPACES[fromSpace] ?? []).includes(toSpace))
    problems.push(`${from} imports ${to}: ${fromSpace} may not use ${toSpace}`);
  if (internal && fromSpace === 'core' && toSpace === 'core' && !isTest && toFolder !== fromFolder) {
    if (!(fromFolder in RANK) || !(toFolder in RANK))
      problems.push(`${from}: a folder of the core has no rank in scripts/arrows.mjs`);
    else if (RANK[toFolder] > RANK[fromFolder]) problems.push(`${from} imports ${to}: ${fromFolder} lies below ${toFolder}`);
    if (target.startsWith('.') && !to.endsWith('/index.ts'))
      problems.push(`${from} imports ${to}: go through the folder's index.ts`);
  }
  if (fromSpace === 'core' && !isTest && (target.startsWith('node:') || /^(react|express|sequelize|d3-)/.test(target)))
    problems.push(`${from} imports ${target}: the core is pure`);
  if (/^(sequelize|umzug)$/.test(target) && !MAY_USE_SEQUELIZE.some((pattern) => pattern.test(from)))
    problems.push(`${from} imports ${target}: only stores touch the database`);
}

problems.forEach((problem) => console.error(problem));
console.log(`${files.length} files, ${problems.length} arrows the wrong way`);
process.exit(problems.length > 0 ? 1 : 0);
