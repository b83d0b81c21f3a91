import type { BassAdvice, Theatre } from '@dusky-spool/core/theatre';
import { contours } from 'd3-contour';
import { useMemo } from 'react';
import { text } from '../../ground/text.ts';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly advice: BassAdvice;
  readonly hz: number;
}

/** Levels between which the map is shaded, against its mean, dB. */
const LEVELS_DB = [-18, -12, -9, -6, -3, 0, 3, 6, 9];
const LABELLED_DB: ReadonlySet<number> = new Set([-12, -6, 0, 6]);
const PX_PER_M = 44;

/** The level of one low frequency over the plane of the ears, against its own mean: the picture's wall is at the top. */
export function BassMap({ theatre, advice, hz }: Props) {
  const { map, mapHz } = advice;
  const { sidesM, seats, subwoofers } = theatre.bass;
  const f = mapHz.indexOf(hz);
  const shapes = useMemo(() => (map && f >= 0 ? contoursOf(map, f) : []), [map, f]);
  if (!map || f < 0) return null;
  // In the box the first axis goes away from the picture, the second to the right of who looks at it.
  const [lengthM, widthM] = sidesM;
  const at = (along: number, across: number): [number, number] => [across * PX_PER_M, along * PX_PER_M];
  return (
    <svg
      className={css.bassMap}
      viewBox={`-4 -4 ${widthM * PX_PER_M + 8} ${lengthM * PX_PER_M + 8}`}
      role="img"
      aria-label={text('theatre.bass.map', { hz })}
    >
      {shapes.map(({ levelDb, rings }, n) => (
        <path
          key={levelDb}
          className={css.contour}
          style={{ fillOpacity: 0.06 + 0.05 * n }}
          d={rings
            .map(
              (ring) =>
                `M${ring
                  .map(([c, r]) =>
                    at(c * map.stepM, r * map.stepM)
                      .map((one) => one.toFixed(1))
                      .join(','),
                  )
                  .join('L')}Z`,
            )
            .join('')}
        >
          <title>{text('theatre.bass.level', { db: levelDb })}</title>
        </path>
      ))}
      {shapes
        .filter(({ levelDb }) => LABELLED_DB.has(levelDb))
        .map(({ levelDb, rings }) => {
          const longest = rings.reduce((best, one) => (one.length > best.length ? one : best), rings[0] ?? []);
          const p = longest[Math.floor(longest.length / 3)];
          if (!p) return null;
          const [x, y] = at(p[0] * map.stepM, p[1] * map.stepM);
          return (
            <text key={levelDb} x={x} y={y} textAnchor="middle">
              {levelDb > 0 ? `+${levelDb}` : levelDb}
            </text>
          );
        })}
      <rect className={css.bassFrame} width={widthM * PX_PER_M} height={lengthM * PX_PER_M} />
      {seats.map(([along, across], n) => {
        const [x, y] = at(along, across);
        return (
          <g key={n} className={css.bassSeat} transform={`translate(${x},${y})`}>
            <circle r={8} />
            <text y={3.5} textAnchor="middle">
              {n + 1}
            </text>
          </g>
        );
      })}
      {subwoofers.map(({ deviceId, at: [along, across] }) => {
        const [x, y] = at(along, across);
        return <rect key={deviceId} className={css.bassSub} x={x - 6} y={y - 6} width={12} height={12} rx={2} />;
      })}
    </svg>
  );
}

interface Shape {
  readonly levelDb: number;
  readonly rings: readonly (readonly (readonly [number, number])[])[];
}

/** Where the level is above each step, against the mean of the map, in cells. */
function contoursOf(map: NonNullable<BassAdvice['map']>, f: number): Shape[] {
  const cells = map.columns * map.rows;
  const own = Array.from(map.levelsDb.subarray(f * cells, (f + 1) * cells));
  const mean = own.reduce((sum, one) => sum + one, 0) / cells;
  return contours()
    .size([map.columns, map.rows])
    .thresholds(LEVELS_DB)(own.map((one) => one - mean))
    .map(({ value, coordinates }) => ({
      levelDb: value,
      // The cells of the library have their values in their middles.
      rings: coordinates.flat().map((ring) => ring.map(([x, y]): [number, number] => [x - 0.5, y - 0.5])),
    }));
}
