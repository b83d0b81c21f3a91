// Here: what ends at a head end, the equipment for it, where it stands, ports and cords, power and heat, and what stops when one thing fails.
// Not here: formulas (calculators), and what may be wrong (rules).
// Start with `HEAD_ENDS` and `designHeadEnd`.
// Terms: docs/glossary.md.
export {
  arranged,
  boardM,
  fromTop,
  type EquipmentPlace,
  HOT_W,
  insideHeightM,
  isLoose,
  isRackMounted,
  isBeside,
  isWallHung,
  shelfUnits,
} from './arrange.ts';
export { type Assignment, assignPorts, cordM } from './assign.ts';
export {
  chooseEnclosure,
  connectAll,
  designHeadEnd,
  type DesignOptions,
  ENCLOSURE_HEAT_W,
  type EnclosureChoice,
  type EnclosureReason,
  ENCLOSURES,
  freeName,
  type HeadEndDesign,
  type NewHeadEndId,
  presetsFor,
  USUAL_DESIGN,
  wantedPresets,
} from './design.ts';
export { deepest, doublePorts, tooHot, type Overlap, overlaps, weakPanels } from './faults.ts';
export { type Hop, otherEnd, type PortPlace, reachedFrom } from './flow.ts';
export { type HeadEnd, HEAD_ENDS, headEndOf, type PortBudget, SPARE } from './head-end.ts';
export { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
export { RUN_LOADS, type RunLoad } from './run-loads.ts';
export {
  type LocalSource,
  pathGbps,
  type PathLack,
  type PathMethod,
  SIGNAL_TABLE,
  type SignalCell,
  type SignalTable,
  type Sink,
} from './signal-paths.ts';
export { SPEAKER_GROUPS, type SpeakerGroup, type ZoneChannel, type ZoneRow, zoneRows, zonesByRoom } from './zones.ts';
export {
  EQUIPMENT_FIELDS,
  type EquipmentColumns,
  type EquipmentField,
  equipmentFromTable,
  equipmentOfTable,
  type EquipmentTable,
  guessEquipmentColumns,
  isEquipmentTable,
} from './equipment-table.ts';
export { EQUIPMENT_PRESETS, type EquipmentPreset, PANEL_M, newEquipment, presetOf } from './library.ts';
export { type Removed, type Stopped, whatStops } from './lost.ts';
export { categoryOf, isAtLeast, needOf, type RunNeed } from './needs.ts';
export { type CordCount, cordCounts, type PatchRow, patchRows } from './patch-schedule.ts';
export { circuitOf, type CircuitUse, type FeedUse, fedBy, type HeadEndPower, type UpsUse } from './power.ts';
export { type HeadEndPlan, type HeadEndPlanHow, moveRunToPort, planHeadEnd } from './plan.ts';
export { type Port, portAt, portKey, portsOf, takesRuns } from './ports.ts';
export {
  MOST_OUTLETS,
  type RfLevel,
  type RfNode,
  type RfOutlet,
  type RfPlan,
  type RfService,
  type RfSource,
  solveRf,
} from './rf.ts';
export {
  type BusUse,
  busUses,
  type ControlBy,
  type ControlPath,
  controlPathsOf,
  isControlled,
  restartOrder,
  type SceneLack,
  sceneLacks,
  watchList,
} from './control.ts';
export {
  type AlarmPlan,
  alarmPlans,
  type SecurityOutput,
  type SecurityZone,
  type ZoneMeaning,
  type ZoneSensor,
  type ZoneTest,
} from './security.ts';
export { CONTACTS_PER_ZONE, putOnZone } from './shared-zones.ts';
export {
  onwardRf,
  RF_LEVELS,
  type RfEnd,
  type RfLevels,
  type RfReach,
  type RfStep,
  rfTree,
  type RfTreeStep,
} from './rf-levels.ts';
export { type BondPath, bondPaths, type BondStep } from './bond-paths.ts';
export { planRf, type RfChange } from './rf-plan.ts';
export { rfOutlets } from './rf-outlets.ts';
export { type AmplifierLoad, type PoeUse, type RecorderUse, type SupplyUse, blockOhm } from './uses.ts';
export { type Aim, aimOf, obstacleAt } from './aim.ts';
export {
  CLOSET_ITEMS,
  type ClosetItem,
  equipmentRoom,
  type EquipmentRoom,
  type FamilyEntry,
  type FramerOpening,
  type OnWall,
  openingFor,
  type RoomWall,
} from './equipment-room.ts';
export { type Shortfall, shortfalls } from './shortfall.ts';
export { type HeadEndChoice, headEndChoices } from './choices.ts';
export { planRoomSystem, ROOM_SYSTEMS, type RoomSystem, type RoomSystemKind } from './room-system.ts';
export { portsAfter } from './new-run-ports.ts';
export {
  type ComparedPort,
  comparePorts,
  type PlannedPort,
  plannedPorts,
  type PortFault,
  readAsPlanned,
  type SwitchFault,
  withFaults,
} from './switch-ports.ts';
