// Here: the engine that keeps what follows from a project up with its edits: nodes that declare what they read, and the
// derivations of a project in one state on one day, which remember. Nothing outside this folder remembers anything.
// Not here: any of what is derived. Start with `whole` and `each`, then `Derivations`; docs/how-it-works.md has an example.
// Terms: docs/glossary.md.
export { Derivations, derivationsOf, derivationsOn, finished, guardEveryNode, type Steps } from './derivations.ts';
export { type AnyNode, each, type Each, type Keyed, lookup, type Reading, type TableName, whole } from './node.ts';
export { once, Remembered } from './remembered.ts';
export { changedBetween, patchedMap } from './rows.ts';
export { byLevel, edited, grouped, listOf, onLevel, partOf, pickedFrom, withoutRecords, withRecords } from './tables.ts';
export { type Touched, touchedBy } from './touched.ts';
