// Here: what every room gets and why: answers, prompts, cost, open decisions, the builder's package, the walk.
// Not here: putting devices into rooms (devices) and whether they can be built there (mounting).
// Start with `answerCell`, then `requirementsOf`.
// Terms: docs/glossary.md.
export { comparePackage, type PackageDifference, readPackage } from './builders-package.ts';
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
export { briefCost, costOfAnswer } from './cost.ts';
export { openDecisions, WAITING } from './decisions.ts';
export {
  acceptAnswers,
  againstBrief,
  answeringDevices,
  type ProposedAnswer,
  proposedAnswers,
  requirementsOf,
  wantedDevices,
} from './requirements.ts';
export { ROOM_USES, TOPIC_RULES, topicsAsked, typesFor } from './topics.ts';
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
