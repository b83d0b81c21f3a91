// Here: small houses and edits for tests; nothing of the product uses them.
// Start with `smallHouse`.
// Terms: docs/glossary.md.
export { randomHouse, smallHouse, twoStoreyHouse } from './houses.ts';
export { checked, type CheckedFinding } from './checked.ts';
export { countingIds } from './counting-ids.ts';
export { answer, printed } from './answers.ts';
export { applied, countedIds, withDevices } from './steps.ts';
export { PLANTED, type Planted } from './planted-houses.ts';
