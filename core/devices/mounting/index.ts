// Here: whether a device can be built where it stands: members, cavities, openings, weight, sight; legal places near by.
// Not here: putting it there (devices) and the way of its cable (routing).
// Start with `clashesOf`, then `legalPlaces`.
// Terms: docs/glossary.md.
export { allClashes, CLASHES_OF_DEVICE } from './all-clashes.ts';
export { type BuildablePlace, buildablePlace } from './buildable-place.ts';
export { type BlockingNeed, blockingNeeds } from './blocking.ts';
export { type Clash, CLASHES, CURED_BY_MOVING } from './clash.ts';
export { clashesOf, heightOf, rankOf } from './clashes.ts';
export { DISPLAY_REASONS, displayWalls } from './display-walls.ts';
export { loadOf, overheadRequiredN, wallRequiredN } from './fixing.ts';
export { type Guide, type Guided, guideTo } from './guides.ts';
export { legalPlaces } from './legal-places.ts';
export { type Face, faceOf, holesToFill, mountsFor, mountTypeOf, typesFitting } from './mounts.ts';
export { isOutsideWall, wallPlaceOf } from './on-wall.ts';
export { seatsOf } from './sight.ts';
export { sweepOf } from './sweep.ts';
export {
  clashesOnFace,
  type FaceGuide,
  type FacePlace,
  facePlaceOf,
  facingFrom,
  guideOnFace,
  moveOnFace,
  placeOnFace,
  roomOnSide,
  besideWall,
  inFrontOfWall,
} from './wall-face.ts';
