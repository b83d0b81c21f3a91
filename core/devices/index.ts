// Here: putting devices into the house, moving and removing them, with their runs; the generic device library.
// Not here: where the cable goes (routing) and what may be wrong (checks).
// Start with `placeDevice`.
// Terms: docs/glossary.md.
export { facingFor, snapDevice, type Snapped } from './snap.ts';
export { placeDevice, moveDevices, removeDevices, type DeviceMove, type NewIds } from './place.ts';
export {
  changeRecipe,
  checkRecipe,
  farDevice,
  nearestRack,
  runsFor,
  setSpeakerColours,
  usualLegs,
  type RecipeChange,
} from './recipe.ts';
export { alignDevices, ALIGNMENTS, type Alignment } from './align.ts';
export { deviceTitle } from './title.ts';
export { renumberTaken } from './renumber.ts';
export { CABLE_TYPES, CONDUCTOR_MAPS, FAMILY_ENDS, DEVICE_TYPES, stereoLines, TYPE_DEFAULTS } from './library/index.ts';
export { OVERLAPS, type Overlap } from '../heights/index.ts';
export { EAR_M, speakerGrid, type SpeakerGrid, type SpeakerGridInput } from './coverage.ts';
export {
  aimAt,
  alignHeights,
  applyTemplate,
  coverRoom,
  mirrorDevice,
  mirroredPlace,
  placeAll,
  placeField,
  setWallDistance,
  templateOf,
  wallDistances,
  wallDistancesAt,
  type Axis,
  type IdSource,
  type Placed,
  type WallDistance,
} from './placing.ts';
export { plateDeviceIds, withPlateMates } from './plate-mates.ts';
export { zonesOn, type ZonePart } from './zones.ts';
export { changeMap, checkMap, conductorsOf, conductorsUsed } from './conductors.ts';
export { ROOM_TEMPLATES } from './room-templates.ts';
