import { levelsFromBelow } from '@dusky-spool/core/house';
import { ConfigProvider } from 'antd';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { PlanCanvas } from '../../canvas/PlanCanvas.tsx';
import { focusPlan } from '../../canvas/inspector-focus.ts';
import { SELECT_TOOL, type Tool } from '../../canvas/tools/plan-tool.ts';
import { type CameraControl, useCamera } from '../../canvas/useCamera.ts';
import { useRight } from '../../ground/api/session.ts';
import { later } from '../../ground/later.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import type { Stage } from '../../state/progress.ts';
import { useProjectParts } from '../../state/project.ts';
import { usePlace } from '../../state/selection.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useAskedByLink } from '../../state/useAskedByLink.ts';
import { useSettings } from '../../state/settings.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { surfaceIn, type SurfaceView } from '../../state/views.ts';
import { Chevron } from '../../ui/Chevron.tsx';
import { InspectorFold } from '../../ui/InspectorFold.tsx';
import { NarrowTools } from '../../ui/NarrowTools.tsx';
import { HouseSection } from '../../ui/HouseSection.tsx';
import { DragCard } from './DragCard.tsx';
import { Inspector } from './Inspector.tsx';
import { Palette } from './Palette.tsx';
import { zoneKindsOf } from './on-level.ts';
import { SheetTools } from './SheetTools.tsx';
import { useCopies } from './useCopies.ts';
import { usePlanKeys } from './usePlanKeys.ts';
import css from './plan.module.css';

interface Props {
  readonly projectId: string;
  readonly stage: Stage;
}

const WAITING = <div className="centre">{text('loading')}</div>;
/** The schedule comes after the plan: it is fetched while the plan is drawn. */
const Ledger = later(() => import('./Ledger.tsx').then((module) => module.Ledger), <div className={css.ledger} />);
const WallView = later(() => import('../walls/WallView.tsx').then((module) => module.WallView), WAITING);
const CeilingView = later(() => import('../walls/CeilingView.tsx').then((module) => module.CeilingView), WAITING);
const PlatesScreen = later(() => import('../plates/PlatesScreen.tsx').then((module) => module.PlatesScreen), WAITING);
const LibraryScreen = later(() => import('../library/LibraryScreen.tsx').then((module) => module.LibraryScreen), WAITING);
const TheatreScreen = later(() => import('../theatre/TheatreScreen.tsx').then((module) => module.TheatreScreen), WAITING);
const PlanList = later(() => import('./PlanList.tsx').then((module) => module.PlanList), WAITING);
const LabelsScreen = later(() => import('../labels/LabelsScreen.tsx').then((module) => module.LabelsScreen), null);
const RoutesScreen = later(() => import('../pathways/PathwaysScreen.tsx').then((module) => module.PathwaysScreen), null);

/** The stages Devices and Cabling: the plan with its inspector and schedule, or one of their lists. */
export function PlanScreen(props: Props) {
  const { projectId, stage } = props;
  const project = useProject();
  const { view, go } = usePlace();
  const toPlan = () => go({ view: null });
  const toRun = (id: string) =>
    go({ view: null, selection: { kind: 'run', ids: [id] }, level: project.devices[project.runs[id].deviceId].levelId });
  const plates = stage === 'devices' ? /^plates(?::(.+))?$/.exec(view ?? '') : null;
  if (plates)
    return (
      <PlatesScreen
        projectId={projectId}
        plateId={plates[1] ?? null}
        onPlate={(id) => go({ view: `plates:${id}` })}
        onView={(next) => go({ view: next })}
      />
    );
  const theatre = stage === 'devices' ? /^theatre(?::(.+))?$/.exec(view ?? '') : null;
  if (theatre) return <TheatreScreen projectId={projectId} roomId={theatre[1] ?? null} onView={(next) => go({ view: next })} />;
  if (view === 'ways' && stage === 'cabling') return <RoutesScreen onBack={toPlan} onRun={toRun} />;
  if (view === 'labels' && stage === 'cabling') return <LabelsScreen projectId={projectId} onBack={toPlan} onRun={toRun} />;
  if (view === 'list') return <PlanList onBack={toPlan} onSelect={(selection, level) => go({ view: null, selection, level })} />;
  if (view === 'library' && stage === 'devices') return <LibraryScreen onBack={toPlan} />;
  return <Plan {...props} />;
}

function Plan({ projectId, stage }: Props) {
  const project = useProject();
  const { levelId: wanted, selection, view, go } = usePlace();
  const { endPreview } = useProjectParts('endPreview');
  const settings = useSettings();
  const mayWrite = useRight('field');
  const mayPlan = useRight('plan');
  const [tool, setTool] = useToolOf(stage);
  const control = useCamera();
  const levels = levelsFromBelow(project);
  const isFull = view === 'schedule';
  const surface = stage === 'devices' && !isFull ? surfaceIn(project, view) : null;
  const asked =
    (surface && (surface.kind === 'wall' ? project.walls[surface.wallId] : project.rooms[surface.roomId]).levelId) ?? wanted;
  const levelId = (asked && project.levels[asked] ? asked : (levels.find((level) => level.order === 0) ?? levels[0])?.id) ?? '';
  // The list of findings takes the place of the panel.
  const isInspecting = settings.inspectorOpen && !isFull && !settings.findingPanel;
  const leftPx = stage === 'cabling' ? 120 : 195;
  const select = useCallback(
    (next: Selection, level?: string) => {
      endPreview();
      go({ selection: next, ...(level ? { level } : {}) });
    },
    [go, endPreview],
  );
  const onView = useCallback((next: string | null) => go({ view: next }), [go]);
  useReveal(selection, levelId, isFull, control);
  const copies = useCopies({ levelId, selection, setTool, onSelect: select });
  usePlanKeys({
    ...{ levelId, levels, leftPx, selection, surface, tool, control, setTool },
    copies: stage === 'devices' && mayPlan && !surface ? copies : null,
    onSelect: select,
    onLevel: (id) => go({ level: id }),
  });
  return (
    <div className={`plan-screen${isInspecting ? '' : ' no-inspector'}`}>
      <div className="plan-column">
        {!isFull && (
          <div className="sheet">
            {surface ? (
              <Surface surface={surface} selection={selection} tool={tool} setTool={setTool} onSelect={select} onView={onView} />
            ) : (
              levelId !== '' && (
                <PlanCanvas
                  {...{ projectId, levelId, selection, tool, leftPx, control }}
                  zones={zoneKindsOf(project).find((kind) => kind === settings.zones) ?? null}
                  onSelect={select}
                  onTool={setTool}
                />
              )
            )}
            <SheetLeft stage={stage} levelId={levelId} tool={tool} setTool={setTool} />
            {!surface && <SheetTools {...{ levelId, tool, control, leftPx }} hasSelection={selection.kind !== 'none'} />}
          </div>
        )}
        <Schedule {...{ projectId, levelId, selection, isFull }} onSelect={select} />
      </div>
      {!isFull && !settings.findingPanel && <InspectorFold />}
      {isInspecting && <DragCard />}
      {isInspecting && (
        <ConfigProvider componentDisabled={!mayWrite}>
          <Inspector
            selection={selection}
            onSelect={select}
            onView={stage === 'devices' && !surface ? onView : undefined}
            copies={stage === 'devices' && mayPlan && !surface ? copies : null}
          />
        </ConfigProvider>
      )}
    </div>
  );
}

/** The tool, which belongs to the stage in which it was taken up. */
function useToolOf(stage: Stage): [Tool, (tool: Tool) => void] {
  const [taken, setTaken] = useState<{ stage: Stage; tool: Tool }>({ stage, tool: SELECT_TOOL });
  const [asked, answered] = useAskedByLink('place');
  const { deviceTypes } = useProject();
  // A link that asks for a rack or a device has it in the hand, until another tool is taken up.
  const type = asked === null ? undefined : deviceTypes[asked];
  const linked = useMemo<Tool | null>(
    () => (asked === 'rack' || asked === 'riser' ? { kind: asked } : type ? { kind: 'place', type } : null),
    [asked, type],
  );
  const setTool = useCallback(
    (tool: Tool) => {
      setTaken({ stage, tool });
      if (tool.kind !== 'select') focusPlan();
      answered();
    },
    [stage, answered],
  );
  return [linked ?? (taken.stage === stage ? taken.tool : SELECT_TOOL), setTool];
}

/** A selection that came by link or from the schedule is brought into sight. */
function useReveal({ ids: [firstId] }: Selection, levelId: string, isFull: boolean, control: CameraControl): void {
  const project = useProject();
  useEffect(() => {
    if (!firstId || isFull) return;
    const device = project.devices[firstId] ?? project.devices[project.runs[firstId]?.deviceId ?? ''];
    if (device && device.levelId === levelId) control.reveal([device.x, device.y]);
    // Only when another thing is selected, not when it moves.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [firstId, levelId, isFull]);
}

/** A wall or a ceiling seen square on. */
function Surface({
  surface,
  tool,
  setTool,
  ...rest
}: {
  readonly surface: SurfaceView;
  readonly selection: Selection;
  readonly tool: Tool;
  readonly setTool: (tool: Tool) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onView: (view: string | null) => void;
}) {
  const placing = tool.kind === 'place' ? tool : null;
  const common = {
    ...rest,
    stage: 'devices' as const,
    armed: placing?.type ?? null,
    onPlaced: (again: boolean) => again || setTool(SELECT_TOOL),
  };
  return surface.kind === 'wall' ? (
    <WallView key={surface.wallId} wallId={surface.wallId} side={surface.side} {...common} />
  ) : (
    <CeilingView key={surface.roomId} roomId={surface.roomId} field={placing?.field} {...common} />
  );
}

/** What is placed from, the levels, and the lists of the stage. */
function SheetLeft({
  stage,
  levelId,
  tool,
  setTool,
}: {
  readonly stage: Stage;
  readonly levelId: string;
  readonly tool: Tool;
  readonly setTool: (tool: Tool) => void;
}) {
  const project = useProject();
  const { go } = usePlace();
  const mayPlan = useRight('plan');
  const onLibrary = useCallback(() => go({ view: 'library' }), [go]);
  const onPlates = useCallback(() => go({ view: 'plates' }), [go]);
  const onLevel = useCallback((id: string) => go({ level: id, view: null }), [go]);
  return (
    <div className="sheet-left">
      {stage === 'devices' && mayPlan && (
        <NarrowTools>
          <Palette tool={tool} onTool={setTool} onLibrary={onLibrary} onPlates={onPlates} />
        </NarrowTools>
      )}
      <HouseSection project={project} levelId={levelId} onPick={onLevel} />
      <button type="button" className={`plain link ${css.toWays}`} onClick={() => go({ view: 'list' })}>
        {text('planList.title')}
      </button>
      {stage === 'devices' && (
        <button type="button" className={`plain link ${css.toWays}`} onClick={() => go({ view: 'theatre' })}>
          {text('theatre.open')}
        </button>
      )}
      {stage === 'cabling' &&
        (['ways', 'labels'] as const).map((list) => (
          <button key={list} type="button" className={`plain link ${css.toWays}`} onClick={() => go({ view: list })}>
            {text(`${list}.title`)}
          </button>
        ))}
    </div>
  );
}

/** The schedule below the plan or alone; folded it is one line. */
function Schedule({
  isFull,
  ...place
}: {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly isFull: boolean;
  readonly onSelect: (selection: Selection, level?: string) => void;
}) {
  const project = useProject();
  const { go } = usePlace();
  const { ledgerOpen, set } = useSettings();
  // The plan comes first; its schedule follows in the next idle moment.
  const isDue = useAfterFirstPaint();
  const onFull = useCallback((next: boolean) => go({ view: next ? 'schedule' : null }), [go]);
  const onFold = useCallback(() => set({ ledgerOpen: false }), [set]);
  if (!isFull && !ledgerOpen)
    return (
      <button type="button" className={`plain ${css.ledgerFolded}`} onClick={() => set({ ledgerOpen: true })}>
        <Chevron down={false} /> {text('schedule.unfold')} · {text('projects.runs', { count: Object.keys(project.runs).length })}
      </button>
    );
  if (!isDue && !isFull) return <div className={css.ledger} />;
  return <Ledger key={isFull ? 'full' : 'part'} full={isFull} onFull={onFull} onFold={onFold} {...place} />;
}
