// Here: putting devices into the house, moving and removing them, with their runs; the generic device library.
// Not here: where the cable goes (routing) and what may be wrong (checks).
// Start with `placeDevice`.
// Terms: docs/glossary.md.
export { plannedLegs } from './data-drops.ts';
export { houseFromTemplate, houseOptions, type NewHouse } from './house-template.ts';
export { alignDevices, ALIGNMENTS } from './align.ts';
export { feedConductors, type FeedConductors, polesOf } from './feed-conductors.ts';
export { changeMap, checkMap, conductorsOf, conductorsUsed, knownMap } from './conductors.ts';
export { clipOfDevices, type CopyPlace, copyPlaces, type DeviceClip, deviceIdsIn, deviceIdsOn, pasteDevices } from './copies.ts';
export {
  followHeadEndRules,
  headEndFor,
  atHeadEnd,
  headEndLengths,
  headEndReport,
  type HeadEndReport,
  headEndRuleFor,
  type HeadEndChange,
  nearestRack,
  type RuleKey,
  setHeadEndRule,
} from './head-ends.ts';
export {
  type AddedRun,
  addRuns,
  dropPrepared,
  exchangeType,
  settlePrepared,
  redirectRun,
  removeRuns,
  type RunTarget,
  targetDevices,
  tickLeg,
  type TypeExchange,
} from './single-runs.ts';
export { type DeviceMove, moveDevices, placeDevice, removeDevices } from './place.ts';
export {
  aimAt,
  alignHeights,
  applyTemplate,
  type Axis,
  coverRoom,
  type IdSource,
  mirrorDevice,
  placeAll,
  type Placed,
  placeField,
  setWallDistance,
  templateOf,
  wallDistances,
  wallDistancesAt,
} from './placing.ts';
export { changedOnLabel, LABEL_PARTS, labelState, type LabelState, labelText } from './label-text.ts';
export { plateDeviceIds, withPlateMates } from './plate-mates.ts';
export {
  belongingsOf,
  changeRackKind,
  freeRackCode,
  missingRuns,
  moveRack,
  placeRack,
  type RackBelongings,
  type RackPlace,
  rackPlace,
} from './racks.ts';
export { changeRecipe, checkRecipe, runsFor, setSpeakerColours, usualLegs } from './recipe.ts';
export { renumberTaken } from './renumber.ts';
export { ROOM_TEMPLATES } from './room-templates.ts';
export { pairSpeakers, runSpeakersHome } from './speaker-pairs.ts';
export { snapDevice } from './snap.ts';
export { sideOfWall, tapePlace, type TapePlace, tapePlaceOf, WALL_SIDES, type WallSide, wallSide } from './tape-place.ts';
export { deviceNumber, deviceTitle } from './title.ts';
export { zonesOn } from './zones.ts';
