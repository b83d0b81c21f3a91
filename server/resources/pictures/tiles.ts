import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { refusal } from '../../http/index.ts';
import { scratchFolder } from './scratch.ts';

/** Side of a tile, px. */
export const TILE_PX = 512;

const making = new Map<string, Promise<string>>();

/** The nearest level of a pyramid at which a picture has all its pixels; level 0 is one tile. */
export const deepestLevel = (widthPx: number, heightPx: number): number =>
  Math.max(0, Math.ceil(Math.log2(Math.max(widthPx, heightPx) / TILE_PX)));

/**
 * The file of one tile of a large picture. The whole pyramid is cut once, on the first question, and kept until the
 * machine tidies up. Problems: `not-found` for a tile beyond the edge.
 */
export async function tileOf(
  pictureId: string,
  [z, x, y]: readonly number[],
  load: () => Promise<{ mediaType: string; bytes: Buffer }>,
): Promise<string> {
  if (!/^[0-9a-f]{64}$/.test(pictureId) || ![z, x, y].every((n) => Number.isInteger(n) && n >= 0))
    throw refusal('not-found', { field: 'tile' });
  // Whoever asks must be able to load the picture, also where its tiles lie here already.
  const picture = await load();
  const folder = join(scratchFolder('tiles'), pictureId);
  const exists = (path: string) =>
    stat(path).then(
      () => true,
      () => false,
    );
  if (!(await exists(folder))) {
    let work = making.get(pictureId);
    if (!work) making.set(pictureId, (work = cut(picture.bytes, folder).finally(() => making.delete(pictureId))));
    await work;
  }
  const file = join(folder, String(z), String(y), `${x}.webp`);
  if (!(await exists(file))) throw refusal('not-found', { field: 'tile' });
  return file;
}

async function cut(bytes: Buffer, folder: string): Promise<string> {
  const part = `${folder}.${process.pid}`;
  await mkdir(scratchFolder('tiles'), { recursive: true, mode: 0o700 });
  await sharp(bytes, { limitInputPixels: false, pages: 1 })
    .webp({ quality: 80 })
    .tile({ size: TILE_PX, layout: 'google', skipBlanks: -1 })
    .toFile(part);
  await rename(part, folder).catch(() => rm(part, { recursive: true, force: true }));
  return folder;
}
