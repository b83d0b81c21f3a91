let ready: Worker | null = null;

const start = () => new Worker(new URL('./following.worker.ts', import.meta.url), { type: 'module' });

/** Begins loading the worker before there is anything for it to do. */
export function readyWorker(): void {
  ready ??= start();
}

/** The worker that was made ready, or a new one: each project has its own. */
export function takeWorker(): Worker {
  const taken = ready ?? start();
  ready = null;
  return taken;
}
