export { atticHeight, atticHeightInput, CRAWL_M, KNEEL_M, STAND_M } from './attic-height.ts';
export { levelAlignment, type LevelAlignment, levelAlignmentInput } from './level-alignment.ts';
export { planScale, planScaleInput } from './plan-scale.ts';
