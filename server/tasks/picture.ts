import { refusal } from '../http/problems.ts';
import { inspectPicture } from '../resources/pictures/inspect.ts';
import { storePicture } from '../resources/pictures/store.ts';
import { storeTiles } from '../resources/pictures/tiles.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** Looks at a picture, stores it, and cuts tiles where it is large. Problems: those of `inspectPicture`. */
export async function takePicture({ database, projectId, input, progress }: JobContext): Promise<JobProduct> {
  const bytes = await input();
  if (bytes.length === 0) throw refusal('picture-missing', { field: 'picture' });
  const picture = await inspectPicture(database, bytes);
  progress(0.4);
  const info = await storePicture(database, projectId, picture);
  await storeTiles(database, projectId, info.id, (share) => progress(0.5 + share / 2));
  return { result: { ...info } };
}

export async function cutTiles({ database, projectId }: JobContext, { pictureId }: JobParams['tiles']): Promise<JobProduct> {
  await storeTiles(database, projectId, pictureId);
  return {};
}
