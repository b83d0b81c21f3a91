// Here: a room as a theatre: its seats, its picture, and how its speakers lie for every seat.
// Not here: the formulas themselves (calculators) and what may be wrong with it (rules).
// Start with `theatreOf`.
// Terms: docs/glossary.md.
export { pressureMap, type PressureMap, type PressureRoom } from './pressure-map.ts';
export { type Picture, pictureOf } from './picture.ts';
export { type Seat, seatsOf } from './seats.ts';
export { type Block, type ChannelAtSeat, type Place } from './channel-at-seat.ts';
export { type Score } from './score.ts';
export { type ChannelFigures, type SeatFigures, type Theatre, theatreOf, theatreRooms } from './theatre.ts';
export { type CandidatePlace, type LayoutProblem, type SolvedLayout, solveLayout } from './solve-layout.ts';
