import { onLevel } from '@dusky-spool/core/derive';
import { type Opening, OPENING_KINDS } from '@dusky-spool/core/model';
import { FEATURE_MAKES, type levelsFromBelow, projectBounds } from '@dusky-spool/core/house';
import { moveFeatures, moveWalls, sameKind, wallBuildOf } from '@dusky-spool/core/survey';
import { focusInspector } from '../../canvas/inspector-focus.ts';
import { leaveCursor, moveCursor, pressCursor } from '../../canvas/plan-cursor.ts';
import { nudgeBy, sheetKeys } from '../../canvas/sheet-keys.ts';
import { featureTool, MEASURE, openingTool, SELECT, wallsTool } from '../../canvas/tools/survey-tool.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { useKeys } from '../../canvas/useKeys.ts';
import { nudgeRack } from '../../commands/nudge-devices.ts';
import { removeSelection } from '../../commands/remove-selection.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { newSurveyId } from './ids.ts';
import { SURVEY_LEFT_PX } from './sheet-left.ts';
import { useRemoval } from './useRemoval.tsx';
import type { useClip } from './useClip.ts';
import { useSurveyKeys } from './useSurveyKeys.ts';
import type { SurveyToolControl } from './useSurveyTool.ts';

const nextKind = (kind: Opening['kind']) => OPENING_KINDS[(OPENING_KINDS.indexOf(kind) + 1) % OPENING_KINDS.length];

interface Options {
  readonly levelId: string;
  readonly levels: ReturnType<typeof levelsFromBelow>;
  readonly selection: Selection;
  readonly toolControl: SurveyToolControl;
  readonly clip: ReturnType<typeof useClip>;
  readonly control: CameraControl;
  readonly onSelect: (selection: Selection) => void;
  readonly goToLevel: (levelId: string) => void;
  readonly onKeyboardHelp: () => void;
  readonly onLeave: () => void;
}

/** Removing, nudging and selecting, with all keys of the survey sheet. */
export function useSurveyActions(options: Options) {
  const { levelId, levels, selection, toolControl, clip, control, onSelect, goToLevel, onKeyboardHelp, onLeave } = options;
  const project = useProject();
  const { edit, undo, redo } = useProjectParts('edit', 'undo', 'redo');
  const removal = useRemoval((operations) => {
    if (edit(text('edit.remove'), operations)) onSelect(noSelection);
  });
  const remove = () => void removal.ask(removeSelection(project, selection, newSurveyId));
  const nudge = (dx: number, dy: number, far: boolean) => {
    const { units } = project.project;
    if (toolControl.tool.kind !== 'select') return moveCursor(control, units, dx, dy, far);
    const by = nudgeBy(units, dx, dy, far);
    if (selection.kind === 'wall') edit(text('edit.nudge'), moveWalls(project, { wallIds: selection.ids }, by, newSurveyId));
    else if (selection.kind === 'feature') edit(text('edit.nudge'), moveFeatures(project, selection.ids, by));
    else if (selection.kind === 'rack') edit(text('edit.nudge'), nudgeRack(project, selection.ids[0], by));
    else moveCursor(control, units, dx, dy, far);
  };
  /** All of the kind selected, all walls where nothing is. */
  const selectAll = () => {
    const { kind } = selection;
    // What belongs to other stages is not selected here.
    if (kind === 'none' || kind === 'device' || kind === 'run')
      onSelect({ kind: 'wall', ids: onLevel(project, 'walls', levelId).map((wall) => wall.id) });
    else onSelect({ kind, ids: sameKind(project, levelId, { kind, id: selection.ids[0] }) });
  };
  useKeys({
    undo,
    redo,
    nudge,
    escape: () => {
      toolControl.leave();
      leaveCursor();
      onLeave();
    },
    remove,
    enter: () => {
      if (selection.kind === 'none' || toolControl.tool.kind !== 'select') pressCursor(control);
      else focusInspector();
    },
    press: () => pressCursor(control),
    ...sheetKeys({
      ...{ control, levels, levelId },
      leftPx: SURVEY_LEFT_PX,
      onLevel: goToLevel,
      bounds: () => projectBounds(project, levelId, true),
    }),
  });
  const { tool, setTool } = toolControl;
  const TOOL_KEYS: Readonly<Record<string, () => void>> = {
    v: () => setTool(SELECT),
    w: () => setTool(wallsTool(tool.kind === 'walls' ? tool.make : wallBuildOf(project.levels[levelId]))),
    // Again: the next kind.
    o: () => setTool(openingTool(tool.kind === 'opening' ? nextKind(tool.opening) : 'door')),
    t: () => setTool(featureTool(FEATURE_MAKES[0])),
    m: () => setTool(MEASURE),
    p: () => setTool({ kind: 'reference' }),
  };
  useSurveyKeys({
    tool: (letter) => TOOL_KEYS[letter]?.(),
    typing: toolControl.type,
    command: (name) => {
      if (name === 'copy') clip.copy();
      else if (name === 'paste') clip.pasteClip();
      else if (name === 'duplicate') clip.duplicate();
      else if (name === 'help') onKeyboardHelp();
      else selectAll();
    },
  });
  return { remove, selectAll, removalDialog: removal.dialog };
}
