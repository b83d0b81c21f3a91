import { FEATURE_MAKES, projectBounds } from '@dusky-spool/core/house';
import { distance2 } from '@dusky-spool/core/math';
import type { Level } from '@dusky-spool/core/model';
import { wallBuildOf } from '@dusky-spool/core/survey';
import { App as AntApp } from 'antd';
import { useMemo, useRef, useState, type RefObject } from 'react';
import type { Pointer } from '../../canvas/tools/draw-walls.ts';
import {
  clickTool,
  closeChain,
  drawnPoints,
  finishTool,
  leaveTool,
  openingTool,
  SELECT,
  type SurveyTool,
  targetOf,
  type ToolContext,
  type ToolQuestion,
  type ToolStep,
  featureTool,
  MEASURE,
  typedText,
  typeInTool,
  wallsTool,
} from '../../canvas/tools/survey-tool.ts';
import { focusPlan } from '../../canvas/inspector-focus.ts';
import { pressCursor } from '../../canvas/plan-cursor.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { useProject } from '../../state/open-project.ts';
import { usePlanCursor } from '../../state/plan-cursor.ts';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectParts, useProjectStore } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useAskedByLink } from '../../state/useAskedByLink.ts';
import { useSettings } from '../../state/settings.ts';
import { newSurveyId } from './ids.ts';
import { SURVEY_LEFT_PX } from './sheet-left.ts';
import { useSurveyView } from './useSurveyView.ts';

/** The tool of the survey sheet, driven by pointer and keys. */
export interface SurveyToolControl {
  readonly tool: SurveyTool;
  readonly setTool: (tool: SurveyTool) => void;
  readonly context: ToolContext;
  /** Where the pointer is now, for keys. */
  readonly pointer: RefObject<Pointer | null>;
  readonly click: (pointer: Pointer) => void;
  readonly finish: () => void;
  readonly close: () => void;
  readonly leave: () => void;
  /** Whether the key was one of the tool. */
  readonly type: (key: string) => boolean;
}

/** The tool in the hand; a link may ask for one, until another is taken up. */
function useToolOrLinked(levelId: string): [SurveyTool, (tool: SurveyTool) => void] {
  const project = useProject();
  const [taken, setTaken] = useState<SurveyTool>(SELECT);
  const [asked, answered] = useAskedByLink('tool');
  const level = project.levels[levelId];
  const linked = useMemo(() => (asked === null || !level ? null : toolNamed(asked, level)), [asked, level]);
  const setTool = (tool: SurveyTool) => {
    setTaken(tool);
    if (tool.kind !== 'select' && tool.kind !== taken.kind) focusPlan();
    answered();
  };
  return [linked ?? taken, setTool];
}

/** The tool of a name in an address: `walls`, `door`, `measure`, `thing-sofa`; null where there is none of that name. */
function toolNamed(name: string, level: Level): SurveyTool | null {
  if (name === 'walls') return wallsTool(wallBuildOf(level));
  if (name === 'door' || name === 'window' || name === 'arch') return openingTool(name);
  if (name === 'measure') return MEASURE;
  const make = FEATURE_MAKES.find(({ kind }) => name === `thing-${kind}`);
  return make ? featureTool(make) : null;
}

/** The cursor is at the last corner within this, m. */
const SAME_CORNER_M = 0.05;

/** A chain of walls closes this near to its first corner: a finger's breadth, px. */
const CLOSE_PX = 18;

export function useSurveyTool(
  levelId: string,
  control: CameraControl,
  onSelect: (selection: Selection) => void,
  onQuestion: (question: ToolQuestion) => void,
): SurveyToolControl {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { message } = AntApp.useApp();
  const [tool, setTool] = useToolOrLinked(levelId);
  const pointer = useRef<Pointer | null>(null);
  const between = useSettings((state) => state.lengthsBetween);
  const gridM = useSurveyView((state) => state.gridM);
  const context = useMemo<ToolContext>(
    () => ({ project, levelId, newSurveyId, newId: newRecordId, between, gridM, closeReachM: CLOSE_PX / control.camera.k }),
    [project, levelId, between, gridM, control.camera.k],
  );
  /** Does what a step asks for; where its edit is refused the tool stays as it is, and nothing that was drawn is lost. */
  const take = (step: ToolStep) => {
    if (step.hint) void message.info({ content: step.hint, key: 'refusal' });
    if (step.edit && !edit(step.edit.title, step.edit.operations)) return;
    // A length that was typed can end beyond the sheet.
    if (step.built && !control.isInSight(step.built, SURVEY_LEFT_PX)) {
      const now = useProjectStore.getState().sync!.view;
      control.fit(projectBounds(now, levelId, true), SURVEY_LEFT_PX);
    }
    if (step.tool) setTool(step.tool);
    if (step.select) onSelect(step.select);
    if (step.question) onQuestion(step.question);
  };
  return {
    tool,
    setTool,
    context,
    pointer,
    click: (at) => {
      pointer.current = at;
      const target = targetOf(tool, at, context);
      take(target ? clickTool(tool, target, context) : { hint: text('survey.typeHint') });
    },
    finish: () => take(finishTool(tool, context)),
    close: () => tool.kind === 'walls' && take(closeChain(tool, context)),
    leave: () => take(leaveTool(tool)),
    type: (key) => {
      // With the cursor of the keys, Enter sets a corner there; once more at the same corner it ends the walls.
      const cursor = usePlanCursor.getState().at;
      if (key === 'Enter' && cursor && typedText(tool) === '') {
        const last = drawnPoints(tool, context).at(-1);
        if (!last || distance2(last, cursor) > SAME_CORNER_M) return pressCursor(control);
      }
      const step = typeInTool(tool, key, pointer.current, context);
      if (step) take(step);
      // A corner that was set by its length takes the cursor along.
      const set = step?.tool && drawnPoints(step.tool, context).at(-1);
      if (cursor && set) usePlanCursor.setState({ at: set });
      return step !== null;
    },
  };
}
