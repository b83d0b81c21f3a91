import { fork, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Problem } from '@dusky-spool/core/math';
import type { Lane } from './job-kinds.ts';
import type { RunnerMessage, RunnerSettings, RunnerTask } from './runner-messages.ts';

/** How a task ended; `lost` is a runner that broke for no reason of the task's, which is worth another try. */
export type TaskEnd =
  | { readonly type: 'done'; readonly result: Readonly<Record<string, unknown>> | null }
  | { readonly type: 'refused'; readonly problem: Problem }
  | { readonly type: 'failed'; readonly kind: string; readonly at: readonly string[] }
  | { readonly type: 'cancelled' }
  | { readonly type: 'lost'; readonly kind: string };

/** A thread or a process with one shape: it takes messages, gives messages, ends, and can be killed. */
interface Vessel {
  readonly send: (task: RunnerTask) => void;
  readonly kill: () => void;
  /** Memory in use, MB; null where the vessel watches its own limit. */
  readonly memoryMb: () => number | null;
  readonly onMessage: (listener: (message: RunnerMessage) => void) => void;
  readonly onEnd: (listener: (kind: string) => void) => void;
}

const THREAD_ENTRY = new URL('../tasks/runner-thread.mjs', import.meta.url);
const PROCESS_ENTRY = new URL('../tasks/runner.ts', import.meta.url);
const WITH_TYPESCRIPT = ['--import', 'tsx'];
const MEMORY_CHECK_MS = 200;
/** An idle runner is let go after so long. */
const IDLE_MS = 120_000;
const OUT_OF_MEMORY = 'ERR_WORKER_OUT_OF_MEMORY';

function startThread(lane: Lane, settings: RunnerSettings): Vessel {
  const worker = new Worker(THREAD_ENTRY, {
    execArgv: [],
    workerData: settings,
    resourceLimits: { maxOldGenerationSizeMb: lane.memoryMb },
    stdin: false,
  });
  worker.unref();
  return {
    send: (task) => worker.postMessage(task),
    kill: () => void worker.terminate(),
    memoryMb: () => null,
    onMessage: (listener) => worker.on('message', listener),
    onEnd: (listener) => {
      worker.once('error', (error: NodeJS.ErrnoException) => listener(error.code ?? error.name));
      worker.once('exit', () => listener('exit'));
    },
  };
}

/** The process gets nothing of the server's environment but where programs and the database are. */
function startProcess(lane: Lane, settings: RunnerSettings): Vessel {
  const child: ChildProcess = fork(fileURLToPath(PROCESS_ENTRY), {
    execArgv: [...WITH_TYPESCRIPT, `--max-old-space-size=${lane.memoryMb}`],
    env: { PATH: process.env.PATH, TMPDIR: process.env.TMPDIR, RUNNER_DATABASE_URL: settings.databaseUrl },
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  child.unref();
  child.channel?.unref();
  child.on('error', () => undefined);
  return {
    send: (task) => void child.send(task, () => undefined),
    kill: () => void child.kill('SIGKILL'),
    memoryMb: () => residentMb(child.pid),
    onMessage: (listener) => child.on('message', listener),
    onEnd: (listener) => child.once('exit', (_code, signal) => listener(signal ?? 'exit')),
  };
}

/** Resident memory of a process, MB, from the kernel's table of pages of 4 kB. */
function residentMb(pid: number | undefined): number | null {
  try {
    return (Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096) / 1048576;
  } catch {
    return null;
  }
}

/** One place of a lane: does one task at a time in a vessel that is started when needed and replaced when it breaks. */
export class Runner {
  private vessel: Vessel | null = null;
  private idle: NodeJS.Timeout | undefined;
  private endTask: ((end: TaskEnd) => void) | null = null;
  private onProgress: (share: number) => void = () => undefined;

  constructor(
    private readonly lane: Lane,
    private readonly settings: RunnerSettings,
  ) {}

  /** Does a task within the limits of the lane. Problems: `job-too-slow`, `job-too-large`, and those of the work itself. */
  run(task: RunnerTask, onProgress: (share: number) => void): Promise<TaskEnd> {
    clearTimeout(this.idle);
    const vessel = (this.vessel ??= this.start());
    return new Promise((done) => {
      const stop = (problem: Problem) => {
        this.drop();
        this.endTask?.({ type: 'refused', problem });
      };
      const seconds = Math.round(this.lane.limitMs / 1000);
      const late = setTimeout(() => stop({ code: 'job-too-slow', kind: 'out_of_domain', seconds }), this.lane.limitMs);
      const watch = setInterval(() => {
        if ((vessel.memoryMb() ?? 0) > this.lane.memoryMb) stop(this.tooLarge());
      }, MEMORY_CHECK_MS);
      this.onProgress = onProgress;
      this.endTask = (end) => {
        clearTimeout(late);
        clearInterval(watch);
        this.endTask = null;
        this.onProgress = () => undefined;
        this.idle = setTimeout(() => this.drop(), IDLE_MS);
        this.idle.unref();
        done(end);
      };
      vessel.send(task);
    });
  }

  isOf(lane: string): boolean {
    return this.lane.name === lane;
  }

  /** Loads its work before the first task comes, so that this one need not wait for it. */
  warm(): void {
    this.vessel ??= this.start();
  }

  /** Ends the task that runs, where one does. */
  cancel(): void {
    if (!this.endTask) return;
    this.drop();
    this.endTask?.({ type: 'cancelled' });
  }

  /** Lets the vessel go; a task in it is lost. */
  close(): void {
    clearTimeout(this.idle);
    this.drop();
    this.endTask?.({ type: 'lost', kind: 'the server stops' });
  }

  private tooLarge = (): Problem => ({ code: 'job-too-large', kind: 'out_of_domain', mb: this.lane.memoryMb });

  private drop(): void {
    const old = this.vessel;
    this.vessel = null;
    old?.kill();
  }

  private start(): Vessel {
    const vessel = this.lane.runner === 'thread' ? startThread(this.lane, this.settings) : startProcess(this.lane, this.settings);
    vessel.onMessage((message) => {
      if (this.vessel !== vessel) return;
      if (message.type === 'progress') this.onProgress(message.share);
      else this.endTask?.(message);
    });
    vessel.onEnd((kind) => {
      if (this.vessel !== vessel) return;
      this.vessel = null;
      this.endTask?.(kind === OUT_OF_MEMORY ? { type: 'refused', problem: this.tooLarge() } : { type: 'lost', kind });
    });
    return vessel;
  }
}
