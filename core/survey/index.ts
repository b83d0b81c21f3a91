// Here: drawing and editing the house with all that follows (rooms, openings, devices carried along), what is known of it.
// Not here: cable ways through it (routing) and what may be wrong with it (checks).
// Start with `drawWalls`, then `settleHouse`.
// Terms: docs/glossary.md.
export { refitRooms } from './refit-rooms.ts';
export { CORNER_TOLERANCE_M, sameOutline, wallFaces } from './wall-faces.ts';
export { levelAreas, wallFootprint, type LevelAreas } from './level-areas.ts';
export { settleHouse } from './settle.ts';
export {
  drawWalls,
  moveWalls,
  placeWall,
  removeWalls,
  SHORTEST_WALL_M,
  splitWall,
  WALL_BUILDS,
  type NewId,
  type WallBuild,
  type WallGrip,
} from './walls.ts';
export { FEATURE_GROUPS, FEATURE_MAKES, featureMake, usualSize, type FeatureGroup, type FeatureMake } from './feature-kinds.ts';
export { snapDrawing, type Snap, type SnapKind, type SnapSources } from './snap-drawing.ts';
export { planScale, planScaleInput, type PlanScale } from './plan-scale.ts';
export { levelAlignment, levelAlignmentInput, type LevelAlignment } from './level-alignment.ts';
export { moveLevel, sharedPoints } from './align-levels.ts';
export { bayAt, joistsOf, studsOf, type Framed, type JoistLine } from '../building/index.ts';
export { CRAWL_M, KNEEL_M, STAND_M, atticHeight, atticHeightInput, type AtticHeight } from './attic.ts';
export { atticContours, atticHeightAt, DRILL_M, ridgeHeight, type AtticContour } from '../building/index.ts';
export { answerFact, factOf, missingThings, surveyQuestions, type MissingThing, type SurveyQuestion } from './questions.ts';
export { featureBox, surveyHit, type SurveyHit, type SurveyKind } from './hit.ts';
export {
  alignFeatures,
  arrayMotions,
  clipBounds,
  clipOf,
  distributeFeatures,
  EDGES,
  mirrorMotion,
  moveFeatures,
  paste,
  type Clip,
  type Edge,
  type Motion,
} from './arrange.ts';
export { facedSide, heightsOf, mountingDepth, mountOf, type Heights, type MountingDepth, type WallSide } from './heights.ts';
export { cornersOf, fromTwoCorners, TAPED_KINDS, type Corner, type CornerDimensions } from './corner-dimensions.ts';
export { ANCHOR_CAUTIONS, anchoringIn, ANCHORS, type Anchoring } from './anchors.ts';
export { correctionsOf, type Correction } from './trade-marks.ts';
export { sameKind } from './same-kind.ts';
export { drawingPlace } from './drawing-place.ts';
export { wallsFromProposals } from './walls-from-proposals.ts';
export { wallElevation, wallsAround, type SeenWall, type WallElevation } from './elevation.ts';
export { openingFits, placeOpening, removeOpenings } from './openings.ts';
export { onlyOutlines, resettle } from './resettle.ts';
