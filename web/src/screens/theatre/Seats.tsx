import { featureBox } from '@dusky-spool/core/house';
import { boundsOf, formatLength, type Point2 } from '@dusky-spool/core/math';
import type { Feature } from '@dusky-spool/core/model';
import { type SeatFigures, type TheatreThing, type Inside } from '@dusky-spool/core/theatre';
import { text } from '../../ground/text.ts';
import { pathOf } from './path.ts';
import type { DrawingProps } from './TheatreDrawing.tsx';

import css from './theatre.module.css';

/** Rows of seats on their risers; a row is dragged as a whole, a seat is chosen to look from. */
export function Seats(props: DrawingProps) {
  const { theatre, project, view } = props;
  if (view === 'front') return null;
  const rows = [...new Set(theatre.seats.map(({ featureId }) => featureId))];
  return rows.map((id) => <Row key={id} {...props} feature={project.features[id]} />);
}

function Row({
  feature,
  theatre,
  frame,
  scale,
  view,
  room,
  seat,
  onTake,
  onKey,
  onSeat,
  project,
}: DrawingProps & { readonly feature: Feature }) {
  const corners = featureBox(feature).map(([x, y]) => frame.insideOf([x, y, feature.bottomM]));
  const thing: TheatreThing = { kind: 'feature', id: feature.id };
  const seats = theatre.seats.map((one, n) => ({ one, n })).filter(({ one }) => one.featureId === feature.id);
  const riseM = feature.bottomM - room.floorM;
  const { units } = project.project;
  const aways = corners.map(({ awayM }) => awayM);
  const [near, far] = [Math.min(...aways), Math.max(...aways)];
  const base: Inside[] = [
    { asideM: 0, awayM: near, upM: room.floorM },
    { asideM: 0, awayM: frame.toM.awayM, upM: room.floorM },
    { asideM: 0, awayM: frame.toM.awayM, upM: feature.bottomM },
    { asideM: 0, awayM: near, upM: feature.bottomM },
  ];
  const points = (view === 'top' ? corners : base).map(scale.at);
  const box = boundsOf(points.map(([x, y]): Point2 => [x, y]))!;
  return (
    <g
      className={css.row}
      role="button"
      tabIndex={0}
      aria-label={text('theatre.rowLabel', { row: seats[0].one.row })}
      data-feature={feature.id}
      onPointerDown={(event) => onTake(thing, event)}
      onKeyDown={(event) => onKey(thing, event)}
    >
      {(view === 'top' || riseM > 0) && <path className={riseM > 0 ? css.riser : css.onFloor} d={pathOf(points, true)} />}
      {riseM > 0 && (
        <text
          x={view === 'top' ? box.minX : scale.at({ asideM: 0, awayM: (near + far) / 2, upM: 0 })[0]}
          y={view === 'top' ? box.maxY + 13 : box.maxY - 4}
        >
          {text('theatre.riser', { rise: formatLength(riseM, units) })}
        </text>
      )}
      {(view === 'top' ? seats : seats.slice(0, 1)).map(({ one, n }) =>
        view === 'top' ? (
          <SeatFromAbove key={n} {...{ one, frame, scale }} isShown={n === seat} onShow={() => onSeat(n)} />
        ) : (
          <SeatFromSide key={n} {...{ one, frame, scale, feature }} />
        ),
      )}
    </g>
  );
}

function SeatFromAbove({
  one,
  frame,
  scale,
  isShown,
  onShow,
}: Pick<DrawingProps, 'frame' | 'scale'> & {
  readonly one: SeatFigures;
  readonly isShown: boolean;
  readonly onShow: () => void;
}) {
  const [x, y] = scale.at(frame.insideOf([...one.at, 0]));
  const half = Math.max(8, 0.3 * scale.k);
  return (
    <g className={`${css.seat}${isShown ? ' chosen' : ''}${one.isReference ? ` ${css.reference}` : ''}`} onClick={onShow}>
      <rect x={x - half} y={y - half} width={2 * half} height={2 * half} rx={6} />
      <circle cx={x} cy={y} r={4} />
    </g>
  );
}

/** Who sits, as a stroke from seat to head. */
function SeatFromSide({
  one,
  frame,
  scale,
  feature,
}: Pick<DrawingProps, 'frame' | 'scale'> & { readonly one: SeatFigures; readonly feature: Feature }) {
  const inside = frame.insideOf([...one.at, one.eyeM]);
  const [x, y] = scale.at(inside);
  const [, seatY] = scale.at({ ...inside, upM: feature.bottomM + 0.42 });
  const back = 0.22 * scale.k;
  return (
    <g className={`${css.sitter}${one.isReference ? ` ${css.reference}` : ''}`}>
      <path d={`M${x + back * 0.4},${y + 8}Q${x + back},${(y + seatY) / 2},${x + back * 0.7},${seatY}H${x - back * 1.6}`} />
      <circle cx={x} cy={y} r={6} />
    </g>
  );
}
