// Here: the registry of checks; each is one file that turns a project into findings.
// Not here: the formulas (domain folders) and the sentences (texts workspace).
// Start with `runChecks`.
// Terms: docs/glossary.md.
export {
  type Check,
  CHECK_STAGES,
  type CheckLimit,
  type CheckStage,
  type Cure,
  curesFor,
  type Finding,
  findingsOf,
  type Rank,
} from './check.ts';
export { type UnlabelledEnd, unlabelledEnds } from './ends-labelled.ts';
export { type CostAfter, costAfterClosing } from './cost-after.ts';
export { warmLinkM } from './data-length.ts';
export { CHECKS, FINDINGS, runChecks } from './registry.ts';
export { isLowered, judgeSetting, settingsOf } from './settings.ts';
export * from './marks/index.ts';
