// Here: what the records of a house mean: which room a point is in, the wall beside it, heights, openings.
// Not here: cable routes (routing) and things put into the house (devices).
// Start with `buildingOf`.
// Terms: docs/glossary.md.
export {
  BUILDING,
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
  wallTopM,
  type Building,
  type WallPlace,
} from './building.ts';
export { attachmentOf, type Attachment } from './attachment.ts';
export {
  atticContours,
  atticHeightAt,
  DRILL_M,
  ridgeHeight,
  type AtticContour,
} from './attic-space.ts';
export {
  bayAt,
  FRAMING,
  framingOf,
  joistsOf,
  spanShare,
  studsOf,
  type Framed,
  type Framing,
  type JoistLine,
  type Span,
} from './framing.ts';
export { wallGrid, type WallGrid } from './wall-grid.ts';
export { levelUnder, placeName, wallsOf } from './building.ts';
export { wallReaches } from './wall-reach.ts';
export { levelsFromBelow, projectBounds } from './levels.ts';
export { signatureOf } from './signed-way.ts';
