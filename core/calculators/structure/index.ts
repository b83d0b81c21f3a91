// Here: what may be bored and notched, distance from mains, fasteners.
// Not here: where routes bore (routing, pathways).
// Start with `boreLimit`.
// Terms: docs/glossary.md.
export { boreCheck } from './bore-limit.ts';
export { bracketLoad } from './bracket-load.ts';
export { BOARD_SCREW_KG, bracketForces, lagWithdrawal, OVERHEAD_BOARD_KG, OVERHEAD_FACTOR, WALL_FACTOR } from './fasteners.ts';
export { fixingLoad } from './fixing-load.ts';
export { holeFill } from './hole-fill.ts';
export { bitFor, BITS_M, bundleDiameterM, HOLE_FILL, holeForM, holesFor } from './hole-size.ts';
export { lagScrew } from './lag-screw.ts';
export { boreLimit, type BoreLimit, isOutsideSpan, needsNailPlates } from './limits.ts';
export { type CableClass, cableClassOf, keepFromMains, OPEN_CONDUCTORS_M, PARALLEL_FROM_M } from './mains.ts';
export { notchCheck } from './notch-limit.ts';
export { type Notch, notchLimit } from './notch.ts';
export { seismicForce } from './seismic-force.ts';
export { separation, SERVICE_KEEP_M } from './separation.ts';
