import { randomUUID } from 'node:crypto';
import { EventEmitter, once } from 'node:events';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import { hasEnded } from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import type { Database } from '../database/index.ts';
import type { EventBus } from '../events/event-bus.ts';
import { type ErrorReport, PlannedRefusal, refusal } from '../http/problems.ts';
import type { SignedIn } from '../http/membership-store.ts';
import { type JobKind, type JobParams, type Lane, LANE_OF, LANES } from './job-kinds.ts';
import { Runner, type TaskEnd } from './runners.ts';
import { insertJob, type JobRow, moveJob, openJobs, readJob, reopenJob } from './store.ts';

/** Most jobs of one firm that wait or run at a time. */
const MAX_OPEN_JOBS = 60;
/** How long a place waits before it looks for work again though nobody called it, ms. */
const POLL_MS = 2000;
const PROGRESS_MS = 250;
const RETRIES = 1;

export interface Submission<K extends JobKind> {
  readonly kind: K;
  readonly params: JobParams[K];
  readonly projectId?: string;
  readonly input?: Buffer;
}

interface Queued {
  readonly jobId: string;
}

interface Place {
  readonly runner: Runner;
  jobId: string | null;
}

/**
 * The queue in PostgreSQL (pg-boss) and the pool that works it off. Several servers on one database share it: each job is
 * done by one of them, and one that dies in the midst of it is done again by another.
 */
export class JobQueue {
  private readonly boss: PgBoss;
  private readonly places: Place[] = [];
  private readonly wake = new EventEmitter().setMaxListeners(0);
  private readonly ended = new EventEmitter().setMaxListeners(0);
  private readonly loops: Promise<void>[] = [];
  private stopping = false;
  private stopListening: () => void = () => undefined;

  constructor(
    private readonly database: Database,
    private readonly databaseUrl: string,
    private readonly bus: EventBus,
    private readonly log: Logger,
    private readonly report: ErrorReport,
    private readonly lanes: readonly Lane[] = LANES,
  ) {
    this.boss = new PgBoss({
      connectionString: databaseUrl,
      max: 4,
      schema: 'spool_jobs',
      deleteAfterHours: 24,
      archiveCompletedAfterSeconds: 3600,
      maintenanceIntervalSeconds: 60,
    });
    this.boss.on('error', (error) => this.log.warn({ err: error }, 'job queue'));
  }

  /** Makes the queue's own tables where they are missing. Runs under the start lock. */
  async prepare(): Promise<void> {
    await this.boss.start();
    for (const lane of this.lanes)
      if (!(await this.boss.getQueue(lane.name)))
        await this.boss.createQueue(lane.name, {
          name: lane.name,
          retryLimit: RETRIES,
          retryDelay: 1,
          expireInSeconds: Math.round(lane.limitMs / 1000) + 30,
          retentionHours: 24,
        });
  }

  /** Begins to work jobs off. */
  start(): void {
    this.stopListening = this.bus.on((event) => {
      if (event.kind === 'job-waits') this.wake.emit(event.lane);
      else if (event.kind === 'job-ended') this.ended.emit(event.jobId);
      else if (event.kind === 'job-stopped') this.places.find(({ jobId }) => jobId === event.jobId)?.runner.cancel();
    });
    this.bus.onReturn(() => this.lanes.forEach(({ name }) => this.wake.emit(name)));
    for (const lane of this.lanes)
      for (let n = 0; n < lane.runners; n++) {
        const place: Place = { runner: new Runner(lane, { databaseUrl: this.databaseUrl }), jobId: null };
        this.places.push(place);
        this.loops.push(this.workOff(lane, place));
      }
  }

  /** Has one runner of documents ready before anybody asks for one. */
  warm(): void {
    const lane = LANE_OF.document;
    this.places.find((place) => place.runner.isOf(lane))?.runner.warm();
  }

  /** Queues a job for a member. Problem: `too-many-jobs`. */
  submit<K extends JobKind>(member: SignedIn, submission: Submission<K>): Promise<string> {
    return this.enqueue(member.firmId, member.id, submission);
  }

  /** Queues a job that nobody waits for. Problem: `too-many-jobs`. */
  submitForFirm<K extends JobKind>(firmId: string, submission: Submission<K>): Promise<string> {
    return this.enqueue(firmId, null, submission);
  }

  private async enqueue<K extends JobKind>(
    firmId: string,
    memberId: string | null,
    { kind, params, projectId, input }: Submission<K>,
  ): Promise<string> {
    const { database } = this;
    const open = await openJobs(database, firmId);
    if (open >= MAX_OPEN_JOBS) throw refusal('too-many-jobs', { count: open });
    const id = randomUUID();
    const lane = LANE_OF[kind];
    await database.sequelize.transaction(async (transaction) => {
      const job = { id, firmId, memberId, projectId: projectId ?? null, lane, kind, params };
      await insertJob(database, job, input ?? null, new Date(), transaction);
    });
    await this.send(id, lane, open);
    return id;
  }

  /** A firm with many open jobs stands behind one with few. */
  private async send(jobId: string, lane: string, open: number): Promise<void> {
    await this.boss.send(lane, { jobId }, { priority: -open });
    this.wake.emit(lane);
    await this.bus.emit({ kind: 'job-waits', lane });
  }

  /** Waits until a job has ended, one way or the other. */
  async wait(jobId: string, signal?: AbortSignal): Promise<JobRow> {
    for (;;) {
      const happened = once(this.ended, jobId, {
        signal: AbortSignal.any([AbortSignal.timeout(POLL_MS), ...(signal ? [signal] : [])]),
      });
      happened.catch(() => undefined);
      const job = await readJob(this.database, jobId);
      if (!job) throw refusal('not-found', { field: 'job' });
      if (hasEnded(job.state)) return job;
      if (this.stopping) throw refusal('server-stopping');
      await happened.catch(() => undefined);
      if (signal?.aborted) throw refusal('job-cancelled');
    }
  }

  /** Queues a job and waits for its end; whoever waits no longer (`signal`) stops it. Problems: those of the work. */
  async run<K extends JobKind>(member: SignedIn, submission: Submission<K>, signal?: AbortSignal): Promise<JobRow> {
    const id = await this.submit(member, submission);
    const stop = () => void this.cancel(id).catch(() => undefined);
    signal?.addEventListener('abort', stop, { once: true });
    try {
      const job = await this.wait(id, signal);
      if (job.state === 'done') return job;
      throw new PlannedRefusal(job.problem ?? { code: 'job-cancelled' });
    } finally {
      signal?.removeEventListener('abort', stop);
    }
  }

  /** Stops a job that waits or runs; false where it has ended already. */
  async cancel(jobId: string): Promise<boolean> {
    const stopped = await moveJob(this.database, jobId, { state: 'cancelled', finishedAt: new Date() });
    if (stopped) {
      await this.bus.emit({ kind: 'job-stopped', jobId });
      await this.bus.emit({ kind: 'job-ended', jobId });
    }
    return stopped;
  }

  /** Queues an ended job once more; false where it was done or is open. */
  async retry(job: JobRow): Promise<boolean> {
    if (!(await reopenJob(this.database, job.id))) return false;
    await this.send(job.id, job.lane, await openJobs(this.database, job.firmId));
    return true;
  }

  async close(): Promise<void> {
    this.stopping = true;
    this.stopListening();
    for (const { runner } of this.places) runner.close();
    for (const { name } of this.lanes) this.wake.emit(name);
    await Promise.all(this.loops);
    await this.boss.stop({ graceful: false, wait: true, close: true });
  }

  private async workOff(lane: Lane, place: Place): Promise<void> {
    while (!this.stopping) {
      try {
        const called = once(this.wake, lane.name, { signal: AbortSignal.timeout(POLL_MS) });
        called.catch(() => undefined);
        const [queued] = await this.boss.fetch<Queued>(lane.name, { batchSize: 1 });
        if (queued) await this.perform(lane, place, queued);
        else await called.catch(() => undefined);
      } catch (error) {
        if (this.stopping) return;
        this.log.warn({ err: error as Error, lane: lane.name }, 'the job queue cannot be reached');
        await new Promise((done) => setTimeout(done, 1000));
      }
    }
  }

  private async perform(lane: Lane, place: Place, queued: PgBoss.Job<Queued>): Promise<void> {
    const { jobId } = queued.data;
    const job = await readJob(this.database, jobId);
    // It was stopped, or its project deleted, while it waited.
    if (!job || !(await moveJob(this.database, jobId, { state: 'running' }))) return this.boss.complete(lane.name, queued.id);
    place.jobId = jobId;
    const { firmId, memberId, projectId, kind, params } = job;
    let lastMs = 0;
    const end = await place.runner.run({ jobId, firmId, memberId, projectId, kind, params }, (share) => {
      const now = Date.now();
      if (now - lastMs < PROGRESS_MS) return;
      lastMs = now;
      moveJob(this.database, jobId, { progress: Math.min(1, Math.max(0, share)) }).catch(() => undefined);
    });
    place.jobId = null;
    await this.settle(lane, queued, job, end);
  }

  private async settle(lane: Lane, queued: PgBoss.Job<Queued>, job: JobRow, end: TaskEnd): Promise<void> {
    if (end.type === 'lost') {
      this.log.warn({ kind: end.kind, job: job.kind }, 'a runner was lost');
      const row = await this.boss.getJobById(lane.name, queued.id);
      await this.boss.fail(lane.name, queued.id, { kind: end.kind });
      if (row && row.retryCount < RETRIES) {
        await moveJob(this.database, job.id, { state: 'waiting', progress: 0 });
        return;
      }
    } else await this.boss.complete(lane.name, queued.id);
    if (end.type === 'failed') {
      this.log.error({ kind: end.kind, at: end.at, job: job.kind }, 'a job failed');
      this.report({ name: end.kind }, `job ${job.kind}`);
    }
    const finishedAt = new Date();
    if (end.type === 'done') await moveJob(this.database, job.id, { state: 'done', progress: 1, result: end.result, finishedAt });
    else if (end.type !== 'cancelled')
      await moveJob(this.database, job.id, { state: 'failed', problem: problemOfEnd(end), finishedAt });
    this.ended.emit(job.id);
    await this.bus.emit({ kind: 'job-ended', jobId: job.id });
  }
}

function problemOfEnd(end: Exclude<TaskEnd, { type: 'done' | 'cancelled' }>): Problem {
  if (end.type === 'refused') return end.problem;
  return { code: 'unexpected' };
}
