// Here: cut lengths, hours, prices, spools, supports.
// Not here: what a brief costs (brief).
// Start with `cutLength`.
// Terms: docs/glossary.md.
export { cableSupports } from './cable-supports.ts';
export { type Allowance, cutLength, type CutLength, cutLengthCalculator, lengthWith, routedLength } from './cut-length.ts';
export { HOURS, hoursBand, runHours } from './hours.ts';
export { labourHours } from './labour-hours.ts';
export { learnedFactor, learnedFactorCalculator } from './learned-factor.ts';
export { orderLength } from './order-length.ts';
export { type PullingFactors, pullingFactors, pullingHours, pullingHoursCalculator } from './pulling-hours.ts';
export { priceOf, priceWithMargin } from './price.ts';
export { spoolPlan } from './spool-plan.ts';
export { hooksFor, ORDER_FACTOR, planSpools, type SpoolPlan, staplesFor, tiesFor, USUAL_SPOOL_M } from './spools.ts';
