import type { Schedule } from '@dusky-spool/core/order';
import { scaleUtc } from 'd3-scale';
import { term, text } from '../../ground/text.ts';

import css from './order.module.css';

const ROW_PX = 22;
const NAME_PX = 170;
const WIDTH_PX = 900;
const HEAD_PX = 26;

const at = (day: string): Date => new Date(`${day}T00:00:00Z`);
const DAY_MS = 86_400_000;

/** Gates over time: the window of each, the days of our own work before it, and today. The table below says the same in figures. */
export function GateTimeline({ schedule: { gates }, today }: { readonly schedule: Schedule; readonly today: string }) {
  const dated = gates.filter(({ on }) => on !== '');
  if (dated.length === 0) return <p>{text('order.dates.noDates')}</p>;
  const days = [today, ...dated.flatMap(({ from, on, startBy }) => [from, on, startBy].filter(Boolean))].sort();
  const x = scaleUtc()
    .domain([at(days[0]), new Date(at(days[days.length - 1]).getTime() + DAY_MS)])
    .range([NAME_PX, WIDTH_PX - 60]);
  const height = HEAD_PX + dated.length * ROW_PX;
  const bar = (from: string, to: string) => ({
    x: x(at(from)),
    width: Math.max(3, x(new Date(at(to).getTime() + DAY_MS)) - x(at(from))),
  });
  return (
    <svg className={css.timeline} viewBox={`0 0 ${WIDTH_PX} ${height}`} role="img" aria-label={text('order.dates.timeline')}>
      {x.ticks(7).map((tick) => (
        <g key={tick.getTime()}>
          <line className={css.grid} x1={x(tick)} x2={x(tick)} y1={HEAD_PX - 6} y2={height} />
          <text className={css.tick} x={x(tick) + 3} y={14}>
            {tick.toISOString().slice(0, 10)}
          </text>
        </g>
      ))}
      {dated.map(({ gate, from, on, startBy, crewDays, late }, n) => {
        const y = HEAD_PX + n * ROW_PX;
        return (
          <g key={gate}>
            <text className={css.gateName} x={0} y={y + 14}>
              {term(`gates.${gate}`)}
            </text>
            {crewDays > 0 && startBy !== '' && (
              <rect className={css.ourWork} {...bar(startBy, on)} y={y + 11} height={6} rx={2} />
            )}
            <rect className={late > 0 ? css.gateLate : css.gate} {...bar(from || on, on)} y={y + 4} height={6} rx={2} />
            <text className={css.tick} x={x(new Date(at(on).getTime() + DAY_MS)) + 4} y={y + 14}>
              {on.slice(5)}
            </text>
          </g>
        );
      })}
      <line className={css.today} x1={x(at(today))} x2={x(at(today))} y1={HEAD_PX - 6} y2={height} />
    </svg>
  );
}
