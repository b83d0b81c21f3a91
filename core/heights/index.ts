// Here: heights at which devices usually stand, by region, and coverage of ceiling speakers.
// Not here: whether one may be built there (mounting).
// Start with `HEIGHTS`.
// Terms: docs/glossary.md.
export { HEIGHT_KIND_OF, HEIGHTS, heightCheck, heightOf, type HeightKind, type HeightWindow } from './heights.ts';
export {
  ceilingCoverage,
  discAndPitch,
  frameFit,
  OVERLAPS,
  speakersAlong,
  stereoPair,
  type Overlap,
} from './ceiling-speakers.ts';
