import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { refusal } from '../../http/index.ts';

/** Limits of a plan picture (bytes, pixels). */
export const MOST_PICTURE_BYTES = 60 * 1024 * 1024;
const MOST_SIDE_PX = 16_000;
const MOST_PIXELS = 200_000_000;

export interface InspectedPicture {
  readonly mediaType: 'image/png' | 'image/jpeg';
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * Looks at what a picture's bytes really are, whatever its name says, and decodes it once in full.
 * Problems: `picture-kind`, `picture-too-large`, `picture-damaged`.
 */
export async function inspectPicture(bytes: Buffer, field = 'picture'): Promise<InspectedPicture> {
  const type = await fileTypeFromBuffer(bytes);
  if (type?.mime !== 'image/png' && type?.mime !== 'image/jpeg')
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
  return { mediaType: type.mime, widthPx, heightPx };
}
