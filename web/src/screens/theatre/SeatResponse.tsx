import type { BassAdvice } from '@dusky-spool/core/theatre';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { text } from '../../ground/text.ts';
import css from './theatre.module.css';

interface Props {
  readonly advice: BassAdvice;
  readonly seat: number;
}

const [WIDTH, HEIGHT] = [420, 200];
const [LEFT, BOTTOM, TOP] = [36, 24, 8];
const TICKS_HZ = [20, 30, 40, 50, 60, 80, 100, 120];
const TICK_DB = 6;

/** The level at every seat over frequency, the one that is looked from in front. */
export function SeatResponse({ advice, seat }: Props) {
  const { frequenciesHz, seatsDb } = advice;
  if (seatsDb.length === 0) return null;
  const all = seatsDb.flat().filter(Number.isFinite);
  const top = Math.ceil(Math.max(...all) / TICK_DB) * TICK_DB;
  const bottom = Math.max(top - 48, Math.floor(Math.min(...all) / TICK_DB) * TICK_DB);
  const x = scaleLog()
    .domain([frequenciesHz[0], frequenciesHz[frequenciesHz.length - 1]])
    .range([LEFT, WIDTH - 8]);
  const y = scaleLinear()
    .domain([bottom, top])
    .range([HEIGHT - BOTTOM, TOP])
    .clamp(true);
  const path = line<number>((_, n) => x(frequenciesHz[n]), y);
  const ticks = Array.from({ length: (top - bottom) / TICK_DB + 1 }, (_, n) => bottom + n * TICK_DB);
  return (
    <svg className={css.response} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={text('theatre.bass.response')}>
      {ticks.map((db) => (
        <g key={db}>
          <path className={css.axis} d={`M${LEFT},${y(db)}H${WIDTH - 8}`} />
          <text x={LEFT - 5} y={y(db) + 4} textAnchor="end">
            {db}
          </text>
        </g>
      ))}
      {TICKS_HZ.map((hz) => (
        <g key={hz}>
          <path className={css.axis} d={`M${x(hz)},${TOP}V${HEIGHT - BOTTOM}`} />
          <text x={x(hz)} y={HEIGHT - 8} textAnchor="middle">
            {hz}
          </text>
        </g>
      ))}
      {seatsDb.map((levels, n) => (n === seat ? null : <path key={n} className={css.otherSeat} d={path([...levels]) ?? ''} />))}
      {seatsDb[seat] && <path className={css.ownSeat} d={path([...seatsDb[seat]]) ?? ''} />}
      <text x={LEFT} y={TOP + 10} className={css.axisName}>
        {text('theatre.bass.axis')}
      </text>
    </svg>
  );
}
