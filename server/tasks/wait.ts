import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** Takes its time, or its memory: what tests of the queue's limits ask for. No route queues it. */
export async function wait({ progress }: JobContext, { ms, fill }: JobParams['wait']): Promise<JobProduct> {
  const steps = 20;
  const filled: unknown[] = [];
  for (let n = 0; n < steps; n++) {
    progress(n / steps);
    if (fill) for (;;) filled.push(Array.from({ length: 100_000 }, (_, k) => ({ k })));
    await new Promise((done) => setTimeout(done, ms / steps));
  }
  return { result: { waitedMs: ms } };
}
