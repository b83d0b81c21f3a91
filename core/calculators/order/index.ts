// Here: hours and prices.
// Not here: what a brief costs (brief).
// Start with `HOURS` and `labourHours`.
// Terms: docs/glossary.md.
// Here: spools and boxes for runs, supports, order lengths.
// Not here: cut lengths of runs (runs).
// Start with `planSpools`.
// Terms: docs/glossary.md.
export { labourHours, priceOf } from './cost.ts';
export { cutLengthCalculator, cutLengthInput } from './cut-length-calculator.ts';
export { type Allowance, cutLength, type CutLength, lengthWith } from './cut-length.ts';
export { HOURS, runHours } from './hours.ts';
export {
  cableSupports,
  hooksFor,
  ORDER_FACTOR,
  orderLength,
  planSpools,
  spoolPlan,
  type SpoolPlan,
  staplesFor,
  tiesFor,
  USUAL_SPOOL_M,
} from './spools.ts';
