// Here: rolled diameters and torque of shades, and the sun on panes.
// Not here: pockets and placing.
// Start with `shadeRoll` and `sunOnPane`.
// Terms: docs/glossary.md.
export { shadeRoll } from './roll.ts';
export { skySeen } from './sky-seen.ts';
export { sunHours } from './sun-hours.ts';
export { sunOnPane } from './sun-on-pane.ts';
export { sunPosition } from './sun-position.ts';
