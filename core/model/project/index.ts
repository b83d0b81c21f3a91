// Here: the records of a project, the project they make, and changes to it (apply, reverse, undo).
// Not here: what the records mean to the job (building, devices, runs) and where they are stored.
// Start with `ProjectDocument`, then `Change`.
// Terms: docs/glossary.md.
export {
  boundsProblem,
  checkBounds,
  countProblem,
  type HouseLists,
  LEVEL_SPAN_M,
  MAX_FLOOR_AREA_M2,
  MAX_RECORDS,
  MAX_ROOM_AREA_M2,
  mayBreakBounds,
} from './bounds.ts';
export {
  type Answer,
  ANSWERS,
  type BriefCell,
  type Compromise,
  conductorMap,
  type ConductorMap,
  type Group,
  GROUP_KINDS,
  type GroupKind,
  HABIT_USE,
  type OpenDecision,
  type PackageLine,
  type Plate,
  PLATE_OPENINGS,
  type RoomBrief,
  type RoomTemplate,
  TRADE_GATES,
  type TradeGate,
  WALK_RESULTS,
  type WalkResult,
} from './brief-records.ts';
export { BRIEF_TOPICS, type BriefTopic } from './brief-topics.ts';
export {
  applyChange,
  type Change,
  changeSchema,
  type FieldConflict,
  type Operation,
  problemOfIssue,
  resultOf,
  reverseOperations,
  sameItems,
  sameValue,
} from './change.ts';
export { type FindingMark, type KeptCalculation, RANKS, type RuleSetting } from './check-records.ts';
export { COLLECTION_NAMES, type CollectionName, COLLECTIONS, type RecordOf } from './collections.ts';
export { daysBefore, daysBetween, gateDate } from './dates.ts';
export {
  newDevice,
  newFeature,
  newLevel,
  newOpening,
  newRack,
  newRiser,
  newRoom,
  newRun,
  newUnderlay,
  newWall,
  LEVEL_DEFAULTS,
  WALL_DEFAULTS,
} from './defaults.ts';
export { emptyProject, newHeader, type ProjectDocument, tableFrom } from './project-document.ts';
export { FARTHEST_M, HIGHEST_M } from './fields.ts';
export { emptyHistory, type History, redoStep, remember, undoStep } from './history.ts';
export { idFrom, shortIdFrom } from './ids.ts';
export { checkIntegrity } from './integrity.ts';
export {
  BOX_KINDS,
  type BoxKind,
  cableType,
  type CableType,
  deviceType,
  type DeviceType,
  JACKET_RATINGS,
  type Leg,
  LEG_ENDS,
  type MountName,
  MOUNTS,
  PARTS,
  type SystemName,
  SYSTEMS,
} from './library-records.ts';
export { create, remove, removeWithDependants, update, updateProject } from './operations.ts';
export {
  CEILING_KINDS,
  type Device,
  FITTINGS,
  FRAMINGS,
  JURISDICTIONS,
  type Level,
  type Medium,
  type Opening,
  OPENING_KINDS,
  PICTURE_TYPES,
  projectHeader,
  type ProjectHeader,
  type HeadEndRule,
  type Rack,
  type RackEntry,
  type RackKind,
  RACK_ENTRIES,
  RACK_KINDS,
  RACK_SLACKS,
  type Riser,
  type Room,
  type Route,
  type Run,
  RUN_STATES,
  type RunState,
  SLACK_STYLES,
  type SlackStyle,
  SPEAKER_COLOURS,
  SPEAKER_PAIRS,
  STUD_MATERIALS,
  type Underlay,
  type Wall,
  WALL_KINDS,
  type WallKind,
  WISHES,
} from './records.ts';
export {
  type Construction,
  CONSTRUCTIONS,
  type Pierced,
  PIERCED,
  type RouteRule,
  type Seal,
  SEAL_STATES,
  type SharedRoute,
  type FloorConduitSign,
  WEIGHT_NAMES,
  type WeightName,
} from './routing-records.ts';
export {
  CONDITIONS,
  type Decision,
  DECISIONS,
  type Fact,
  FACT_STATES,
  type FactState,
  type Feature,
  FEATURE_KINDS,
  type FeatureKind,
  type FramingMember,
  HEIGHT_EDGES,
  NEUTRALS,
  type Substrate,
  SUBSTRATES,
  WAY_KINDS,
} from './survey-records.ts';
export { CLEAN_TEXT, MAX_DEPTH, textProblem } from './text-rules.ts';
