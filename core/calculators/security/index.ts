// Here: loops of contacts, end-of-line resistors, standby batteries.
// Not here: findings about sensors (checks).
// Start with `standbyBattery`.
// Terms: docs/glossary.md.
export { loopLimit } from './contact-loop.ts';
export { contactZones } from './contact-zones.ts';
export { endOfLine } from './end-of-line.ts';
export { securityConductors } from './security-conductors.ts';
export { standbyBattery } from './standby-battery.ts';
