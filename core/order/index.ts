// Here: what is bought and when: spools and what is cut from them, quantities, prices.
// Not here: the formulas of a single figure (calculators/order).
// Start with `solveSpools`.
// Terms: docs/glossary.md.
export { type Bill, BILL_PARTS, BILL_WASTE, type BillCause, type BillLine, type BillPart, billOf } from './bill.ts';
export {
  type CableSpools,
  type LevelSpools,
  type MadeLeads,
  offersFor,
  overBoundPercent,
  type PlannedSpool,
  planSpoolsOf,
  type Pull,
  type PulledCut,
  type SpoolLeft,
  spoolName,
  type SpoolPlanOfHouse,
  spoolsLeft,
} from './plan-spools.ts';
export { centsOf, formatCents } from './money.ts';
export { solveSpools } from './solve-spools.ts';
export type { Cut, FilledSpool, SpoolAnswer, SpoolOffer, SpoolProblem, StockSpool } from './spool-problem.ts';
