import { mainAngleDeg, type ChannelFigures, type Theatre } from '@dusky-spool/core/theatre';
import { arc } from 'd3-shape';
import { term, text } from '../../ground/text.ts';
import { channelCode } from '@dusky-spool/core/brief';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly seat: number;
  readonly chosenId: string | null;
  readonly onChoose: (deviceId: string) => void;
}

const DEGREE = Math.PI / 180;
/** Radii of the ring in which windows are drawn, and where the channels stand on it, px. */
const INNER = 52;
const OUTER = 88;
const ON_RING = 70;
const HALF = 100;

/** How the floor channels lie about a seat, and the overhead ones over it, each with its window. */
export function Dials({ theatre, seat, chosenId, onChoose }: Props) {
  const floor = theatre.channels.filter(({ window }) => window && !window.isOverhead);
  const over = theatre.channels.filter(({ window }) => window?.isOverhead);
  return (
    <div className={css.dials}>
      <svg viewBox={`${-HALF} ${-HALF} ${2 * HALF} ${2 * HALF}`} role="img" aria-label={text('theatre.polar')}>
        <circle r={OUTER} className={css.dialRing} />
        <circle r={INNER} className={css.dialRing} />
        {floor.map((one) => (
          <Sector key={one.deviceId} range={windowOn(one)} />
        ))}
        <path d="M0,-9L6,0L-6,0Z" className={css.dialNose} />
        <circle r={5} className={css.dialHead} />
        {floor.map((one) => (
          <Mark key={one.deviceId} {...{ one, seat, chosenId, onChoose }} angleDeg={one.seats[seat]?.azimuthDeg ?? 0} />
        ))}
      </svg>
      {over.length > 0 && (
        <svg viewBox={`${-HALF} ${-HALF} ${2 * HALF} ${HALF + 22}`} role="img" aria-label={text('theatre.overhead')}>
          <path
            d={`M${-OUTER},0A${OUTER},${OUTER},0,0,1,${OUTER},0M${-INNER},0A${INNER},${INNER},0,0,1,${INNER},0`}
            className={css.dialRing}
          />
          <path d={`M${-OUTER - 6},0H${OUTER + 6}`} className={css.dialRing} />
          {/* The front horizon is at the left, as the picture is in the section. */}
          {over.map((one) => (
            <Sector key={one.deviceId} range={one.window!.mainDeg.map((deg) => deg - 90) as [number, number]} />
          ))}
          <circle r={5} className={css.dialHead} />
          {over
            .filter(({ channel }) => channel.endsWith('-left'))
            .map((one) => (
              <Mark key={one.deviceId} {...{ one, seat, chosenId, onChoose }} angleDeg={over2(one, seat) - 90} isPair />
            ))}
          <text x={-OUTER} y={16} textAnchor="start">
            {text('theatre.front')}
          </text>
          <text x={OUTER} y={16} textAnchor="end">
            {text('theatre.rear')}
          </text>
        </svg>
      )}
    </div>
  );
}

const over2 = ({ window, seats }: ChannelFigures, seat: number): number => (seats[seat] ? mainAngleDeg(window, seats[seat]) : 0);

/** The window of a floor channel on its side, degrees clockwise from the picture. */
function windowOn({ channel, window }: ChannelFigures): readonly [number, number] {
  const [from, to] = window!.mainDeg;
  if (channel === 'center') return [-to, to];
  return channel.endsWith('-left') ? [-to, -from] : [from, to];
}

const ring = arc<{ readonly startAngle: number; readonly endAngle: number }>().innerRadius(INNER).outerRadius(OUTER);

const Sector = ({ range: [from, to] }: { readonly range: readonly [number, number] }) => (
  <path className={css.dialWindow} d={ring({ startAngle: from * DEGREE, endAngle: to * DEGREE }) ?? ''} />
);

interface MarkProps {
  readonly one: ChannelFigures;
  readonly seat: number;
  readonly angleDeg: number;
  readonly isPair?: boolean;
  readonly chosenId: string | null;
  readonly onChoose: (deviceId: string) => void;
}

function Mark({ one, seat, angleDeg, isPair = false, chosenId, onChoose }: MarkProps) {
  const at = one.seats[seat];
  const [x, y] = [Math.sin(angleDeg * DEGREE) * ON_RING, -Math.cos(angleDeg * DEGREE) * ON_RING];
  const state = at?.sight === 'blocked' ? css.blocked : at && at.beyondDeg !== 0 ? css.beyond : '';
  const code = isPair ? channelCode(one.channel).slice(0, -1) : channelCode(one.channel);
  return (
    <g
      className={`${css.dialMark} ${state}${chosenId === one.deviceId ? ' chosen' : ''}`}
      transform={`translate(${x},${y})`}
      role="button"
      tabIndex={0}
      aria-label={term(`channels.${one.channel}`)}
      onClick={() => onChoose(one.deviceId)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') onChoose(one.deviceId);
      }}
    >
      <circle r={10} />
      <text y={3.5} textAnchor="middle">
        {code}
      </text>
    </g>
  );
}
