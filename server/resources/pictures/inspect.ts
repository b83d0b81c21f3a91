import { fileTypeFromBuffer } from 'file-type';
import sharp, { type Sharp } from 'sharp';
import { INCH_M } from '@dusky-spool/core/math';
import { MAX_PICTURE_SIDE_PX, type PICTURE_TYPES } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { PlannedRefusal, refusal } from '../../http/problems.ts';
import { oneAtATime } from './store.ts';
import { sanitiseSvg } from './sanitise-svg.ts';

/** Limit of a plan picture: pixels in all. */
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
  /** Side of a pixel on the sheet of paper, m; null where the file does not say. */
  readonly paperMetresPerPixel: number | null;
  /** What is kept: the bytes themselves, or a vector picture cleaned of all that is not drawing. */
  readonly bytes: Buffer;
}

/** Reads a raster picture in one pass from its top to its bottom, within a time limit. */
export const readRaster = (bytes: Buffer): Sharp =>
  sharp(bytes, { limitInputPixels: MAX_PIXELS + 1, failOn: 'error', pages: 1, sequentialRead: true }).timeout({
    seconds: DECODE_S,
  });

/** From this many dots to an inch on, a raster picture was scanned or plotted at that density; cameras write less without meaning it. */
const SCAN_DPI = 100;

const RASTERS: ReadonlySet<string> = new Set(['image/png', 'image/jpeg', 'image/webp']);

/**
 * Looks at what a picture's bytes really are, whatever its name says, and decodes it once in full. What is kept stands upright and says
 * nothing of where, when and by whom it was taken: a picture whose file says any of that is written anew.
 * Problems: `picture-kind`, `picture-too-large`, `picture-damaged`, `picture-cut`, and those of SVG.
 */
export async function inspectPicture(database: Database, bytes: Buffer, field = 'picture'): Promise<InspectedPicture> {
  const type = await fileTypeFromBuffer(bytes);
  if (looksLikeSvg(bytes, type?.mime)) return inspectSvg(database, bytes, field);
  if (!type || !RASTERS.has(type.mime)) throw refusal('picture-kind', { field, kindFound: kindOf(bytes, type?.mime) });
  const mediaType = type.mime as InspectedPicture['mediaType'];
  const head = await sharp(bytes, { limitInputPixels: false, pages: 1 })
    .metadata()
    .catch(() => {
      throw refusal('picture-damaged', { field });
    });
  const { width = 0, height = 0, orientation = 1 } = head;
  const isTurned = orientation > 1;
  const isWhole = isTurned || mediaType === 'image/webp' || (mediaType === 'image/jpeg' && head.isProgressive === true);
  const maxPixels = isWhole ? MAX_WHOLE_PIXELS : MAX_PIXELS;
  if (width > MAX_PICTURE_SIDE_PX || height > MAX_PICTURE_SIDE_PX || width * height > maxPixels)
    throw refusal(isWhole ? 'picture-too-large-whole' : 'picture-too-large', {
      field,
      widthPx: width,
      heightPx: height,
      mostSidePx: MAX_PICTURE_SIDE_PX,
      megapixels: maxPixels / 1e6,
    });
  const says = isTurned || [head.exif, head.xmp, head.iptc, head.comments].some((one) => one !== undefined && one.length > 0);
  const kept = await oneAtATime(database, () => (says ? writtenAnew(bytes, mediaType, isTurned) : decoded(bytes))).catch(
    (error: Error) => {
      if (/timeout/i.test(error.message)) throw refusal('job-too-slow', { field, seconds: DECODE_S });
      throw refusal(/premature end|truncat|unexpected end|not enough/i.test(error.message) ? 'picture-cut' : 'picture-damaged', {
        field,
      });
    },
  );
  const density = head.density ?? 0;
  const [widthPx, heightPx] = orientation >= 5 ? [height, width] : [width, height];
  return { mediaType, widthPx, heightPx, paperMetresPerPixel: density >= SCAN_DPI ? INCH_M / density : null, bytes: kept };
}

/** The same bytes, once they have been decoded in full. */
async function decoded(bytes: Buffer): Promise<Buffer> {
  await readRaster(bytes).resize(32, 32, { fit: 'inside' }).raw().toBuffer();
  return bytes;
}

/** The picture upright, with nothing but its pixels and their density. */
async function writtenAnew(bytes: Buffer, mediaType: InspectedPicture['mediaType'], isTurned: boolean): Promise<Buffer> {
  // Only a picture that is turned has to be whole in memory; codes made for the one picture would need all of it as well.
  const upright = isTurned
    ? sharp(bytes, { limitInputPixels: MAX_PIXELS + 1, failOn: 'error', pages: 1 })
        .timeout({ seconds: DECODE_S })
        .autoOrient()
    : readRaster(bytes);
  if (mediaType === 'image/jpeg')
    return upright.jpeg({ quality: 95, chromaSubsampling: '4:4:4', optimiseCoding: isTurned }).toBuffer();
  if (mediaType === 'image/webp') return upright.webp({ quality: 95 }).toBuffer();
  return upright.png({ compressionLevel: 6 }).toBuffer();
}

/** Drawings of other kinds, by how their files begin. */
const OTHER_KINDS: readonly (readonly [begins: RegExp, kind: string])[] = [
  [/^AC1[0-9.]{3}/, 'DWG drawing'],
  [/^\w+ Binary DXF\r\n/, 'binary DXF drawing'],
  [/^\s*(999\r?\n[^\n]*\n\s*)*0\r?\n\s*SECTION/, 'DXF drawing'],
  [/^%PDF-/, 'PDF'],
  [/^\s*(<\?xml|<)/, 'XML or HTML text'],
];

/** What a file that is no picture is, in words. */
function kindOf(bytes: Buffer, mime: string | undefined): string {
  const begin = bytes.subarray(0, 400).toString('latin1');
  return OTHER_KINDS.find(([begins]) => begins.test(begin))?.[1] ?? mime ?? 'a file of an unknown kind';
}

function looksLikeSvg(bytes: Buffer, mime: string | undefined): boolean {
  if (mime !== undefined && mime !== 'application/xml') return false;
  return /<(svg:)?svg[\s>]/.test(textOfXml(bytes.subarray(0, 4000)));
}

async function inspectSvg(database: Database, bytes: Buffer, field: string): Promise<InspectedPicture> {
  const { svg, ...size } = sanitiseSvg(textOfXml(bytes), field);
  const clean = await withPictures(svg, async (inner) => (await inspectPicture(database, inner, field)).bytes);
  return { mediaType: 'image/svg+xml', ...size, bytes: Buffer.from(clean, 'utf8') };
}

const INNER_PICTURE = /data:image\/(?:png|jpeg|webp);base64,([A-Za-z0-9+/=\s]*)/g;

/** The drawing with each picture that travels in it inspected like any other; one that is none is left empty. */
async function withPictures(svg: string, inspected: (bytes: Buffer) => Promise<Buffer>): Promise<string> {
  const cleaned = new Map<string, string>();
  for (const [whole, base64] of svg.matchAll(INNER_PICTURE)) {
    if (cleaned.has(whole)) continue;
    const bytes = Buffer.from(base64, 'base64');
    const kept = await inspected(bytes).catch((error: Error) => {
      if (error instanceof PlannedRefusal && /too-large|too-slow/.test(error.problem.code)) throw error;
      return null;
    });
    cleaned.set(whole, kept === null || kept.equals(bytes) ? whole : whole.replace(base64, kept.toString('base64')));
  }
  return [...cleaned].every(([whole, clean]) => whole === clean)
    ? svg
    : svg.replace(INNER_PICTURE, (whole) => cleaned.get(whole)!);
}

/** The text of an XML file in the encoding that its first bytes or its declaration say. */
function textOfXml(bytes: Buffer): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const declared = /^\s*<\?xml[^>]*encoding=["']([\w.-]{1,40})["']/.exec(bytes.subarray(0, 200).toString('latin1'))?.[1];
  try {
    return new TextDecoder(declared ?? 'utf-8').decode(bytes);
  } catch {
    return bytes.toString('utf8');
  }
}
