import type { Outcome } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';
import { useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { type PointerAt, usePointerDrag } from '../../canvas/usePointerDrag.ts';
import { text } from '../../ground/text.ts';
import { useProjectParts } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';

/** What is dragged: the one that was taken hold of first, and where the pointer took it. */
export interface Grip<Place> {
  readonly kind: 'device' | 'opening';
  readonly ids: readonly string[];
  readonly from: Place;
}

/** What a drag to a place does, and the guides that it follows. */
export interface Dragged<Guide> {
  readonly guides: readonly Guide[];
  readonly operations: Outcome<readonly Operation[]>;
}

interface Surface<Place, Guide> {
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly selection: Selection;
  readonly chosen: ReadonlySet<string>;
  /** Nothing can be dragged while something is placed or set. */
  readonly isBusy: boolean;
  readonly at: (event: { clientX: number; clientY: number }) => Place;
  readonly dragged: (grip: Grip<Place>, to: Place, isFree: boolean) => Dragged<Guide>;
  /** What moves together: everything on one plate. */
  readonly together: (deviceIds: readonly string[]) => readonly string[];
  readonly onSelect: (selection: Selection) => void;
}

/** Selecting and dragging on a wall or ceiling, with Shift for several and Alt without guides; a preview until it is dropped. */
export function useSurfaceDrag<Place, Guide>(surface: Surface<Place, Guide>) {
  const { svg, selection, chosen, isBusy, at, dragged, together, onSelect } = surface;
  const { edit, drag: showDrag, endPreview } = useProjectParts('edit', 'drag', 'endPreview');
  const [pointer, setPointer] = useState<Place | null>(null);
  const [isFree, setIsFree] = useState(false);
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const drag = usePointerDrag<Grip<Place>>(svg, {
    onDrag: (grip, event) => {
      const next = dragged(grip, at(event), event.altKey);
      setGuides(next.guides);
      if (next.operations.ok) showDrag(next.operations.value);
    },
    onDrop: (grip, event) => {
      setGuides([]);
      edit(text('edit.move'), dragged(grip, at(event), event.altKey).operations);
    },
    onTap: endPreview,
  });
  const take = (kind: Grip<Place>['kind'], ids: readonly string[], event: PointerEvent) =>
    drag.start({ kind, ids, from: at(event) }, event);
  const takeDevice = (id: string, event: PointerEvent) => {
    if (isBusy || event.button !== 0) return;
    event.stopPropagation();
    const already = chosen.has(id);
    const others = already ? selection.ids.filter((other) => other !== id) : [];
    if (event.shiftKey) {
      const ids = already ? others : [...chosen, id];
      return onSelect(ids.length > 0 ? { kind: 'device', ids } : { kind: 'none', ids: [] });
    }
    if (!already) onSelect({ kind: 'device', ids: [id] });
    take('device', together([id, ...others]), event);
  };
  const keyOnDevice = (id: string, event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onSelect({ kind: 'device', ids: [id] });
  };
  const onPointerMove = (event: PointerAt) => {
    setIsFree(event.altKey);
    setPointer(at(event));
    drag.onPointerMove(event);
  };
  return {
    pointer,
    isFree,
    guides,
    take,
    takeDevice,
    keyOnDevice,
    onPointerMove,
    onPointerUp: drag.onPointerUp,
    onPointerLeave: () => setPointer(null),
    takesClick: drag.takesClick,
  };
}
