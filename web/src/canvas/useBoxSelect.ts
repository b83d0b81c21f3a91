import { boundsOf, inBounds, type Point2, pointInPolygon } from '@dusky-spool/core/math';
import { useState, type PointerEvent } from 'react';
import type { CameraControl } from './useCamera.ts';
import { usePointerDrag } from './usePointerDrag.ts';

/** The ground that was drawn around with Shift: between two corners, or with Alt too along a free line. */
export interface SelectArea {
  readonly outline: readonly Point2[];
  /** Whether a point lies in it. */
  readonly holds: (p: Point2) => boolean;
}

function areaOf({ isFree }: Drawn, outline: readonly Point2[]): SelectArea {
  const bounds = boundsOf(outline)!;
  return { outline, holds: (p) => inBounds(bounds, p) && (!isFree || pointInPolygon(p, outline)) };
}

const boxBetween = ([x0, y0]: Point2, [x1, y1]: Point2): readonly Point2[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

/** An area drawn over the sheet with Shift; what lies in it becomes the selection. */
export function useBoxSelect(control: CameraControl, isOn: boolean, onArea: (area: SelectArea) => void) {
  const [outline, setOutline] = useState<readonly Point2[] | null>(null);
  const grown = (drawn: Drawn, { clientX, clientY }: Pick<PointerEvent, 'clientX' | 'clientY'>): readonly Point2[] => {
    const at = control.toWorld(clientX, clientY);
    if (!drawn.isFree) return boxBetween(drawn.line[0], at);
    drawn.line.push(at);
    return [...drawn.line];
  };
  const drag = usePointerDrag<Drawn>(
    control.sheet,
    {
      onDrag: (drawn, event) => setOutline(grown(drawn, event)),
      onDrop: (drawn, event) => {
        const drawnAround = grown(drawn, event);
        setOutline(null);
        onArea(areaOf(drawn, drawnAround));
      },
      onTap: (drawn) => {
        setOutline(null);
        onArea(areaOf(drawn, [drawn.line[0]]));
      },
    },
    control.ready,
  );
  return {
    outline,
    onPointerDown: (event: PointerEvent) => {
      if (!isOn || !event.shiftKey || event.button !== 0) return;
      drag.start({ line: [control.toWorld(event.clientX, event.clientY)], isFree: event.altKey }, event);
    },
    onPointerMove: drag.onPointerMove,
    onPointerUp: drag.onPointerUp,
    takesClick: drag.takesClick,
    isHeld: drag.isHeld,
  };
}

interface Drawn {
  readonly line: Point2[];
  readonly isFree: boolean;
}
