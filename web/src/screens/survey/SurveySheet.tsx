import { SURVEY_LEFT_PX } from './sheet-left.ts';
import { projectBounds } from '@dusky-spool/core/house';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { ZoomButtons } from '../../canvas/ZoomButtons.tsx';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { isBare } from '../../state/survey-selection.ts';
import { HouseSection } from '../../ui/HouseSection.tsx';
import { NarrowTools } from '../../ui/NarrowTools.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { DrawBar } from './DrawBar.tsx';
import { PlanPictures } from './PlanPictures.tsx';
import { SurveyCanvas } from './SurveyCanvas.tsx';
import { ToolBar } from './ToolBar.tsx';
import type { SurveyToolControl } from './useSurveyTool.ts';
import { wallsTool } from '../../canvas/tools/survey-tool.ts';
import { wallBuildOf } from '@dusky-spool/core/survey';
import { Button } from 'antd';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly selection: Selection;
  readonly control: CameraControl;
  readonly toolControl: SurveyToolControl;
  readonly onSelect: (selection: Selection) => void;
  readonly onMenu: (at: { x: number; y: number }) => void;
  readonly onLevel: (levelId: string) => void;
  readonly on3d: () => void;
  readonly onDrawing: (file: File, isOnPlan: boolean) => void;
}

/** The plan of a level with its tools, its pictures and the section of the house. */
export function SurveySheet({
  projectId,
  levelId,
  selection,
  control,
  toolControl,
  onSelect,
  onMenu,
  onLevel,
  on3d,
  onDrawing,
}: Props) {
  const project = useProject();
  const mayPlan = useRight('plan');
  const { tool, setTool: onTool } = toolControl;
  return (
    <>
      {levelId !== '' && (
        <SurveyCanvas
          projectId={projectId}
          levelId={levelId}
          selection={selection}
          toolControl={toolControl}
          leftPx={SURVEY_LEFT_PX}
          control={control}
          onSelect={onSelect}
          onMenu={onMenu}
        />
      )}
      <div className="sheet-left">
        <div className={css.sheetLeftTop}>
          <NarrowTools>
            {mayPlan && <ToolBar levelId={levelId} tool={tool} onTool={onTool} />}
            {mayPlan && tool.kind === 'select' && (
              <PlanPictures
                projectId={projectId}
                levelId={levelId}
                onScale={(underlayId) => onTool({ kind: 'scale', underlayId, points: [] })}
                onCrop={(underlayId) => onTool({ kind: 'crop', underlayId, first: null })}
                onDrawing={onDrawing}
              />
            )}
          </NarrowTools>
        </div>
        <HouseSection project={project} levelId={levelId} onPick={onLevel} />
      </div>
      <SheetButtons {...{ levelId, control, on3d }} />
      <DrawBar toolControl={toolControl} />
      <EmptyLevel {...{ levelId, toolControl }} />
    </>
  );
}

function SheetButtons({ levelId, control, on3d }: Pick<Props, 'levelId' | 'control' | 'on3d'>) {
  const project = useProject();
  return (
    <div className="zoom-buttons">
      <SmallButton onClick={on3d}>{text('survey.threeD')}</SmallButton>
      <ZoomButtons control={control} onFit={() => control.fit(projectBounds(project, levelId, true), SURVEY_LEFT_PX)} />
    </div>
  );
}

/** How to begin on a level where nothing is drawn. */
function EmptyLevel({ levelId, toolControl: { tool, setTool } }: Pick<Props, 'levelId' | 'toolControl'>) {
  const project = useProject();
  if (!isBare(project, levelId) || tool.kind !== 'select') return null;
  return (
    <div className="sheet-empty">
      <b>{text('plan.empty')}</b>
      <span>{text('survey.begin')}</span>
      <Button type="primary" onClick={() => setTool(wallsTool(wallBuildOf(project.levels[levelId])))}>
        {text('survey.beginWalls')}
      </Button>
    </div>
  );
}
