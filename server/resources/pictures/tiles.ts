import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type PictureInfo, TILE_PX } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { readRaster } from './inspect.ts';
import { insertTiles, oneAtATime, pictureToTile } from './store.ts';

const AT_ONCE = 100;
/** Pictures of more pixels are cut: well below the size from which the plan shows tiles (`WHOLE_UP_TO_PX`). */
export const TILED_FROM_PX = 4_000_000;

/** The nearest level of a pyramid at which a picture has all its pixels; level 0 is one tile. */
export const deepestLevel = (widthPx: number, heightPx: number): number =>
  Math.max(0, Math.ceil(Math.log2(Math.max(widthPx, heightPx) / TILE_PX)));

/** Whether a picture is shown in tiles: large ones of pixels; vector pictures are drawn by the browser. */
export const needsTiles = ({ widthPx, heightPx, mediaType }: Pick<PictureInfo, 'widthPx' | 'heightPx' | 'mediaType'>): boolean =>
  widthPx * heightPx > TILED_FROM_PX && mediaType !== 'image/svg+xml';

/** Cuts a stored picture into tiles, all of its pyramid, and stores them beside it; nothing where it needs none or has them. */
export async function storeTiles(database: Database, projectId: string, pictureId: string): Promise<void> {
  const picture = await pictureToTile(database, projectId, pictureId);
  if (!picture || picture.tiled || !needsTiles(picture)) return;
  // A folder that nobody else could have made: its name is random and only this account may enter.
  const folder = await mkdtemp(join(tmpdir(), 'dusky-spool-tiles-'));
  try {
    const cut = join(folder, 'tiles');
    await oneAtATime(database, () =>
      readRaster(picture.bytes)
        .webp({ quality: 80, effort: 0 })
        .tile({ size: TILE_PX, layout: 'google', skipBlanks: -1 })
        .toFile(cut),
    );
    await insertTiles(database, projectId, pictureId, tilesIn(cut));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Tiles of a folder as `z/y/x.webp`, a batch at a time. */
async function* tilesIn(folder: string) {
  const paths = (await readdir(folder, { recursive: true })).filter((path) => path.endsWith('.webp') && path.includes('/'));
  for (let start = 0; start < paths.length; start += AT_ONCE)
    yield Promise.all(
      paths.slice(start, start + AT_ONCE).map(async (path) => {
        const [z, y, x] = path.replace('.webp', '').split('/').map(Number);
        return { z, y, x, bytes: await readFile(join(folder, path)) };
      }),
    );
}
