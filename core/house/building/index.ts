// Here: what the records of a house mean: which room a point is in, the wall beside it, heights, openings.
// Not here: cable routes (routing) and things put into the house (devices).
// Start with `buildingOf`.
// Terms: docs/glossary.md.
export { type Attachment, attachmentOf } from './attachment.ts';
export { atticContours, atticHeightAt, DRILL_M, ridgeHeight } from './attic-space.ts';
export {
  type Building,
  BUILDING,
  buildingOf,
  ceilingHeightAt,
  ceilingHeightOf,
  isSideOf,
  levelUnder,
  nearestWall,
  onOutline,
  openingsOf,
  placeName,
  roomAt,
  slopeOf,
  wallLength,
  type WallPlace,
  wallPoint,
  wallsOf,
  wallTopM,
} from './building.ts';
export {
  bayAt,
  bayMiddles,
  type Framed,
  type Framing,
  FRAMING,
  framingOf,
  type JoistLine,
  joistsOf,
  lowestJoist,
  type Span,
  spanShare,
  studsOf,
} from './framing.ts';
export { clearOutline } from './clear-outline.ts';
export { levelsFromBelow, projectBounds, riserAt } from './levels.ts';
export { nearestHeadEnd } from './nearest-head-end.ts';
export { signatureOf } from './signed-conduit.ts';
export { wallGrid, type WallGrid } from './wall-grid.ts';
export { wallNumbers } from './wall-numbers.ts';
export { wallReaches } from './wall-reach.ts';
