// Here: loops of contacts, end-of-line resistors, standby batteries.
// Not here: findings about sensors (checks).
// Start with `standbyBattery`.
// Terms: docs/glossary.md.
export { contactZones, endOfLine, loopLimit, standbyBattery } from './security.ts';
