/** Bits that a crew carries, m. */
export const BITS_M = [0.012, 0.016, 0.02, 0.025, 0.028, 0.032, 0.038, 0.044, 0.05, 0.057, 0.064] as const;
/** Share of a hole that its cables may fill, as for conduit (ENGINEERING 7.2). */
export const HOLE_FILL = 0.4;
/** Room round a bundle, m. */
const ROUND_BUNDLE_M = 0.003;
/** Diameter of a round bundle of n equal cables over that of one; from eight on 1.21 times the root of n. */
const BUNDLE = [0, 1, 2, 2.155, 2.414, 2.701, 3, 3] as const;

/**
 * Answers: how wide must a hole be for these cables? Units: m; `diametersM` of each cable. Formula: ENGINEERING 7.2, the bundle with
 * 3 mm round it, and no more than 40 % of the hole's area. Valid for round cables.
 */
export function holeForM(diametersM: readonly number[]): number {
  const squares = diametersM.reduce((sum, d) => sum + d * d, 0);
  return holeOfM(diametersM.length, Math.max(0, ...diametersM), squares);
}

const holeOfM = (cables: number, widestM: number, squaresM2: number): number =>
  Math.max(Math.sqrt(squaresM2 / HOLE_FILL), roundM(cables, widestM) + ROUND_BUNDLE_M);

/** Outside diameter of a round bundle, m, as wide as if all its cables were as thick as the thickest. */
export function bundleDiameterM(diametersM: readonly number[]): number {
  return roundM(diametersM.length, Math.max(0, ...diametersM));
}

const roundM = (cables: number, widestM: number): number =>
  (cables < BUNDLE.length ? BUNDLE[cables] : 1.21 * Math.sqrt(cables)) * widestM;

/** The smallest bit for a hole; null where none is wide enough. */
export const bitFor = (holeM: number): number | null => BITS_M.find((bit) => bit >= holeM - 1e-9) ?? null;

/**
 * Cables spread over as few holes of a member as take them, none wider than `mostM`; null where one cable alone needs more. The widest
 * cables come first, so the same cables give the same holes.
 */
export function holesFor(
  diametersM: readonly number[],
  maxM: number,
): { readonly bitM: number; readonly cables: number }[] | null {
  const bits = BITS_M.filter((bit) => bit <= maxM + 1e-9);
  const widest = bits.at(-1);
  if (widest === undefined) return null;
  const holes: { cables: number; readonly widestM: number; squaresM2: number }[] = [];
  for (const diameterM of [...diametersM].sort((a, b) => b - a)) {
    const square = diameterM * diameterM;
    const fits = holes.find((hole) => holeOfM(hole.cables + 1, hole.widestM, hole.squaresM2 + square) <= widest + 1e-9);
    if (fits) {
      fits.cables++;
      fits.squaresM2 += square;
    } else if (holeOfM(1, diameterM, square) > widest + 1e-9) return null;
    else holes.push({ cables: 1, widestM: diameterM, squaresM2: square });
  }
  return holes.map(({ cables, widestM, squaresM2 }) => ({ bitM: bitFor(holeOfM(cables, widestM, squaresM2))!, cables }));
}
