import type { DrawingDimension } from './drawing.ts';
import { metresSaid, middleOf } from './drawing-units.ts';

/** How the lengths that the dimensions of a drawing say agree with what lies between their ends. */
export interface DimensionCheck {
  /** How many say a length. */
  readonly count: number;
  /** How many of them agree within 1 %. */
  readonly agreeing: number;
  /** The one that is farthest from what it says, m. */
  readonly farthest: { readonly text: string; readonly saidM: number; readonly measuredM: number };
  /** The size of a drawing unit that the most of them say, m; null where they do not say one. */
  readonly saidMetresPerUnit: number | null;
}

const AGREES_WITHIN = 0.01;
/** What a dimension of a house usually says, m. */
const USUAL_M = [0.3, 40] as const;
const MIDDLE_M = 3;
const BARE_UNITS_M = [0.001, 0.01, 1] as const;
const BARE = /^\d+(?:[.,]\d+)?$/;

/** Holds the lengths that dimensions say to a size of the drawing unit, m; null where none says a length. */
export function dimensionCheck(
  dimensions: readonly Pick<DrawingDimension, 'measured' | 'text'>[],
  metresPerUnit: number,
): DimensionCheck | null {
  const bareM = bareUnit(
    dimensions.filter(({ text }) => BARE.test(text.trim())),
    metresPerUnit,
  );
  const said = dimensions.flatMap(({ measured, text }) => {
    const saidM = BARE.test(text.trim()) ? numberOf(text) * (bareM ?? NaN) : metresSaid(text);
    return saidM !== null && saidM > 0 && measured > 0 ? [{ text: text.trim(), saidM, measured }] : [];
  });
  if (said.length === 0) return null;
  const off = ({ saidM, measured }: (typeof said)[number], perUnit: number) => Math.abs(saidM / (measured * perUnit) - 1);
  const agreeing = (perUnit: number) => said.filter((one) => off(one, perUnit) <= AGREES_WITHIN).length;
  const farthest = said.reduce((worst, one) => (off(one, metresPerUnit) > off(worst, metresPerUnit) ? one : worst));
  const perUnit = middleOf(said.map(({ saidM, measured }) => saidM / measured))!;
  return {
    count: said.length,
    agreeing: agreeing(metresPerUnit),
    farthest: { text: farthest.text, saidM: farthest.saidM, measuredM: farthest.measured * metresPerUnit },
    saidMetresPerUnit: agreeing(perUnit) > said.length / 2 ? perUnit : null,
  };
}

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));

/**
 * The unit of numbers without one: among those in which the middle one is a length of a house the one in which the most agree, and else
 * the one that makes it the most usual length; null where there is none.
 */
function bareUnit(bare: readonly Pick<DrawingDimension, 'measured' | 'text'>[], metresPerUnit: number): number | null {
  const middle = middleOf(bare.map(({ text }) => numberOf(text)));
  if (middle === null) return null;
  const agreeing = (unit: number) =>
    bare.filter(({ measured, text }) => Math.abs((numberOf(text) * unit) / (measured * metresPerUnit) - 1) <= AGREES_WITHIN)
      .length;
  const unlikely = (unit: number) => Math.abs(Math.log((middle * unit) / MIDDLE_M));
  const likely = BARE_UNITS_M.filter((unit) => middle * unit >= USUAL_M[0] && middle * unit <= USUAL_M[1]);
  return [...likely].sort((a, b) => agreeing(b) - agreeing(a) || unlikely(a) - unlikely(b))[0] ?? null;
}
