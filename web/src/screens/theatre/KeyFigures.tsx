import { formatLength } from '@dusky-spool/core/math';
import type { Theatre } from '@dusky-spool/core/theatre';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deg } from './words.ts';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly seat: number;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const SHORT_DB = 0.05;
/** Up to the top of a picture without bending the neck (ENGINEERING 9.1, 9.5), degrees. */
const MOST_UP_DEG = { screen: 15, display: 25 } as const;

/** The figures that a theatre is judged by, for the seat that is looked from. */
export function KeyFigures({ theatre, seat }: Props) {
  const { units } = useProject().project;
  const { seats, projections, channels, sound, picture } = theatre;
  const own = seats[seat];
  const last = seats.at(-1);
  const loud = channels.flatMap(({ loudness }) => (loudness ? [loudness] : []));
  const quietest = loud.length > 0 && seat >= 0 ? Math.min(...loud.map(({ peaksDb }) => peaksDb[seat])) : null;
  const short = Math.max(0, ...loud.map(({ shortDb }) => shortDb));
  const rows: [string, string, boolean?][] = [];
  const add = (key: string, value: string, isBad = false) => rows.push([key, value, isBad]);
  if (own && picture) {
    add(text('theatre.pictureWide', { seat: seat + 1 }), deg(own.viewingDeg));
    add(text('theatre.pictureTop'), deg(own.topDeg), (own.topDeg ?? 0) > MOST_UP_DEG[picture.kind] + 1e-6);
    if (last && last.row !== own.row) add(text('theatre.lastRow'), deg(last.viewingDeg), (last.viewingDeg ?? 90) < 30);
  }
  for (const one of projections) {
    if (one.windowM)
      add(
        text('theatre.throw'),
        text('theatre.throwOf', {
          at: formatLength(one.throwM, units),
          from: formatLength(one.windowM[0], units),
          to: formatLength(one.windowM[1], units),
        }),
        one.throwFit === 'outside',
      );
    add(
      text('theatre.shift'),
      text('theatre.shiftOf', { up: percent(one.shiftUp), aside: percent(one.shiftAside), used: percent(one.shiftUsed) }),
      one.shiftUsed > 1,
    );
    add(
      text('theatre.white'),
      text('theatre.whiteOf', { cd: Math.round(one.cdM2), fl: one.footLamberts.toFixed(1) }),
      one.cdM2 < theatre.aim.wantedCdM2,
    );
  }
  if (quietest !== null)
    add(
      text('theatre.peaks'),
      short > SHORT_DB
        ? text('theatre.peaksShort', { db: quietest.toFixed(0), short: short.toFixed(1) })
        : text('theatre.peaksOf', { db: quietest.toFixed(0) }),
      short > SHORT_DB,
    );
  if (sound.rt60S !== null)
    add(text('theatre.reverberation'), text('theatre.seconds', { s: sound.rt60S.toFixed(2) }), sound.isInWindow === false);
  return (
    <dl className={css.figures}>
      {rows.map(([label, value, isBad]) => (
        <div key={label} className={isBad ? css.bad : ''}>
          <dt>{label}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
