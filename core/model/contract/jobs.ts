// What web and server say to each other about jobs: long work that is queued, can be watched, stopped and tried again.

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** Whether a job has ended, one way or the other. */
export const hasEnded = (state: JobState): boolean => state === 'done' || state === 'failed' || state === 'cancelled';
