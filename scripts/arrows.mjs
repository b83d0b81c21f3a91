// npm run arrows: who may import whom, read through the TypeScript API. Core shelves from the ground up; web and server import the core
// and never each other; folders go through doors and never in circles; only stores touch the database.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';
import { ROOT } from './prepare.mjs';

/** Shelves of the core from the ground up: each may import those before it, and itself. */
const CORE = [
  'math',
  'model',
  'derive',
  'calculators',
  'house',
  'routing',
  'runs',
  'devices',
  'pathways',
  'survey',
  'brief',
  'theatre',
  'head-end',
  'rules',
  'order',
  'field',
  'sheets',
  'deltas',
  'testing',
];
/** Folders of the page and of the server, from the ground up, as the shelves of the core. `app` is the roof. */
const WEB = ['ground', 'styles', 'workers', 'state', 'commands', 'ui', 'canvas', 'screens', 'app', 'testing'];
const SERVER = [
  'database',
  'http',
  'audit',
  'bridge',
  'documents',
  'events',
  'mail',
  'jobs',
  'services',
  'resources',
  'tasks',
  'live',
  'demo',
  'app',
  'testing',
  'attacks',
  'faults',
];
const WORKSPACES = {
  core: ['core'],
  design: ['design'],
  texts: ['core', 'texts'],
  web: ['core', 'design', 'texts', 'web'],
  server: ['core', 'design', 'texts', 'server'],
  cli: ['core', 'texts', 'cli'],
};
/** Models and queries belong to stores; elsewhere only where a database is opened, notified or tested. */
const MAY_USE_SEQUELIZE = [
  /^server\/database\//,
  /\/([a-z]+-)?store\.ts$/,
  // Notifications belong to a transaction.
  /^server\/events\/event-bus\.ts$/,
  /^server\/testing\//,
  /\.test\.ts$/,
  /^server\/app\/create-app\.ts$/,
];

/** Where a file uses a model of the database. */
const MODEL_USE = /\.models\b|\{[^}]*\bmodels\b[^}]*\}: Database/;

const problems = [];
const files = [];
const visit = (folder) => {
  for (const entry of readdirSync(folder)) {
    if (entry === 'node_modules' || entry === 'dist') continue;
    const full = join(folder, entry);
    if (statSync(full).isDirectory()) visit(full);
    else if (/\.tsx?$/.test(entry)) files.push(relative(ROOT, full));
  }
};
Object.keys(WORKSPACES).forEach((workspace) => visit(join(ROOT, workspace)));

/** Where a specifier leads: a path of the project, or the name of a package. */
function targetOf(from, specifier) {
  if (specifier.startsWith('.')) return relative(ROOT, resolve(ROOT, dirname(from), specifier));
  const [, workspace, rest] = /^@dusky-spool\/(\w+)\/?(.*)$/.exec(specifier) ?? [];
  return workspace ? join(workspace, rest, 'index.ts') : specifier;
}

/** Arrows between folders: from, to, and one file that draws it. */
const folders = new Map();
for (const from of files) {
  const isTest = /\.test\.tsx?$/.test(from) || /(^|\/)testing\//.test(from);
  const text = readFileSync(join(ROOT, from), 'utf8');
  checkModels(from, text);
  // Imports, re-exports and `import()`, as TypeScript reads them.
  for (const { fileName: specifier } of ts.preProcessFile(text).importedFiles) {
    const to = targetOf(from, specifier);
    check(from, to, specifier, isTest);
    if (!isTest && dirname(to) !== dirname(from)) draw(from, to);
  }
  const declared = ts.createSourceFile(from, text, ts.ScriptTarget.Latest).statements.filter(ts.isImportDeclaration);
  const specifiers = declared.map(({ moduleSpecifier }) => moduleSpecifier.text);
  for (const specifier of new Set(specifiers.filter((one, k) => specifiers.indexOf(one) !== k)))
    problems.push(`${from} imports ${specifier} twice`);
}

function draw(from, to) {
  const [a, b] = [dirname(from), dirname(to)];
  if (!Object.keys(WORKSPACES).some((workspace) => b.startsWith(`${workspace}/`))) return;
  if (!folders.has(a)) folders.set(a, new Map());
  if (!folders.get(a).has(b)) folders.get(a).set(b, from);
}

function check(from, to, specifier, isTest) {
  const [fromSpace, fromShelf] = from.split('/');
  const [toSpace, toShelf] = to.split('/');
  const isInternal = specifier.startsWith('.') || specifier.startsWith('@dusky-spool/');
  if (isInternal && !isTest && !(WORKSPACES[fromSpace] ?? []).includes(toSpace))
    problems.push(`${from} imports ${to}: ${fromSpace} may not use ${toSpace}`);
  if (isInternal && toSpace === 'core' && !isTest) checkCore(from, to, fromSpace === 'core' ? fromShelf : null, toShelf);
  if (fromSpace === toSpace && !isTest && specifier.startsWith('.')) {
    if (fromSpace === 'web') checkRank(from, to, WEB, from.split('/')[2], to.split('/')[2]);
    if (fromSpace === 'server') checkRank(from, to, SERVER, fromShelf, toShelf);
  }
  if (fromSpace === 'core' && !isTest && (specifier.startsWith('node:') || /^(react|express|sequelize|d3-)/.test(specifier)))
    problems.push(`${from} imports ${specifier}: the core is pure`);
  if (/^(sequelize|umzug)$/.test(specifier) && !MAY_USE_SEQUELIZE.some((pattern) => pattern.test(from)))
    problems.push(`${from} imports ${specifier}: only stores touch the database`);
}

function checkModels(from, text) {
  if (from.startsWith('server/') && MODEL_USE.test(text) && !MAY_USE_SEQUELIZE.some((pattern) => pattern.test(from)))
    problems.push(`${from} uses a database model: only stores do`);
}

function checkRank(from, to, order, fromFolder, toFolder) {
  // Files beside the folders (the entries of the page) stand above them all.
  if (/\.\w+$/.test(fromFolder) || /\.\w+$/.test(toFolder)) return;
  for (const folder of [fromFolder, toFolder])
    if (!order.includes(folder)) problems.push(`${from}: the folder ${folder} has no place in scripts/arrows.mjs`);
  if (order.indexOf(toFolder) > order.indexOf(fromFolder))
    problems.push(`${from} imports ${to}: ${fromFolder} lies below ${toFolder}`);
}

function checkCore(from, to, fromShelf, toShelf) {
  if (!CORE.includes(toShelf) || (fromShelf !== null && !CORE.includes(fromShelf)))
    return problems.push(`${from} imports ${to}: a shelf of the core has no place in scripts/arrows.mjs`);
  if (fromShelf !== toShelf && to !== `core/${toShelf}/index.ts`)
    problems.push(`${from} imports ${to}: go through the door of the shelf, core/${toShelf}`);
  if (fromShelf === null) return;
  if (CORE.indexOf(toShelf) > CORE.indexOf(fromShelf)) problems.push(`${from} imports ${to}: ${fromShelf} lies below ${toShelf}`);
  // Within a shelf: a folder's door, or a file of the shelf itself.
  if (fromShelf === toShelf && dirname(from) !== dirname(to) && dirname(to) !== `core/${toShelf}` && !to.endsWith('/index.ts'))
    problems.push(`${from} imports ${to}: go through the folder's index.ts`);
}

/** Circles of folders, by Tarjan's strongly connected components. The door of a shelf only gathers, so it draws no arrow. */
function circles() {
  const [index, low, stack, found] = [new Map(), new Map(), [], []];
  const isGathering = (from, to) => from.split('/').length < to.split('/').length && to.startsWith(`${from}/`);
  const go = (folder) => {
    index.set(folder, index.size);
    low.set(folder, index.get(folder));
    stack.push(folder);
    for (const [next, file] of folders.get(folder) ?? []) {
      if (isGathering(folder, next) && file.endsWith('/index.ts')) continue;
      if (!index.has(next)) go(next);
      if (stack.includes(next)) low.set(folder, Math.min(low.get(folder), low.get(next)));
    }
    if (low.get(folder) !== index.get(folder)) return;
    const circle = stack.splice(stack.indexOf(folder));
    if (circle.length > 1) found.push(circle);
  };
  for (const folder of folders.keys()) if (!index.has(folder)) go(folder);
  return found;
}

const found = circles();
for (const circle of found) {
  const arrows = circle.flatMap((a) =>
    [...(folders.get(a) ?? [])].flatMap(([b, file]) => (circle.includes(b) ? [`  ${file} -> ${b}`] : [])),
  );
  problems.push(`a circle of folders: ${circle.join(', ')}\n${arrows.join('\n')}`);
}
problems.forEach((problem) => console.error(problem));
console.log(`${files.length} files, ${found.length} circles of folders, ${problems.length} arrows the wrong way`);
process.exit(problems.length > 0 ? 1 : 0);
