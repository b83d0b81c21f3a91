// Here: what a cable run is made of: its number, its length, its bundle, its kept route against the wanted one.
// Not here: finding the way (routing) and electrical checks (checks).
// Start with `planRuns`.
// Terms: docs/glossary.md.
export { cutLength, LENGTH_STEP_M, type Allowance, type CutLength } from './cut-length.ts';
export { allowanceOf, setRackSlack, slackStyleOf, usualRackSlackM } from './allowance.ts';
export {
  firstFreeNumber,
  formatRunNumber,
  numberScheme,
  OUTDOORS_CODE,
  reserveBlock,
  runNumberFor,
  spendNumber,
  takenNumbers,
} from './numbering.ts';
export { renumberScheme, type Renumbered, type SchemeOutlook } from './renumber-scheme.ts';
export { throughPoint } from './by-hand.ts';
export { bundleFor } from './bundling.ts';
export { bundleByWay, BUNDLES, bundlesOf, MOST_IN_BUNDLE, sharedM, type Bundle } from './bundles.ts';
export {
  choicesOf,
  compareNumbers,
  endOfDevice,
  holesOfRun,
  isKept,
  inNumberOrder,
  keptRoute,
  NUMBER_ORDER,
  PLANNED_RUN,
  PLANNED_RUNS,
  plannedRun,
  planRuns,
  routeNetwork,
  sharedWays,
  ROUTE_OF_RUN,
  rulesOf,
  type PlannedRun,
} from './plan-runs.ts';
export { decideKept, runState, waysOf, type StateChoice, type WayOf } from './run-state.ts';
export { waysToOpen, type OpenedWay } from './open-a-way.ts';
export { proposeTrunks, type TrunkProposal } from './find-trunks.ts';
export { RUNS_BY_DEVICE, RUNS_OF_DEVICE, runsByDevice } from './runs-by-device.ts';
