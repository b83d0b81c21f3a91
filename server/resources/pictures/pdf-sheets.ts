import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdir, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { refusal } from '../../http/index.ts';
import { scratchFolder } from './scratch.ts';

/** Most pages of a PDF plan set, and how long one may take to read, ms. */
export const MOST_PAGES = 200;
const PAGE_MS = 30_000;
const MOST_OUTPUT_BYTES = 60 * 1024 * 1024;
const THUMBNAIL_PX = 260;

export interface PdfSheets {
  readonly id: string;
  readonly pages: readonly { readonly number: number; readonly widthPt: number; readonly heightPt: number }[];
}

/** The reader runs as a process of its own, without the server's environment, and is ended when it takes too long. */
function run(program: string, args: readonly string[], field: string): Promise<Buffer> {
  return new Promise((done, failed) => {
    execFile(
      program,
      [...args],
      {
        encoding: 'buffer',
        timeout: PAGE_MS,
        killSignal: 'SIGKILL',
        maxBuffer: MOST_OUTPUT_BYTES,
        env: { PATH: process.env.PATH ?? '' },
      },
      (error, stdout) => {
        if (!error) return done(stdout);
        const { code, killed } = error as NodeJS.ErrnoException & { killed?: boolean };
        if (code === 'ENOENT') failed(refusal('pdf-tools-missing', { field: 'server' }));
        else if (killed || code === 'ERR_CHILD_PROCESS_STDIO_MAXBUFFER') failed(refusal('pdf-slow', { field }));
        else failed(refusal('pdf-damaged', { kind: 'invalid', field }));
      },
    );
  });
}

const folderOf = (projectId: string) => join(scratchFolder('sheets'), projectId.replace(/[^0-9a-f-]/g, ''));

async function fileOf(projectId: string, sheetId: string): Promise<string> {
  if (!/^[0-9a-f]{64}$/.test(sheetId)) throw refusal('not-found', { field: 'sheet' });
  const file = join(folderOf(projectId), `${sheetId}.pdf`);
  await stat(file).catch(() => {
    throw refusal('not-found', { field: 'sheet' });
  });
  return file;
}

/**
 * Takes a PDF in for a while, so that pages can be chosen. Problems: `pdf-damaged`, `pdf-too-many`, `pdf-tools-missing`.
 */
export async function takePdf(projectId: string, bytes: Buffer): Promise<PdfSheets> {
  const field = 'picture';
  if (!bytes.subarray(0, 1024).includes('%PDF-')) throw refusal('pdf-damaged', { kind: 'invalid', field });
  const id = createHash('sha256').update(bytes).digest('hex');
  const folder = folderOf(projectId);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, `${id}.pdf`);
  await writeFile(file, bytes, { mode: 0o600 });
  const info = (await run('pdfinfo', [file], field)).toString('utf8');
  const pages = Number(/^Pages:\s+(\d+)/m.exec(info)?.[1] ?? 0);
  if (pages < 1) throw refusal('pdf-damaged', { kind: 'invalid', field });
  if (pages > MOST_PAGES) throw refusal('pdf-too-many', { kind: 'out_of_domain', field, pages, mostPages: MOST_PAGES });
  const [, w, h] = /^Page size:\s+([\d.]+) x ([\d.]+)/m.exec(info) ?? ['', '595', '842'];
  return {
    id,
    pages: Array.from({ length: pages }, (_, n) => ({ number: n + 1, widthPt: Number(w), heightPt: Number(h) })),
  };
}

const pageArgs = (page: number) => {
  if (!Number.isInteger(page) || page < 1 || page > MOST_PAGES) throw refusal('pdf-page-missing', { field: 'page' });
  return ['-f', String(page), '-l', String(page)];
};

export async function pageThumbnail(projectId: string, sheetId: string, page: number): Promise<Buffer> {
  const file = await fileOf(projectId, sheetId);
  return run('pdftoppm', ['-png', '-singlefile', '-scale-to', String(THUMBNAIL_PX), ...pageArgs(page), file], 'page');
}

/** One page as a vector picture: lines stay lines and are sharp at any zoom. */
export async function pageAsSvg(projectId: string, sheetId: string, page: number): Promise<Buffer> {
  const file = await fileOf(projectId, sheetId);
  return run('pdftocairo', ['-svg', ...pageArgs(page), file, '-'], 'page');
}
