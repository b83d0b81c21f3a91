import { INCH_M, type UnitSystem } from '@dusky-spool/core/math';

/** One nudge by an arrow key: 1 cm, or 1/2 in. */
export const NUDGE_M: Readonly<Record<UnitSystem, number>> = { metric: 0.01, imperial: INCH_M / 2 };

/** Positions set by hand fall on whole centimetres, or quarter inches: finer than anyone marks out. */
export function toHandGrid([x, y]: readonly [number, number], units: UnitSystem): [number, number] {
  const step = units === 'metric' ? 0.01 : INCH_M / 4;
  const snap = (value: number) => Number((Math.round(value / step) * step).toFixed(6));
  return [snap(x), snap(y)];
}
