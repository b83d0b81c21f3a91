import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import type { PICTURE_TYPES } from '@dusky-spool/core/project';
import { refusal } from '../../http/index.ts';
import { sanitiseSvg } from './sanitise-svg.ts';

/** Limits of a plan picture (bytes, pixels). */
export const MOST_PICTURE_BYTES = 60 * 1024 * 1024;
const MOST_SIDE_PX = 16_000;
const MOST_PIXELS = 200_000_000;

export interface InspectedPicture {
  readonly mediaType: (typeof PICTURE_TYPES)[number];
  readonly widthPx: number;
  readonly heightPx: number;
  /** What is kept: the bytes themselves, or a vector picture cleaned of all that is not drawing. */
  readonly bytes: Buffer;
}

/**
 * Looks at what a picture's bytes really are, whatever its name says, and decodes it once in full.
 * Problems: `picture-kind`, `picture-too-large`, `picture-damaged`.
 */
export async function inspectPicture(bytes: Buffer, field = 'picture'): Promise<InspectedPicture> {
  const type = await fileTypeFromBuffer(bytes);
  if (looksLikeSvg(bytes, type?.mime)) return inspectSvg(bytes, field);
  if (type?.mime !== 'image/png' && type?.mime !== 'image/jpeg' && type?.mime !== 'image/webp')
    throw refusal('picture-kind', { field, kindFound: type?.mime ?? 'unknown' });
  const read = () => sharp(bytes, { limitInputPixels: false, failOn: 'error', pages: 1 });
  const size = await read()
    .metadata()
    .catch(() => {
      throw refusal('picture-damaged', { field });
    });
  const { width: widthPx = 0, height: heightPx = 0 } = size;
  if (widthPx > MOST_SIDE_PX || heightPx > MOST_SIDE_PX || widthPx * heightPx > MOST_PIXELS) {
    throw refusal('picture-too-large', { field, widthPx, heightPx, mostSidePx: MOST_SIDE_PX, mostPixels: MOST_PIXELS });
  }
  try {
    await read().resize(32, 32, { fit: 'inside' }).raw().toBuffer();
  } catch {
    throw refusal('picture-damaged', { field });
  }
  return { mediaType: type.mime, widthPx, heightPx, bytes };
}

function looksLikeSvg(bytes: Buffer, mime: string | undefined): boolean {
  if (mime !== undefined && mime !== 'application/xml') return false;
  return /<svg[\s>]/.test(bytes.subarray(0, 4000).toString('utf8'));
}

function inspectSvg(bytes: Buffer, field: string): InspectedPicture {
  const { svg, widthPx, heightPx } = sanitiseSvg(bytes.toString('utf8'), field);
  if (widthPx > MOST_SIDE_PX || heightPx > MOST_SIDE_PX)
    throw refusal('picture-too-large', { field, widthPx, heightPx, mostSidePx: MOST_SIDE_PX, mostPixels: MOST_PIXELS });
  return { mediaType: 'image/svg+xml', widthPx, heightPx, bytes: Buffer.from(svg, 'utf8') };
}
