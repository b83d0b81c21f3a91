// Here: picture signals: data rate of a format, how far leads carry it, plugs through conduits.
// Not here: what is wrong with a run (checks) and pictures themselves (theatre).
// Start with `pictureReach`.
// Terms: docs/glossary.md.
export { pictureRate } from './picture-rate.ts';
export { pictureReach, reachOf } from './picture-reach.ts';
export { bundleDiameter, plugConduit, rigidInBend } from './plugs.ts';
