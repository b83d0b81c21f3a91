// Here: every place at which the routes bore the house, for all cables that pass it, with bits, plates and who has to agree;
// and every separation that is pierced, with what closes it again.
// Not here: limits of members (boring), where one route bores (routing), the sheets (documents).
// Start with `holeSchedule`.
// Terms: docs/glossary.md.
export { boredDepthM, boredLines, holeSchedule, holeTotals, type BoredLine, type BoredPlace } from './hole-schedule.ts';
export { penetrationsOf, sealCounts, type Penetration, type SealKind } from './penetrations.ts';
