import { DerivedProject } from '@dusky-spool/core/deltas';
import { en } from '@dusky-spool/texts';
import { type JobPort, serveJobs } from '../workers/jobs.ts';
import { PROJECT_JOB_GROUPS, projectHandlers, type ProjectJobs } from '../workers/project-jobs.ts';

let ports: MessagePort[] = [];

/** The project worker in the thread of the test, over a message channel. */
class WorkerInPage {
  constructor() {
    const { port1, port2 } = new MessageChannel();
    ports.push(port1, port2);
    serveJobs<ProjectJobs>(port2 as unknown as JobPort, projectHandlers(new DerivedProject(en.terms)), PROJECT_JOB_GROUPS);
    return port1 as unknown as WorkerInPage;
  }
}

/** Workers that the page starts run in this thread, until `stopWorkers`. They answer when they like, not only inside an `act` of the test. */
export const startWorkers = (): void => void Object.assign(globalThis, { Worker: WorkerInPage, IS_REACT_ACT_ENVIRONMENT: false });

export function stopWorkers(): void {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
  ports.forEach((port) => port.close());
  ports = [];
}
