import { gangOffsetM, plateSizeM } from '@dusky-spool/core/devices';
import type { Plate } from '@dusky-spool/core/model';
import { termNamed, text } from '../../ground/text.ts';
import css from './plates.module.css';

interface Props {
  readonly plate: Plate;
  /** px per m. */
  readonly scale: number;
  readonly gang?: number | null;
  readonly onGang?: (gang: number) => void;
}

const INSERT_M = 0.0145;
const COLUMNS = 2;
const COLUMN_M = 0.019;
const ROW_M = 0.024;
const OPENING_M = [0.037, 0.078] as const;
/** Short words on an insert. */
const MARKS: Readonly<Record<string, string>> = {
  data: 'N',
  fibre: 'F',
  coax: 'C',
  picture: 'P',
  speaker: '±',
  usb: 'U',
  control: 'T',
  blank: '',
};

/** A plate square on and to scale: gangs, inserts, the divider between mains and low voltage, and what its opening is. */
export function PlatePicture({ plate, scale: k, gang: chosen = null, onGang }: Props) {
  const [widthM, heightM] = plateSizeM(plate);
  const pad = 6;
  const [w, h] = [widthM * k + 2 * pad, heightM * k + 2 * pad];
  const gangs = Array.from({ length: plate.gangs }, (_, i) => i + 1);
  const mainsFrom = plate.gangs - plate.mainsGangs;
  return (
    <svg
      width={w}
      height={h}
      viewBox={`${-w / 2} ${-h / 2} ${w} ${h}`}
      className="plate-picture"
      aria-label={text('plates.picture')}
      role="group"
    >
      <rect
        x={(-widthM * k) / 2}
        y={(-heightM * k) / 2}
        width={widthM * k}
        height={heightM * k}
        rx={5}
        className={css.plateBody}
      />
      {gangs.map((gang) => {
        const x = gangOffsetM(plate, gang) * k;
        const inserts = plate.inserts.filter((insert) => insert.gang === gang);
        const [ow, oh] = [OPENING_M[0] * k, OPENING_M[1] * k];
        const whole = inserts.find(({ kind }) => kind === 'face' || kind === 'mains')?.kind;
        const rows = Math.ceil(inserts.length / COLUMNS);
        return (
          <g
            key={gang}
            transform={`translate(${x},0)`}
            className={`${css.plateGang}${gang === chosen ? ' chosen' : ''}${gang > mainsFrom ? ' mains' : ''}`}
            role={onGang ? 'button' : 'img'}
            tabIndex={onGang ? 0 : undefined}
            aria-label={text('plates.gangOf', {
              n: gang,
              what: inserts.map(({ kind }) => termNamed('inserts', kind)).join(', '),
            })}
            onClick={() => onGang?.(gang)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') onGang?.(gang);
            }}
          >
            <rect x={-ow / 2} y={-oh / 2} width={ow} height={oh} rx={3} className={css.plateOpening} />
            {whole === 'face' && (
              <rect x={-ow / 2 + 3} y={-oh / 2 + 3} width={ow - 6} height={oh - 6} rx={2} className={css.plateFront} />
            )}
            {whole === 'mains' && (
              <g className={css.plateMains}>
                {[-0.02, 0.02].map((y) => (
                  <g key={y} transform={`translate(0,${y * k})`}>
                    <circle r={0.0125 * k} />
                    <circle cx={-0.005 * k} r={0.0018 * k} className={css.pin} />
                    <circle cx={0.005 * k} r={0.0018 * k} className={css.pin} />
                  </g>
                ))}
              </g>
            )}
            {!whole && plate.opening !== 'inserts' && gang <= mainsFrom && (
              <path
                className={css.plateBrush}
                d={Array.from({ length: 9 }, (_, i) => {
                  const y = (i - 4) * 0.0075 * k;
                  return plate.opening === 'brush' ? `M${-ow / 2 + 4} ${y}H${ow / 2 - 4}` : '';
                }).join('')}
              />
            )}
            {!whole && plate.opening === 'wide-mouth' && gang <= mainsFrom && (
              <rect x={-ow / 2 + 4} y={-oh / 4} width={ow - 8} height={oh / 2} rx={ow / 4} className={css.plateMouth} />
            )}
            {!whole &&
              plate.opening === 'inserts' &&
              inserts.map(({ kind }, i) => {
                const alone = inserts.length === 1;
                const ix = alone ? 0 : ((i % COLUMNS) - 0.5) * COLUMN_M * k;
                const iy = (Math.floor(i / COLUMNS) - (rows - 1) / 2) * ROW_M * k;
                const size = INSERT_M * k;
                return (
                  <g key={i} transform={`translate(${ix},${iy})`} className={`plate-insert ${kind}`}>
                    <rect x={-size / 2} y={-size / 2} width={size} height={size} rx={2} />
                    {k > 700 && (
                      <text y={4} textAnchor="middle">
                        {MARKS[kind] ?? ''}
                      </text>
                    )}
                  </g>
                );
              })}
          </g>
        );
      })}
      {plate.divider && plate.mainsGangs > 0 && mainsFrom > 0 && (
        <path
          className={css.plateDivider}
          d={`M${((gangOffsetM(plate, mainsFrom) + gangOffsetM(plate, mainsFrom + 1)) / 2) * k} ${(-heightM * k) / 2 + 4}V${(heightM * k) / 2 - 4}`}
        />
      )}
    </svg>
  );
}
