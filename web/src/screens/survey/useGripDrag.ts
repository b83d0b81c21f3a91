import { App as AntApp } from 'antd';
import { snapDrawing } from '@dusky-spool/core/house';
import { distance2, type Point2, tidyM } from '@dusky-spool/core/math';
import type { Wall } from '@dusky-spool/core/model';
import type { PointerEvent } from 'react';
import { SNAP_PX, snapsTo } from '../../canvas/tools/snapping.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { type PointerAt, usePointerDrag } from '../../canvas/usePointerDrag.ts';
import { dragGrip, type Grip } from '../../commands/drag-grip.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { newSurveyId } from './ids.ts';
import { useSurveyView } from './useSurveyView.ts';

interface Held {
  readonly grip: Grip;
  readonly from: Point2;
}

/** Walls, openings and things dragged by their handles, on the grid or to what they are near. */
export function useGripDrag(levelId: string, walls: readonly Wall[], control: CameraControl, isOn: boolean) {
  const project = useProject();
  const { edit, drag: showDrag, endPreview } = useProjectParts('edit', 'drag', 'endPreview');
  const { message } = AntApp.useApp();
  const { locked, gridM } = useSurveyView();
  const gridAngleRad = project.levels[levelId]?.gridAngleRad ?? 0;

  /** What a drag to the pointer does: the held point falls on the grid, a corner on what it is near. */
  const operationsTo = ({ grip, from }: Held, { clientX, clientY }: PointerAt) => {
    const p = control.toWorld(clientX, clientY);
    if (snapsTo(grip)) {
      const others = grip.kind === 'corner' ? walls.filter((wall) => !meets(wall, grip.at)) : walls;
      const reachM = SNAP_PX / control.camera.k;
      const { point } = snapDrawing(p, { walls: others, gridAngleRad, gridM, angleLockRad: 0 }, reachM);
      const by: Point2 = [point[0] - from[0], point[1] - from[1]];
      return dragGrip(project, { grip, by, at: point, levelId, newId: newSurveyId });
    }
    const step = gridM || 0.01;
    const onGrid = (value: number) => tidyM(Math.round(value / step) * step);
    const by: Point2 = [onGrid(p[0] - from[0]), onGrid(p[1] - from[1])];
    return dragGrip(project, { grip, by, at: p, levelId, newId: newSurveyId });
  };
  const drag = usePointerDrag<Held>(
    control.sheet,
    {
      onDrag: (held, at) => {
        const operations = operationsTo(held, at);
        if (operations.ok) showDrag(operations.value);
      },
      onDrop: (held, at) => void edit(text('edit.move'), operationsTo(held, at)),
      onTap: endPreview,
    },
    control.ready,
  );
  const onGrip = (grip: Grip, event: PointerEvent) => {
    if (!isOn || event.button !== 0) return;
    const kinds =
      grip.kind === 'features'
        ? grip.ids.map((id) => project.features[id]?.kind ?? '')
        : [grip.kind === 'walls' || grip.kind === 'corner' ? 'wall' : grip.kind];
    if (kinds.some((kind) => locked.has(kind))) {
      void message.info({ content: text('survey.isLocked'), key: 'locked' });
      return;
    }
    event.stopPropagation();
    drag.start({ grip, from: control.toWorld(event.clientX, event.clientY) }, event);
  };
  return { ...drag, onGrip };
}

const meets = ({ a, b }: Wall, p: Point2) => distance2(a, p) < 0.01 || distance2(b, p) < 0.01;
