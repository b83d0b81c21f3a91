import { removeSelection } from '../../commands/remove-selection.ts';
import { SurveyFoot } from './SurveyFoot.tsx';
import { SURVEY_LEFT_PX } from './sheet-left.ts';
import { SurveySheet } from './SurveySheet.tsx';
import { markPoint } from '../../commands/mark-point.ts';
import { useProject } from '../../state/open-project.ts';
import { arrayMotions, moveFeatures, moveWalls, sameKind, WALL_BUILDS } from '@dusky-spool/core/survey';
import { FEATURE_MAKES, levelsFromBelow, projectBounds } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { onLevel } from '@dusky-spool/core/derive';
import { later } from '../../ground/later.ts';
import { text } from '../../ground/text.ts';
import { useCamera } from '../../canvas/useCamera.ts';
import { NUDGE_M } from '../../canvas/nudge.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { usePlace } from '../../state/selection.ts';
import { leaveWalls } from '../../canvas/tools/draw-walls.ts';
import { useKeys } from '../../canvas/useKeys.ts';
import { surfaceIn } from '../../state/views.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useSettings } from '../../state/settings.ts';
import { ArrayDialog, KeyboardSheet } from './dialogs.tsx';
import { newSurveyId } from './ids.ts';
import { NameDialog } from './NameDialog.tsx';
import { ScaleFlow } from './ScaleFlow.tsx';
import { present } from '../../state/survey-selection.ts';
import { SurveyInspector } from './SurveyInspector.tsx';
import { SELECT, type SurveyTool, wallsTool } from './tools.ts';
import { useClip } from './useClip.ts';
import { useSurveyKeys } from './useSurveyKeys.ts';
import { useTypedWalls } from './useTypedWalls.ts';
import { useCallback, useState } from 'react';
import { Dropdown } from 'antd';

const WAITING = <div className="centre">{text('loading')}</div>;
const Walk = later(() => import('./Walk.tsx').then((module) => module.Walk), WAITING);
const WallView = later(() => import('../walls/WallView.tsx').then((module) => module.WallView), WAITING);
const CeilingView = later(() => import('../walls/CeilingView.tsx').then((module) => module.CeilingView), WAITING);
const House3d = later(() => import('./House3d.tsx').then((module) => module.House3d), WAITING);
const DrawingImport = later(() => import('./DrawingImport.tsx').then((module) => module.DrawingImport));

interface Props {
  readonly projectId: string;
}

/** The Survey stage: the building as it really is. */
export function SurveyScreen({ projectId }: Props) {
  const document = useProject();
  const { levelId: wanted, selection: raw, view, go } = usePlace();
  const { edit, undo, redo, endPreview } = useProjectParts('edit', 'undo', 'redo', 'endPreview');
  const settings = useSettings();
  const [tool, setTool] = useState<SurveyTool>(SELECT);
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
      endPreview();
      go({ selection: next });
    },
    [go, endPreview],
  );

  const leave = () => {
    if (tool.kind === 'walls' && tool.draw.chain.length > 0) setTool({ ...tool, draw: leaveWalls(tool.draw).state });
    else if (tool.kind === 'feature' && tool.points.length > 0) setTool({ ...tool, points: [] });
    else if (tool.kind !== 'select') setTool(SELECT);
    else select(noSelection);
    setMenu(null);
  };
  const remove = () => {
    const operations = removeSelection(document, selection, newSurveyId);
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
      direction === 0
        ? control.fit(projectBounds(document, levelId, true), SURVEY_LEFT_PX)
        : control.zoomBy(direction > 0 ? 1.25 : 0.8),
    level: (by) => {
      const next = levels[levels.findIndex((level) => level.id === levelId) + by];
      if (next) go({ level: next.id });
    },
  });

  const { clip, copy, pasteClip, duplicate, mirror, array } = useClip({
    document,
    levelId,
    selection,
    select,
    scale: control.camera.k,
  });
  const typeKey = useTypedWalls({ document, levelId, tool, setTool, control });
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
      return typeKey(key);
    },
    command: (name) => {
      if (name === 'copy') copy();
      else if (name === 'paste') pasteClip();
      else if (name === 'duplicate') duplicate();
      else if (name === 'help') setDialog('keys');
      else if (name === 'palette') window.document.querySelector<HTMLInputElement>('.finder input')?.focus();
      else selectAll();
    },
  });
  /** All of the kind selected, all walls where nothing is. */
  const selectAll = () => {
    const { kind } = selection;
    const [id] = selection.ids;
    // What belongs to other stages is not selected here.
    if (kind === 'none' || kind === 'device' || kind === 'run')
      select({ kind: 'wall', ids: onLevel(document, 'walls', levelId).map((wall) => wall.id) });
    else select({ kind, ids: sameKind(document, levelId, { kind, id }) });
  };
  const canCopy = selection.kind === 'wall' || selection.kind === 'feature';
  const menuItems = [
    ...(canCopy
      ? [
          item('copy', copy),
          item('duplicate', () => duplicate()),
          item('mirror', () => mirror(false)),
          item('mirrorBeside', () => mirror(true)),
          item('array', () => setDialog('array')),
        ]
      : []),
    ...(clip ? [item('paste', () => pasteClip())] : []),
    ...(selection.kind !== 'none'
      ? [item('sameKind', selectAll), item('remove', remove, true)]
      : [item('fit', () => control.fit(projectBounds(document, levelId, true), SURVEY_LEFT_PX))]),
  ];

  if (view === 'walk') {
    return <Walk onBack={() => go({ view: null })} />;
  }
  const surface = surfaceIn(document, view);
  const onView = (next: string | null) => go({ view: next });
  return (
    <div className={`plan-screen${settings.inspectorOpen ? '' : ' no-inspector'}`}>
      <div className="plan-column">
        <div className="sheet">
          {surface?.kind === 'wall' ? (
            <WallView
              key={surface.wallId}
              wallId={surface.wallId}
              side={surface.side}
              selection={selection}
              stage="survey"
              onSelect={select}
              onView={onView}
            />
          ) : surface ? (
            <CeilingView
              key={surface.roomId}
              roomId={surface.roomId}
              selection={selection}
              stage="survey"
              onSelect={select}
              onView={onView}
            />
          ) : view === '3d' ? (
            <House3d
              selection={selection}
              onSelect={(next, level) => go({ selection: next, level })}
              onBack={() => go({ view: null })}
            />
          ) : (
            <SurveySheet
              tool={tool}
              onTool={setTool}
              onMenu={setMenu}
              onLevel={(id) => go({ level: id })}
              on3d={() => go({ view: '3d' })}
              onMeasured={setMeasured}
              onNaming={setNaming}
              onDrawing={setDrawing}
              onSelect={select}
              {...{ projectId, levelId, selection, control }}
            />
          )}
        </div>
        <SurveyFoot onWalk={() => go({ view: 'walk' })} onKeys={() => setDialog('keys')} />
      </div>
      {settings.inspectorOpen && (
        <SurveyInspector
          selection={selection}
          levelId={levelId}
          onView={(next) => go({ view: next })}
          onLevel={(id) => go({ level: id, selection: noSelection })}
          onSelect={select}
          onCopy={copy}
          onMirror={() => mirror(true)}
          onArray={() => setDialog('array')}
          onRemove={remove}
        />
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
            array(arrayMotions(columns, rows, x, y));
          }}
        />
      )}
      {dialog === 'keys' && <KeyboardSheet onClose={() => setDialog(null)} />}
      {measured && document.underlays[measured.underlayId] && <ScaleFlow measured={measured} onDone={() => setMeasured(null)} />}
      {naming && (
        <NameDialog
          onCancel={() => setNaming(null)}
          known={[...new Set(Object.values(document.referencePoints).map(({ name }) => name))]}
          onName={(name) => {
            edit(text('survey.markPoint', { name }), markPoint({ id: newRecordId('p'), levelId, name, at: naming }));
            setNaming(null);
            setTool(SELECT);
          }}
        />
      )}
      {drawing && <DrawingImport projectId={projectId} levelId={levelId} file={drawing} onClose={() => setDrawing(null)} />}
    </div>
  );

  function item(key: string, onClick: () => void, danger = false) {
    return { key, label: text(`survey.menu.${key}`), onClick, danger };
  }
}
