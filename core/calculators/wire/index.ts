// Here: the conductor itself: resistance, sizes, bends, pull.
// Not here: findings about cable (rules).
// Start with `wireResistance`.
// Terms: docs/glossary.md.
export { bendRadius } from './bend-radius.ts';
export { materialAllowed } from './conductor-material.ts';
export { areaMm2Of, judgeMaterial, WIRE_USES } from './conductors.ts';
export { parallelConductors } from './parallel-conductors.ts';
export { pullLimit } from './pull-limit.ts';
export { wireResistance, wireResistanceCalculator, wireResistanceInput } from './wire-resistance.ts';
export { wireSizes } from './wire-sizes.ts';
