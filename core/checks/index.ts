// Here: the registry of checks; each is one file that turns a project into findings.
// Not here: the formulas (domain folders) and the sentences (texts workspace).
// Start with `runChecks`.
// Terms: docs/glossary.md.
export { CHECKS, FINDINGS, runChecks } from './registry.ts';
export { costAfterClosing, type CostAfter } from './cost-after.ts';
export { isLowered, judgeSetting, limitOf, settingsOf } from './settings.ts';
export { curesFor, findingsOf, worstRank } from './check.ts';
export { CHECK_STAGES } from './check.ts';
export type { Check, CheckLimit, CheckStage, Cure, DeviceCheck, Finding, HouseCheck, Rank, RunCheck } from './check.ts';
