// Here: small houses and edits for tests; nothing of the product uses them.
// Start with `smallHouse`.
// Terms: docs/glossary.md.
export { answer, printed } from './answers.ts';
export { checked, type CheckedFinding } from './checked.ts';
export { countingIds } from './counting-ids.ts';
export { randomHouse, smallHouse, twoStoreyHouse } from './houses.ts';
export { mutated } from './mutated.ts';
export { PLACE_WORDS } from './place-words.ts';
export { PLANTED } from './planted-houses.ts';
export { designedHouse, reconnected, wiredHouse } from './planted-head-ends.ts';
export { smallTheatre } from './planted-theatres.ts';
export { applied, countedIds, withDevices } from './steps.ts';
