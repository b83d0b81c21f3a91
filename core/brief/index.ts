// Here: what every room gets and why: answers, prompts, cost, open decisions, the builder's package, the walk.
// Not here: putting devices into rooms (devices) and whether they can be built there (mounting).
// Start with `answerCell`, then `requirementsOf`.
// Terms: docs/glossary.md.
export { ROOM_USES, TOPIC_RULES, topicsAsked, typesFor, type ThresholdUnit, type TopicRule } from './topics.ts';
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
  usualCount,
  type BriefPrompt,
} from './cells.ts';
export { againstBrief, answeringDevices, requirementsOf, type Requirement } from './requirements.ts';
export { briefCost, costOfAnswer, costOfType, NO_COST, sumCosts, type AnswerCost } from './cost.ts';
export { openDecisions, WAITING, supersetOf, type DecisionState, type SupersetCable } from './decisions.ts';
export { comparePackage, readPackage, type PackageComparison, type PackageDifference } from './builders-package.ts';
export { tellWalk, walkDifferences, walkingOrder, walkResultOf, type WalkDifference } from './walk.ts';
