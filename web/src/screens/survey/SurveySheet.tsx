import { SURVEY_LEFT_PX } from './sheet-left.ts';
import { projectBounds } from '@dusky-spool/core/house';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectStore } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { cropBetween, isBare } from '../../state/survey-selection.ts';
import { HouseSection } from '../../ui/HouseSection.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { hintFor } from './hints.ts';
import { PlanPictures } from './PlanPictures.tsx';
import { SurveyCanvas } from './SurveyCanvas.tsx';
import { ToolBar } from './ToolBar.tsx';
import { SELECT, type SurveyTool, wallsTool } from './tools.ts';
import type { Point2 } from '@dusky-spool/core/math';
import { WALL_BUILDS } from '@dusky-spool/core/survey';
import { changeRecord } from '../../commands/change-record.ts';
import { Button } from 'antd';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly control: CameraControl;
  readonly tool: SurveyTool;
  readonly onTool: (tool: SurveyTool) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onMenu: (at: { x: number; y: number }) => void;
  readonly onLevel: (levelId: string) => void;
  readonly on3d: () => void;
  readonly onMeasured: (measured: { underlayId: string; first: Point2; second: Point2 }) => void;
  readonly onNaming: (at: Point2) => void;
  readonly onDrawing: (file: File) => void;
}

/** The plan of a level with its tools, its pictures and the section of the house. */
export function SurveySheet({
  projectId,
  levelId,
  selection,
  control,
  tool,
  onTool,
  onSelect,
  onMenu,
  onLevel,
  on3d,
  onMeasured,
  onNaming,
  onDrawing,
}: Props) {
  const document = useProject();
  const mayPlan = useRight('plan');
  const edit = useProjectStore((state) => state.edit);
  const crop = (underlayId: string, first: Point2, second: Point2) => {
    onTool(SELECT);
    const underlay = document.underlays[underlayId];
    const picture = useProjectStore.getState().pictures.find(({ id }) => id === underlay?.pictureId);
    const part = underlay && picture && cropBetween(underlay, picture, first, second);
    const operations = part ? changeRecord('underlays', underlay, { crop: part }) : [];
    if (operations.length > 0) edit(text('survey.crop'), operations);
  };
  return (
    <>
      {levelId !== '' && (
        <SurveyCanvas
          projectId={projectId}
          levelId={levelId}
          selection={selection}
          tool={tool}
          leftPx={SURVEY_LEFT_PX}
          control={control}
          onSelect={onSelect}
          onTool={onTool}
          onMenu={onMenu}
          onScale={(underlayId, first, second) => {
            onTool(SELECT);
            onMeasured({ underlayId, first, second });
          }}
          onCrop={crop}
          onReference={onNaming}
        />
      )}
      <div className="sheet-left">
        <div className="sheet-left-top">
          {mayPlan && <ToolBar tool={tool} onTool={onTool} />}
          {mayPlan && tool.kind === 'select' && (
            <PlanPictures
              projectId={projectId}
              levelId={levelId}
              onScale={(underlayId) => onTool({ kind: 'scale', underlayId, points: [] })}
              onCrop={(underlayId) => onTool({ kind: 'crop', underlayId, first: null })}
              onDrawing={onDrawing}
            />
          )}
        </div>
        <HouseSection document={document} levelId={levelId} onPick={onLevel} />
      </div>
      <ZoomButtons {...{ levelId, control, on3d }} />
      <SheetWords {...{ levelId, tool, onTool }} />
    </>
  );
}

function ZoomButtons({ levelId, control, on3d }: Pick<Props, 'levelId' | 'control' | 'on3d'>) {
  const document = useProject();
  return (
    <div className="zoom-buttons">
      <SmallButton onClick={on3d}>{text('survey.threeD')}</SmallButton>
      <SmallButton aria-label={text('plan.zoomIn')} onClick={() => control.zoomBy(1.4)}>
        +
      </SmallButton>
      <SmallButton aria-label={text('plan.zoomOut')} onClick={() => control.zoomBy(1 / 1.4)}>
        −
      </SmallButton>
      <SmallButton onClick={() => control.fit(projectBounds(document, levelId, true), SURVEY_LEFT_PX)}>
        {text('plan.fit')}
      </SmallButton>
    </div>
  );
}

/** What the tool does next, and how to begin on a level where nothing is drawn. */
function SheetWords({ levelId, tool, onTool }: Pick<Props, 'levelId' | 'tool' | 'onTool'>) {
  const document = useProject();
  const hint = hintFor(tool);
  return (
    <>
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
          <Button type="primary" onClick={() => onTool(wallsTool(WALL_BUILDS.stud))}>
            {text('survey.beginWalls')}
          </Button>
        </div>
      )}
    </>
  );
}
