// Here: a room as a theatre: its seats, its picture, its projectors, how its speakers lie for every seat, and its low frequencies.
// Not here: the formulas themselves (calculators) and what may be wrong with it (rules).
// Start with `theatreOf`.
// Terms: docs/glossary.md.
export { aimOf } from './aim.ts';
export { type BassRoom, intoBox, ontoPlan, type SeatOnNode } from './bass-room.ts';
export { type Block, type ChannelAtSeat, type ChannelWindow, type Place } from './channel-at-seat.ts';
export { type ChannelFigures, type ChannelSeat, mainAngleDeg, type PairFigures } from './channel-figures.ts';
export { type DesignedChannel, designTheatre, designingTheatre, type TheatreDesign } from './design.ts';
export { fromMiddle, offPlan, onPlan } from './middle-line.ts';
export { type Picture, pictureOf } from './picture.ts';
export { pressureMap, type PressureMap, type PressureRoom } from './pressure-map.ts';
export { lensAt, placeForAll, projectedWidthM, type Projection, shiftUsedOf } from './projection.ts';
export { type RoomSound } from './room-sound.ts';
export { type Score } from './score.ts';
export { ROW_CLEARANCE_M, type SeatFigures } from './seat-figures.ts';
export { type Seat, seatsOf, weightsOfUse } from './seats.ts';
export { type CandidatePlace, type LayoutProblem, type SolvedLayout, solveLayout } from './solve-layout.ts';
export { speakersOf, type Theatre, theatreOf, theatreRooms, THEATRES } from './theatre.ts';
export {
  evennessOf,
  levelsDb,
  type Response,
  responsesOf,
  type SubwooferChoice,
  subwooferChoices,
  usualSubwooferPlaces,
} from './bass.ts';
export { fitLens, fitScreen, type ScreenWish, widthOfDiagonal } from './fit-types.ts';
export { shiftInTheatre, type TheatreShift, type TheatreThing } from './moves.ts';
export { type BassAdvice, bassAdvice } from './bass-advice.ts';
export { boxOn, flatOf, frameOf, type Inside, outlineOn, pictureCorners, type TheatreFrame, type TheatreView } from './frame.ts';
export { type CalibratedChannel, calibrationOf } from './calibration.ts';
export { type Reflection, reflectionsOf } from './reflections.ts';
export { footprintsOf } from './footprints.ts';
export { type FrontLead, type FrontWall, frontWallOf, LEAD_WITHIN_M } from './front-wall.ts';
export { type ModeFigures, modesOf, switchMode, type TheatreMode } from './modes.ts';
export { PROJECTOR_AIR_M, type ProjectorMount, projectorMounts } from './projector-mount.ts';
