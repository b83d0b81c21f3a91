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
export { HEAD_END_PARTS, type HeadEnd, type HeadEndParts, HEAD_ENDS, headEndOf, type PortBudget, SPARE } from './head-end.ts';
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
export { rfOutlets } from './rf-outlets.ts';
export { type AmplifierLoad, type PoeUse, type RecorderUse, type SupplyUse } from './uses.ts';
