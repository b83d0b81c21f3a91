import { askEarly } from './ground/api/http.ts';
import { prepareProjectWorker } from './workers/start-project-worker.ts';

/*
 * The page's entry is small, so that what the address needs is asked for before the app itself has arrived:
 * the session, and for a link into a project its data, the worker that routes it, one's own work kept here and its screen, all side by side.
 */
askEarly('/session');
const linked = /^\/p\/([0-9a-f-]{36})\//.exec(window.location.pathname);
if (linked) {
  askEarly(`/projects/${linked[1]}`);
  prepareProjectWorker();
  void import('./ground/api/device-store.ts').then(({ readWorkEarly }) => readWorkEarly(linked[1]));
}
void import('./main.tsx');
if (linked) void import('./app/ProjectFrame.tsx');
else void import('./screens/projects/Projects.tsx');
