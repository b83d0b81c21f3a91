import type { Point2 } from '@dusky-spool/core/math';
import { useState, type PointerEvent } from 'react';
import type { CameraControl } from './useCamera.ts';
import { usePointerDrag } from './usePointerDrag.ts';

/** A box drawn over the sheet with Shift; what lies in it becomes the selection. */
export function useBoxSelect(control: CameraControl, isOn: boolean, onBox: (first: Point2, second: Point2) => void) {
  const [box, setBox] = useState<readonly [Point2, Point2] | null>(null);
  const end = (first: Point2, second: Point2) => {
    setBox(null);
    onBox(first, second);
  };
  const drag = usePointerDrag<Point2>(
    control.sheet,
    {
      onDrag: (first, { clientX, clientY }) => setBox([first, control.toWorld(clientX, clientY)]),
      onDrop: (first, { clientX, clientY }) => end(first, control.toWorld(clientX, clientY)),
      onTap: (first) => end(first, first),
    },
    control.ready,
  );
  return {
    box,
    onPointerDown: (event: PointerEvent) => {
      if (isOn && event.shiftKey && event.button === 0) drag.start(control.toWorld(event.clientX, event.clientY), event);
    },
    onPointerMove: drag.onPointerMove,
    onPointerUp: drag.onPointerUp,
    takesClick: drag.takesClick,
    isHeld: drag.isHeld,
  };
}
