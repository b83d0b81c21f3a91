import { GRAVITY, INCH_M, LBF_N } from '../../math/index.ts';

/** Load factors: on a wall, and overhead with people beneath. */
export const WALL_FACTOR = 5;
export const OVERHEAD_FACTOR = 10;
/** Overhead in drywall alone is prohibited above this (ENGINEERING 11: safety wire and structure), kg. */
export const OVERHEAD_BOARD_KG = 2.3;
/** Screws into drywall alone never hold a display above this, kg. */
export const BOARD_SCREW_KG = 5;

/** Specific gravity of framing timber (ANSI/AWC NDS). */
export const WOODS = { 'spruce-pine-fir': 0.42, 'douglas-fir-larch': 0.5, 'southern-pine': 0.55 } as const;
export type Wood = keyof typeof WOODS;

/** `W = 1800*G^1.5*D^0.75` lbf per inch of thread (ANSI/AWC NDS): allowable withdrawal of a lag screw from side grain. Diameter m. */
export function lagWithdrawal(diameterM: number, wood: Wood): { readonly lbfPerIn: number; readonly nPerM: number } {
  const lbfPerIn = 1800 * WOODS[wood] ** 1.5 * (diameterM / INCH_M) ** 0.75;
  return { lbfPerIn, nPerM: (lbfPerIn * LBF_N) / INCH_M };
}

/**
 * Tension of one fastener of the upper row and shear of any of them, N, for a mass (kg) whose centre is `reachM` from the
 * wall, on rows `rowsApartM` apart.
 */
export function bracketForces(
  massKg: number,
  reachM: number,
  rowsApartM: number,
  topFasteners: number,
  fasteners: number,
): { readonly tensionN: number; readonly shearN: number } {
  const weightN = massKg * GRAVITY;
  return { tensionN: (weightN * reachM) / (rowsApartM * topFasteners), shearN: weightN / fasteners };
}
