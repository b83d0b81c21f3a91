// Here: scale of a plan, alignment of levels, height of an attic.
// Not here: editing the house (survey).
// Start with `planScale`.
// Terms: docs/glossary.md.
export { atticHeight, atticHeightCalculator, CRAWL_M, KNEEL_M, STAND_M } from './attic-height.ts';
export { levelAlignment, type LevelAlignment, levelAlignmentCalculator, levelAlignmentInput } from './level-alignment.ts';
export { planScale, planScaleCalculator } from './plan-scale.ts';
