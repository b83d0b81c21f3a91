import { boardM, type HeadEnd, HOT_W, isRackMounted, isWallHung, PANEL_M } from '@dusky-spool/core/head-end';
import { RACK_UNIT_M } from '@dusky-spool/core/math';
import type { Equipment, Rack } from '@dusky-spool/core/model';
import { Segmented } from 'antd';
import { type KeyboardEvent, type PointerEvent as ReactPointerEvent, type RefObject, useRef, useState } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { usePointerDrag } from '../../canvas/usePointerDrag.ts';
import { text } from '../../ground/text.ts';
import { useProjectParts } from '../../state/project.ts';

import { placeText } from './place-text.ts';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly chosenId: string | null;
  readonly mayPlan: boolean;
  readonly onChoose: (id: string | null) => void;
}

/** Drawn at so many px to the meter, within a fixed field that is scaled to the place that there is. */
const PX_PER_M = 400;
const EDGE_M = 0.08;

interface Drawn {
  readonly widthM: number;
  readonly heightM: number;
  readonly isRack: boolean;
}

const sizeOf = (rack: Rack): Drawn => {
  const isRack = isRackMounted(rack);
  const [widthM, heightM] = isRack ? [PANEL_M, rack.units * RACK_UNIT_M] : boardM(rack);
  return { widthM, heightM, isRack };
};

/** The front or the rear of a rack, or the inside of an enclosure; equipment is dragged, or moved by the arrow keys. */
export function Elevation({ headEnd, chosenId, mayPlan, onChoose }: Props) {
  const { rack, equipment } = headEnd;
  const [face, setFace] = useState<Equipment['face']>('front');
  const sheet = useRef<SVGSVGElement>(null);
  const drawn = sizeOf(rack);
  const { widthM, heightM, isRack } = drawn;
  const { drag, dragged, move } = useEquipmentDrag(sheet, drawn, onChoose);
  const shown = equipment.filter((one) => (isRack ? one.face === face && one.atUnit !== null : one.xM !== null));
  const viewBox = [-EDGE_M, -EDGE_M, widthM + 2 * EDGE_M, heightM + 2 * EDGE_M].map((one) => one * PX_PER_M).join(' ');
  return (
    <>
      {isRack && (
        <Segmented
          size="small"
          value={face}
          options={(['front', 'rear'] as const).map((value) => ({ value, label: text(`headEnd.faces.${value}`) }))}
          onChange={setFace}
        />
      )}
      <svg
        ref={sheet}
        className={css.sheet}
        viewBox={viewBox}
        onPointerMove={drag.onPointerMove}
        onPointerUp={drag.onPointerUp}
        role="group"
        aria-label={text('headEnd.elevation')}
      >
        <rect className={css.frame} width={widthM * PX_PER_M} height={heightM * PX_PER_M} rx={isRack ? 3 : 8} />
        {isRack && <Units units={rack.units} heightM={heightM} widthM={widthM} />}
        {shown.map((one) => (
          <Item
            key={one.id}
            {...{ one, drawn, mayPlan, move }}
            lift={dragged?.id === one.id ? dragged : null}
            isChosen={chosenId === one.id}
            onChoose={() => onChoose(one.id)}
            onTake={(event) => drag.start({ one, x: event.clientX, y: event.clientY }, event)}
          />
        ))}
      </svg>
      <Beside {...{ headEnd, chosenId, onChoose }} />
    </>
  );
}

interface Lift {
  readonly id: string;
  readonly dxM: number;
  readonly dyM: number;
}

/** A drag of equipment over the sheet, shown as it goes and made when it is dropped. */
function useEquipmentDrag(sheet: RefObject<SVGSVGElement | null>, drawn: Drawn, onChoose: (id: string) => void) {
  const { edit } = useProjectParts('edit');
  const [dragged, setDragged] = useState<Lift | null>(null);
  const meters = (from: { x: number; y: number }, at: { clientX: number; clientY: number }) => {
    const scale = sheet.current?.getScreenCTM()?.a ?? 1;
    return { dxM: (at.clientX - from.x) / scale / PX_PER_M, dyM: -(at.clientY - from.y) / scale / PX_PER_M };
  };
  const move = (one: Equipment, dxM: number, dyM: number) => {
    const operations = changeRecord('equipment', one, moved(one, drawn, dxM, dyM));
    if (operations.length > 0) edit(text('headEnd.edits.move', { name: one.name }), operations);
  };
  const drag = usePointerDrag<{ one: Equipment; x: number; y: number }>(sheet, {
    onDrag: ({ one, x, y }, at) => setDragged({ id: one.id, ...meters({ x, y }, at) }),
    onDrop: ({ one, x, y }, at) => {
      const { dxM, dyM } = meters({ x, y }, at);
      setDragged(null);
      move(one, dxM, dyM);
    },
    onTap: ({ one }) => onChoose(one.id),
  });
  return { drag, dragged, move };
}

interface ItemProps {
  readonly one: Equipment;
  readonly drawn: Drawn;
  readonly lift: Lift | null;
  readonly isChosen: boolean;
  readonly mayPlan: boolean;
  readonly move: (one: Equipment, dxM: number, dyM: number) => void;
  readonly onChoose: () => void;
  readonly onTake: (event: ReactPointerEvent) => void;
}

const WAYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
};
const STEP_M = 0.01;

/** One piece of equipment on the sheet. */
function Item({ one, drawn, lift, isChosen, mayPlan, move, onChoose, onTake }: ItemProps) {
  const box = boxOf(one, drawn);
  const onKey = (event: KeyboardEvent) => {
    const way = WAYS[event.key];
    const isPress = event.key === 'Enter' || event.key === ' ';
    if (!isPress && (!way || !mayPlan || one.isLocked)) return;
    event.preventDefault();
    event.stopPropagation();
    if (isPress) return onChoose();
    move(one, way[0] * STEP_M, way[1] * (drawn.isRack ? RACK_UNIT_M : STEP_M));
  };
  const x = box.x + (drawn.isRack ? 0 : (lift?.dxM ?? 0));
  const y = box.y - (lift?.dyM ?? 0);
  return (
    <g
      className={`${css.item}${one.heatW >= HOT_W ? ` ${css.hot}` : ''}${isChosen ? ' chosen' : ''}`}
      transform={`translate(${x * PX_PER_M},${y * PX_PER_M})`}
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      aria-label={text('headEnd.itemLabel', { name: one.name, place: placeText(one) })}
      onPointerDown={(event) => (mayPlan && !one.isLocked ? onTake(event) : onChoose())}
      onKeyDown={onKey}
    >
      <rect width={box.w * PX_PER_M} height={box.h * PX_PER_M} rx={2} />
      <ItemName name={one.name} isLocked={one.isLocked} isRack={drawn.isRack} w={box.w * PX_PER_M} h={box.h * PX_PER_M} />
    </g>
  );
}

/** The number of every unit, from the bottom up. */
function Units({ units, heightM, widthM }: { readonly units: number; readonly heightM: number; readonly widthM: number }) {
  return (
    <g className={css.units} aria-hidden>
      {Array.from({ length: units }, (_, n) => {
        const y = (heightM - (n + 0.5) * RACK_UNIT_M) * PX_PER_M;
        return (
          <g key={n}>
            <text x={-6} y={y} textAnchor="end" dominantBaseline="middle">
              {n + 1}
            </text>
            <line x1={0} x2={widthM * PX_PER_M} y1={y + (RACK_UNIT_M / 2) * PX_PER_M} y2={y + (RACK_UNIT_M / 2) * PX_PER_M} />
          </g>
        );
      })}
    </g>
  );
}

/** Letters in a tall rack and in an enclosure, which is drawn larger; about half as wide as tall. */
const LETTER_PX = { rack: 14, enclosure: 9 } as const;

function ItemName({
  name,
  isLocked,
  isRack,
  w,
  h,
}: {
  readonly name: string;
  readonly isLocked: boolean;
  readonly isRack: boolean;
  readonly w: number;
  readonly h: number;
}) {
  const size = isRack ? LETTER_PX.rack : LETTER_PX.enclosure;
  const most = Math.max(3, Math.floor((w - 8) / (size / 2)));
  const shown = wholeWords(name, most);
  if (shown === '') return null;
  return (
    <text x={w / 2} y={h / 2} fontSize={size} textAnchor="middle" dominantBaseline="central">
      {isLocked ? `${shown} ·` : shown}
    </text>
  );
}

/** What hangs on the wall beside it, and what has no place yet. */
function Beside({ headEnd: { rack, equipment }, chosenId, onChoose }: Pick<Props, 'headEnd' | 'chosenId' | 'onChoose'>) {
  const isRack = isRackMounted(rack);
  const beside = equipment.filter((one) => (isRack ? one.atUnit === null : one.xM === null));
  if (beside.length === 0) return null;
  return (
    <ul className={css.beside}>
      {beside.map((one) => (
        <li key={one.id}>
          <button type="button" className={`plain${chosenId === one.id ? ' chosen' : ''}`} onClick={() => onChoose(one.id)}>
            {text(isWallHung(one) ? 'headEnd.onWall' : 'headEnd.unplaced', { name: one.name })}
          </button>
        </li>
      ))}
    </ul>
  );
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** Where a piece of equipment is drawn, m from the upper left corner. */
function boxOf(one: Equipment, { widthM, heightM, isRack }: Drawn): Box {
  if (!isRack) return { x: one.xM ?? 0, y: heightM - (one.yM ?? 0) - one.heightM, w: one.widthM, h: one.heightM };
  const h = one.units * RACK_UNIT_M;
  const y = heightM - ((one.atUnit ?? 1) - 1) * RACK_UNIT_M - h;
  return one.xM === null ? { x: 0, y, w: widthM, h } : { x: 0.02 + one.xM, y, w: one.widthM, h };
}

const within = (value: number, most: number): number => Math.max(0, Math.min(most, value));

/** Its place after a way: on whole units, or to the centimeter. */
function moved(one: Equipment, { widthM, heightM, isRack }: Drawn, dxM: number, dyM: number): Partial<Equipment> {
  if (isRack) {
    const most = Math.max(1, Math.round(heightM / RACK_UNIT_M) - one.units + 1);
    return { atUnit: Math.max(1, Math.min(most, (one.atUnit ?? 1) + Math.round(dyM / RACK_UNIT_M))) };
  }
  const cm = (value: number) => Math.round(value * 100) / 100;
  return {
    xM: cm(within((one.xM ?? 0) + dxM, Math.max(0, widthM - one.widthM))),
    yM: cm(within((one.yM ?? 0) + dyM, Math.max(0, heightM - one.heightM))),
  };
}

/** As many whole words as fit: a word that is cut is another one to who hears it read. */
function wholeWords(name: string, most: number): string {
  if (name.length <= most) return name;
  const words = name.split(' ');
  while (words.length > 0 && words.join(' ').length > most - 1) words.pop();
  return words.length === 0 ? '' : `${words.join(' ')}…`;
}
