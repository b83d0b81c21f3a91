import { readFileSync } from 'node:fs';
import { readProjectFile, update } from '../../core/model/index.ts';
import { scheduleOf, type ScheduleRow } from '../../core/sheets/index.ts';
import { en } from '../../texts/index.ts';
import { DOCUMENTS } from '../../server/documents/registry.ts';
import { scheduleXlsx } from '../../server/documents/schedule-xlsx.ts';
import { TestClient } from '../../server/testing/test-client.ts';
import { figure, type Figure, percentile } from './figure.ts';
import { startLoadServer } from './load.ts';
import { whileDoing } from './while-doing.ts';

const FILE = new URL('../../demo/saltmarsh-granary.spool.json', import.meta.url);
const RUNS = 5000;
const SAVE_EVERY_MS = 50;
const SHEETS = [
  'site-sheet.pdf',
  'trades-sheet.pdf',
  'plate-schedule.pdf',
  'hole-list.pdf',
  'head-end.pdf',
  'cabling-sheet.pdf',
] as const;

function granary() {
  const read = readProjectFile(readFileSync(FILE, 'utf8'));
  if (!read.ok) throw new Error(read.problem.code);
  return read.value.project;
}

const timed = async <T>(work: () => Promise<T> | T): Promise<{ value: T; ms: number }> => {
  const start = performance.now();
  const value = await work();
  return { value, ms: performance.now() - start };
};

const of = (name: string, value: number, unit: string, limit: number | null = null) =>
  figure('documents', name, value, unit, limit);
const refuse = (problem: { readonly code: string }): never => {
  throw new Error(problem.code);
};

/** The drawing set and a workbook, made in this process; the same sheets one by one are the plain reference. */
async function madeHere(): Promise<Figure[]> {
  const source = () => ({ project: granary(), revision: 1, today: '2026-12-01', progress: () => undefined });
  const set = (preview: 'yes' | 'no') => DOCUMENTS['drawing-set.pdf'](source(), { pack: 'all', paper: 'A3', preview }, refuse);
  await set('no');
  const whole = await timed(() => set('no'));
  const preview = await timed(() => set('yes'));
  const pages = (whole.value.bytes.toString('latin1').match(/\/Type \/Page\b(?!s)/g) ?? []).length;
  const apart = await timed(async () => {
    for (const name of SHEETS) await DOCUMENTS[name](source(), { paper: 'A4' }, refuse);
    for (const level of Object.keys(granary().levels)) await DOCUMENTS['plan.pdf'](source(), { level, paper: 'A3' }, refuse);
  });
  const project = granary();
  const few = scheduleOf(project, en.terms, '2026-12-01');
  const rows = Array.from({ length: RUNS }, (_, n): ScheduleRow => few[n % few.length]);
  const workbook = await timed(() => scheduleXlsx(project, rows));
  return [
    of(`drawing set of the demo, ${pages} sheets`, whole.ms / 1000, 's', 12),
    of(`${SHEETS.length} lists and the plans, each by itself (reference)`, apart.ms / 1000, 's'),
    of('preview of the first sheets', preview.ms / 1000, 's', 1.5),
    of(`XLSX of ${RUNS} runs`, workbook.ms / 1000, 's', 2),
  ];
}

/** Saves while the server's queue makes the set. */
async function savesMeanwhile(): Promise<Figure[]> {
  const { child, url } = await startLoadServer();
  try {
    const owner = await new TestClient(url).makeFirstAccount();
    const file = readFileSync(FILE, 'utf8');
    const { id } = await owner.json<{ id: string }>('POST', '/projects/import', JSON.parse(file));
    let { document, revision } = await owner.json<{ document: ReturnType<typeof granary>; revision: number }>(
      'GET',
      `/projects/${id}`,
    );
    const [deviceId] = Object.keys(document.devices);
    let count = 0;
    const save = async () => {
      const device = document.devices[deviceId];
      const operation = update('devices', device, { name: `Saved ${++count}` })!;
      const change = { id: crypto.randomUUID(), baseRevision: revision, title: 'Name', operations: [operation] };
      const reply = await owner.json<{ revision: number }>('POST', `/projects/${id}/changes`, { changes: [change] });
      revision = reply.revision;
      document = { ...document, devices: { ...document.devices, [deviceId]: { ...device, name: `Saved ${count}` } } };
    };
    const set = () =>
      owner.send('GET', `/projects/${id}/documents/drawing-set.pdf?paper=A3`).then((reply) => reply.arrayBuffer());
    await set();
    const { answersMs } = await whileDoing(set(), save, SAVE_EVERY_MS);
    return [of('a save while the set is made, p95', percentile(answersMs, 0.95), 'ms', 50), of('  saves', answersMs.length, 'n')];
  } finally {
    child.kill();
  }
}

/** The drawing set, its preview and a large workbook; saves meanwhile. */
export const documentFigures = async (): Promise<Figure[]> => [...(await madeHere()), ...(await savesMeanwhile())];
