// Here: what follows from a project (routes, findings, schedule) kept up with its edits, and told as differences.
// Not here: working each of them out (runs, checks, documents), and the worker that this runs in (web).
// Start with `Following` on the one side and `derivedFrom` on the other.
// Terms: docs/glossary.md.
export { Following } from './following.ts';
export { heldDraft } from './held-draft.ts';
export { patchBy, patched, patchOf, type DocumentPatch } from './patch.ts';
export {
  derivedFrom,
  NOTHING_TOLD,
  plannedFrom,
  withTold,
  type Derived,
  type HeldTold,
  type Told,
  type ToldFinding,
  type ToldLists,
  type ToldRun,
  type TrunkOutlook,
} from './told.ts';
