import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { type ProjectDocument, readProjectFile } from '@dusky-spool/core/model';
import { DOCUMENTS } from './registry.ts';

/** Pictures of every sheet of the demo as it was looked at and found right; `npm run keep-sheets` makes them again. */
const KEPT = join(import.meta.dirname, '../../demo/kept-sheets');
const DEMO = join(import.meta.dirname, '../../demo/saltmarsh-granary.spool.json');
const DAY = '2026-12-01';
const DPI = 30;
const ACROSS = 4;
/** Pixels apart by more than so much are another drawing there, of 255. */
const OTHER_GREY = 60;
/** So much of a page may be another drawing: rasterizers of other versions place an edge half a pixel off. */
export const TOLERATED_SHARE = 0.01;

/** Every sheet of the demo by a name, as PDF. */
export async function demoSheets(): Promise<ReadonlyMap<string, Buffer>> {
  const read = readProjectFile(readFileSync(DEMO, 'utf8'));
  if (!read.ok) throw new Error(read.problem.code);
  const { project } = read.value;
  const source = { project, revision: 1, today: DAY, progress: () => undefined };
  const refuse = (problem: { readonly code: string }): never => {
    throw new Error(problem.code);
  };
  const sheets = new Map<string, Buffer>();
  const add = async (name: string, made: ReturnType<(typeof DOCUMENTS)['labels.pdf']>) => sheets.set(name, (await made).bytes);
  for (const { id, code } of levelsFromBelow(project))
    await add(`plan-${code}`, DOCUMENTS['plan.pdf'](source, { level: id, paper: 'A3' }, refuse));
  const lists = [
    'bundle-tags',
    'cabling-sheet',
    'checks',
    'site-sheet',
    'trades-sheet',
    'plate-schedule',
    'hole-list',
    'head-end',
  ] as const;
  for (const name of lists) await add(name, DOCUMENTS[`${name}.pdf`](source, { paper: 'A4' }, refuse));
  for (const size of ['small', 'medium', 'large'] as const)
    await add(`labels-${size}`, DOCUMENTS['labels.pdf'](source, { size, paper: 'A4' }, refuse));
  const device = firstCutOut(project);
  if (device) await add('cut-out', DOCUMENTS['cut-out'](source, { deviceId: device }, refuse));
  return sheets;
}

/** The first device that has a cut-out. */
const firstCutOut = (project: ProjectDocument): string | undefined =>
  Object.values(project.devices).find(({ typeId }) => project.deviceTypes[typeId].cutOut !== null)?.id;

/** All pages of a PDF, small and grey, one picture each. */
async function pagesOf(pdf: Buffer): Promise<Buffer[]> {
  const folder = mkdtempSync(join(tmpdir(), 'dusky-spool-sheets-'));
  try {
    const path = join(folder, 'sheet.pdf');
    writeFileSync(path, pdf);
    const { status, stderr } = spawnSync('pdftoppm', ['-png', '-gray', '-r', String(DPI), path, join(folder, 'page')]);
    if (status !== 0) throw new Error(stderr.toString());
    const pages = /Pages:\s+(\d+)/.exec(spawnSync('pdfinfo', [path]).stdout.toString())![1];
    const width = pages.length;
    return Array.from({ length: Number(pages) }, (_, n) =>
      readFileSync(join(folder, `page-${String(n + 1).padStart(width, '0')}.png`)),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** All pages of a PDF beside each other. */
export async function contactSheet(pdf: Buffer): Promise<Buffer> {
  const pages = await pagesOf(pdf);
  const sizes = await Promise.all(pages.map(async (page) => (await sharp(page).metadata()) as { width: number; height: number }));
  const [width, height] = [Math.max(...sizes.map((one) => one.width)), Math.max(...sizes.map((one) => one.height))];
  const across = Math.min(ACROSS, pages.length);
  return sharp({
    create: {
      width: across * width,
      height: Math.ceil(pages.length / ACROSS) * height,
      channels: 3,
      background: '#888',
    },
  })
    .composite(pages.map((input, n) => ({ input, left: (n % ACROSS) * width, top: Math.floor(n / ACROSS) * height })))
    .greyscale()
    .png({ palette: true, colours: 16, compressionLevel: 9 })
    .toBuffer();
}

export const keptPath = (name: string): string => join(KEPT, `${name}.png`);

/** The share of a picture that is another drawing than the kept one; 1 where their sizes differ. */
export async function shareApart(picture: Buffer, kept: Buffer): Promise<number> {
  const [one, other] = await Promise.all(
    [picture, kept].map((bytes) => sharp(bytes).greyscale().blur(0.7).raw().toBuffer({ resolveWithObject: true })),
  );
  if (one.info.width !== other.info.width || one.info.height !== other.info.height) return 1;
  let apart = 0;
  for (let n = 0; n < one.data.length; n++) if (Math.abs(one.data[n] - other.data[n]) > OTHER_GREY) apart++;
  return apart / one.data.length;
}
