// Here: lists: their groups, first free numbers, and numbers drawn from a seed.
// Not here: records of a house (model).
// Start with `groupedBy`.
// Terms: docs/glossary.md.
export { drawFrom } from './draw-from.ts';
export { groupedBy } from './grouped-by.ts';
export { firstFree } from './first-free.ts';
