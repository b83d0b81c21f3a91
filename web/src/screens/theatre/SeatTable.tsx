import { briefOf, tellRoom } from '@dusky-spool/core/brief';
import { formatLength } from '@dusky-spool/core/math';
import type { ProjectDocument, Room } from '@dusky-spool/core/model';
import { shiftInTheatre, type Theatre, type TheatreFrame } from '@dusky-spool/core/theatre';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { NumberField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { UseGroups } from '../../ui/UseGroups.tsx';
import { deg } from './words.ts';

import css from './theatre.module.css';

interface Props {
  readonly shown: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly seat: number;
  readonly mayPlan: boolean;
  readonly onSeat: (seat: number) => void;
  readonly onWeigh: (seat: number, weight: number) => void;
}

/** Rows with their distance and riser, and every seat with what it sees and how much it counts. */
export function SeatTable({ shown, room, theatre, frame, seat, mayPlan, onSeat, onWeigh }: Props) {
  const { units } = shown.project;
  const { seats } = theatre;
  if (seats.length === 0) return <p className={css.empty}>{text('theatre.noSeats')}</p>;
  const rows = [...new Map(seats.map((one) => [one.featureId, one]))];
  return (
    <>
      <div className={css.fields}>
        {rows.map(([featureId, one]) => (
          <RowFields key={featureId} {...{ featureId, room, frame, mayPlan }} row={one.row} />
        ))}
      </div>
      <table className={css.table}>
        <thead>
          <tr>
            {(['seat', 'row', 'distance', 'picture', 'beside', 'top', 'clears', 'weight'] as const).map((one) => (
              <th key={one} scope="col">
                {text(`theatre.seatColumns.${one}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {seats.map((one, n) => (
            <tr key={n} className={n === seat ? 'chosen' : ''} onClick={() => onSeat(n)}>
              <th scope="row">
                <button type="button" className="plain" onClick={() => onSeat(n)}>
                  {one.isReference ? text('theatre.reference', { seat: n + 1 }) : n + 1}
                </button>
              </th>
              <td>{one.row}</td>
              <td>{one.distanceM === null ? '–' : formatLength(one.distanceM, units)}</td>
              <td>{deg(one.viewingDeg)}</td>
              <td>{deg(one.besideDeg, 0)}</td>
              <td>{deg(one.topDeg)}</td>
              <td>{one.clearanceM === null ? '–' : formatLength(one.clearanceM, units)}</td>
              <td className={css.cell}>
                <NumberField
                  label={text('theatre.weightLabel', { seat: n + 1 })}
                  value={one.weight}
                  min={0}
                  max={1}
                  step={0.1}
                  onChange={(weight) => onWeigh(n, weight)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <FromBrief {...{ room, mayPlan }} />
    </>
  );
}

/** The distance and the riser of a row, as they are typed. */
function RowFields({
  featureId,
  row,
  room,
  frame,
  mayPlan,
}: {
  readonly featureId: string;
  readonly row: number;
  readonly room: Room;
  readonly frame: TheatreFrame;
  readonly mayPlan: boolean;
}) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const feature = project.features[featureId];
  if (!feature || !mayPlan) return null;
  const { units } = project.project;
  const { awayM } = frame.insideOf([feature.points[0][0], feature.points[0][1], 0]);
  const move = (shift: { awayM?: number; upM?: number }) =>
    edit(
      text('edit.move'),
      shiftInTheatre(project, room, { kind: 'feature', id: featureId }, { asideM: 0, awayM: 0, upM: 0, ...shift }),
    );
  return (
    <>
      <LengthField
        label={text('theatre.rowAway', { row })}
        valueM={awayM}
        units={units}
        minM={0.3}
        maxM={40}
        onChange={(to) => to !== null && move({ awayM: to - awayM })}
      />
      <LengthField
        label={text('theatre.rowRise', { row })}
        valueM={feature.bottomM - room.floorM}
        units={units}
        minM={0}
        maxM={3}
        onChange={(to) => to !== null && move({ upM: to - (feature.bottomM - room.floorM) })}
      />
    </>
  );
}

/** Who uses the room, as the brief has it: seats count by it where no weight was set. */
function FromBrief({ room, mayPlan }: Pick<Props, 'room' | 'mayPlan'>) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const brief = briefOf(project, room.id);
  return (
    <>
      {brief && (brief.who !== '' || brief.overflowSeats > 0) && (
        <p className="faint">
          {brief.who !== '' && text('theatre.fromBrief', { who: brief.who })}{' '}
          {brief.overflowSeats > 0 && text('theatre.overflow', { count: brief.overflowSeats })}
        </p>
      )}
      <h4>{text('brief.useGroups.title')}</h4>
      <p className="faint">{text('brief.useGroups.lead')}</p>
      {mayPlan && (
        <UseGroups
          groups={brief?.useGroups ?? []}
          onChange={(useGroups) =>
            edit(
              text('edit.habit', { room: room.name }),
              tellRoom(project, room.id, { useGroups }, () => newRecordId('rb')),
            )
          }
        />
      )}
    </>
  );
}
