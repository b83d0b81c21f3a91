import { FOOT_M, INCH_M, type UnitSystem } from './factors.ts';

/** Feet and inches to the nearest 1/`denominator` in (ENGINEERING 0.2: 1/8 for display, 1/4 at rough-in). Takes metres. */
export function formatFeetInches(lengthM: number, denominator = 8): string {
  const sign = lengthM < 0 ? '-' : '';
  const parts = Math.round((Math.abs(lengthM) / INCH_M) * denominator);
  const feet = Math.floor(parts / (12 * denominator));
  const inches = Math.floor(parts / denominator) - feet * 12;
  const over = parts % denominator;
  const divisor = greatestCommonDivisor(over, denominator);
  const fraction = over === 0 ? '' : `${over / divisor}/${denominator / divisor}`;
  const inchText = [inches === 0 && fraction !== '' ? '' : String(inches), fraction].filter(Boolean).join(' ');
  if (feet === 0) return `${sign}${inchText}"`;
  return inches === 0 && over === 0 ? `${sign}${feet}'` : `${sign}${feet}' ${inchText}"`;
}

/** A dimension of the building or a height, in the project's units. Takes metres. */
export function formatLength(lengthM: number, system: UnitSystem): string {
  return system === 'metric' ? `${lengthM.toFixed(2)} m` : formatFeetInches(lengthM);
}

/**
 * A dimension that somebody typed or measured, as fine as it is: metric to a millimetre, thin things to a tenth of one, where that
 * says more than centimetres do; imperial to 1/16 in. Takes metres.
 */
export function formatLengthFine(lengthM: number, system: UnitSystem): string {
  if (system === 'imperial') return formatFeetInches(lengthM, 16);
  const thin = Math.abs(lengthM) < 0.1;
  return `${lengthM.toFixed(thin ? 4 : 3).replace(thin ? /0{1,2}$/ : /0$/, '')} m`;
}

/** A clearance as a trade reads it off a rule: millimetres below a metre, else as fine as it is; imperial to 1/16 in. Takes metres. */
export const formatClearance = (lengthM: number, system: UnitSystem): string =>
  system === 'metric' && Math.abs(lengthM) < 1 ? `${Number((lengthM * 1000).toFixed(1))} mm` : formatLengthFine(lengthM, system);

/** Something thin: a diameter, a bit, a gap. Whole millimetres, or hundredths of an inch. Takes metres. */
export const formatThin = (lengthM: number, system: UnitSystem): string =>
  system === 'metric' ? `${Math.round(lengthM * 1000)} mm` : `${(lengthM / INCH_M).toFixed(2)} in`;

/** A cable length: tenths of a metre or whole feet (a cut length is always a multiple of them). Takes metres. */
export function formatCableLength(lengthM: number, system: UnitSystem): string {
  return system === 'metric' ? `${lengthM.toFixed(1)} m` : `${Math.round(lengthM / FOOT_M)} ft`;
}

/** An area of floor. Takes square metres. */
export function formatArea(areaM2: number, system: UnitSystem): string {
  return system === 'metric' ? `${areaM2.toFixed(1)} m²` : `${Math.round(areaM2 / (FOOT_M * FOOT_M))} sq ft`;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? Math.max(a, 1) : greatestCommonDivisor(b, a % b);
}
