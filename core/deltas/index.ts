// Here: what follows from a project (routes, findings, schedule) kept up with its edits, and told as differences.
// Not here: working each of them out (runs, checks, documents), and the worker that this runs in (web).
// Start with `Following` on the one side and `derivedFrom` on the other.
// Terms: docs/glossary.md.
export { Following } from './following.ts';
export { heldDraft } from './held-draft.ts';
export { type DocumentPatch, patchBy, patchOf } from './patch.ts';
export {
  type Derived,
  derivedFrom,
  type HeldTold,
  NOTHING_TOLD,
  plannedFrom,
  type Told,
  type ToldFinding,
  type ToldLists,
  type TrunkOutlook,
  withTold,
} from './told.ts';
