let ready: Worker | null = null;

const start = () => new Worker(new URL('./project.worker.ts', import.meta.url), { type: 'module' });

/** Loads the worker before there is anything for it to do. */
export function prepareProjectWorker(): void {
  ready ??= start();
}

/** The worker that was prepared, or a new one: each project has its own. */
export function takeProjectWorker(): Worker {
  const taken = ready ?? start();
  ready = null;
  return taken;
}
