// What web and server say to each other about jobs: long work that is queued, can be watched, stopped and tried again.
import type { Problem } from '../outcome/index.ts';

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** A job as its owner sees it. */
export interface JobReply {
  readonly id: string;
  readonly kind: string;
  readonly state: JobState;
  /** Share done, 0 to 1. */
  readonly progress: number;
  readonly problem: Problem | null;
  /** Name of the file that it made, once it is done. */
  readonly file: string | null;
  /** What else it came to, for instance the id of an imported project. */
  readonly result: Readonly<Record<string, unknown>> | null;
}

/** Whether a job has ended, one way or the other. */
export const hasEnded = (state: JobState): boolean => state === 'done' || state === 'failed' || state === 'cancelled';
