// Here: heights, ceiling speakers, frames.
// Not here: clashes with the structure (devices).
// Start with `ceilingCoverage`.
// Terms: docs/glossary.md.
export { ceilingCoverage } from './ceiling-coverage.ts';
export { discAndPitch, type Overlap, OVERLAPS, speakersAlong } from './ceiling-speakers.ts';
export { frameFit } from './frame-fit.ts';
export { HEIGHT_KIND_OF, heightCheck, heightOf } from './heights.ts';
export { stereoPair } from './stereo-pair.ts';
