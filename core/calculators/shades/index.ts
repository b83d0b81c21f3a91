// Here: rolled diameters and torque of shades, and the sun on panes.
// Not here: pockets and placing.
// Start with `shadeRoll` and `sunOnPane`.
// Terms: docs/glossary.md.
export { shadeRoll } from './roll.ts';
export { skySeen, sunHours, sunOnPane, sunPosition } from './sun.ts';
