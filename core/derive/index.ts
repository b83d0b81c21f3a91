// Here: the engine that keeps what follows from a project up with its edits: nodes that declare what they read, and the
// derivations of a project in one state on one day, which remember. Nothing outside this folder remembers anything.
// Not here: any of what is derived. Start with `whole` and `each`, then `Derivations`; docs/how-it-works.md has an example.
// Terms: docs/glossary.md.
export { deltaBetween, Derivations, derivationsOf, derivationsOn, guardEveryNode, type Step, type Steps } from './derivations.ts';
export {
  each,
  lookup,
  whole,
  type AnyNode,
  type Each,
  type Keyed,
  type Last,
  type Reading,
  type RecordRef,
  type TableName,
  type Whole,
} from './node.ts';
export { changedBetween } from './rows.ts';
export { once, Remembered } from './remembered.ts';
export {
  byLevel,
  edited,
  grouped,
  listOf,
  onLevel,
  partOf,
  pickedFrom,
  withoutRecords,
  withRecords,
  type Groups,
  type LevelCollection,
} from './tables.ts';
export { touchedBy, type Touched } from './touched.ts';
