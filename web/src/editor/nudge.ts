import { INCH_M, type UnitSystem } from '@dusky-spool/core/units';

/** One nudge by an arrow key: 1 cm, or 1/2 in. */
export const NUDGE_M: Readonly<Record<UnitSystem, number>> = { metric: 0.01, imperial: INCH_M / 2 };
