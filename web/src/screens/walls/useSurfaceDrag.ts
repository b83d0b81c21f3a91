import { useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import type { Outcome } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useProjectParts } from '../../state/project.ts';

/** A drag begins after so far, px. */
const DRAG_PX = 3;

/** What is held: the one that was taken hold of first, and where the pointer took it. */
export interface Grip<Place> {
  readonly kind: 'device' | 'opening';
  readonly ids: readonly string[];
  readonly from: Place;
}

interface Surface<Place, Guide> {
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly selection: Selection;
  readonly chosen: ReadonlySet<string>;
  /** Nothing is taken hold of while something is placed or set. */
  readonly busy: boolean;
  readonly at: (event: { clientX: number; clientY: number }) => Place;
  readonly apartPx: (a: Place, b: Place) => number;
  readonly dragged: (
    grip: Grip<Place>,
    to: Place,
    freely: boolean,
  ) => { readonly guides: readonly Guide[]; readonly operations: Outcome<readonly Operation[]> };
  /** What moves together with what is taken hold of: all of one plate. */
  readonly together: (deviceIds: readonly string[]) => readonly string[];
  readonly onSelect: (selection: Selection) => void;
}

/** Selecting and dragging on a wall or ceiling, with Shift for several and Alt without guides; drawn as a preview until let go. */
export function useSurfaceDrag<Place, Guide>(surface: Surface<Place, Guide>) {
  const { svg, selection, chosen, busy, at, apartPx, dragged, together, onSelect } = surface;
  const { edit, drag: showDrag, endPreview } = useProjectParts('edit', 'drag', 'endPreview');
  const [pointer, setPointer] = useState<Place | null>(null);
  const [free, setFree] = useState(false);
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const held = useRef<Grip<Place> | null>(null);
  /** The click that ends a drag lands on the sheet, which has the pointer: it is no click on nothing. */
  const wasHeld = useRef(false);

  const hold = (kind: Grip<Place>['kind'], ids: readonly string[], event: PointerEvent) => {
    svg.current?.setPointerCapture(event.pointerId);
    wasHeld.current = true;
    held.current = { kind, ids, from: at(event) };
  };
  const takeDevice = (id: string, event: PointerEvent) => {
    if (busy || event.button !== 0) return;
    event.stopPropagation();
    const already = chosen.has(id);
    const others = already ? selection.ids.filter((other) => other !== id) : [];
    if (event.shiftKey) {
      const ids = already ? others : [...chosen, id];
      return onSelect(ids.length > 0 ? { kind: 'device', ids } : { kind: 'none', ids: [] });
    }
    if (!already) onSelect({ kind: 'device', ids: [id] });
    hold('device', together([id, ...others]), event);
  };
  const keyOnDevice = (id: string, event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onSelect({ kind: 'device', ids: [id] });
  };
  const onPointerMove = (event: PointerEvent) => {
    const to = at(event);
    setFree(event.altKey);
    setPointer(to);
    if (!held.current) return;
    const next = dragged(held.current, to, event.altKey);
    setGuides(next.guides);
    if (next.operations.ok) showDrag(next.operations.value);
  };
  const onPointerUp = (event: PointerEvent) => {
    const grip = held.current;
    held.current = null;
    setGuides([]);
    if (!grip) return;
    const to = at(event);
    if (apartPx(grip.from, to) > DRAG_PX) edit(text('edit.move'), dragged(grip, to, event.altKey).operations);
    else endPreview();
  };
  /** Whether a click only ends a drag. */
  const endsDrag = (): boolean => {
    const ended = wasHeld.current;
    wasHeld.current = false;
    return ended;
  };
  return {
    pointer,
    free,
    guides,
    hold,
    takeDevice,
    keyOnDevice,
    onPointerMove,
    onPointerUp,
    onPointerLeave: () => setPointer(null),
    endsDrag,
  };
}
