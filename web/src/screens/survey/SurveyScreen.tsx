import { useCallback, useEffect, useRef, useState } from 'react';
import { App as AntApp, Button, Dropdown, Input, Modal } from 'antd';
import { levelsFromBelow, projectBounds } from '@dusky-spool/core/building';
import type { Point2 } from '@dusky-spool/core/geometry';
import { create, onLevel, removeWithDependants, type Operation, type ProjectDocument } from '@dusky-spool/core/project';
import {
  FEATURE_MAKES,
  sameKind,
  alignFeatures,
  arrayMotions,
  clipBounds,
  clipOf,
  distributeFeatures,
  drawWalls,
  EDGES,
  mirrorMotion,
  moveFeatures,
  moveWalls,
  paste,
  removeOpenings,
  removeWalls,
  surveyQuestions,
  WALL_BUILDS,
  type Clip,
  type Motion,
} from '@dusky-spool/core/survey';
import { parseLength } from '@dusky-spool/core/units';
import { later } from '../../app/later.ts';
import { text, term } from '../../app/text.ts';
import { useCamera } from '../../canvas/useCamera.ts';
import { NUDGE_M } from '../../editor/nudge.ts';
import { noSelection, usePlace, type Selection } from '../../editor/selection.ts';
import { backCorner, endChain, leaveWalls, setCorner, typedCorner, typeWalls } from '../../editor/tools/draw-walls.ts';
import { useKeys } from '../../editor/useKeys.ts';
import { newRecordId, useProject } from '../../state/project.ts';
import { useSettings } from '../../state/settings.ts';
import { HouseSection } from '../../ui/HouseSection.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { LevelPanel } from './panels/LevelPanel.tsx';
import { PlanPictures } from './panels/PlanPictures.tsx';
import { RoomPanel } from './panels/RoomPanel.tsx';
import { FeaturePanel } from './panels/FeaturePanel.tsx';
import { OpeningPanel, RackPanel, RiserPanel } from './panels/ThingPanels.tsx';
import { WallPanel } from './panels/WallPanel.tsx';
import { newSurveyId } from './ids.ts';
import { SurveyCanvas } from './SurveyCanvas.tsx';
import { ToolBar } from './ToolBar.tsx';
import { SELECT, wallsTool, type SurveyTool } from './tools.ts';
import { useSurveyKeys } from './useSurveyKeys.ts';
import { ArrayDialog, KeyboardSheet } from './dialogs.tsx';
import { ScaleFlow } from './ScaleFlow.tsx';

const Walk = later(() => import('./Walk.tsx').then((module) => module.Walk), <div className="centre">{text('loading')}</div>);
const Elevation = later(
  () => import('./Elevation.tsx').then((module) => module.Elevation),
  <div className="centre">{text('loading')}</div>,
);
const CeilingView = later(
  () => import('./CeilingView.tsx').then((module) => module.CeilingView),
  <div className="centre">{text('loading')}</div>,
);
const House3d = later(
  () => import('./House3d.tsx').then((module) => module.House3d),
  <div className="centre">{text('loading')}</div>,
);
const DrawingImport = later(() => import('./DrawingImport.tsx').then((module) => module.DrawingImport));

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
}

const LEFT_PX = 200;

/** The Survey stage: the building as it really is. */
export function SurveyScreen({ projectId, document }: Props) {
  const { levelId: wanted, selection: raw, view, go } = usePlace();
  const { edit, undo, redo, preview, showPreview } = useProject();
  const settings = useSettings();
  const { message } = AntApp.useApp();
  const [tool, setTool] = useState<SurveyTool>(SELECT);
  const [clip, setClip] = useState<Clip | null>(null);
  const [menu, setMenu] = useState<{ x: number; y: number } | null>(null);
  const [dialog, setDialog] = useState<'array' | 'keys' | null>(null);
  const [drawing, setDrawing] = useState<File | null>(null);
  const [naming, setNaming] = useState<Point2 | null>(null);
  const [measured, setMeasured] = useState<{ underlayId: string; first: Point2; second: Point2 } | null>(null);
  const control = useCamera();
  const levels = levelsFromBelow(document);
  const levelId =
    (wanted && document.levels[wanted] ? wanted : (levels.find((level) => level.order === 0) ?? levels[0])?.id) ?? '';
  const selection = present(document, raw);
  const { units } = document.project;

  const select = useCallback(
    (next: Selection) => {
      showPreview('', null);
      go({ selection: next });
    },
    [go, showPreview],
  );
  const questions = surveyQuestions(document).length;

  const leave = () => {
    if (tool.kind === 'walls' && tool.draw.chain.length > 0) setTool({ ...tool, draw: leaveWalls(tool.draw).state });
    else if (tool.kind === 'feature' && tool.points.length > 0) setTool({ ...tool, points: [] });
    else if (tool.kind !== 'select') setTool(SELECT);
    else select(noSelection);
    setMenu(null);
  };
  const remove = () => {
    const { kind, ids } = selection;
    const operations =
      kind === 'wall'
        ? removeWalls(document, ids, newSurveyId)
        : kind === 'opening'
          ? removeOpenings(document, ids)
          : { ok: true as const, value: ids.flatMap((id) => removed(document, kind, id)) };
    if (!operations.ok || operations.value.length > 0) if (edit(text('edit.remove'), operations)) select(noSelection);
  };
  const nudge = (dx: number, dy: number, far: boolean) => {
    const step = NUDGE_M[units] * (far ? 10 : 1);
    const by: Point2 = [dx * step, dy * step];
    if (selection.kind === 'wall') edit(text('edit.nudge'), moveWalls(document, { wallIds: selection.ids }, by, newSurveyId));
    else if (selection.kind === 'feature') edit(text('edit.nudge'), moveFeatures(document, selection.ids, by));
    else control.panBy(-dx * 60, dy * 60);
  };
  useKeys({
    undo,
    redo,
    nudge,
    escape: leave,
    remove,
    zoom: (direction) =>
      direction === 0 ? control.fit(projectBounds(document, levelId, true), LEFT_PX) : control.zoomBy(direction > 0 ? 1.25 : 0.8),
    level: (by) => {
      const next = levels[levels.findIndex((level) => level.id === levelId) + by];
      if (next) go({ level: next.id });
    },
  });

  const copy = () => {
    if (selection.kind !== 'wall' && selection.kind !== 'feature')
      return void message.info({ content: text('survey.copyHint'), key: 'copy' });
    setClip(clipOf(document, selection.ids));
    void message.info({ content: text('survey.copied', { count: selection.ids.length }), key: 'copy' });
  };
  const setDown = (what: Clip, motions: readonly Motion[], title: string) => {
    const before = new Set([...Object.keys(document.walls), ...Object.keys(document.features)]);
    if (
      !edit(
        title,
        paste(document, what, levelId, motions, newSurveyId, () => newRecordId('f')),
      )
    )
      return;
    const now = useProject.getState().sync!.view;
    const made = Object.keys(what.walls.length > 0 ? now.walls : now.features).filter((id) => !before.has(id));
    select({ kind: what.walls.length > 0 ? 'wall' : 'feature', ids: made });
  };
  const pasteClip = (what: Clip | null) => {
    const box = what && clipBounds(what);
    if (!what || !box) return;
    const stepM = Math.max(0.5, 24 / control.camera.k);
    setDown(what, [{ by: [stepM, -stepM] }], text('survey.paste'));
  };
  const mirror = (beside: boolean) => {
    const what = clipOf(document, selection.ids);
    const motion = mirrorMotion(what, beside);
    if (motion) setDown(what, [motion], text('survey.mirror'));
  };
  useSurveyKeys({
    tool: (letter) => {
      const pick: Record<string, () => void> = {
        v: () => setTool(SELECT),
        w: () => setTool(wallsTool(tool.kind === 'walls' ? tool.make : WALL_BUILDS.stud)),
        o: () => setTool({ kind: 'opening', opening: 'door' }),
        t: () => setTool({ kind: 'feature', make: FEATURE_MAKES[0], points: [] }),
        m: () => setTool({ kind: 'measure', first: null }),
        p: () => setTool({ kind: 'reference' }),
      };
      pick[letter]?.();
      return letter in pick;
    },
    typing: (key) => {
      if (tool.kind !== 'walls') {
        if (key === 'Enter' && tool.kind === 'feature' && tool.points.length >= 2) {
          control.sheet.current?.dispatchEvent(new MouseEvent('dblclick', { bubbles: true }));
          return true;
        }
        return false;
      }
      const { draw } = tool;
      if (key === 'Enter') {
        if (draw.typed !== '') setTypedCorner();
        else finishChain();
        return true;
      }
      if (key === 'Backspace') {
        setTool({ ...tool, draw: draw.typed !== '' ? typeWalls(draw, draw.typed.slice(0, -1)).state : backCorner(draw).state });
        return true;
      }
      if (draw.chain.length > 0 && /^[0-9.,'"<\-/ ]$/.test(key)) {
        setTool({ ...tool, draw: typeWalls(draw, draw.typed + key).state });
        return true;
      }
      if (key.toLowerCase() === 'l') {
        setTool({ ...tool, draw: { ...draw, angleLock: !draw.angleLock } });
        return true;
      }
      return false;
    },
    command: (name) => {
      if (name === 'copy') copy();
      else if (name === 'paste') pasteClip(clip);
      else if (name === 'duplicate') pasteClip(clipOf(document, selection.ids));
      else if (name === 'help') setDialog('keys');
      else if (name === 'palette') window.document.querySelector<HTMLInputElement>('.finder input')?.focus();
      else if (selection.kind !== 'none' && selection.kind !== 'device' && selection.kind !== 'run') selectKind();
      else select({ kind: 'wall', ids: onLevel(document, 'walls', levelId).map(({ id }) => id) });
    },
  });
  const selectKind = () => {
    const { kind } = selection;
    const [id] = selection.ids;
    if (kind === 'none' || kind === 'device' || kind === 'run') return;
    select({ kind, ids: sameKind(document, levelId, { kind, id }) });
  };
  const setTypedCorner = () => {
    if (tool.kind !== 'walls') return;
    const pointer = lastPointer.current;
    const at = typedCorner(tool.draw, control.toWorld(pointer.x, pointer.y), document.levels[levelId].gridAngleRad, (typed) => {
      const parsed = parseLength(typed, units);
      return parsed.ok ? parsed.value : null;
    });
    if (!at) return void message.info({ content: text('survey.typeHint'), key: 'typed' });
    const step = setCorner(tool.draw, at);
    build(step.build);
    setTool({ ...tool, draw: step.state });
  };
  const finishChain = () => {
    if (tool.kind !== 'walls') return;
    const step = endChain(tool.draw);
    if (build(step.build) !== false) setTool({ ...tool, draw: step.state });
  };
  const build = (chain: readonly Point2[] | null) =>
    chain && tool.kind === 'walls'
      ? edit(text('survey.drawWalls'), drawWalls(document, levelId, chain, tool.make, newSurveyId))
      : null;
  const lastPointer = useRef({ x: 0, y: 0 });
  useEffect(() => {
    const onMove = (event: PointerEvent) => {
      lastPointer.current = { x: event.clientX, y: event.clientY };
    };
    window.addEventListener('pointermove', onMove);
    return () => window.removeEventListener('pointermove', onMove);
  }, []);

  const arrange = selection.kind === 'feature' && selection.ids.length > 1;
  const canCopy = selection.kind === 'wall' || selection.kind === 'feature';
  const menuItems = [
    ...(canCopy
      ? [
          item('copy', copy),
          item('duplicate', () => pasteClip(clipOf(document, selection.ids))),
          item('mirror', () => mirror(false)),
          item('mirrorBeside', () => mirror(true)),
          item('array', () => setDialog('array')),
        ]
      : []),
    ...(clip ? [item('paste', () => pasteClip(clip))] : []),
    ...(selection.kind !== 'none'
      ? [item('sameKind', selectKind), item('remove', remove, true)]
      : [item('fit', () => control.fit(projectBounds(document, levelId, true), LEFT_PX))]),
  ];

  if (view === 'walk') {
    return <Walk document={document} onBack={() => go({ view: null })} />;
  }
  const [elevationOf, ceilingOf] = [
    view?.startsWith('wall-') ? view.slice(5) : null,
    view?.startsWith('ceiling-') ? view.slice(8) : null,
  ];
  const hint = hintFor(tool);
  return (
    <div className={`plan-screen${settings.inspectorOpen ? '' : ' no-inspector'}`}>
      <div className="plan-column">
        <div className="sheet">
          {elevationOf && document.walls[elevationOf] ? (
            <Elevation
              document={document}
              wallId={elevationOf}
              selection={selection}
              onSelect={select}
              onWall={(id) => go({ view: `wall-${id}` })}
              onBack={() => go({ view: null })}
            />
          ) : ceilingOf && document.rooms[ceilingOf] ? (
            <CeilingView document={document} roomId={ceilingOf} onBack={() => go({ view: null })} />
          ) : view === '3d' ? (
            <House3d
              document={document}
              selection={selection}
              onSelect={(next, level) => go({ selection: next, level })}
              onBack={() => go({ view: null })}
            />
          ) : (
            <>
              {levelId !== '' && (
                <SurveyCanvas
                  projectId={projectId}
                  document={document}
                  levelId={levelId}
                  selection={selection}
                  tool={tool}
                  leftPx={LEFT_PX}
                  control={control}
                  onSelect={select}
                  onTool={setTool}
                  onMenu={setMenu}
                  onScale={(underlayId, first, second) => {
                    setTool(SELECT);
                    setMeasured({ underlayId, first, second });
                  }}
                  onCrop={(underlayId, first, second) => {
                    setTool(SELECT);
                    cropTo(document, underlayId, first, second, edit);
                  }}
                  onReference={setNaming}
                />
              )}
              <div className="sheet-left">
                <div className="sheet-left-top">
                  <ToolBar tool={tool} onTool={setTool} />
                  {tool.kind === 'select' && (
                    <PlanPictures
                      projectId={projectId}
                      document={document}
                      levelId={levelId}
                      onScale={(underlayId) => setTool({ kind: 'scale', underlayId, points: [] })}
                      onCrop={(underlayId) => setTool({ kind: 'crop', underlayId, first: null })}
                      onDrawing={setDrawing}
                    />
                  )}
                </div>
                <HouseSection document={document} levelId={levelId} onPick={(id) => go({ level: id })} />
              </div>
              <div className="zoom-buttons">
                <SmallButton onClick={() => go({ view: '3d' })}>{text('survey.threeD')}</SmallButton>
                <SmallButton aria-label={text('plan.zoomIn')} onClick={() => control.zoomBy(1.4)}>
                  +
                </SmallButton>
                <SmallButton aria-label={text('plan.zoomOut')} onClick={() => control.zoomBy(1 / 1.4)}>
                  −
                </SmallButton>
                <SmallButton onClick={() => control.fit(projectBounds(document, levelId, true), LEFT_PX)}>
                  {text('plan.fit')}
                </SmallButton>
              </div>
              {hint && (
                <div className="sheet-hint" role="status">
                  {hint}
                  {tool.kind === 'walls' && tool.draw.typed !== '' && <b className="typed-length">{tool.draw.typed}</b>}
                </div>
              )}
              {isBare(document, levelId) && tool.kind === 'select' && (
                <div className="sheet-empty">
                  <b>{text('plan.empty')}</b>
                  <span>{text('survey.begin')}</span>
                  <Button type="primary" onClick={() => setTool(wallsTool(WALL_BUILDS.stud))}>
                    {text('survey.beginWalls')}
                  </Button>
                </div>
              )}
            </>
          )}
        </div>
        <div className="survey-foot">
          <b>{text('survey.notKnown', { count: questions })}</b>
          <span className="faint">{text('survey.notKnownLine')}</span>
          <Button size="small" type="primary" onClick={() => go({ view: 'walk' })}>
            {text('survey.walk')}
          </Button>
          <Button size="small" onClick={() => setDialog('keys')}>
            {text('survey.keys')}
          </Button>
        </div>
      </div>
      {settings.inspectorOpen && (
        <aside className="inspector" aria-label={text('survey.inspector')}>
          {preview && preview.what !== '' && (
            <div className="previewing" role="status">
              <span>{text('run.previewing', { what: preview.what })}</span>
              <div>
                <Button size="small" type="primary" onClick={() => edit(preview.what, preview.operations)}>
                  {text('apply')}
                </Button>
                <Button size="small" ghost onClick={() => showPreview('', null)}>
                  {text('cancel')}
                </Button>
              </div>
            </div>
          )}
          {arrange && (
            <div className="arrange" role="group" aria-label={text('survey.arrange')}>
              {EDGES.map((edge) => (
                <Button
                  key={edge}
                  size="small"
                  onClick={() => edit(text('survey.arrange'), alignFeatures(document, selection.ids, edge))}
                >
                  {term(`align.${edge}`)}
                </Button>
              ))}
              {(['x', 'y'] as const).map((axis) => (
                <Button
                  key={axis}
                  size="small"
                  disabled={selection.ids.length < 3}
                  onClick={() => edit(text('survey.arrange'), distributeFeatures(document, selection.ids, axis))}
                >
                  {term(`spread.${axis}`)}
                </Button>
              ))}
            </div>
          )}
          <Panel
            document={document}
            selection={selection}
            levelId={levelId}
            onView={(next) => go({ view: next })}
            onLevel={(id) => go({ level: id, selection: noSelection })}
            onSelect={select}
          />
          {canCopy && (
            <div className="panel-buttons">
              <Button size="small" onClick={copy}>
                {text('survey.menu.copy')}
              </Button>
              <Button size="small" onClick={() => mirror(true)}>
                {text('survey.menu.mirrorBeside')}
              </Button>
              <Button size="small" onClick={() => setDialog('array')}>
                {text('survey.menu.array')}
              </Button>
            </div>
          )}
          {selection.kind !== 'none' && selection.kind !== 'room' && (
            <Button danger size="small" className="remove" onClick={remove}>
              {text('plan.remove')}
            </Button>
          )}
        </aside>
      )}
      <Dropdown
        open={menu !== null}
        onOpenChange={(open) => !open && setMenu(null)}
        menu={{ items: menuItems, onClick: () => setMenu(null) }}
        trigger={['click']}
      >
        <span className="menu-anchor" style={{ left: menu?.x ?? 0, top: menu?.y ?? 0 }} />
      </Dropdown>
      {dialog === 'array' && (
        <ArrayDialog
          units={units}
          onCancel={() => setDialog(null)}
          onMake={(columns, rows, x, y) => {
            setDialog(null);
            setDown(clipOf(document, selection.ids), arrayMotions(columns, rows, x, y), text('survey.menu.array'));
          }}
        />
      )}
      {dialog === 'keys' && <KeyboardSheet onClose={() => setDialog(null)} />}
      {measured && document.underlays[measured.underlayId] && (
        <ScaleFlow document={document} measured={measured} onDone={() => setMeasured(null)} />
      )}
      {naming && (
        <NameDialog
          onCancel={() => setNaming(null)}
          known={[...new Set(Object.values(document.referencePoints).map(({ name }) => name))]}
          onName={(name) => {
            edit(text('survey.markPoint', { name }), [
              create('referencePoints', { id: newRecordId('p'), levelId, name, x: naming[0], y: naming[1] }),
            ]);
            setNaming(null);
            setTool(SELECT);
          }}
        />
      )}
      {drawing && (
        <DrawingImport
          projectId={projectId}
          document={document}
          levelId={levelId}
          file={drawing}
          onClose={() => setDrawing(null)}
        />
      )}
    </div>
  );

  function item(key: string, onClick: () => void, danger = false) {
    return { key, label: text(`survey.menu.${key}`), onClick, danger };
  }
}

function Panel({
  document,
  selection,
  levelId,
  onView,
  onLevel,
  onSelect,
}: {
  readonly document: ProjectDocument;
  readonly selection: Selection;
  readonly levelId: string;
  readonly onView: (view: string) => void;
  readonly onLevel: (id: string) => void;
  readonly onSelect: (selection: Selection) => void;
}) {
  const [id] = selection.ids;
  const key = selection.ids.join();
  switch (selection.kind) {
    case 'wall':
      return (
        <WallPanel
          key={key}
          document={document}
          walls={selection.ids.map((wallId) => document.walls[wallId])}
          onElevation={(wallId) => onView(`wall-${wallId}`)}
        />
      );
    case 'room':
      return (
        <RoomPanel
          key={key}
          document={document}
          room={document.rooms[id]}
          onCeiling={(roomId) => onView(`ceiling-${roomId}`)}
          onRemoved={() => onSelect(noSelection)}
        />
      );
    case 'opening':
      return <OpeningPanel key={key} document={document} opening={document.openings[id]} />;
    case 'feature':
      return selection.ids.length === 1 ? (
        <FeaturePanel key={key} document={document} feature={document.features[id]} />
      ) : (
        <h2>{text('plan.selectedCount', { count: selection.ids.length })}</h2>
      );
    case 'rack':
      return <RackPanel key={key} document={document} rack={document.racks[id]} />;
    case 'riser':
      return <RiserPanel key={key} document={document} riser={document.risers[id]} />;
    case 'dimension':
    case 'reference':
      return <h2>{selection.kind === 'reference' ? document.referencePoints[id].name : text('survey.dimension')}</h2>;
    default:
      return <LevelPanel key={levelId} document={document} levelId={levelId} onLevel={onLevel} />;
  }
}

const TABLES = {
  wall: 'walls',
  room: 'rooms',
  opening: 'openings',
  feature: 'features',
  rack: 'racks',
  riser: 'risers',
  dimension: 'dimensions',
  reference: 'referencePoints',
  device: 'devices',
  run: 'runs',
} as const;

/** What is left of a selection: things deleted since are not selected any more; devices and runs belong to other stages. */
function present(document: ProjectDocument, selection: Selection): Selection {
  if (selection.kind === 'none' || selection.kind === 'device' || selection.kind === 'run') return noSelection;
  const table: Readonly<Record<string, unknown>> = document[TABLES[selection.kind]];
  const ids = selection.ids.filter((id) => Object.hasOwn(table, id));
  return ids.length === 0 ? noSelection : { kind: selection.kind, ids };
}

function removed(document: ProjectDocument, kind: Selection['kind'], id: string): Operation[] {
  return kind === 'none' || kind === 'device' || kind === 'run' ? [] : removeWithDependants(document, TABLES[kind], id);
}

const isBare = (document: ProjectDocument, levelId: string) =>
  ![document.walls, document.rooms, document.underlays, document.features].some((table) =>
    Object.values(table).some((record) => record.levelId === levelId),
  );

function hintFor(tool: SurveyTool): string | null {
  switch (tool.kind) {
    case 'select':
      return null;
    case 'walls':
      return text(tool.draw.chain.length === 0 ? 'hints.wallsFirst' : tool.draw.angleLock ? 'hints.wallsLocked' : 'hints.walls');
    case 'feature':
      return text(`hints.${tool.make.shape}`, { name: term(`features.${tool.make.kind}`).toLowerCase() });
    case 'scale':
      return text(tool.points.length === 0 ? 'plan.scaleFirst' : 'plan.scaleSecond');
    default:
      return text(`hints.${tool.kind}`);
  }
}

/** Sets the part of a picture that is shown from two corners on the plan. */
function cropTo(
  document: ProjectDocument,
  underlayId: string,
  first: Point2,
  second: Point2,
  edit: (title: string, operations: readonly Operation[]) => boolean,
): void {
  const underlay = document.underlays[underlayId];
  const picture = useProject.getState().pictures.find(({ id }) => id === underlay?.pictureId);
  if (!underlay || !picture) return;
  const share = ([x, y]: Point2): Point2 => {
    const [dx, dy] = [x - underlay.originX, y - underlay.originY];
    const [cos, sin] = [Math.cos(-underlay.rotationRad), Math.sin(-underlay.rotationRad)];
    return [
      (dx * cos - dy * sin) / (picture.widthPx * underlay.metresPerPixel),
      (dx * sin + dy * cos) / (picture.heightPx * underlay.metresPerPixelY),
    ];
  };
  const [p, q] = [share(first), share(second)];
  const within = (value: number) => Math.min(1, Math.max(0, value));
  const crop: [number, number, number, number] = [
    within(Math.min(p[0], q[0])),
    within(Math.min(p[1], q[1])),
    within(Math.max(p[0], q[0])),
    within(Math.max(p[1], q[1])),
  ];
  if (crop[2] - crop[0] < 0.01 || crop[3] - crop[1] < 0.01) return;
  edit(text('survey.crop'), [
    { op: 'update', in: 'underlays', id: underlayId, before: { crop: underlay.crop }, after: { crop } },
  ]);
}

function NameDialog({
  known,
  onName,
  onCancel,
}: {
  readonly known: readonly string[];
  readonly onName: (name: string) => void;
  readonly onCancel: () => void;
}) {
  const [name, setName] = useState('');
  return (
    <Modal
      open
      title={text('survey.namePoint')}
      okText={text('apply')}
      cancelText={text('cancel')}
      okButtonProps={{ disabled: name.trim() === '' }}
      onOk={() => onName(name.trim())}
      onCancel={onCancel}
    >
      <p>{text('survey.namePointLine')}</p>
      <Input
        autoFocus
        value={name}
        maxLength={60}
        aria-label={text('device.name')}
        onChange={(event) => setName(event.target.value)}
        onPressEnter={() => name.trim() && onName(name.trim())}
      />
      <div className="known-names">
        {known.map((one) => (
          <Button key={one} size="small" onClick={() => setName(one)}>
            {one}
          </Button>
        ))}
      </div>
    </Modal>
  );
}
