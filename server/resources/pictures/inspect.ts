import { fileTypeFromBuffer } from 'file-type';
import sharp, { type Sharp } from 'sharp';
import type { PICTURE_TYPES } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { oneAtATime } from './store.ts';
import { sanitiseSvg } from './sanitise-svg.ts';

/** Limits of a plan picture: pixels along a side, pixels in all. */
const MAX_SIDE_PX = 16_000;
const MAX_PIXELS = 200_000_000;
/** Progressive JPEG and WebP are whole in memory while they are decoded. */
const MAX_WHOLE_PIXELS = 60_000_000;
const DECODE_S = 120;

// One picture at a time needs neither more threads nor a cache between pictures.
sharp.cache(false);
sharp.concurrency(1);

export interface InspectedPicture {
  readonly mediaType: (typeof PICTURE_TYPES)[number];
  readonly widthPx: number;
  readonly heightPx: number;
  /** What is kept: the bytes themselves, or a vector picture cleaned of all that is not drawing. */
  readonly bytes: Buffer;
}

/** Reads a raster picture in one pass from its top to its bottom, within a time limit. */
export const readRaster = (bytes: Buffer): Sharp =>
  sharp(bytes, { limitInputPixels: MAX_PIXELS + 1, failOn: 'error', pages: 1, sequentialRead: true }).timeout({
    seconds: DECODE_S,
  });

/**
 * Looks at what a picture's bytes really are, whatever its name says, and decodes it once in full.
 * Problems: `picture-kind`, `picture-too-large`, `picture-damaged`.
 */
export async function inspectPicture(database: Database, bytes: Buffer, field = 'picture'): Promise<InspectedPicture> {
  const type = await fileTypeFromBuffer(bytes);
  if (looksLikeSvg(bytes, type?.mime)) return inspectSvg(bytes, field);
  if (type?.mime !== 'image/png' && type?.mime !== 'image/jpeg' && type?.mime !== 'image/webp')
    throw refusal('picture-kind', { field, kindFound: type?.mime ?? 'unknown' });
  const damaged = () => refusal('picture-damaged', { field });
  const head = await sharp(bytes, { limitInputPixels: false, pages: 1 })
    .metadata()
    .catch(() => {
      throw damaged();
    });
  const { width: widthPx = 0, height: heightPx = 0 } = head;
  const isWhole = type.mime === 'image/webp' || (type.mime === 'image/jpeg' && head.isProgressive === true);
  const maxPixels = isWhole ? MAX_WHOLE_PIXELS : MAX_PIXELS;
  if (widthPx > MAX_SIDE_PX || heightPx > MAX_SIDE_PX || widthPx * heightPx > maxPixels)
    throw refusal(isWhole ? 'picture-too-large-whole' : 'picture-too-large', {
      field,
      widthPx,
      heightPx,
      mostSidePx: MAX_SIDE_PX,
      megapixels: maxPixels / 1e6,
    });
  await oneAtATime(database, () => readRaster(bytes).resize(32, 32, { fit: 'inside' }).raw().toBuffer()).catch((error: Error) => {
    throw /timeout/i.test(error.message) ? refusal('job-too-slow', { field, seconds: DECODE_S }) : damaged();
  });
  return { mediaType: type.mime, widthPx, heightPx, bytes };
}

function looksLikeSvg(bytes: Buffer, mime: string | undefined): boolean {
  if (mime !== undefined && mime !== 'application/xml') return false;
  return /<svg[\s>]/.test(bytes.subarray(0, 4000).toString('utf8'));
}

function inspectSvg(bytes: Buffer, field: string): InspectedPicture {
  const { svg, widthPx, heightPx } = sanitiseSvg(bytes.toString('utf8'), field);
  if (widthPx > MAX_SIDE_PX || heightPx > MAX_SIDE_PX)
    throw refusal('picture-too-large', { field, widthPx, heightPx, mostSidePx: MAX_SIDE_PX, megapixels: MAX_PIXELS / 1e6 });
  return { mediaType: 'image/svg+xml', widthPx, heightPx, bytes: Buffer.from(svg, 'utf8') };
}
