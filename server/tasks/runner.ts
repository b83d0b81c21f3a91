// The entry of a runner, a thread or a process: takes one task after the other and says how each ended.
import { setPriority } from 'node:os';
import { parentPort, workerData } from 'node:worker_threads';
import { describeFailure, isDatabaseAway } from '../database/failures.ts';
import { type Database, openDatabase } from '../database/index.ts';
import { PlannedRefusal } from '../http/problems.ts';
import type { RunnerMessage, RunnerSettings, RunnerTask } from '../jobs/runner-messages.ts';
import { jobFile, storeResultFile } from '../jobs/store.ts';
import { TASKS } from './index.ts';

const settings: RunnerSettings = parentPort
  ? (workerData as RunnerSettings)
  : { databaseUrl: process.env.RUNNER_DATABASE_URL ?? '' };

/** Long work yields the processor to the server's own thread. On Linux this is the priority of the calling thread alone. */
try {
  setPriority(0, 10);
} catch {
  // Without leave to do so it runs at the same priority.
}

let database: Database | null = null;
const say = (message: RunnerMessage) => (parentPort ? parentPort.postMessage(message) : process.send?.(message));

async function perform({ jobId, firmId, memberId, projectId, kind, params }: RunnerTask): Promise<void> {
  try {
    const here = (database ??= openDatabase(settings.databaseUrl, 2));
    const work = Object.hasOwn(TASKS, kind) ? TASKS[kind as keyof typeof TASKS] : null;
    if (!work) throw new PlannedRefusal({ code: 'not-found', field: 'job' });
    const context = {
      database: here,
      jobId,
      firmId,
      memberId,
      projectId: projectId ?? '',
      input: async () => (await jobFile(here, jobId, 'input'))?.bytes ?? Buffer.alloc(0),
      progress: (share: number) => say({ type: 'progress', share }),
    };
    const made = await work(context, params as never);
    if (made.file) await storeResultFile(here, jobId, made.file);
    say({ type: 'done', result: made.result ?? null });
  } catch (error) {
    if (error instanceof PlannedRefusal) say({ type: 'refused', problem: error.problem });
    else if (isDatabaseAway(error)) say({ type: 'refused', problem: { code: 'database-away' } });
    else if (error instanceof RangeError && /call stack|array length|string length/i.test(error.message))
      say({ type: 'refused', problem: { code: 'job-too-large', kind: 'out_of_domain', mb: 0 } });
    else say({ type: 'failed', ...describeFailure(error) });
  }
}

if (parentPort) parentPort.on('message', (task: RunnerTask) => void perform(task));
else {
  process.on('message', (task: RunnerTask) => void perform(task));
  // The server is gone: so is the reason for this process.
  process.on('disconnect', () => process.exit(0));
}
