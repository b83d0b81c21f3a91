import { execFile } from 'node:child_process';
import { refusal } from '../../http/problems.ts';

/** Most pages of a PDF plan set, and how long one may take to read, ms. */
const MAX_PAGES = 200;
const PAGE_MS = 30_000;
const MAX_OUTPUT_BYTES = 60 * 1024 * 1024;
const THUMBNAIL_PX = 260;

export interface PdfPage {
  readonly number: number;
  readonly widthPt: number;
  readonly heightPt: number;
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
        maxBuffer: MAX_OUTPUT_BYTES,
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

/** The pages of a PDF file. Problems: `pdf-damaged`, `pdf-too-many`, `pdf-tools-missing`, `pdf-slow`. */
export async function pagesOf(path: string, bytes: Buffer): Promise<readonly PdfPage[]> {
  const field = 'picture';
  if (!bytes.subarray(0, 1024).includes('%PDF-')) throw refusal('pdf-damaged', { kind: 'invalid', field });
  const info = (await run('pdfinfo', [path], field)).toString('utf8');
  const pages = Number(/^Pages:\s+(\d+)/m.exec(info)?.[1] ?? 0);
  if (pages < 1) throw refusal('pdf-damaged', { kind: 'invalid', field });
  if (pages > MAX_PAGES) throw refusal('pdf-too-many', { kind: 'out_of_domain', field, pages, mostPages: MAX_PAGES });
  const [, w, h] = /^Page size:\s+([\d.]+) x ([\d.]+)/m.exec(info) ?? ['', '595', '842'];
  return Array.from({ length: pages }, (_, n) => ({ number: n + 1, widthPt: Number(w), heightPt: Number(h) }));
}

const pageArgs = (page: number) => {
  if (!Number.isInteger(page) || page < 1 || page > MAX_PAGES) throw refusal('pdf-page-missing', { field: 'page' });
  return ['-f', String(page), '-l', String(page)];
};

export const pageThumbnail = (path: string, page: number): Promise<Buffer> =>
  run('pdftoppm', ['-png', '-singlefile', '-scale-to', String(THUMBNAIL_PX), ...pageArgs(page), path], 'page');

export const pageAsSvg = (path: string, page: number): Promise<Buffer> =>
  run('pdftocairo', ['-svg', ...pageArgs(page), path, '-'], 'page');
