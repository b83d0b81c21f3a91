// Here: conduits, holes and penetrations, conduits in the floor topping, surface raceways.
// Not here: the search for routes (routing).
// Start with `wayLoads` and `holeSchedule`.
// Terms: docs/glossary.md.
export * from './conduits/index.ts';
export * from './floor-topping/index.ts';
export * from './holes/index.ts';
export * from './raceways/index.ts';
export { type SupportCount, type Supports, supportsOf } from './supports.ts';
