// Here: what every room and outdoor area gets and why: answers, prompts, cost, open decisions, the builder's package, the walk.
// Not here: putting devices into rooms (devices) and whether they can be built there (mounting).
// Start with `answerCell`, then `requirementsOf`.
// Terms: docs/glossary.md.
export {
  comparePackage,
  type PackageComparison,
  type PackageDifference,
  type PackageWork,
  readPackage,
} from './builders-package.ts';
export {
  answerCell,
  briefOf,
  briefPrompts,
  cellOf,
  copyAnswers,
  fillRest,
  notDiscussed,
  signRoom,
  tellRoom,
  withdrawSignature,
} from './cells.ts';
export { briefCost, costOfType, costOfAnswer } from './cost.ts';
export { type DecisionState, openDecisions, WAITING } from './decisions.ts';
export { prepareDecision, preparedState, type PreparedState, reopenDecision, takeOption } from './prepared-decisions.ts';
export {
  acceptAnswers,
  againstBrief,
  answeringDevices,
  DEVICES_BY_AREA,
  devicesIn,
  type ProposedAnswer,
  proposedAnswers,
  requirementsOf,
  wantedDevices,
} from './requirements.ts';
export {
  addOutdoorAreas,
  type BriefPlace,
  type NewArea,
  isOutdoors,
  placeFields,
  placeIdOf,
  placeOf,
  placesOf,
} from './places.ts';
export { canBeChannel, channelsOf, compareLayout, LAYOUTS, typeForChannel } from './surround.ts';
export { ROOM_USES, TOPIC_RULES, topicsAsked, topicsOf, typesFor } from './topics.ts';
export {
  deviceWalkOf,
  recordDeviceWalk,
  recordWalk,
  type WalkDifference,
  walkDifferences,
  walkingOrder,
  walkResultOf,
} from './walk.ts';
export { addWalkPlace, WALK_PLACES, type WalkArea, type WalkPlace } from './walk-places.ts';
export { channelCode } from './channel-code.ts';
