import { INCH_M } from '../../math/index.ts';

/** Side of a pixel of a vector picture on paper, m: a pixel is a 96th of an inch. */
export const PAPER_METRES_OF_PX = INCH_M / 96;

/** Pixels of a unit of length in a vector picture. */
export const PX_OF_UNIT: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
};
