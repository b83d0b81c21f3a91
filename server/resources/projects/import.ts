import { createHash } from 'node:crypto';
import type { Picture, ProjectFile } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { inspectPicture } from '../pictures/inspect.ts';
import { storeTiles } from '../pictures/tiles.ts';
import { insertProject } from './store.ts';

/** Stores a file that was read: all of it, or nothing and the reason. Its pictures are inspected like any other. */
export async function importProject(
  database: Database,
  firmId: string,
  projectId: string,
  { project, pictures }: ProjectFile,
  at: Date,
): Promise<string> {
  for (const picture of pictures) await checkPicture(database, picture);
  await insertProject(database, { firmId, projectId }, project, pictures, at);
  for (const { id } of pictures) await storeTiles(database, projectId, id);
  return projectId;
}

async function checkPicture(database: Database, picture: Picture): Promise<void> {
  const bytes = Buffer.from(picture.base64, 'base64');
  const field = `pictures.${picture.id.slice(0, 8)}`;
  if (createHash('sha256').update(bytes).digest('hex') !== picture.id) throw refusal('picture-changed', { field: `${field}.id` });
  const found = await inspectPicture(database, bytes, field);
  // A vector picture in a file must be as clean as one that was brought in: nothing in it may run.
  if (!found.bytes.equals(bytes)) throw refusal('svg-refused', { kind: 'invalid', field, reason: 'it holds more than drawing' });
  const same = found.mediaType === picture.mediaType && found.widthPx === picture.widthPx && found.heightPx === picture.heightPx;
  if (!same) throw refusal('picture-mislabelled', { field, found: `${found.mediaType} ${found.widthPx} x ${found.heightPx}` });
}
