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
      (error, stdout, stderr) => {
        if (!error) return done(stdout);
        const { code, killed } = error as NodeJS.ErrnoException & { killed?: boolean };
        if (code === 'ENOENT') failed(refusal('pdf-tools-missing', { field: 'server' }));
        else if (killed || code === 'ERR_CHILD_PROCESS_STDIO_MAXBUFFER') failed(refusal('pdf-slow', { field }));
        else
          failed(
            refusal(/password/i.test(stderr.toString('latin1')) ? 'pdf-protected' : 'pdf-damaged', { kind: 'invalid', field }),
          );
      },
    );
  });
}

/** The pages of a PDF file. Problems: `pdf-damaged`, `pdf-protected`, `pdf-too-many`, `pdf-tools-missing`, `pdf-slow`. */
export async function pagesOf(path: string, bytes: Buffer): Promise<readonly PdfPage[]> {
  const field = 'picture';
  if (!bytes.subarray(0, 1024).includes('%PDF-')) throw refusal('pdf-damaged', { kind: 'invalid', field });
  const info = (await run('pdfinfo', ['-f', '1', '-l', String(MAX_PAGES), path], field)).toString('latin1');
  const pages = Number(/^Pages:\s+(\d+)/m.exec(info)?.[1] ?? 0);
  if (pages < 1) throw refusal('pdf-damaged', { kind: 'invalid', field });
  if (pages > MAX_PAGES) throw refusal('pdf-too-many', { kind: 'out_of_domain', field, pages, mostPages: MAX_PAGES });
  return Array.from({ length: pages }, (_, n) => pageOf(info, n + 1));
}

/** A page as it is looked at: its crop box, turned as the page says. */
function pageOf(info: string, number: number): PdfPage {
  const line = (what: string) => new RegExp(`^Page\\s+(?:${number}\\s+)?${what}:\\s+(.*)$`, 'm').exec(info)?.[1] ?? '';
  const [, w, h] = /([\d.]+) x ([\d.]+)/.exec(line('size')) ?? ['', '0', '0'];
  const isTurned = Number(line('rot')) % 180 !== 0;
  return { number, widthPt: Number(isTurned ? h : w), heightPt: Number(isTurned ? w : h) };
}

const pageArgs = (page: number) => {
  if (!Number.isInteger(page) || page < 1 || page > MAX_PAGES) throw refusal('pdf-page-missing', { field: 'page' });
  return ['-f', String(page), '-l', String(page)];
};

export const pageThumbnail = (path: string, page: number): Promise<Buffer> =>
  run('pdftoppm', ['-png', '-cropbox', '-singlefile', '-scale-to', String(THUMBNAIL_PX), ...pageArgs(page), path], 'page');

export const pageAsSvg = (path: string, page: number): Promise<Buffer> =>
  run('pdftocairo', ['-svg', ...pageArgs(page), path, '-'], 'page');
