/** How a project shows lengths; both kinds can always be typed. */
export type UnitSystem = 'metric' | 'imperial';

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';

/** Metres in an inch and in a foot, exact (ENGINEERING 0.2). */
export const INCH_M = 0.0254;
export const FOOT_M = 0.3048;
/** Height of a rack unit, exact: 1 3/4 in (IEC 60297). */
export const RACK_UNIT_M = 1.75 * INCH_M;
/** Newtons in a pound of force (ENGINEERING 0.2). */
export const LBF_N = 4.44822;
/** Radians in a degree. */
export const DEGREE_RAD = Math.PI / 180;
/** Standard acceleration of free fall, m/s2. */
export const GRAVITY = 9.80665;

export const METRES_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 0.001,
  cm: 0.01,
  m: 1,
  in: INCH_M,
  ft: FOOT_M,
};
