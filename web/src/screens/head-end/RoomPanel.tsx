import { equipmentRoom, type EquipmentRoom, type HeadEnd, type HeadEndChoice, type RoomWall } from '@dusky-spool/core/head-end';
import { formatLength, formatLengthFine, type UnitSystem } from '@dusky-spool/core/math';
import type { Rack } from '@dusky-spool/core/model';
import { useMemo, useState } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { askHeadEndChoices } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './head-end.module.css';

const area = (m2: number, units: UnitSystem): string =>
  units === 'imperial' ? `${(m2 * 10.7639).toFixed(0)} ft²` : `${m2.toFixed(1)} m²`;

/** The room or closet of a head end: its walls, what the framer leaves open, sleeves, air, and what is still to do. */
export function RoomPanel({ headEnd, mayPlan }: { readonly headEnd: HeadEnd; readonly mayPlan: boolean }) {
  const project = useProject();
  const { units } = project.project;
  const room = useMemo(() => equipmentRoom(project, headEnd.rack.id), [project, headEnd.rack.id]);
  if (!room) return null;
  return (
    <div className={css.panel}>
      <p>
        {room.roomId === null
          ? text('headEnd.room.nowhere')
          : text('headEnd.room.standsIn', { room: room.roomName, area: area(room.floorM2 ?? 0, units) })}{' '}
        {room.hung.length > 0 &&
          text('headEnd.room.hung', {
            names: room.hung.map(({ name }) => name).join(', '),
            ...{ area: area(room.hungM2, units), free: area(room.freeM2, units) },
          })}
      </p>
      <div className={css.walls}>
        {room.walls.map((wall, n) => (
          <WallDrawing key={wall.wallId} wall={wall} n={n + 1} units={units} />
        ))}
      </div>
      <Facts room={room} units={units} />
      <Checklist room={room} />
      <ClosetFields rack={headEnd.rack} mayPlan={mayPlan} />
      <Choices />
      <Cautions ids={['C4', 'C10']} />
    </div>
  );
}

const PX_PER_M = 56;

/** A wall of the room, seen from within: racks, boards, devices and openings to scale. */
function WallDrawing({ wall, n, units }: { readonly wall: RoomWall; readonly n: number; readonly units: UnitSystem }) {
  const { lengthM, heightM, items } = wall;
  const label = text('headEnd.room.wall', { n, length: formatLengthFine(lengthM, units), free: area(wall.freeM2, units) });
  return (
    <figure className={css.wall}>
      <svg
        viewBox={`-4 -4 ${lengthM * PX_PER_M + 8} ${heightM * PX_PER_M + 8}`}
        style={{ maxWidth: lengthM * PX_PER_M + 8 }}
        role="img"
        aria-label={label}
      >
        <rect className={css.frame} width={lengthM * PX_PER_M} height={heightM * PX_PER_M} />
        {items.map(({ id, kind, name, fromM, toM, bottomM, topM }) => (
          <g key={`${kind} ${id}`} className={`${css.onWall} on-${kind}`}>
            <title>{name}</title>
            <rect
              x={fromM * PX_PER_M}
              y={(heightM - topM) * PX_PER_M}
              width={Math.max(2, (toM - fromM) * PX_PER_M)}
              height={Math.max(2, (topM - bottomM) * PX_PER_M)}
            />
            {kind === 'rack' && (
              <text x={((fromM + toM) / 2) * PX_PER_M} y={(heightM - (topM + bottomM) / 2) * PX_PER_M} textAnchor="middle">
                {name}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="faint">{label}</figcaption>
    </figure>
  );
}

function Facts({ room, units }: { readonly room: EquipmentRoom; readonly units: UnitSystem }) {
  const { opening } = room;
  const fine = (m: number) => formatLengthFine(m, units);
  const figures = {
    width: fine(opening.widthM),
    height: fine(opening.heightM),
    depth: fine(opening.depthM),
    sill: fine(opening.sillM),
  };
  return (
    <>
      <h2 className={css.part}>{text('headEnd.room.framer')}</h2>
      <ul className={css.facts}>
        <li>{opening.kind === 'none' ? text('headEnd.room.noOpening') : text(`headEnd.room.${opening.kind}`, figures)}</li>
        {room.rack.kind === 'enclosure' && <li>{text('headEnd.room.enclosure')}</li>}
        <li>{text('headEnd.room.working', { working: fine(room.workingM), loop: fine(room.serviceLoopM) })}</li>
        {room.doors.some(({ hitsRack }) => hitsRack) && <li className={css.badLine}>{text('headEnd.room.doors')}</li>}
      </ul>
      <h2 className={css.part}>{text('headEnd.room.entries')}</h2>
      <ul className={css.facts}>
        {room.entries.map(({ family, names, cables, sleeves, size, fill, limit }) => (
          <li key={family}>
            {text('headEnd.room.entry', {
              count: cables,
              family: names.join(', '),
              sleeves,
              size,
              fill: Math.round(fill * 100),
              limit: Math.round(limit * 100),
            })}
          </li>
        ))}
      </ul>
    </>
  );
}

function Checklist({ room }: { readonly room: EquipmentRoom }) {
  return (
    <>
      <h2 className={css.part}>{text('headEnd.room.checklist')}</h2>
      <ul className={css.facts}>
        {room.checklist.map(({ item, isDone }) => (
          <li key={item} className={isDone ? '' : css.badLine}>
            {isDone ? '✓' : '✕'} {text(`headEnd.room.items.${item}`)}: {text(isDone ? 'headEnd.room.done' : 'headEnd.room.open')}
          </li>
        ))}
      </ul>
    </>
  );
}

type Closet = NonNullable<Rack['closet']>;
const NEW_CLOSET: Closet = {
  wallM2: 10,
  wallWPerM2K: 2,
  exhaustM3PerS: 0,
  exhaustBy: 'none',
  pierces: 'none',
  hasDamper: false,
  mostAirC: 32,
};

/** The closet of a rack with the way out of its air: what the heat rule reads. */
function ClosetFields({ rack, mayPlan }: { readonly rack: Rack; readonly mayPlan: boolean }) {
  const { edit } = useProjectParts('edit');
  const { closet } = rack;
  const set = (after: Closet | null) => {
    const operations = changeRecord('racks', rack, { closet: after });
    if (operations.length > 0) edit(rack.name, operations);
  };
  const change = (after: Partial<Closet>) => closet && set({ ...closet, ...after });
  return (
    <fieldset className={css.fields} disabled={!mayPlan}>
      <SwitchField
        label={text('headEnd.room.closet')}
        value={closet !== null}
        onChange={(isClosed) => set(isClosed ? NEW_CLOSET : null)}
      />
      {closet && (
        <>
          <NumberField
            label={text('headEnd.room.wallM2')}
            value={closet.wallM2}
            min={0.1}
            max={500}
            step={0.5}
            onChange={(wallM2) => change({ wallM2 })}
          />
          <NumberField
            label={text('headEnd.room.wallWPerM2K')}
            value={closet.wallWPerM2K}
            min={0.1}
            max={10}
            step={0.1}
            onChange={(wallWPerM2K) => change({ wallWPerM2K })}
          />
          <ChoiceField
            label={text('headEnd.room.exhaustBy')}
            value={closet.exhaustBy}
            options={(['none', 'vent', 'duct', 'fan'] as const).map((value) => ({
              value,
              label: text(`headEnd.room.exhausts.${value}`),
            }))}
            onChange={(exhaustBy) => change({ exhaustBy })}
          />
          <NumberField
            label={text('headEnd.room.exhaustLs')}
            value={Math.round(closet.exhaustM3PerS * 1000)}
            min={0}
            max={10_000}
            onChange={(litres) => change({ exhaustM3PerS: litres / 1000 })}
          />
          <ChoiceField
            label={text('headEnd.room.pierces')}
            value={closet.pierces}
            options={(['none', 'separation', 'unknown'] as const).map((value) => ({
              value,
              label: text(`headEnd.room.piercings.${value}`),
            }))}
            onChange={(pierces) => change({ pierces })}
          />
          {closet.pierces === 'separation' && (
            <SwitchField
              label={text('headEnd.room.hasDamper')}
              value={closet.hasDamper}
              onChange={(hasDamper) => change({ hasDamper })}
            />
          )}
        </>
      )}
    </fieldset>
  );
}

/** One head end or several: what each choice does to all lengths. */
function Choices() {
  const project = useProject();
  const { units } = project.project;
  const [choices, setChoices] = useState<readonly HeadEndChoice[] | null>(null);
  const [isBusy, setBusy] = useState(false);
  const isChoice =
    Object.values(project.racks).filter(({ kind }) => kind === 'rack' || kind === 'cabinet' || kind === 'enclosure').length > 1;
  if (!isChoice) return null;
  const compare = async () => {
    setBusy(true);
    setChoices((await askHeadEndChoices()) ?? null);
    setBusy(false);
  };
  return (
    <>
      <SmallButton disabled={isBusy} onClick={() => void compare()}>
        {text('headEnd.room.compare')}
      </SmallButton>
      {choices && (
        <table className={css.table}>
          <thead>
            <tr>
              {(['choice', 'runs', 'total', 'longest', 'beyond', 'noWay'] as const).map((one) => (
                <th key={one} scope="col">
                  {text(`headEnd.room.choices.${one}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {choices.map((one) => (
              <tr key={one.rackId ?? ''}>
                <th scope="row">
                  {one.rackId === null ? text('headEnd.room.asItIs') : text('headEnd.room.allAt', { name: one.name })}
                </th>
                <td>{one.runs}</td>
                <td>{formatLength(one.totalM, units)}</td>
                <td>{formatLength(one.longestM, units)}</td>
                <td className={one.beyond > 0 ? css.badLine : ''}>{one.beyond}</td>
                <td className={one.noWay > 0 ? css.badLine : ''}>{one.noWay}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
