import { moveDevices, withPlateMates } from '@dusky-spool/core/devices';
import type { Point2 } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { useCallback, useState, type PointerEvent } from 'react';
import { text } from '../ground/text.ts';
import { useProjectParts } from '../state/project.ts';
import type { Selection } from '../state/selection-kinds.ts';
import { toHandGrid } from './tools/nudge.ts';
import type { CameraControl } from './useCamera.ts';
import { usePointerDrag } from './usePointerDrag.ts';

interface Grip {
  /** The one that was taken hold of, then those that go with it. */
  readonly ids: readonly string[];
  readonly from: Point2;
}

const NO_IDS: ReadonlySet<string> = new Set();

interface Options {
  readonly project: ProjectDocument;
  readonly control: CameraControl;
  readonly selection: Selection;
  readonly isOn: boolean;
  readonly onPick: (kind: 'device', id: string, more: boolean) => void;
}

/** Devices dragged over the plan: those that are selected, with what shares their plate. */
export function useDeviceDrag({ project, control, selection, isOn, onPick }: Options) {
  const { edit, drag: showDrag } = useProjectParts('edit', 'drag');
  /** Dragged devices; the plan below them stays as it was until they are dropped. */
  const [draggedIds, setDraggedIds] = useState(NO_IDS);
  const drag = usePointerDrag<Grip>(
    control.sheet,
    {
      onDrag: ({ ids, from }, { clientX, clientY }) => {
        if (ids.length === 0) return;
        if (draggedIds === NO_IDS) setDraggedIds(new Set(ids));
        const operations = moveTogether(project, ids, from, control.toWorld(clientX, clientY));
        if (operations.ok) showDrag(operations.value);
      },
      onDrop: ({ ids, from }, { clientX, clientY }) => {
        setDraggedIds(NO_IDS);
        if (ids.length === 0) return;
        edit(text('edit.move'), moveTogether(project, ids, from, control.toWorld(clientX, clientY)));
      },
    },
    control.ready,
  );
  const { start } = drag;
  const onDevicePress = useCallback(
    (deviceId: string, event: PointerEvent) => {
      if (!isOn || event.button !== 0) return;
      event.stopPropagation();
      const already = selection.kind === 'device' && selection.ids.includes(deviceId);
      if (event.shiftKey || !already) onPick('device', deviceId, event.shiftKey);
      const ids = already ? [deviceId, ...selection.ids.filter((id) => id !== deviceId)] : [deviceId];
      // With Shift nothing is dragged, but the click that follows is taken all the same.
      const grip = event.shiftKey ? [] : withPlateMates(project, ids);
      start({ ids: grip, from: control.toWorld(event.clientX, event.clientY) }, event);
    },
    [isOn, selection, onPick, start, control, project],
  );
  return { ...drag, draggedIds, onDevicePress };
}

/** Moves devices as one: the first falls on the grid, the others keep their places beside it. */
export function moveTogether(project: ProjectDocument, ids: readonly string[], from: Point2, to: Point2) {
  const first = project.devices[ids[0]];
  // Somebody else may have deleted it meanwhile.
  if (!first) return moveDevices(project, [{ deviceId: ids[0], to }]);
  const [x, y] = toHandGrid([first.x + to[0] - from[0], first.y + to[1] - from[1]], project.project.units);
  const [dx, dy] = [x - first.x, y - first.y];
  return moveDevices(
    project,
    ids.flatMap((deviceId) => {
      const device = project.devices[deviceId];
      return device ? [{ deviceId, to: [device.x + dx, device.y + dy] as const }] : [];
    }),
  );
}
