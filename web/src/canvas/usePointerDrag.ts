import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, type RefObject } from 'react';

/** Where a pointer is, and which keys are held with it. */
export interface PointerAt {
  readonly clientX: number;
  readonly clientY: number;
  readonly altKey: boolean;
}
interface PointerStart extends PointerAt {
  readonly pointerId: number;
}

interface Actions<G> {
  /** Called as the pointer moves, at most once in a picture. */
  readonly onDrag: (grip: G, at: PointerAt) => void;
  /** The pointer was released after a drag. */
  readonly onDrop: (grip: G, at: PointerAt) => void;
  /** The pointer was released where it was pressed. */
  readonly onTap?: (grip: G) => void;
}

export interface PointerDrag<G> {
  /** Begins a drag; the sheet gets every event of the pointer until it is released. */
  readonly start: (grip: G, event: PointerStart) => void;
  /** Whether a grip is held now. */
  readonly isHeld: () => boolean;
  readonly onPointerMove: (event: PointerAt) => void;
  /** Ends the drag; whether there was one. */
  readonly onPointerUp: (event: PointerAt) => boolean;
  /** Whether the click that comes now only ends a press that began here: it lands on the sheet, which has the pointer. */
  readonly takesClick: () => boolean;
}

/** A press becomes a drag after so far, px. */
const DRAG_FROM_PX = 4;
/** A drag is shown no more often than this, ms. */
const MIN_INTERVAL_MS = 8;

/**
 * One drag on a sheet: a press takes hold of something, a move shows it, a release drops it. The pointer is heard as it moves, not
 * first when the next picture is due: what is worked out elsewhere has answered by then.
 */
export function usePointerDrag<G>(sheet: RefObject<Element | null>, actions: Actions<G>, isReady = true): PointerDrag<G> {
  const latest = useRef(actions);
  useLayoutEffect(() => {
    latest.current = actions;
  });
  const held = useRef<{ readonly grip: G; readonly x: number; readonly y: number; isDragged: boolean } | null>(null);
  const tookPress = useRef(false);
  const frame = useRef(0);
  const shownAt = useRef(0);
  const last = useRef<readonly [number, number]>([Number.NaN, Number.NaN]);

  const move = useCallback((at: PointerAt) => {
    const current = held.current;
    const { clientX, clientY, altKey } = at;
    if (!current || (last.current[0] === clientX && last.current[1] === clientY)) return;
    last.current = [clientX, clientY];
    if (!current.isDragged && Math.hypot(clientX - current.x, clientY - current.y) < DRAG_FROM_PX) return;
    current.isDragged = true;
    cancelAnimationFrame(frame.current);
    const show = () => {
      shownAt.current = performance.now();
      latest.current.onDrag(current.grip, { clientX, clientY, altKey });
    };
    // A move that comes sooner than a picture later waits for that picture.
    if (performance.now() - shownAt.current > MIN_INTERVAL_MS) show();
    else frame.current = requestAnimationFrame(show);
  }, []);

  useEffect(() => {
    const element = sheet.current;
    const onRaw = (event: Event) => move(event as MouseEvent);
    element?.addEventListener('pointerrawupdate', onRaw);
    return () => {
      element?.removeEventListener('pointerrawupdate', onRaw);
      cancelAnimationFrame(frame.current);
    };
  }, [sheet, isReady, move]);

  return useMemo(
    () => ({
      start: (grip, event) => {
        sheet.current?.setPointerCapture(event.pointerId);
        tookPress.current = true;
        held.current = { grip, x: event.clientX, y: event.clientY, isDragged: false };
      },
      isHeld: () => held.current !== null,
      onPointerMove: move,
      onPointerUp: (event) => {
        const current = held.current;
        held.current = null;
        cancelAnimationFrame(frame.current);
        if (!current) return false;
        if (current.isDragged) latest.current.onDrop(current.grip, event);
        else latest.current.onTap?.(current.grip);
        return true;
      },
      takesClick: () => {
        const took = tookPress.current;
        tookPress.current = false;
        return took;
      },
    }),
    [sheet, move],
  );
}
