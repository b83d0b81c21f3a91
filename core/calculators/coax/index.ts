// Here: antennas, dishes, coax, amplifiers, levels and their protection.
// Not here: findings about coax (rules).
// Start with `coaxLoss`.
// Terms: docs/glossary.md.
export { mastSpacing } from './aerial-spacing.ts';
export { amplifierOutput } from './amplifier-output.ts';
export { bondingConductor } from './bonding-conductor.ts';
export { cascadeNoise } from './cascade-noise.ts';
export { coaxDbPerM, type CoaxKind, coaxLoss, SATELLITE_MHZ } from './coax-loss.ts';
export { dishAim } from './dish-aim.ts';
export { dishGap } from './dish-gap.ts';
export { fieldStrength } from './field-strength.ts';
export { levelUnits } from './level-units.ts';
export { lnbDrop } from './lnb-drop.ts';
export { magneticBearing } from './magnetic-bearing.ts';
export { outletLevel } from './outlet-level.ts';
export { horizon } from './radio-horizon.ts';
export { splitterLoss } from './splitter-loss.ts';
export { surgeBond } from './surge-bond.ts';
export { thermalNoise } from './thermal-noise.ts';
export { transmitterBearing } from './transmitter-bearing.ts';
export { PASSIVES, WINDOWS } from './passives.ts';
