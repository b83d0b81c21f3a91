// Here: the one queue of long work (documents, imports, pictures, PDFs) and the pool of threads and processes that does it.
// Not here: what a job makes (server/tasks) and who may ask for it (resources).
// Start with `JobQueue`.
export { JobQueue, type Submission } from './queue.ts';
export { LANES, type JobKind, type JobParams, type Lane } from './job-kinds.ts';
export { readJob, resultFile, type JobFile, type JobRow } from './store.ts';
