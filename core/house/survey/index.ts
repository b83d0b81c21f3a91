// Here: what is known of the house: elevations, heights, footprints, what lies under the pointer, what to ask on site.
// Not here: editing it (survey).
// Start with `wallElevation` and `surveyQuestions`.
// Terms: docs/glossary.md.
export { ANCHOR_CAUTIONS, anchoringIn, ANCHORS } from './anchors.ts';
export { cornersOf, fromTwoCorners, TAPED_KINDS } from './corner-dimensions.ts';
export { wallElevation, type WallElevation, wallsAround } from './elevation.ts';
export { FEATURE_GROUPS, FEATURE_MAKES, type FeatureGroup, featureMake, type FeatureMake, usualSize } from './feature-kinds.ts';
export { facedSide, heightsOf, mountingDepth, mountOf, type WallSide } from './heights.ts';
export { featureBox, surveyHit, type SurveyHit } from './hit.ts';
export { levelAreas, wallFootprint } from './level-areas.ts';
export {
  AREA_NAME_OF_DEVICE,
  AREA_OF_DEVICE,
  areaOfDevice,
  OUTDOOR_AREAS,
  OUTDOOR_DEVICES,
  outdoorAreaAt,
  outdoorAreas,
} from './outdoor-areas.ts';
export { answerFact, factOf, missingThings, type SurveyQuestion, surveyQuestions } from './questions.ts';
export { type Snap, snapDrawing } from './snap-drawing.ts';
export { byId, CORNER_TOLERANCE_M, keyOf, outlineOf, sameOutline, wallFaces } from './wall-faces.ts';
