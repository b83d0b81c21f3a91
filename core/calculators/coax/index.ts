// Here: coax and aerials: loss, splitters, levels at outlets, amplifiers, noise, dishes, bonding.
// Not here: radio networks indoors (coverage) and what is wrong with a run (checks).
// Start with `coaxLoss` and `outletLevel`.
// Terms: docs/glossary.md.
export { bondingConductor, fieldStrength, horizon, mastSpacing, surgeBond } from './aerials.ts';
export { amplifierOutput, cascadeNoise, thermalNoise } from './amplifiers.ts';
export { coaxDbPerM, type CoaxKind, coaxLoss } from './coax-loss.ts';
export { dishAim, dishGap, lnbDrop, magneticBearing } from './dishes.ts';
export { levelUnits, outletLevel, splitterLoss } from './levels.ts';
