import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
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
export async function storeTiles(
  database: Database,
  projectId: string,
  pictureId: string,
  onShare: (share: number) => void = () => undefined,
): Promise<void> {
  const picture = await pictureToTile(database, projectId, pictureId);
  if (!picture || picture.tiled || !needsTiles(picture)) return;
  // A folder that nobody else could have made: its name is random and only this account may enter.
  const folder = await mkdtemp(join(tmpdir(), 'dusky-spool-tiles-'));
  try {
    const cut = join(folder, 'tiles');
    await oneAtATime(database, () =>
      readRaster(picture.bytes)
        .webp({ quality: 80, effort: 0 })
        .tile({ size: TILE_PX, layout: 'iiif3', skipBlanks: -1 })
        .toFile(cut),
    );
    await insertTiles(database, projectId, pictureId, tilesIn(cut, deepestLevel(picture.widthPx, picture.heightPx), onShare));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Where a tile lies in the pyramid, from its path: `x,y,width,height/width,height/0/default.webp`, in pixels of the picture and its own. */
export function tilePlace(path: string, deepest: number): { readonly z: number; readonly x: number; readonly y: number } {
  const [region, size] = path.split('/').map((part) => part.split(',').map(Number));
  // The whole picture as one tile.
  if (!Number.isFinite(region[0])) return { z: 0, x: 0, y: 0 };
  const [left, top, widthPx, heightPx] = region;
  const ratio = widthPx > heightPx ? widthPx / size[0] : heightPx / size[1];
  const scale = 2 ** Math.round(Math.log2(ratio));
  return { z: deepest - Math.log2(scale), x: left / (TILE_PX * scale), y: top / (TILE_PX * scale) };
}

/** A tile filled up to its full side: at the right and lower edge of a picture they are cut smaller. */
async function fullTile(bytes: Buffer): Promise<Buffer> {
  const { width, height } = await sharp(bytes).metadata();
  if (width === TILE_PX && height === TILE_PX) return bytes;
  return sharp(bytes)
    .extend({ right: TILE_PX - width, bottom: TILE_PX - height, background: { r: 255, g: 255, b: 255, alpha: 0 } })
    .webp({ quality: 80, effort: 0 })
    .toBuffer();
}

/** Tiles of a folder, a batch at a time. */
async function* tilesIn(folder: string, deepest: number, onShare: (share: number) => void) {
  const paths = (await readdir(folder, { recursive: true })).filter((path) => path.endsWith('.webp') && path.includes('/'));
  for (let start = 0; start < paths.length; start += AT_ONCE) {
    onShare(start / paths.length);
    yield Promise.all(
      paths
        .slice(start, start + AT_ONCE)
        .map(async (path) => ({ ...tilePlace(path, deepest), bytes: await fullTile(await readFile(join(folder, path))) })),
    );
  }
}
