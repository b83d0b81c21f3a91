import { createHash } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { refusal } from '../http/problems.ts';
import { oneAtATime } from '../resources/pictures/store.ts';
import { completeFile, deleteFile, fileRow, wholeFile } from '../resources/photos/store.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

const PHOTOS: ReadonlySet<string> = new Set(['image/jpeg', 'image/png', 'image/webp']);
const FILMS: ReadonlySet<string> = new Set(['video/mp4', 'video/webm', 'video/quicktime']);

/** Longest side of a thumbnail and of the copy that is shared, px. */
const THUMBNAIL_PX = 320;
const SHARED_PX = 2560;
const MAX_PIXELS = 120_000_000;

/**
 * Ends the upload of a photo or film: its bytes must have the fingerprint that names it, and be what they say. Of a photo a thumbnail and a
 * copy without place, camera and personal data are made; a film is kept as it is and never shared. What does not fit is deleted.
 * Problems: `upload-fingerprint`, `photo-kind`, `picture-damaged`, `picture-too-large`.
 */
export async function takePhoto(
  { database, projectId, progress }: JobContext,
  { fileId }: JobParams['photo'],
): Promise<JobProduct> {
  const row = await fileRow(database, projectId, fileId);
  if (!row) throw refusal('not-found', { field: 'file' });
  if (row.isComplete) return {};
  const refused = async (code: string, more: object = {}) => {
    await deleteFile(database, projectId, fileId);
    return refusal(code, { kind: 'invalid', field: 'file', ...more });
  };
  const bytes = await wholeFile(database, projectId, fileId);
  if (createHash('sha256').update(bytes).digest('hex') !== fileId) throw await refused('upload-fingerprint');
  progress(0.2);
  const mime = (await fileTypeFromBuffer(bytes))?.mime ?? '';
  if (mime !== row.mediaType || !(PHOTOS.has(mime) || FILMS.has(mime)))
    throw await refused('photo-kind', { kindFound: mime || 'unknown' });
  if (FILMS.has(mime)) {
    await completeFile(database, projectId, fileId, { widthPx: null, heightPx: null, thumbnail: null, shared: null });
    return {};
  }
  const read = () =>
    sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error', pages: 1 }).timeout({ seconds: 60 }).autoOrient();
  const made = await oneAtATime(database, async () => {
    const shared = await read()
      .resize(SHARED_PX, SHARED_PX, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 85 })
      .toBuffer({ resolveWithObject: true });
    const thumbnail = await sharp(shared.data)
      .resize(THUMBNAIL_PX, THUMBNAIL_PX, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 70 })
      .toBuffer();
    return { widthPx: shared.info.width, heightPx: shared.info.height, thumbnail, shared: shared.data };
  }).catch(() => null);
  if (!made) throw await refused('picture-damaged');
  progress(0.9);
  await completeFile(database, projectId, fileId, made);
  return {};
}
