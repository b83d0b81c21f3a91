// Here: the day on site: what is pulled next and with what length, what was tested, found, photographed and changed, the inspection before
// the walls close, finding a lead again, and what measuring teaches the next plan.
// Not here: planning spools and pulls (order), rules (rules).
// Start with `crewDay`, `pullDay` and `siteInspection`.
// Terms: docs/glossary.md.
export {
  faultOfWord,
  type JudgedTest,
  judgeTest,
  recordTest,
  type TestReading,
  type TestRecord,
  testKindOf,
  testsOf,
} from './cable-tests.ts';
export { type CloseOfDay, closeOfDay, type RoomProgress } from './close-of-day.ts';
export {
  type Candidate,
  CANDIDATE_REASONS,
  type CandidateReason,
  type CableSearch,
  type Neighbour,
  searchCable,
  wallStage,
} from './find-cable.ts';
export { type FootageMarks, lengthByMarks, type MarkedLength } from './footage.ts';
export {
  alongWallOf,
  type InspectionLine,
  isFault,
  isOpen,
  lastTests,
  MOVED_M,
  movedBy,
  penetrationKey,
  recordInspection,
  signOff,
  type SigningWords,
  siteInspection,
  type SiteInspection,
  takeMeasuredPlace,
} from './inspection.ts';
export {
  type Learned,
  learnedOf,
  type MeasuredLengths,
  measuredLengths,
  takeLearnedWaste,
  type TaskHours,
  taskHours,
} from './learned.ts';
export { judgeNameplate, recordNameplate } from './nameplates.ts';
export {
  addDeviceOnSite,
  addRunOnSite,
  markSeen,
  type OnSite,
  type SiteEdit,
  substituteCable,
  substituteDevice,
  unseenChanges,
} from './on-site.ts';
export { CLOSE_M, photoCoverage, photosNear, type WallCoverage } from './photo-coverage.ts';
export { type DayPull, type DayRun, pullDay } from './pull-day.ts';
export { type PulledRecord, type PullFigure, pullFigure, recordPull } from './record-pull.ts';
export { type Card, cardKeysFor, looksLikeSecret, STEP_CARDS, stepCardsOf } from './step-cards.ts';
export { type CrewDay, crewDay, missingToBring, SAFETY_PROMPTS, type SafetyPrompt, type ToBring } from './today.ts';
export { inWalkingOrder, roomsInWalkingOrder } from './walking-order.ts';
