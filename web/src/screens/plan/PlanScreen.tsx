import { useProject } from '../../state/open-project.ts';
import { onLevel } from '@dusky-spool/core/derive';
import { levelsFromBelow, projectBounds } from '@dusky-spool/core/house';
import { facePlaceOf, moveDevices, moveOnFace, removeDevices } from '@dusky-spool/core/devices';
import { GROUP_KINDS, type GroupKind, type ProjectDocument, type SystemName } from '@dusky-spool/core/model';
import { later } from '../../ground/later.ts';
import { useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { PlanCanvas, type Tool } from '../../canvas/PlanCanvas.tsx';
import { useCamera } from '../../canvas/useCamera.ts';
import { NUDGE_M } from '../../canvas/nudge.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { usePlace } from '../../state/selection.ts';
import { useKeys } from '../../canvas/useKeys.ts';
import { surfaceIn, type SurfaceView } from '../../state/views.ts';
import { useProjectParts } from '../../state/project.ts';
import type { Stage } from '../../state/progress.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { useByHand } from '../../state/by-hand.ts';
import { useSettings } from '../../state/settings.ts';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { Chevron } from '../../ui/Chevron.tsx';
import { HouseSection } from '../../ui/HouseSection.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { DragCard } from './DragCard.tsx';
import { Inspector } from './Inspector.tsx';
import { Palette } from './Palette.tsx';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Button, ConfigProvider } from 'antd';

interface Props {
  readonly projectId: string;
  readonly stage: Stage;
}

const WAITING = <div className="centre">{text('loading')}</div>;
/** The schedule comes after the plan: it is fetched while the plan is drawn. */
const Ledger = later(() => import('./Ledger.tsx').then((module) => module.Ledger), <div className="ledger" />);
const WallView = later(() => import('../walls/WallView.tsx').then((module) => module.WallView), WAITING);
const CeilingView = later(() => import('../walls/CeilingView.tsx').then((module) => module.CeilingView), WAITING);
const PlatesScreen = later(() => import('../plates/PlatesScreen.tsx').then((module) => module.PlatesScreen), WAITING);
const LibraryScreen = later(() => import('../library/LibraryScreen.tsx').then((module) => module.LibraryScreen), WAITING);
const LabelsScreen = later(() => import('../labels/LabelsScreen.tsx').then((module) => module.LabelsScreen), null);
const WaysScreen = later(() => import('../ways/WaysScreen.tsx').then((module) => module.WaysScreen), null);

const SELECT: Tool = { kind: 'select' };

/** The plan with its inspector and its ledger: Devices and Cabling are this screen with different tools. */
export function PlanScreen({ projectId, stage }: Props) {
  const document = useProject();
  const mayPlan = useRight('plan');
  const mayWrite = useRight('field');
  const { levelId: wanted, selection, view, go } = usePlace();
  const { edit, undo, redo, endPreview } = useProjectParts('edit', 'undo', 'redo', 'endPreview');
  const settings = useSettings();
  const byHand = useByHand(({ runId }) => runId !== null);
  // A tool belongs to the stage in which it was taken up.
  const [held, setHeld] = useState<{ stage: Stage; tool: Tool }>({ stage, tool: SELECT });
  const tool = held.stage === stage ? held.tool : SELECT;
  const setTool = useCallback((next: Tool) => setHeld({ stage, tool: next }), [stage]);
  // The plan comes first; its schedule follows in the next idle moment.
  const ledgerDue = useAfterFirstPaint();
  const control = useCamera();
  const levels = levelsFromBelow(document);
  const full = view === 'schedule';
  const library = view === 'library' && stage === 'devices';
  const surface = stage === 'devices' && !full ? surfaceIn(document, view) : null;
  const asked =
    (surface && (surface.kind === 'wall' ? document.walls[surface.wallId] : document.rooms[surface.roomId]).levelId) ?? wanted;
  const levelId = (asked && document.levels[asked] ? asked : (levels.find((level) => level.order === 0) ?? levels[0])?.id) ?? '';
  const inspecting = settings.inspectorOpen && !full;
  const leftPx = stage === 'cabling' ? 120 : 195;

  const select = useCallback(
    (next: Selection, level?: string) => {
      endPreview();
      go({ selection: next, ...(level ? { level } : {}) });
    },
    [go, endPreview],
  );

  const onFull = useCallback((next: boolean) => go({ view: next ? 'schedule' : null }), [go]);
  const setSettings = settings.set;
  const onFold = useCallback(() => setSettings({ ledgerOpen: false }), [setSettings]);
  const onPlates = useCallback(() => go({ view: 'plates' }), [go]);
  const onLibrary = useCallback(() => go({ view: 'library' }), [go]);
  const onView = useCallback((next: string | null) => go({ view: next }), [go]);
  const onPlaced = useCallback((again: boolean) => again || setTool(SELECT), [setTool]);
  const onPickLevel = useCallback((id: string) => go({ level: id, view: null }), [go]);

  // A selection that came by link or from the ledger is brought into sight.
  const [firstId] = selection.ids;
  useEffect(() => {
    if (!firstId || full) return;
    const device = document.devices[firstId] ?? document.devices[document.runs[firstId]?.deviceId ?? ''];
    if (device && device.levelId === levelId) control.reveal([device.x, device.y]);
    // Only when another thing is selected, not when it moves.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [firstId, levelId, full]);

  const nudge = (dx: number, dy: number, far: boolean) => {
    const ids = selection.kind === 'device' ? selection.ids.filter((id) => document.devices[id]) : [];
    if (surface?.kind === 'wall') return edit(text('edit.nudge'), nudgedOnWall(document, surface, ids, [dx, dy], far));
    if (ids.length === 0) return control.panBy(-dx * 60, dy * 60);
    const step = NUDGE_M[document.project.units] * (far ? 10 : 1);
    const moves = ids.map((deviceId) => ({
      deviceId,
      to: [document.devices[deviceId].x + dx * step, document.devices[deviceId].y + dy * step] as const,
    }));
    edit(text('edit.nudge'), moveDevices(document, moves));
  };
  const stepLevel = (by: number) => {
    const next = levels[levels.findIndex((level) => level.id === levelId) + by];
    if (next) go({ level: next.id });
  };
  const leave = () => {
    if (byHand) useByHand.setState({ runId: null });
    else if (tool.kind !== 'select') setTool(SELECT);
    else select(noSelection);
  };
  useKeys({
    undo,
    redo,
    nudge,
    escape: leave,
    remove: () => {
      if (selection.kind === 'device' && edit(text('edit.remove'), removeDevices(document, selection.ids))) select(noSelection);
    },
    zoom: (direction) =>
      direction === 0 ? control.fit(projectBounds(document, levelId), leftPx) : control.zoomBy(direction > 0 ? 1.25 : 0.8),
    level: stepLevel,
  });

  const underlay = Object.values(document.underlays).find((u) => u.levelId === levelId);
  const systems = useMemo(() => systemsOnLevel(document, levelId), [document, levelId]);
  const zoneKinds = useMemo(
    () => GROUP_KINDS.filter((kind) => Object.values(document.groups).some((group) => group.kind === kind)),
    [document.groups],
  );
  const hint = byHand
    ? text('way.byHandHint')
    : tool.kind === 'template'
      ? text('plan.placingTemplate', { name: tool.template.name })
      : tool.kind === 'place'
        ? text(tool.field ? 'plan.placingField' : 'plan.placing', { name: tool.type.name.toLowerCase() })
        : null;
  const nothing =
    !underlay && onLevel(document, 'rooms', levelId).length === 0 && onLevel(document, 'devices', levelId).length === 0;

  const onSurface = {
    selection,
    stage: 'devices',
    armed: tool.kind === 'place' ? tool.type : null,
    onPlaced,
    onSelect: select,
    onView,
  } as const;
  const ledger =
    !ledgerDue && !full ? (
      <div className="ledger" />
    ) : (
      <Ledger
        key={full ? 'full' : 'part'}
        projectId={projectId}
        levelId={levelId}
        selection={selection}
        full={full}
        onSelect={select}
        onFull={onFull}
        onFold={onFold}
      />
    );
  const plates = stage === 'devices' ? /^plates(?::(.+))?$/.exec(view ?? '') : null;
  if (plates)
    return (
      <PlatesScreen
        projectId={projectId}
        plateId={plates[1] ?? null}
        onPlate={(id) => go({ view: `plates:${id}` })}
        onView={onView}
      />
    );
  const toPlan = () => go({ view: null });
  const toRun = (id: string) =>
    go({ view: null, selection: { kind: 'run', ids: [id] }, level: document.devices[document.runs[id].deviceId].levelId });
  if (view === 'ways' && stage === 'cabling') return <WaysScreen onBack={toPlan} onRun={toRun} />;
  if (view === 'labels' && stage === 'cabling') return <LabelsScreen projectId={projectId} onBack={toPlan} onRun={toRun} />;
  if (library) return <LibraryScreen onBack={() => go({ view: null })} />;
  return (
    <div className={`plan-screen${inspecting ? '' : ' no-inspector'}`}>
      <div className="plan-column">
        {!full && (
          <div className="sheet">
            {surface?.kind === 'wall' ? (
              <WallView key={surface.wallId} wallId={surface.wallId} side={surface.side} {...onSurface} />
            ) : surface ? (
              <CeilingView
                key={surface.roomId}
                roomId={surface.roomId}
                field={tool.kind === 'place' ? tool.field : undefined}
                {...onSurface}
              />
            ) : (
              levelId !== '' && (
                <PlanCanvas
                  projectId={projectId}
                  levelId={levelId}
                  selection={selection}
                  tool={tool}
                  zones={zoneKinds.includes(settings.zones!) ? settings.zones : null}
                  leftPx={leftPx}
                  control={control}
                  onSelect={select}
                  onTool={setTool}
                />
              )
            )}
            <div className="sheet-left">
              {stage === 'devices' && mayPlan && (
                <Palette tool={tool} onTool={setTool} onLibrary={onLibrary} onPlates={onPlates} />
              )}
              <HouseSection document={document} levelId={levelId} onPick={onPickLevel} />
              {stage === 'cabling' && (
                <>
                  <button type="button" className="plain link to-ways" onClick={() => go({ view: 'ways' })}>
                    {text('ways.title')}
                  </button>
                  <button type="button" className="plain link to-ways" onClick={() => go({ view: 'labels' })}>
                    {text('labels.title')}
                  </button>
                </>
              )}
            </div>
            {!surface && (
              <div className="zoom-buttons">
                {zoneKinds.length > 0 && (
                  <select
                    className="small-button zone-choice"
                    value={settings.zones ?? ''}
                    aria-label={text('plan.zones')}
                    onChange={(event) => settings.set({ zones: (event.target.value || null) as GroupKind | null })}
                  >
                    <option value="">{text('plan.noZones')}</option>
                    {zoneKinds.map((kind) => (
                      <option key={kind} value={kind}>
                        {text('plan.zonesOf', { kind: term(`groupKinds.${kind}`) })}
                      </option>
                    ))}
                  </select>
                )}
                <SmallButton aria-pressed={settings.findings} onClick={() => settings.set({ findings: !settings.findings })}>
                  {text('plan.findings')}
                </SmallButton>
                <SmallButton aria-label={text('plan.zoomIn')} onClick={() => control.zoomBy(1.4)}>
                  +
                </SmallButton>
                <SmallButton aria-label={text('plan.zoomOut')} onClick={() => control.zoomBy(1 / 1.4)}>
                  −
                </SmallButton>
                <SmallButton onClick={() => control.fit(projectBounds(document, levelId), leftPx)}>
                  {text('plan.fit')}
                </SmallButton>
              </div>
            )}
            {hint && !surface && (
              <div className="sheet-hint" role="status">
                {hint}
              </div>
            )}
            {nothing && !surface && tool.kind === 'select' && (
              <div className="sheet-empty">
                <b>{text('plan.empty')}</b>
                <span>{text('plan.emptySurvey')}</span>
                {<Button href={`../survey?level=${levelId}`}>{text('plan.toSurvey')}</Button>}
              </div>
            )}
            {!surface && (
              <div className="legend" aria-hidden="true">
                {systems.map((system) => (
                  <span key={system}>
                    <svg width={30} height={6}>
                      <path
                        d="M0 3H30"
                        stroke={SYSTEM_STYLE[system].colour}
                        strokeWidth={2}
                        strokeDasharray={SYSTEM_STYLE[system].dash}
                      />
                    </svg>
                    {term(`systems.${system}`)}
                  </span>
                ))}
                {selection.kind !== 'none' && (
                  <span>
                    <svg width={12} height={12} viewBox="-7 -7 14 14">
                      <path className="hole" d="M0-6 6 0 0 6-6 0Z" />
                    </svg>
                    {text('plan.hole')}
                  </span>
                )}
              </div>
            )}
          </div>
        )}
        {full || settings.ledgerOpen ? (
          ledger
        ) : (
          <button type="button" className="plain ledger-folded" onClick={() => settings.set({ ledgerOpen: true })}>
            <Chevron down={false} /> {text('schedule.unfold')} ·{' '}
            {text('projects.runs', { count: Object.keys(document.runs).length })}
          </button>
        )}
      </div>
      {!full && (
        <button
          type="button"
          className="plain inspector-fold"
          aria-label={text(settings.inspectorOpen ? 'schedule.foldInspector' : 'schedule.unfoldInspector')}
          aria-expanded={settings.inspectorOpen}
          onClick={() => settings.set({ inspectorOpen: !settings.inspectorOpen })}
        >
          <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden="true">
            <path
              d={settings.inspectorOpen ? 'M3.500 2 6.500 5 3.500 8' : 'M6.500 2 3.500 5 6.500 8'}
              fill="none"
              stroke="currentColor"
              strokeWidth={1.6}
            />
          </svg>
        </button>
      )}
      {inspecting && <DragCard />}
      {inspecting && (
        <ConfigProvider componentDisabled={!mayWrite}>
          <Inspector selection={selection} onSelect={select} onView={stage === 'devices' && !surface ? onView : undefined} />
        </ConfigProvider>
      )}
    </div>
  );
}

/** Devices of a wall that is seen square on, moved along and up it. */
function nudgedOnWall(
  document: ProjectDocument,
  { wallId, side }: Extract<SurfaceView, { kind: 'wall' }>,
  ids: readonly string[],
  [dx, dy]: readonly [number, number],
  far: boolean,
) {
  const wall = document.walls[wallId];
  const step = NUDGE_M[document.project.units] * (far ? 10 : 1);
  const along = side === 'left' ? -dx : dx;
  const moves = ids.flatMap((deviceId) => {
    const place = facePlaceOf(document, wall, document.devices[deviceId]);
    return place?.side === side
      ? [{ deviceId, to: { offsetM: place.offsetM + along * step, heightM: place.heightM + dy * step } }]
      : [];
  });
  return moveOnFace(document, wall, side, moves);
}

function systemsOnLevel(document: ProjectDocument, levelId: string): SystemName[] {
  const found = new Set<SystemName>();
  for (const { typeId } of onLevel(document, 'devices', levelId)) found.add(document.deviceTypes[typeId].system);
  return (Object.keys(SYSTEM_STYLE) as SystemName[]).filter((system) => found.has(system));
}
