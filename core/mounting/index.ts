// Here: whether a device can be built where it stands: members, cavities, openings, weight, sight; legal places near by.
// Not here: putting it there (devices) and the way of its cable (routing).
// Start with `clashesOf`, then `legalPlaces`.
// Terms: docs/glossary.md.
export { CLASHES, CURED_BY_MOVING, type Clash, type ClashCode } from './clash.ts';
export { clashesOf, heightOf, rankOf } from './clashes.ts';
export { acceptsCutOut, faceOf, holesToFill, mountsFor, mountTypeOf, typesFitting, type Face } from './mounts.ts';
export { allClashes, CLASHES_OF_DEVICE, type ClashesByDevice } from './all-clashes.ts';
export { legalPlaces, type LegalPlace } from './legal-places.ts';
export { BOARD_SCREW_KG, WALL_FACTOR, OVERHEAD_FACTOR } from './fasteners.ts';
export {
  loadOf,
  overheadRequiredN,
  wallFixing,
  type Fixing,
  type Load,
} from './fixing.ts';
export { sweepOf, type Sweep } from './sweep.ts';
export { guideTo, type Guide, type Guided } from './guides.ts';
export {
  besideWall,
  clashesOnFace,
  facePlaceOf,
  guideOnFace,
  moveOnFace,
  placeOnFace,
  roomOnSide,
  type FaceGuide,
  type FaceGuideKind,
  type FacePlace,
} from './wall-face.ts';
export { isOutsideWall, wallPlaceOf } from './on-wall.ts';
export { isBlocked } from './solids.ts';
export { seatsOf, sightOf, type Sight } from './sight.ts';
export { blockingNeeds, type BlockingNeed } from './blocking.ts';
export { displayWalls, DISPLAY_REASONS, type DisplayReason, type DisplayWall } from './display-walls.ts';
export { bracketLoad, fixingLoad, lagScrew, seismicForce } from './calculators.ts';
