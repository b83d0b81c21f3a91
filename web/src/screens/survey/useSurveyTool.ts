import { App as AntApp } from 'antd';
import { useRef, useState, type RefObject } from 'react';
import type { Point2 } from '@dusky-spool/core/math';
import {
  clickTool,
  finishTool,
  leaveTool,
  SELECT,
  type SurveyTool,
  type ToolContext,
  type ToolQuestion,
  type ToolStep,
  typeInTool,
} from '../../canvas/tools/survey-tool.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { newSurveyId } from './ids.ts';

/** The tool of the survey sheet, driven by pointer and keys. */
export interface SurveyToolControl {
  readonly tool: SurveyTool;
  readonly setTool: (tool: SurveyTool) => void;
  readonly context: ToolContext;
  /** The point that the preview shows: where a click or Enter sets it, m. */
  readonly target: RefObject<Point2 | null>;
  readonly click: (at: Point2) => void;
  readonly finish: () => void;
  readonly leave: () => void;
  /** Whether the key was one of the tool. */
  readonly type: (key: string) => boolean;
}

export function useSurveyTool(
  levelId: string,
  onSelect: (selection: Selection) => void,
  onQuestion: (question: ToolQuestion) => void,
): SurveyToolControl {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { message } = AntApp.useApp();
  const [tool, setTool] = useState<SurveyTool>(SELECT);
  const target = useRef<Point2 | null>(null);
  const context: ToolContext = { project, levelId, newSurveyId, newId: newRecordId };
  /** Does what a step asks for; where its edit is refused the tool stays as it is, and nothing that was drawn is lost. */
  const take = (step: ToolStep) => {
    if (step.hint) void message.info({ content: step.hint, key: 'refusal' });
    if (step.edit && !edit(step.edit.title, step.edit.operations)) return;
    if (step.tool) setTool(step.tool);
    if (step.select) onSelect(step.select);
    if (step.question) onQuestion(step.question);
  };
  return {
    tool,
    setTool,
    context,
    target,
    click: (at) => take(clickTool(tool, at, context)),
    finish: () => take(finishTool(tool, context)),
    leave: () => take(leaveTool(tool)),
    type: (key) => {
      const step = typeInTool(tool, key, target.current, context);
      if (step) take(step);
      return step !== null;
    },
  };
}
