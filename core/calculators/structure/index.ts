// Here: what may be bored of studs, joists and plates, and how wide a hole cables need.
// Not here: where routes bore (routing) and the lists for the crew (documents).
// Start with `boreLimit`, then `holesFor`.
// Terms: docs/glossary.md.
// Here: the distance that low voltage keeps from mains and other services.
// Not here: where runs lie beside mains (routing) and findings (checks).
// Start with `mainsSeparation`.
// Terms: docs/glossary.md.
export { boreCheck, holeFill, notchCheck } from './boring-calculators.ts';
export { BOARD_SCREW_KG, bracketForces, lagWithdrawal, OVERHEAD_BOARD_KG, OVERHEAD_FACTOR, WALL_FACTOR } from './fasteners.ts';
export { bracketLoad, fixingLoad, lagScrew, seismicForce } from './fixing-calculators.ts';
export { bitFor, BITS_M, bundleDiameterM, HOLE_FILL, holeForM, holesFor } from './hole-size.ts';
export { boreLimit, type BoreLimit, isOutsideSpan, needsNailPlates } from './limits.ts';
export { type CableClass, cableClassOf, keepFromMains, OPEN_CONDUCTORS_M, PARALLEL_FROM_M } from './mains.ts';
export { type Notch, notchLimit } from './notch.ts';
export { separation, SERVICE_KEEP_M } from './separation.ts';
