import type { Stage } from './progress.ts';

/** Pages of the guide about stages that share one; their texts are fetched with the guide. */
const SHARED: Partial<Record<Stage, string>> = {
  inspect: 'checks',
  'pre-wire': 'site',
  'trim-out': 'site',
  handover: 'site',
};

/** The page of the guide about a stage. */
export const guideOf = (stage: Stage): string => SHARED[stage] ?? stage;
