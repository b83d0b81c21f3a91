import { ProjectProvider } from '../state/open-project.ts';
import type { ProjectDocument } from '@dusky-spool/core/model';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import { openOf } from '@dusky-spool/core/rules';
import { useRole } from '../ground/api/session.ts';
import { later } from '../ground/later.ts';
import { term, text } from '../ground/text.ts';
import {
  resumeDeriving,
  cancelDeriving,
  startDeriving,
  useDerived,
  useDeriving,
  useDerivedStore,
  useNotChecked,
} from '../state/derived.ts';
import { guideOf } from '../state/guide-of.ts';
import { isStage, progressOf, type Stage } from '../state/progress.ts';
import { useProjectParts, useProjectStore } from '../state/project.ts';
import { useSettings } from '../state/settings.ts';
import { placeOf } from '../state/finding-place.ts';
import { today } from '../state/today.ts';
import { useAfterFirstPaint } from '../state/useAfterFirstPaint.ts';
import type { OpenConflict, SyncState } from '../state/sync-state.ts';
import { SmallButton } from '../ui/SmallButton.tsx';
import { useFocusBack } from '../ui/useFocusBack.ts';
import { Thread } from '../ui/Thread.tsx';
import { PlanScreen } from '../screens/plan/PlanScreen.tsx';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useShallow } from 'zustand/react/shallow';
import { App as AntApp, Button, Modal, Spin } from 'antd';
import { whenText } from '../ui/when.ts';
import { conflictLines, problemSentence } from '@dusky-spool/texts';
import { planElement } from '../canvas/inspector-focus.ts';
import { Finder } from './Finder.tsx';
import { Tour } from './Tour.tsx';
import css from './app.module.css';

const WAITING = (
  <div className="centre">
    <Spin />
  </div>
);
const SurveyScreen = later(() => import('../screens/survey/SurveyScreen.tsx').then((module) => module.SurveyScreen), WAITING);
const BriefScreen = later(() => import('../screens/brief/BriefScreen.tsx').then((module) => module.BriefScreen), WAITING);
const FindingPanel = later(() => import('../ui/FindingPanel.tsx').then((module) => module.FindingPanel), null);
const SetAsideDialog = later(() => import('../ui/SetAsideDialog.tsx').then((module) => module.SetAsideDialog), null);
const StageScreen = later(() => import('./StageScreen.tsx').then((module) => module.StageScreen), WAITING);

/** A project with its thread and header; the stage in the address says what is inside. */
export function ProjectFrame() {
  const { projectId = '', stage } = useParams();
  const { open, close, sync, problem, refusal } = useProjectParts('open', 'close', 'sync', 'problem', 'refusal');
  const navigate = useNavigate();
  const { message } = AntApp.useApp();

  useEffect(() => {
    const stop = startDeriving();
    void open(projectId);
    return () => {
      close();
      stop();
    };
  }, [projectId, open, close]);
  useEffect(() => {
    if (refusal)
      void message.warning({
        content: problemSentence(refusal.problem, useProjectStore.getState().sync?.view.project.units),
        duration: 6,
        key: 'refusal',
      });
  }, [refusal, message]);

  if (problem) {
    return (
      <main className="centre">
        <p>{problemSentence(problem)}</p>
        <Button
          type="primary"
          onClick={() => (problem.code === 'database-away' ? void open(projectId) : void navigate('/projects'))}
        >
          {problem.code === 'database-away' ? text('tryAgain') : text('toProjects')}
        </Button>
      </main>
    );
  }
  if (!sync) {
    return (
      <main className="centre">
        <span>{text('loading')}</span>
      </main>
    );
  }
  const here = isStage(stage) ? stage : 'devices';
  return <Frame projectId={projectId} sync={sync} stage={here} />;
}

function Frame({
  projectId,
  sync,
  stage,
}: {
  readonly projectId: string;
  readonly sync: SyncState;
  readonly stage: ReturnType<typeof progressOf>[number]['stage'];
}) {
  const project = sync.view;
  const settled = useSettled(project, stage === 'survey');
  useDeriving(project);
  const derived = useDerived(settled);
  const stages = useMemo(() => progressOf(settled, derived), [settled, derived]);
  const findings = useMemo(() => openOf(settled, derived.findings, today()), [settled, derived.findings]);
  const isListing = useSettings(({ findingPanel }) => findingPanel);
  const onPlan = stage === 'devices' || stage === 'cabling';
  return (
    <ProjectProvider value={project}>
      <div className={isListing ? `${css.frame} ${css.listing}` : css.frame}>
        <SkipLink />
        <Thread stages={stages} />
        <Header {...{ projectId, stage, sync, findings }} settled={settled} />
        <main id="work" tabIndex={-1} className={css.work}>
          {onPlan ? (
            <PlanScreen projectId={projectId} stage={stage} />
          ) : stage === 'survey' ? (
            <SurveyScreen projectId={projectId} />
          ) : stage === 'brief' ? (
            <BriefScreen />
          ) : (
            <StageScreen projectId={projectId} stage={stage} />
          )}
        </main>
        <Findings {...{ projectId, findings }} settled={settled} />
        <Tour isEmpty={Object.keys(project.rooms).length === 0 && Object.keys(project.devices).length === 0} />
        {sync.conflict && <ConflictDialog conflict={sync.conflict} view={sync.view} />}
      </div>
    </ProjectProvider>
  );
}

/** The first stop of the Tab key: past the stages and the header to the work, to the plan itself where there is one. */
function SkipLink() {
  return (
    <a
      className={css.skip}
      href="#work"
      onClick={(event) => {
        event.preventDefault();
        (planElement() ?? document.getElementById('work'))?.focus();
      }}
    >
      {text('header.skip')}
    </a>
  );
}

/** Errors and warnings beside the work, where they are asked for. */
function Findings({
  projectId,
  findings,
  settled: project,
}: {
  readonly projectId: string;
  readonly findings: readonly DerivedFinding[];
  readonly settled: ProjectDocument;
}) {
  const { findingPanel, set } = useSettings();
  const { endPreview } = useProjectParts('endPreview');
  const navigate = useNavigate();
  useFocusBack(findingPanel);
  if (!findingPanel) return null;
  const close = () => {
    endPreview();
    set({ findingPanel: false });
  };
  return (
    <FindingPanel
      findings={findings}
      units={project.project.units}
      onShow={(finding) => void navigate(placeOf(projectId, project, finding))}
      onClose={close}
    />
  );
}

const SETTLE_MS = 500;

/** The project as it was when it last came to rest: routes and checks of the whole house do not run at every stroke of a wall. */
function useSettled(project: ProjectDocument, drawing: boolean): ProjectDocument {
  const [rested, setRested] = useState(project);
  useEffect(() => {
    if (!drawing) return;
    const soon = window.setTimeout(() => setRested(project), SETTLE_MS);
    return () => window.clearTimeout(soon);
  }, [project, drawing]);
  return drawing ? rested : project;
}

function SaveState({ sync }: { readonly sync: SyncState }) {
  const count = sync.pending.length;
  const words =
    sync.connection === 'signed-out'
      ? text('header.signedOut')
      : sync.connection === 'gone'
        ? text('access.gone')
        : sync.connection === 'outdated'
          ? text('header.outdated')
          : sync.connection === 'offline'
            ? text('header.offline', { count })
            : sync.connection === 'database-away'
              ? text('header.away', { count })
              : count > 0
                ? text('header.saving', { count })
                : text('header.saved', { revision: sync.revision });
  return (
    <span className={sync.connection !== 'online' ? 'chip away' : count > 0 ? 'chip' : 'chip saved'} role="status">
      {words}
    </span>
  );
}

function Header({
  projectId,
  stage,
  sync,
  findings,
  settled: project,
}: {
  readonly projectId: string;
  readonly stage: Stage;
  readonly sync: SyncState;
  readonly findings: readonly DerivedFinding[];
  readonly settled: ProjectDocument;
}) {
  const nothingTold = useNotChecked();
  const { undo, redo } = useProjectParts('undo', 'redo');
  const { dusk, findingPanel, set } = useSettings();
  const list = () => set({ findingPanel: !findingPanel });
  const secondPaint = useAfterFirstPaint();
  const stops = findings.filter((finding) => finding.rank === 'stop');
  const looks = findings.filter((finding) => finding.rank === 'look');
  const units = project.project.units;
  // Of a house without devices nothing is said to be in order.
  const isBare = Object.keys(project.devices).length === 0;
  return (
    <header className="header">
      <h1>{project.project.name}</h1>
      <span className="chip quiet">{term(`units.${units}`)}</span>
      <SaveState sync={sync} />
      <AccessChip />
      <AsideChip sync={sync} />
      <span className="grow" />
      {secondPaint ? <Finder projectId={projectId} /> : <span className={css.finder} />}
      <SmallButton bare disabled={sync.history.done.length === 0} onClick={undo} aria-label={text('header.undo')} title="Ctrl Z">
        <Turn />
      </SmallButton>
      <SmallButton
        bare
        disabled={sync.history.undone.length === 0}
        onClick={redo}
        aria-label={text('header.redo')}
        title="Ctrl Shift Z"
      >
        <Turn forward />
      </SmallButton>
      <SmallButton bare onClick={() => set({ dusk: !dusk })} aria-label={text(dusk ? 'theme.vellum' : 'theme.dusk')}>
        <Moon />
      </SmallButton>
      <Link
        className={`small-button bare ${css.help}`}
        to={`/guide/${guideOf(stage)}`}
        aria-label={text('guide.ofThis')}
        title={text('guide.ofThis')}
      >
        ?
      </Link>
      <FollowChip />
      <Link className="chip quiet" to={`/p/${projectId}/inspect?view=findings`}>
        {text('site.openChecks')}
      </Link>
      <button
        type="button"
        className={`chip ${stops.length > 0 ? 'stop' : looks.length > 0 ? 'look' : nothingTold || isBare ? 'quiet' : 'fine'}`}
        aria-expanded={findingPanel}
        onClick={list}
      >
        {stops.length > 0
          ? text('header.stops', { count: stops.length })
          : looks.length > 0
            ? text('header.looks', { count: looks.length })
            : text(isBare ? 'header.nothingToCheck' : nothingTold ? 'header.checking' : 'header.allFine')}
      </button>
      {stops.length > 0 && looks.length > 0 && (
        <button type="button" className="chip look" onClick={list}>
          {text('header.looks', { count: looks.length })}
        </button>
      )}
    </header>
  );
}

/** What a crew or a client may not do here, before it is tried. */
function AccessChip() {
  const role = useRole();
  if (role === 'owner' || role === 'planner') return null;
  return <span className="chip quiet">{text(role === 'crew' ? 'access.crew' : 'access.readOnly')}</span>;
}

/** Edits that the server could not take wait here for a person. */
function AsideChip({ sync }: { readonly sync: SyncState }) {
  const [open, setOpen] = useState(false);
  const { setAside, view } = sync;
  if (setAside.length === 0) return null;
  return (
    <>
      <button type="button" className="chip stop" onClick={() => setOpen(true)}>
        {text('setAside.chip', { count: setAside.length })}
      </button>
      {open && <SetAsideDialog entries={setAside} project={view} onClose={() => setOpen(false)} />}
    </>
  );
}

/** How far a long reckoning of routes is, or that there will be none. */
function FollowChip() {
  const { share, failed, stopped } = useDerivedStore(useShallow(({ share, failed, stopped }) => ({ share, failed, stopped })));
  if (failed)
    return (
      <button type="button" className="chip away" onClick={() => location.reload()}>
        {text('header.notFollowed')}
      </button>
    );
  if (stopped)
    return (
      <button type="button" className="chip away" onClick={resumeDeriving}>
        {text('header.goOn')}
      </button>
    );
  return share === null ? null : (
    <span className="chip quiet" role="status">
      {text('header.routing', { share: Math.round(100 * share) })}{' '}
      <button type="button" className="plain link" onClick={cancelDeriving}>
        {text('header.halt')}
      </button>
    </span>
  );
}

function ConflictDialog({ conflict, view }: { readonly conflict: OpenConflict; readonly view: ProjectDocument }) {
  const resolve = useProjectStore((state) => state.resolve);
  const lines = conflictLines(view, conflict.conflicts);
  const things = [...new Set(lines.map(({ what }) => what))];
  return (
    <Modal
      open
      title={text('conflict.title')}
      closable={false}
      footer={
        <>
          <Button onClick={() => resolve('theirs')}>{text('conflict.takeTheirs')}</Button>
          <Button type="primary" onClick={() => resolve('mine')}>
            {text('conflict.keepMine')}
          </Button>
        </>
      }
    >
      <p>{text('conflict.text', { what: things.join(', ') })}</p>
      {conflict.theirs && (
        <p className="faint">{text('conflict.byWhom', { name: conflict.theirs.author, when: whenText(conflict.theirs.at) })}</p>
      )}
      <table className={css.conflicts}>
        <thead>
          <tr>
            <th>{text('conflict.field')}</th>
            <th>{text('conflict.mine')}</th>
            <th>{text('conflict.theirs')}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ key, what, field, mine, theirs }) => (
            <tr key={key}>
              <td>{things.length > 1 ? `${what}: ${field}` : field}</td>
              <td>{mine}</td>
              <td>{theirs}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}

const Turn = ({ forward = false }: { readonly forward?: boolean }) => (
  <svg width={15} height={15} viewBox="0 0 16 16" aria-hidden="true" style={forward ? { transform: 'scaleX(-1)' } : undefined}>
    <path
      d="M5.500 2.500 2.500 5.500l3 3M3 5.500h6a4 4 0 0 1 0 8H6"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.6}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  </svg>
);
const Moon = () => (
  <svg width={15} height={15} viewBox="0 0 16 16" aria-hidden="true">
    <path
      d="M13 9.500A5.600 5.600 0 0 1 6.500 3a5.600 5.600 0 1 0 6.500 6.500Z"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.6}
      strokeLinejoin="round"
    />
  </svg>
);
