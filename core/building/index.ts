// Here: what the records of a house mean: which room a point is in, the wall beside it, heights, openings.
// Not here: cable routes (routing) and things put into the house (devices).
// Start with `buildingOf`.
export {
  buildingOf,
  ceilingHeightAt,
  ceilingHeightOf,
  isSideOf,
  nearestWall,
  onOutline,
  openingsOf,
  roomAt,
  slopeOf,
  wallLength,
  wallPoint,
  type Building,
  type WallPlace,
} from './building.ts';
export { attachmentOf, type Attachment } from './attachment.ts';
export { wallReaches } from './wall-reach.ts';
export { levelsFromBelow, projectBounds } from './levels.ts';
