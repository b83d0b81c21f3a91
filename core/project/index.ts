// Here: the records of a project, the document they make, and changes to it (apply, reverse, undo).
// Not here: what the records mean to the job (building, devices, runs) and where they are stored.
// Start with `ProjectDocument`, then `Change`.
// Terms: docs/glossary.md.
export { FARTHEST_M, HIGHEST_M } from './fields.ts';
export { CLEAN_TEXT, cleanText, MAX_DEPTH, textProblem } from './text-rules.ts';
export {
  boundsProblem,
  checkBounds,
  countProblem,
  LEVEL_SPAN_M,
  MAX_FLOOR_AREA_M2,
  MAX_RECORDS,
  MAX_ROOM_AREA_M2,
  mayBreakBounds,
  type HouseLists,
} from './bounds.ts';
export * from './records.ts';
export * from './survey-records.ts';
export * from './library-records.ts';
export * from './brief-topics.ts';
export * from './brief-records.ts';
export {
  newDevice,
  newRun,
  newFeature,
  newLevel,
  newOpening,
  newRack,
  newRiser,
  newRoom,
  newUnderlay,
  newWall,
  ROOM_DEFAULTS,
  WALL_DEFAULTS,
} from './defaults.ts';
export { COLLECTIONS, COLLECTION_NAMES, type CollectionName, type RecordOf } from './collections.ts';
export { emptyDocument, newHeader, tableFrom, type ProjectDocument, type TableOf } from './document.ts';
export {
  applyChange,
  changeSchema,
  problemOfIssue,
  resultOf,
  reverseOperations,
  sameItems,
  sameValue,
  type Change,
  type FieldConflict,
  type Operation,
} from './change.ts';
export { create, remove, removeWithDependants, update, updateProject } from './operations.ts';
export { daysBefore, daysBetween, gateDate } from './dates.ts';
export { checkIntegrity } from './integrity.ts';
export { emptyHistory, redoStep, remember, undoStep, type History, type HistoryEntry, type Step } from './history.ts';
export { idFrom, shortIdFrom, type RandomSource } from './ids.ts';
export {
  CONSTRUCTIONS,
  PIERCED,
  RULE_KINDS,
  RULE_TARGETS,
  SEAL_STATES,
  WEIGHT_NAMES,
  type Construction,
  type NumberBlock,
  type Pierced,
  type RouteRule,
  type Seal,
  type SealState,
  type SpentNumber,
  type Trunk,
  type WaySign,
  type WeightName,
} from './routing-records.ts';
export { RANKS, type FindingMark, type KeptCalculation, type RuleSetting } from './check-records.ts';
