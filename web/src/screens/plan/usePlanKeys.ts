import { useHotkeys } from 'react-hotkeys-hook';
import { removeDevices } from '@dusky-spool/core/devices';
import { type levelsFromBelow, projectBounds } from '@dusky-spool/core/house';
import { focusInspector } from '../../canvas/inspector-focus.ts';
import { nudgeBy, panByKey, sheetKeys } from '../../canvas/sheet-keys.ts';
import { focusDevice, leaveCursor, moveCursor, pressCursor } from '../../canvas/plan-cursor.ts';
import { SELECT_TOOL, type Tool } from '../../canvas/tools/plan-tool.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { HOTKEYS, useKeys } from '../../canvas/useKeys.ts';
import { nudgeOnPlan, nudgeOnWall, nudgeRack } from '../../commands/nudge-devices.ts';
import { text } from '../../ground/text.ts';
import { useByHand } from '../../state/by-hand.ts';
import { removeSelection } from '../../commands/remove-selection.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import type { Copies } from './useCopies.ts';
import type { SurfaceView } from '../../state/views.ts';

interface Options {
  /** Null where no copies can be made. */
  readonly copies: Copies | null;
  readonly levelId: string;
  readonly levels: ReturnType<typeof levelsFromBelow>;
  readonly leftPx: number;
  readonly selection: Selection;
  readonly surface: SurfaceView | null;
  readonly tool: Tool;
  readonly control: CameraControl;
  readonly setTool: (tool: Tool) => void;
  readonly onSelect: (selection: Selection) => void;
  readonly onLevel: (levelId: string) => void;
}

function useCopyKeys(copies: Copies | null): void {
  const options = { ...HOTKEYS, enabled: copies !== null };
  useHotkeys('mod_c', () => copies?.keep(), options);
  useHotkeys('mod_v', () => copies?.paste(), options);
  useHotkeys('mod_shift_v', () => copies?.pasteInPlace(), options);
  useHotkeys('mod_d', () => copies?.duplicate(), options);
  useHotkeys('mod_a', () => copies?.selectAll(), options);
}

/** The keys of the plan and of a wall. */
export function usePlanKeys(options: Options): void {
  const { levelId, levels, leftPx, selection, surface, tool, control, setTool, onSelect, onLevel, copies } = options;
  const project = useProject();
  const { edit, undo, redo } = useProjectParts('edit', 'undo', 'redo');
  const nudge = (dx: number, dy: number, far: boolean) => {
    const ids = selection.kind === 'device' ? selection.ids.filter((id) => project.devices[id]) : [];
    const by = nudgeBy(project.project.units, dx, dy, far);
    if (!surface && tool.kind !== 'select') return moveCursor(control, project.project.units, dx, dy, far);
    if (surface?.kind === 'wall') edit(text('edit.nudge'), nudgeOnWall(project, surface, ids, by));
    else if (ids.length > 0) edit(text('edit.nudge'), nudgeOnPlan(project, ids, by));
    else if (selection.kind === 'rack') edit(text('edit.nudge'), nudgeRack(project, selection.ids[0], by));
    else if (!focusDevice(control, dx, dy)) panByKey(control, dx, dy);
  };
  const leave = () => {
    if (useByHand.getState().runId) useByHand.setState({ runId: null });
    else if (tool.kind !== 'select') {
      setTool(SELECT_TOOL);
      leaveCursor();
    } else onSelect(noSelection);
  };
  useCopyKeys(copies);
  useKeys({
    undo,
    redo,
    nudge,
    escape: leave,
    enter: () => (tool.kind !== 'select' ? pressCursor(control) : selection.kind !== 'none' && focusInspector()),
    press: () => pressCursor(control),
    remove: () => {
      if (
        selection.kind === 'rack' &&
        edit(
          text('edit.remove'),
          removeSelection(project, selection, (kind) => newRecordId(kind[0])),
        )
      )
        return onSelect(noSelection);
      if (selection.kind === 'device' && edit(text('edit.remove'), removeDevices(project, selection.ids))) onSelect(noSelection);
    },
    ...sheetKeys({ control, leftPx, levels, levelId, onLevel, bounds: () => projectBounds(project, levelId) }),
  });
}
