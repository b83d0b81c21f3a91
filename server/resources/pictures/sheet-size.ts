import { PAPER_METRES_OF_PX, PX_OF_UNIT } from '@dusky-spool/core/house';

/** The longest side of a vector picture, px: it is drawn by the browser in one piece. */
const MAX_SIDE_PX = 16_000;

/** A part of a pixel that is no more than rounding. */
const ROUNDING_PX = 1e-3;

/** How a drawing of any size stands in a picture of whole pixels. */
export interface SheetSize {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly paperMetresPerPixel: number;
  /** Whether the drawing's own units are the pixels of the picture. */
  readonly isWhole: boolean;
  readonly innerWidth: number;
  readonly innerHeight: number;
  readonly viewBox: readonly [number, number, number, number];
  readonly preserveAspectRatio: string | undefined;
}

/** The size of a drawing by the attributes of its root; null where it has none. */
export function sheetSize(attributes: Readonly<Record<string, string>>): SheetSize | null {
  const box = boxOf(attributes.viewBox);
  const size = ownSize(attributes, box);
  if (!size || !(size[0] > 0 && size[1] > 0)) return null;
  const [width, height] = size;
  const longest = Math.max(width, height);
  // Drawn at full size a house is tens of thousands of pixels long: it is shown smaller, and stays vectors.
  const scale = longest > MAX_SIDE_PX ? MAX_SIDE_PX / longest : 1;
  const [innerWidth, innerHeight] = [tidy(width * scale), tidy(height * scale)];
  const [widthPx, heightPx] = [innerWidth, innerHeight].map((px) => Math.ceil(px - ROUNDING_PX));
  if (widthPx < 1 || heightPx < 1 || !Number.isFinite(widthPx + heightPx)) return null;
  const viewBox = box ?? ([0, 0, tidy(width), tidy(height)] as const);
  const isWhole =
    innerWidth === widthPx &&
    innerHeight === heightPx &&
    viewBox[0] === 0 &&
    viewBox[1] === 0 &&
    viewBox[2] === widthPx &&
    viewBox[3] === heightPx;
  return {
    widthPx,
    heightPx,
    paperMetresPerPixel: PAPER_METRES_OF_PX / scale,
    isWhole,
    innerWidth,
    innerHeight,
    viewBox,
    preserveAspectRatio: attributes.preserveAspectRatio,
  };
}

const NUMBER = /^\s*([+]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(px|pt|pc|mm|cm|in)?\s*$/i;
const tidy = (px: number) => Math.round(px * 1e6) / 1e6;

function lengthPx(text: string | undefined): number | null {
  const match = NUMBER.exec(text ?? '');
  return match ? Number(match[1]) * PX_OF_UNIT[(match[2] ?? '').toLowerCase()] : null;
}

function boxOf(text: string | undefined): [number, number, number, number] | null {
  const box = (text ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  return box.length === 4 && box.every(Number.isFinite) && box[2] > 0 && box[3] > 0
    ? (box as [number, number, number, number])
    : null;
}

/** Width and height; one that is not said follows from the other by the ratio of the view box. */
function ownSize({ width, height }: Readonly<Record<string, string>>, box: readonly number[] | null): [number, number] | null {
  const [w, h] = [lengthPx(width), lengthPx(height)];
  if (w !== null && h !== null) return [w, h];
  if (!box) return null;
  if (w !== null) return [w, (w * box[3]) / box[2]];
  if (h !== null) return [(h * box[2]) / box[3], h];
  return [box[2], box[3]];
}
