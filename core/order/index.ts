// Here: what is bought and when: spools and what is cut from them, quantities, prices.
// Not here: the formulas of a single figure (calculators/order).
// Start with `solveSpools`.
// Terms: docs/glossary.md.
export {
  guessPriceColumns,
  PRICE_FIELDS,
  type PriceColumns,
  type PriceField,
  pricesOfTable,
  type ReadPrices,
  takePrices,
} from './price-import.ts';
export {
  baselineOf,
  type ChangedLine,
  type ChangedRun,
  changeOf,
  nextChangeNumber,
  type ScopeChange,
  scopeChange,
} from './baselines.ts';
export { checkedDelivery, goodsOf, type GoodsState } from './goods.ts';
export { gateDay, GATE_ITEM_KINDS, type GateItem, type GateItemKind, gateItems, isLate } from './gates.ts';
export { type FlatLine, LABOR_KINDS, type LaborKind, type LaborLine, type WorkOfHouse, workOf } from './labor.ts';
export { type GroupSum, groupOffer, OFFER_GROUPINGS, type OfferGrouping } from './group-offer.ts';
export {
  type Offer,
  OFFER_GROUPS,
  type OfferGroup,
  type OfferLine,
  offerOf,
  offerSourceOf,
  type OfferSource,
  type OfferSums,
  type PriceRule,
  sumsOf,
} from './offer.ts';
export { type FoundPrice, isValidOn, priceBook, type PriceDoubt } from './price-list.ts';
export { offerOfOption, projectOfOption, tasksOfOption } from './options.ts';
export {
  type DateContradiction,
  type GateState,
  type LateItem,
  type OrderDay,
  type PermitState,
  type Schedule,
  scheduleOfJob,
} from './schedule.ts';
export { splitCents, taxOn, withMargin } from './shares.ts';
export { firstWorkingDay, lastWorkingDay, orderByDay, windowStart, workingDaysAfter, workingDaysBefore } from './working-days.ts';
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
export { applyRateCard, isApplied, ratesOf } from './rate-cards.ts';
export { openSpool } from './open-spool.ts';
