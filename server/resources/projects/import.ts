import { createHash } from 'node:crypto';
import type { Picture, ProjectDocument, ProjectFile } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { inspectPicture } from '../pictures/inspect.ts';
import { storeTiles } from '../pictures/tiles.ts';
import { insertProject } from './store.ts';

/**
 * Stores a file that was read: all of it, or nothing and the reason. Its pictures are inspected like any other, and kept as clean as one
 * that was brought in.
 */
export async function importProject(
  database: Database,
  firmId: string,
  projectId: string,
  { project, pictures }: ProjectFile,
  at: Date,
): Promise<string> {
  const clean = new Map<string, Picture>();
  for (const picture of pictures) clean.set(picture.id, await inspected(database, picture));
  const kept = [...new Map([...clean.values()].map((picture) => [picture.id, picture])).values()];
  await insertProject(database, { firmId, projectId }, withPictures(project, clean), kept, at);
  for (const { id } of kept) await storeTiles(database, projectId, id);
  return projectId;
}

/** A picture as it is kept: what runs, loads, or tells of its maker is taken out. */
async function inspected(database: Database, picture: Picture): Promise<Picture> {
  const given = Buffer.from(picture.base64, 'base64');
  const field = `pictures.${picture.id.slice(0, 8)}`;
  if (createHash('sha256').update(given).digest('hex') !== picture.id) throw refusal('picture-changed', { field: `${field}.id` });
  const { bytes, mediaType, widthPx, heightPx, paperMetresPerPixel } = await inspectPicture(database, given, field);
  if (!bytes.equals(given)) {
    const id = createHash('sha256').update(bytes).digest('hex');
    return { id, mediaType, widthPx, heightPx, paperMetresPerPixel, base64: bytes.toString('base64') };
  }
  const isSame = mediaType === picture.mediaType && widthPx === picture.widthPx && heightPx === picture.heightPx;
  if (!isSame) throw refusal('picture-mislabelled', { field, found: `${mediaType} ${widthPx} x ${heightPx}` });
  return picture;
}

/** The project with each plan on the picture that is kept for it. */
function withPictures(project: ProjectDocument, clean: ReadonlyMap<string, Picture>): ProjectDocument {
  const underlays = Object.entries(project.underlays).map(([id, underlay]) => {
    const picture = clean.get(underlay.pictureId);
    return [id, picture ? { ...underlay, pictureId: picture.id } : underlay] as const;
  });
  return { ...project, underlays: Object.fromEntries(underlays) };
}
