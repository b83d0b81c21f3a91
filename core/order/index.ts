// Here: what is bought and when: spools and what is cut from them, quantities, prices.
// Not here: the formulas of a single figure (calculators/order).
// Start with `solveSpools`.
// Terms: docs/glossary.md.
export { normalQuantile } from './confidence.ts';
export { solveSpools } from './solve-spools.ts';
export type { Cut, FilledSpool, SpoolAnswer, SpoolOffer, SpoolProblem, StockSpool } from './spool-problem.ts';
