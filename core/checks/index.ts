// Here: the registry of checks; each is one file that turns a project into findings.
// Not here: the formulas (domain folders) and the sentences (texts workspace).
// Start with `runChecks`.
export { CHECKS, runChecks } from './registry.ts';
export { findingsOf, worstRank } from './check.ts';
export type { Check, Cure, Finding, Rank } from './check.ts';
