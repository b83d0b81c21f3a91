import { moveRack } from '@dusky-spool/core/devices';
import type { Point2 } from '@dusky-spool/core/math';
import type { PointerEvent } from 'react';
import { text } from '../ground/text.ts';
import { useProject } from '../state/open-project.ts';
import { useProjectParts } from '../state/project.ts';
import type { Selection } from '../state/selection-kinds.ts';
import type { CameraControl } from './useCamera.ts';
import { type PointerAt, usePointerDrag } from './usePointerDrag.ts';

/** Where a rack was taken hold of. */
interface Grip {
  readonly rackId: string;
  readonly from: Point2;
}

/** A rack that is clicked is selected; dragged it moves, and what ends at it with it. */
export function useRackDrag(control: CameraControl, isOn: boolean, onSelect: (selection: Selection) => void) {
  const project = useProject();
  const { edit, drag: showDrag, endPreview } = useProjectParts('edit', 'drag', 'endPreview');
  const operationsTo = ({ rackId, from }: Grip, { clientX, clientY }: PointerAt) => {
    const at = control.toWorld(clientX, clientY);
    const { x, y } = project.racks[rackId];
    return moveRack(project, rackId, [x + at[0] - from[0], y + at[1] - from[1]]);
  };
  const drag = usePointerDrag<Grip>(
    control.sheet,
    {
      onDrag: (grip, at) => showDrag(operationsTo(grip, at)),
      onDrop: (grip, at) => void edit(text('edit.move'), operationsTo(grip, at)),
      onTap: endPreview,
    },
    control.ready,
  );
  const onRackPress = (rackId: string, event: PointerEvent) => {
    if (!isOn || event.button !== 0) return;
    event.stopPropagation();
    onSelect({ kind: 'rack', ids: [rackId] });
    drag.start({ rackId, from: control.toWorld(event.clientX, event.clientY) }, event);
  };
  return { ...drag, onRackPress };
}
