// Here: every place at which the routes bore the house, for all cables that pass it, with bits, plates and who has to agree;
// and every separation that is pierced, with what closes it again.
// Not here: limits of members (boring), where one route bores (routing), the sheets (documents).
// Start with `holeSchedule`.
// Terms: docs/glossary.md.
export { boredDepthM, type BoredLine, boredLines, type BoredPlace, holeSchedule, holeTotals } from './hole-schedule.ts';
export { constructionOf, factorsOf, type PullingWork, pullingWork } from './pulling-work.ts';
export { type TidyRoutes, tidyRoutes } from './tidy-routes.ts';
export { type Penetration, penetrationsOf, sealCounts } from './penetrations.ts';
