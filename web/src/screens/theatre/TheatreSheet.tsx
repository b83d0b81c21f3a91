import type { Outcome } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument, Room } from '@dusky-spool/core/model';
import {
  shiftInTheatre,
  type Theatre,
  type TheatreShift,
  type TheatreThing,
  type TheatreFrame,
  type TheatreView,
} from '@dusky-spool/core/theatre';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { toHandGrid } from '../../canvas/tools/nudge.ts';
import { usePointerDrag } from '../../canvas/usePointerDrag.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { useSheetSize } from '../walls/useSheetSize.ts';
import { TheatreDrawing } from './TheatreDrawing.tsx';
import { TheatreHouse } from './TheatreHouse.tsx';
import { shiftOf, theatreScale } from './theatre-view.ts';
import css from './theatre.module.css';

interface Props {
  /** As it is shown: with a drag or a proposal in it. */
  readonly shown: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly view: TheatreView;
  readonly seat: number;
  readonly chosenId: string | null;
  readonly mayPlan: boolean;
  readonly onSeat: (seat: number) => void;
  readonly onChoose: (deviceId: string | null) => void;
}

interface Grip {
  readonly thing: TheatreThing;
  readonly x: number;
  readonly y: number;
}

/** Steps of the arrow keys, m; with Shift the longer one. */
const KEY_STEP_M = 0.01;
const KEY_LONG_M = 0.1;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A view of a theatre in which its parts are dragged, or moved by the arrow keys; every figure follows. */
export function TheatreSheet({ shown, room, theatre, frame, view, seat, chosenId, mayPlan, onSeat, onChoose }: Props) {
  const project = useProject();
  const { edit, drag: showDrag, endPreview } = useProjectParts('edit', 'drag', 'endPreview');
  const svg = useRef<SVGSVGElement>(null);
  const sheet = useSheetSize(svg);
  const scale = useMemo(() => theatreScale(frame, view, sheet.width, sheet.height), [frame, view, sheet]);
  const stored = project.rooms[room.id] ?? room;
  const shifted = (thing: TheatreThing, shift: TheatreShift): Outcome<readonly Operation[]> =>
    shiftInTheatre(project, stored, thing, onGrid(shift, project.project.units));
  const wayOf = ({ x, y }: Grip, at: { clientX: number; clientY: number }) => {
    const box = svg.current!.getBoundingClientRect();
    const zoom = sheet.width / (box.width || sheet.width);
    return scale.wayOf((at.clientX - x) * zoom, (at.clientY - y) * zoom);
  };
  const drag = usePointerDrag<Grip>(svg, {
    onDrag: (grip, at) => {
      const next = shifted(grip.thing, wayOf(grip, at));
      if (next.ok) showDrag(next.value);
    },
    onDrop: (grip, at) => edit(text('edit.move'), shifted(grip.thing, wayOf(grip, at))),
    onTap: endPreview,
  });
  const take = (thing: TheatreThing, event: PointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    if (thing.kind === 'device') onChoose(thing.id);
    if (mayPlan) drag.start({ thing, x: event.clientX, y: event.clientY }, event);
  };
  const onKey = (thing: TheatreThing, event: KeyboardEvent) => {
    if (event.key === 'Enter' && thing.kind === 'device') return onChoose(thing.id);
    const arrow = ARROWS[event.key];
    if (!arrow || !mayPlan) return;
    event.preventDefault();
    event.stopPropagation();
    const stepM = event.shiftKey ? KEY_LONG_M : KEY_STEP_M;
    edit(text('edit.move'), shiftInTheatre(project, stored, thing, shiftOf(view, arrow[0] * stepM, arrow[1] * stepM)));
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      className={css.sheet}
      role="group"
      aria-label={text(`theatre.views.${view}`)}
      onPointerMove={drag.onPointerMove}
      onPointerUp={drag.onPointerUp}
      onClick={() => {
        if (!drag.takesClick()) onChoose(null);
      }}
    >
      <TheatreHouse project={shown} {...{ room, theatre, view, frame, scale }} />
      <TheatreDrawing
        project={shown}
        {...{ room, theatre, view, frame, scale, seat, chosenId }}
        onTake={take}
        {...{ onKey, onSeat }}
      />
    </svg>
  );
}

/** A shift on whole centimeters or quarter inches, as anything that is set by hand. */
function onGrid({ asideM, awayM, upM }: TheatreShift, units: ProjectDocument['project']['units']): TheatreShift {
  const [aside, away] = toHandGrid([asideM, awayM], units);
  return { asideM: aside, awayM: away, upM: toHandGrid([upM, 0], units)[0] };
}
