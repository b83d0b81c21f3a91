// Here: what each kind of job does, in a thread or process of the pool.
// Not here: the queue.
// Start with `TASKS`.
import type { JobKind, JobParams } from '../jobs/job-kinds.ts';
import type { JobFile } from '../jobs/store.ts';
import type { Database } from '../database/index.ts';
import { makeDocument } from './document.ts';
import { importFile, readLibraryFile, writeFile } from './files.ts';
import { takePhoto } from './photo.ts';
import { cutTiles, takePicture } from './picture.ts';
import { planPage, planThumbnail, takePlanFile } from './plan-file.ts';
import { readWorkbook } from './workbook.ts';
import { wait } from './wait.ts';

export interface JobContext {
  readonly database: Database;
  readonly jobId: string;
  readonly firmId: string;
  readonly memberId: string | null;
  /** Empty for jobs without a project. */
  readonly projectId: string;
  readonly input: () => Promise<Buffer>;
  /** Share done, 0 to 1. */
  readonly progress: (share: number) => void;
}

/** What a job leaves: a file, figures, or both. */
export interface JobProduct {
  readonly file?: JobFile;
  readonly result?: Readonly<Record<string, unknown>>;
}

type Work<K extends JobKind> = (context: JobContext, params: JobParams[K]) => Promise<JobProduct>;

export const TASKS: { readonly [K in JobKind]: Work<K> } = {
  document: makeDocument,
  'project-file': writeFile,
  import: importFile,
  'library-read': readLibraryFile,
  picture: takePicture,
  tiles: cutTiles,
  photo: takePhoto,
  'plan-file': takePlanFile,
  'plan-thumbnail': planThumbnail,
  'plan-page': planPage,
  workbook: readWorkbook,
  wait,
};
