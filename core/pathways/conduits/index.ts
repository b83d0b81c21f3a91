// Here: how full conduits, chases, risers and channels are, how hard they are to pull, and which spare ones are missing.
// Not here: bores in wood (boring) and where the routes are (routing).
// Start with `wayLoads`; `conduitFill` and `pullTension` are the calculators behind it.
// Terms: docs/glossary.md.
export { OUTDOORS, PICTURES, proposeConduit, type SpareConduit, spareConduits } from './spare-conduits.ts';
export { WAY_LOADS, type PathwayFill, pathwayFills } from './pathway-fill.ts';
