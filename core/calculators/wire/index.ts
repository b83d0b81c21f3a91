// Here: the copper itself: resistance by gauge, speaker cable loss and limits.
// Not here: findings about runs (checks).
// Start with `speakerCableLoss`.
// Terms: docs/glossary.md.
export {
  areaMm2Of,
  bendRadius,
  judgeMaterial,
  materialAllowed,
  parallelConductors,
  pullLimit,
  WIRE_USES,
  wireSizes,
} from './conductors.ts';
export { wireResistance, wireResistanceInput } from './wire-resistance.ts';
