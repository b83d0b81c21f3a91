import { cleanup, configure, render, type RenderResult } from '@testing-library/react';
import userEvent, { type UserEvent } from '@testing-library/user-event';
import { derivedFrom, NO_LISTS, applyDelta, DerivedProject } from '@dusky-spool/core/deltas';
import { edited, touchedBy } from '@dusky-spool/core/derive';
import type { Problem } from '@dusky-spool/core/math';
import { emptyHistory, type Operation, type ProjectDocument, type SessionReply } from '@dusky-spool/core/model';
import { en } from '@dusky-spool/texts';
import { App as AntApp, ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { clearServerState } from '../ground/api/server-state.ts';
import { useSession } from '../ground/api/session.ts';
import { NOTHING_DERIVED } from '../state/derived-client.ts';
import { startDeriving, useDerivedStore, useDeriving } from '../state/derived.ts';
import { ProjectProvider } from '../state/open-project.ts';
import { useProjectStore } from '../state/project.ts';
import { startWorkers, stopWorkers } from './worker.ts';

// Wide enough for a machine that is several times slower.
configure({ asyncUtilTimeout: 15_000 });

/** The day of the tests, YYYY-MM-DD. */
export const TEST_DAY = '2026-11-25';

/** A component on a page with the project open, and what it did to the project. */
export interface TestPage extends RenderResult {
  readonly user: UserEvent;
  /** Edits that were made, oldest first. */
  readonly edits: readonly { readonly title: string; readonly operations: readonly Operation[] }[];
  /** Edits that were refused. */
  readonly problems: readonly Problem[];
  /** The project as the edits left it. */
  readonly project: () => ProjectDocument;
  /** The address, with its search. */
  readonly address: () => string;
}

function Address({ onAddress }: { readonly onAddress: (address: string) => void }) {
  const { pathname, search } = useLocation();
  onAddress(pathname + search);
  return null;
}

/** The component as the app shows it: theme, messages, address. */
export function renderPage(
  element: ReactNode,
  { at = '/p/demo/plan' } = {},
): RenderResult & { user: UserEvent; address: () => string } {
  let address = at;
  const result = render(
    <ConfigProvider theme={{ token: { motion: false } }}>
      <AntApp>
        <MemoryRouter initialEntries={[at]}>
          <Address onAddress={(next) => void (address = next)} />
          <Routes>
            <Route path="*" element={element} />
          </Routes>
        </MemoryRouter>
      </AntApp>
    </ConfigProvider>,
  );
  return { ...result, user: userEvent.setup({ delay: null }), address: () => address };
}

let stopDeriving: (() => void) | null = null;

function Deriving() {
  useDeriving(useProjectStore(({ sync }) => sync!.view));
  return null;
}

/**
 * The component with a project open in the stores, derived on the test day. With `worker` it can also ask about the project, and make
 * edits that wait for routes.
 */
export function renderInProject(
  element: ReactNode,
  start: ProjectDocument,
  { at = '/p/demo/plan', worker = false } = {},
): TestPage {
  const edits: { title: string; operations: readonly Operation[] }[] = [];
  const problems: Problem[] = [];
  const show = (project: ProjectDocument, operations: readonly Operation[] = []) => {
    useProjectStore.setState({
      projectId: 'demo',
      preview: null,
      refusal: null,
      sync: {
        view: project,
        touched: touchedBy(operations),
        revision: 1,
        pending: [],
        connection: 'online',
        conflict: null,
        history: emptyHistory,
        notice: null,
        setAside: [],
      },
    });
    if (!worker) useDerivedStore.setState({ ...NOTHING_DERIVED, derived: derivedOn(project), checked: true });
  };
  if (worker) {
    startWorkers();
    stopDeriving = startDeriving();
  }
  show(start);
  const now = () => useProjectStore.getState().sync!.view;
  useProjectStore.setState({
    edit: (title, wanted) => {
      const operations = 'ok' in wanted ? wanted : { ok: true as const, value: wanted };
      const after = operations.ok ? edited(now(), operations.value) : operations;
      if (!operations.ok || !after.ok) {
        const problem = operations.ok ? (after as { problem: Problem }).problem : operations.problem;
        problems.push(problem);
        useProjectStore.setState({ refusal: { problem, at: problems.length } });
        return false;
      }
      edits.push({ title, operations: operations.value });
      show(after.value, operations.value);
      return true;
    },
  });
  const Open = () => (
    <ProjectProvider value={useProjectStore(({ sync }) => sync!.view)}>
      {worker && <Deriving />}
      {element}
    </ProjectProvider>
  );
  return { ...renderPage(<Open />, { at }), edits, problems, project: now };
}

/** Routes, findings and the schedule of a project. */
export function derivedOn(project: ProjectDocument) {
  const derived = new DerivedProject(en.terms);
  derived.open(project, TEST_DAY);
  const steps = derived.derive(TEST_DAY);
  for (;;) {
    const step = steps.next();
    if (step.done) return derivedFrom(applyDelta(NO_LISTS, step.value), project);
  }
}

/** Signs somebody in with a role. */
export function signInAs(role: NonNullable<SessionReply['member']>['role']): void {
  useSession.setState({
    session: { member: { id: 'm1', name: 'Ada Fenn', email: 'ada@example.test', role } } as unknown as SessionReply,
  });
}

const realStore = useProjectStore.getState();
/** After each test: the page and the stores as they were. */
export function closePage(): void {
  cleanup();
  stopDeriving?.();
  stopDeriving = null;
  stopWorkers();
  clearServerState();
  useProjectStore.setState(realStore, true);
  useDerivedStore.setState(NOTHING_DERIVED, true);
  useSession.setState({ session: null });
}
