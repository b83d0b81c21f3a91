import { levelsFromBelow } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { arrayMotions } from '@dusky-spool/core/survey';
import { useCallback, useState } from 'react';
import type { ToolQuestion } from '../../canvas/tools/survey-tool.ts';
import { InspectorFold } from '../../ui/InspectorFold.tsx';
import { CursorPlace } from '../../canvas/PlanCursor.tsx';
import { useCamera } from '../../canvas/useCamera.ts';
import { cropPicture } from '../../commands/crop-picture.ts';
import { markPoint } from '../../commands/mark-point.ts';
import { later } from '../../ground/later.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts, useProjectStore } from '../../state/project.ts';
import { usePlace } from '../../state/selection.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { useSettings } from '../../state/settings.ts';
import { present } from '../../state/survey-selection.ts';
import { surfaceIn, type SurfaceView } from '../../state/views.ts';
import { ArrayDialog, KeyboardSheet } from './dialogs.tsx';
import { NameDialog } from './NameDialog.tsx';
import { ScaleFlow } from './ScaleFlow.tsx';
import { SurveyFoot } from './SurveyFoot.tsx';
import { SurveyInspector } from './SurveyInspector.tsx';
import { SurveyMenu } from './SurveyMenu.tsx';
import { SurveySheet } from './SurveySheet.tsx';
import { useClip } from './useClip.ts';
import { useSurveyActions } from './useSurveyActions.ts';
import { useSurveyTool } from './useSurveyTool.ts';

const WAITING = <div className="centre">{text('loading')}</div>;
const Walk = later(() => import('./Walk.tsx').then((module) => module.Walk), WAITING);
const WallView = later(() => import('../walls/WallView.tsx').then((module) => module.WallView), WAITING);
const CeilingView = later(() => import('../walls/CeilingView.tsx').then((module) => module.CeilingView), WAITING);
const House3d = later(() => import('./House3d.tsx').then((module) => module.House3d), WAITING);
const TableImport = later(() => import('./TableImport.tsx').then((module) => module.TableImport));
const DrawingImport = later(() => import('./DrawingImport.tsx').then((module) => module.DrawingImport));

interface Props {
  readonly projectId: string;
}

/** The Survey stage: the building as it really is. */
export function SurveyScreen({ projectId }: Props) {
  const { view, go } = usePlace();
  return view === 'walk' ? <Walk onBack={() => go({ view: null })} /> : <SurveyPlan projectId={projectId} />;
}

function SurveyPlan({ projectId }: Props) {
  const project = useProject();
  const { levelId: wanted, selection: raw, view, go } = usePlace();
  const { endPreview } = useProjectParts('endPreview');
  // The list of findings takes the place of the panel.
  const inspectorOpen = useSettings((state) => state.inspectorOpen && !state.findingPanel);
  const [menu, setMenu] = useState<{ x: number; y: number } | null>(null);
  const [dialog, setDialog] = useState<'array' | 'keys' | null>(null);
  const [drawing, setDrawing] = useState<{ readonly file: File; readonly isOnPlan: boolean } | null>(null);
  const control = useCamera();
  const levels = levelsFromBelow(project);
  const levelId =
    (wanted && project.levels[wanted] ? wanted : (levels.find((level) => level.order === 0) ?? levels[0])?.id) ?? '';
  const selection = present(project, raw);
  const select = useCallback(
    (next: Selection) => {
      endPreview();
      go({ selection: next });
    },
    [go, endPreview],
  );
  const onLevel = (id: string) => go({ level: id });
  const questions = useQuestions(levelId);
  const toolControl = useSurveyTool(levelId, control, select, questions.ask);
  const clip = useClip({ project, levelId, selection, select, scale: control.camera.k });
  const { remove, selectAll, removalDialog } = useSurveyActions({
    ...{ levelId, levels, selection, toolControl, clip, control, goToLevel: onLevel },
    onSelect: select,
    onKeyboardHelp: () => setDialog('keys'),
    onLeave: () => setMenu(null),
  });
  const surface = surfaceIn(project, view);
  return (
    <div className={`plan-screen${inspectorOpen ? '' : ' no-inspector'}`}>
      <div className="plan-column">
        <div className="sheet">
          {surface ? (
            <Surface surface={surface} selection={selection} onSelect={select} onView={(next) => go({ view: next })} />
          ) : view === '3d' ? (
            <House3d
              selection={selection}
              onSelect={(next, level) => go({ selection: next, level })}
              onBack={() => go({ view: null })}
            />
          ) : (
            <SurveySheet
              {...{ projectId, levelId, selection, control, toolControl, onLevel }}
              onMenu={setMenu}
              on3d={() => go({ view: '3d' })}
              onDrawing={(file, isOnPlan) => setDrawing({ file, isOnPlan })}
              onSelect={select}
            />
          )}
        </div>
        <CursorPlace levelId={levelId} />
        <SurveyFoot onWalk={() => go({ view: 'walk' })} onKeys={() => setDialog('keys')} />
      </div>
      <InspectorFold />
      {inspectorOpen && (
        <SurveyInspector
          selection={selection}
          levelId={levelId}
          onView={(next) => go({ view: next })}
          onLevel={(id) => go({ level: id, selection: noSelection })}
          onSelect={select}
          onCopy={clip.copy}
          onMirror={() => clip.mirror(true)}
          onArray={() => setDialog('array')}
          onRemove={remove}
        />
      )}
      <SurveyMenu
        {...{ levelId, selection, control, clip }}
        at={menu}
        onArray={() => setDialog('array')}
        onSelectAll={selectAll}
        onRemove={remove}
        onClose={() => setMenu(null)}
      />
      {dialog === 'array' && (
        <ArrayDialog
          units={project.project.units}
          onCancel={() => setDialog(null)}
          onMake={(columns, rows, x, y) => {
            setDialog(null);
            clip.array(arrayMotions(columns, rows, x, y));
          }}
        />
      )}
      {dialog === 'keys' && <KeyboardSheet onClose={() => setDialog(null)} />}
      {questions.dialog}
      {removalDialog}
      {drawing &&
        (/\.(csv|xlsx)$/i.test(drawing.file.name) && !drawing.isOnPlan ? (
          <TableImport projectId={projectId} levelId={levelId} file={drawing.file} onClose={() => setDrawing(null)} />
        ) : (
          <DrawingImport projectId={projectId} levelId={levelId} {...drawing} onClose={() => setDrawing(null)} />
        ))}
    </div>
  );
}

/** A wall or a ceiling seen square on. */
function Surface({
  surface,
  ...rest
}: {
  readonly surface: SurfaceView;
  readonly selection: Selection;
  readonly onSelect: (selection: Selection) => void;
  readonly onView: (view: string | null) => void;
}) {
  return surface.kind === 'wall' ? (
    <WallView key={surface.wallId} wallId={surface.wallId} side={surface.side} stage="survey" {...rest} />
  ) : (
    <CeilingView key={surface.roomId} roomId={surface.roomId} stage="survey" {...rest} />
  );
}

/** What a tool asks after its points are set: the length between two of them, the part of a picture, a name. */
function useQuestions(levelId: string) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [measured, setMeasured] = useState<{ underlayId: string; first: Point2; second: Point2 } | null>(null);
  const [naming, setNaming] = useState<Point2 | null>(null);
  const ask = (question: ToolQuestion) => {
    if (question.kind === 'reference') return setNaming(question.at);
    if (question.kind === 'scale') return setMeasured(question);
    edit(text('survey.crop'), cropPicture(project, useProjectStore.getState().pictures, question));
  };
  const name = (given: string, at: Point2) => {
    edit(text('survey.markPoint', { name: given }), markPoint({ id: newRecordId('p'), levelId, name: given, at }));
    setNaming(null);
  };
  const dialog = (
    <>
      {measured && project.underlays[measured.underlayId] && <ScaleFlow measured={measured} onDone={() => setMeasured(null)} />}
      {naming && (
        <NameDialog
          onCancel={() => setNaming(null)}
          known={[...new Set(Object.values(project.referencePoints).map((point) => point.name))]}
          onName={(given) => name(given, naming)}
        />
      )}
    </>
  );
  return { ask, dialog };
}
