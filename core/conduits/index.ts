// Here: how full conduits, chases, risers and channels are, how hard they are to pull, and which spare ones are missing.
// Not here: bores in wood (boring) and where the ways are (routing).
// Start with `wayLoads`; `conduitFill` and `pullTension` are the calculators behind it.
// Terms: docs/glossary.md.
export { conduitFill, CONDUITS, conduitSize, fillLimit, jams, type ConduitFill, type ConduitSize } from './fill.ts';
export { pullTension, weightKgPerM, type PullLeg, type PullTension } from './pull.ts';
export { WAY_LOADS, wayLoads, type WayLoad } from './way-loads.ts';
export { OUTDOORS, PICTURES, proposeConduit, spareConduits, type SpareConduit } from './spare-conduits.ts';
