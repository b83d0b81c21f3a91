import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { refusal } from '../http/problems.ts';
import { inspectPicture } from '../resources/pictures/inspect.ts';
import { pageAsSvg, pagesOf, pageThumbnail } from '../resources/pictures/pdf-pages.ts';
import { readPlanFile, storePicture, storePlanFile } from '../resources/pictures/store.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** The bytes as a file in a folder of its own for as long as the work takes: the PDF reader wants one. */
async function withFile<T>(bytes: Buffer, work: (path: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'dusky-spool-plan-'));
  try {
    const path = join(folder, 'plan.pdf');
    await writeFile(path, bytes, { mode: 0o600 });
    return await work(path);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Takes a PDF plan set in, so that pages can be chosen. Problems: those of `pagesOf`. */
export async function takePlanFile({ database, projectId, input }: JobContext): Promise<JobProduct> {
  const bytes = await input();
  if (bytes.length === 0) throw refusal('picture-missing', { field: 'picture' });
  const pages = await withFile(bytes, (path) => pagesOf(path, bytes));
  return { result: { id: await storePlanFile(database, projectId, bytes, new Date()), pages } };
}

async function planBytes({ database, projectId }: JobContext, sheetId: string): Promise<Buffer> {
  const bytes = await readPlanFile(database, projectId, sheetId);
  if (!bytes) throw refusal('not-found', { field: 'sheet' });
  return bytes;
}

export async function planThumbnail(context: JobContext, { sheetId, page }: JobParams['plan-thumbnail']): Promise<JobProduct> {
  const bytes = await withFile(await planBytes(context, sheetId), (path) => pageThumbnail(path, page));
  return { file: { name: 'page.png', mediaType: 'image/png', bytes } };
}

/** One page as a vector picture of the project: lines stay lines and are sharp at any zoom. */
export async function planPage(context: JobContext, { sheetId, page }: JobParams['plan-page']): Promise<JobProduct> {
  const svg = await withFile(await planBytes(context, sheetId), (path) => pageAsSvg(path, page));
  const picture = await inspectPicture(context.database, svg);
  return { result: { ...(await storePicture(context.database, context.projectId, picture)) } };
}
