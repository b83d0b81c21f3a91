// Here: what a cable run is made of: its number, its length, its bundle, its kept route against the wanted one.
// Not here: finding the route (routing) and electrical checks (checks).
// Start with `planRuns`.
// Terms: docs/glossary.md.
export { setRackSlack, slackStyleOf, usualRackSlackM } from './allowance.ts';
export { bundleByRoute, bundleCodes, BUNDLES, bundlesOf, MAX_IN_BUNDLE } from './bundles.ts';
export { bundleFor } from './bundling.ts';
export { coaxKindOf } from './coax-kind.ts';
export { throughPoint } from './by-hand.ts';
export { filledIn } from './calculator-inputs.ts';
export { proposeSharedRoutes } from './find-shared-routes.ts';
export {
  firstFreeNumber,
  freeLeg,
  numberScheme,
  OUTDOORS_CODE,
  reserveBlock,
  runNumberFor,
  spendNumber,
  takenNumbers,
} from './numbering.ts';
export { pathwaysToOpen } from './open-pathway.ts';
export {
  choicesOf,
  compareNumbers,
  endOfDevice,
  holesOfRun,
  inNumberOrder,
  isKept,
  isPulled,
  keptRoute,
  NUMBER_ORDER,
  PLANNED_RUN,
  PLANNED_RUNS,
  plannedRun,
  type PlannedRun,
  planRuns,
  ROUTE_OF_RUN,
  routeNetwork,
  sharedLoads,
} from './plan-runs.ts';
export { cutFromSpool, flatPriceOf, runCost, type RunCost } from './run-cost.ts';
export { RUNS_HANGING, runsHangingOn, speakerSplitOf, type SpeakerSplit } from './speaker-split.ts';
export { renumberScheme, type SchemePreview } from './renumber-scheme.ts';
export { decideKept, type RouteOf, runState, proposedRoutes } from './run-state.ts';
export { TYPE_OF_DEVICE } from './type-of-device.ts';
export { RUNS_BY_DEVICE, RUNS_OF_DEVICE, runsByDevice } from './runs-by-device.ts';
