// Here: heights at which devices usually stand, by region, and coverage of ceiling speakers.
// Not here: whether one may be built there (mounting).
// Start with `HEIGHTS`.
// Terms: docs/glossary.md.
export {
  ceilingCoverage,
  discAndPitch,
  frameFit,
  type Overlap,
  OVERLAPS,
  speakersAlong,
  stereoPair,
} from './ceiling-speakers.ts';
export { HEIGHT_KIND_OF, heightCheck, heightOf } from './heights.ts';
