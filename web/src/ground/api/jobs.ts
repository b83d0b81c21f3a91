import { hasEnded, type JobReply } from '@dusky-spool/core/model';
import { getJson, Refused } from './http.ts';

/** A job is looked at soon at first, and then less often. */
const LOOKS_MS = [50, 100, 200, 300];

/**
 * Looks at a job of the server until it has ended, and says each time how far it is; null where the caller has lost interest.
 * Throws `Refused` with the problem of a job that came to nothing.
 */
export async function jobEnd(
  jobId: string,
  onJob: (job: JobReply) => void,
  isOver: () => boolean = () => false,
): Promise<JobReply | null> {
  for (let look = 0; ; look++) {
    const job = await getJson<JobReply>(`/jobs/${jobId}`);
    if (isOver()) return null;
    onJob(job);
    if (job.state === 'done') return job;
    if (hasEnded(job.state)) throw new Refused(job.problem ?? { code: 'job-cancelled' }, 422);
    await new Promise((done) => window.setTimeout(done, LOOKS_MS[Math.min(look, LOOKS_MS.length - 1)]));
  }
}
