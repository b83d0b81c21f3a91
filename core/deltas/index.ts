// Here: what follows from a project (routes, findings, schedule), derived again after each edit and published as deltas.
// Not here: working each of them out (runs, rules, sheets), and the worker that this runs in (web).
// Start with `DerivedProject` on the one side and `derivedFrom` on the other.
// Terms: docs/glossary.md.
export {
  applyDelta,
  type Delta,
  type Derived,
  type DerivedFinding,
  derivedFrom,
  type DerivedLists,
  type DragDelta,
  NO_LISTS,
  plannedFrom,
} from './delta.ts';
export {
  DerivedProject,
  type HeadEndPlanQuestion,
  type HeadEndQuestion,
  type OptionOfHouse,
  type OrderOfHouse,
  type RoomSystemQuestion,
} from './derived-project.ts';
export { type EditEffects, effectsOf, hasNoEffects } from './effects.ts';
export { dragDraft } from './drag-draft.ts';
export { type DocumentPatch, patchBy, patchOf } from './patch.ts';
