// Here: how full a conduit is, which size fits, how hard it is to pull.
// Not here: the conduits of a project (pathways).
// Start with `conduitFill`.
// Terms: docs/glossary.md.
export { conduitFillCalculator } from './conduit-fill.ts';
export { conduitPullCalculator } from './conduit-pull.ts';
export { conduitSizeCalculator } from './conduit-size.ts';
export { conduitFill, CONDUITS, conduitSize, type ConduitSize, fillLimit, jams } from './fill.ts';
export { legsOf, pullTension, type PullTension, weightKgPerM } from './pull.ts';
