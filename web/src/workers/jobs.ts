import type { Problem } from '@dusky-spool/core/math';

/*
 * Jobs between the page and a worker, over one port, so that replies keep the order in which they were made. A job has parameters,
 * may report while it works, and settles exactly once: with its result, with the error that it met, or cancelled.
 */

/** What one job takes, reports while it works, and gives. */
export interface Job {
  readonly params: unknown;
  readonly report: unknown;
  readonly result: unknown;
}
/** The jobs of a worker by name: an interface with one `Job` for each. */
export type JobMap<M> = { readonly [K in keyof M]: Job };

/** The side of a worker, or of a message port, that jobs need. */
export interface JobPort {
  postMessage(message: unknown): void;
  onmessage: ((event: MessageEvent) => void) | null;
}
/** A worker as the page sees it. */
export interface JobWorker extends JobPort {
  onerror?: ((event: ErrorEvent) => void) | null;
  onmessageerror?: ((event: MessageEvent) => void) | null;
  terminate?(): void;
}

type Request = { readonly id: number; readonly job: PropertyKey; readonly params: unknown } | { readonly cancel: number };
type Reply =
  | { readonly id: number; readonly kind: 'report'; readonly value: unknown }
  | { readonly id: number; readonly kind: 'result'; readonly value: unknown }
  | { readonly id: number; readonly kind: 'cancelled' }
  | { readonly id: number; readonly kind: 'error'; readonly message: string };

/** A job that was cancelled: by its caller, by a later job that replaces it, or because its worker was stopped. */
export class JobCancelled extends Error {
  override readonly name = 'JobCancelled';
  constructor() {
    super('The job was cancelled.');
  }
}
/** A job that met an error, or whose worker did. */
export class JobFailed extends Error {
  override readonly name = 'JobFailed';
  readonly problem: Problem = { code: 'worker-failed' };
}

interface Waiting {
  readonly resolve: (value: never) => void;
  readonly reject: (error: Error) => void;
  readonly report?: (value: never) => void;
}

/** The page's side: gives jobs to a worker and settles each of them. */
export class JobClient<M extends JobMap<M>> {
  private readonly waiting = new Map<number, Waiting>();
  private lastId = 0;
  private ended: Error | null = null;

  /** `onEnd` is called once if the worker itself ends with an error. */
  constructor(
    private readonly worker: JobWorker,
    private readonly onEnd: (error: JobFailed) => void = () => undefined,
  ) {
    worker.onmessage = (event: MessageEvent<Reply>) => this.receive(event.data);
    worker.onerror = (event) => this.end(new JobFailed(event.message || 'The worker could not be started.'));
    worker.onmessageerror = () => this.end(new JobFailed('A reply of the worker could not be read.'));
  }

  /** Runs a job. Rejects with `JobCancelled` or `JobFailed`. */
  run<K extends keyof M>(
    job: K,
    params: M[K]['params'],
    more: { readonly signal?: AbortSignal; readonly report?: (value: M[K]['report']) => void } = {},
  ): Promise<M[K]['result']> {
    if (this.ended) return Promise.reject(this.ended);
    if (more.signal?.aborted) return Promise.reject(new JobCancelled());
    const id = ++this.lastId;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject, report: more.report });
      more.signal?.addEventListener('abort', () => this.cancel(id), { once: true });
      try {
        this.worker.postMessage({ id, job, params } satisfies Request);
      } catch (error) {
        this.waiting.delete(id);
        reject(new JobFailed(String(error)));
      }
    });
  }

  /** Ends the worker; jobs on the way are cancelled. */
  stop(): void {
    this.settleAll(new JobCancelled());
  }

  private end(error: JobFailed): void {
    if (this.ended) return;
    this.settleAll(error);
    this.onEnd(error);
  }

  private settleAll(error: Error): void {
    this.ended ??= error;
    this.worker.terminate?.();
    const waiting = [...this.waiting.values()];
    this.waiting.clear();
    for (const { reject } of waiting) reject(error);
  }

  /** The worker stops at its next slice and says so; a job that was done by then has its result, so that both sides agree. */
  private cancel(id: number): void {
    if (this.waiting.has(id)) this.worker.postMessage({ cancel: id } satisfies Request);
  }

  private receive(reply: Reply): void {
    const waiting = this.waiting.get(reply.id);
    if (!waiting) return;
    if (reply.kind === 'report') return waiting.report?.(reply.value as never);
    this.waiting.delete(reply.id);
    if (reply.kind === 'result') waiting.resolve(reply.value as never);
    else waiting.reject(reply.kind === 'cancelled' ? new JobCancelled() : new JobFailed(reply.message));
  }
}

/** What a job can do while it works. */
export interface JobContext<R> {
  readonly report: (value: R) => void;
  /** Works through steps in slices; messages are read in between. Throws `JobCancelled` where the job was cancelled. */
  readonly work: <T>(steps: Generator<number, T>, share?: (done: number) => void) => Promise<T>;
}
export type JobHandlers<M extends JobMap<M>> = {
  readonly [K in keyof M]: (
    params: M[K]['params'],
    context: JobContext<M[K]['report']>,
  ) => M[K]['result'] | Promise<M[K]['result']>;
};

/** Works this long before messages are read, ms. */
const SLICE_MS = 12;
/** The share of a long job is reported no more often than this, ms. */
const REPORT_MS = 100;

/** The worker's side: a job replaces the unfinished ones of its group, which are cancelled. */
export function serveJobs<M extends JobMap<M>>(
  port: JobPort,
  handlers: JobHandlers<M>,
  groups: { readonly [K in keyof M]?: string } = {},
): void {
  const running = new Map<number, { readonly group: string | undefined; cancelled: boolean }>();
  const yieldToMessages = messageYielder();
  const reply = (message: Reply) => port.postMessage(message);

  const start = async (id: number, job: keyof M, params: unknown) => {
    const group = groups[job];
    const state = { group, cancelled: false };
    if (group) for (const other of running.values()) if (other.group === group) other.cancelled = true;
    running.set(id, state);
    const context: JobContext<unknown> = {
      report: (value) => {
        if (!state.cancelled) reply({ id, kind: 'report', value });
      },
      work: async (steps, share) => {
        let sliceFrom = performance.now();
        let reportedAt = sliceFrom;
        for (;;) {
          const step = steps.next();
          if (step.done) return step.value;
          const now = performance.now();
          if (now - sliceFrom < SLICE_MS) continue;
          if (share && now - reportedAt > REPORT_MS) {
            share(step.value);
            reportedAt = now;
          }
          await yieldToMessages();
          if (state.cancelled) throw new JobCancelled();
          sliceFrom = performance.now();
        }
      },
    };
    try {
      const handler = handlers[job];
      if (typeof handler !== 'function') throw new Error(`The worker has no job "${String(job)}".`);
      const value = await handler(params as never, context as never);
      reply({ id, kind: 'result', value });
    } catch (error) {
      if (error instanceof JobCancelled) reply({ id, kind: 'cancelled' });
      else reply({ id, kind: 'error', message: error instanceof Error ? error.message : String(error) });
    } finally {
      running.delete(id);
    }
  };

  port.onmessage = (event: MessageEvent<Request>) => {
    const request = event.data;
    if ('cancel' in request) {
      const state = running.get(request.cancel);
      if (state) state.cancelled = true;
    } else void start(request.id, request.job as keyof M, request.params);
  };
}

/** Waits for the task after the messages that have come: a timer would be held back to 4 ms. */
function messageYielder(): () => Promise<void> {
  const channel = new MessageChannel();
  const waiting: (() => void)[] = [];
  channel.port1.onmessage = () => waiting.shift()?.();
  // In Node an open port would keep the process.
  (channel.port1 as { unref?: () => void }).unref?.();
  return () =>
    new Promise<void>((resolve) => {
      waiting.push(resolve);
      channel.port2.postMessage(null);
    });
}
