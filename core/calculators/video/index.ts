// Here: picture signals: data rate of a format, how far leads carry it, plugs through conduits.
// Not here: what is wrong with a run (checks) and pictures themselves (theatre).
// Start with `pictureReach`.
// Terms: docs/glossary.md.
export { bundleDiameter } from './bundle-diameter.ts';
export { pictureRate } from './picture-rate.ts';
export { LINK_CLASSES, pictureReach, reachOf } from './picture-reach.ts';
export { plugConduit } from './plug-conduit.ts';
export { rigidInBend } from './rigid-in-bend.ts';
