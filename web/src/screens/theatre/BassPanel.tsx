import { formatLength } from '@dusky-spool/core/math';
import type { Room } from '@dusky-spool/core/model';
import { type BassAdvice, offPlan, shiftInTheatre, type Theatre } from '@dusky-spool/core/theatre';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { BassMap } from './BassMap.tsx';
import { SeatResponse } from './SeatResponse.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly room: Room;
  readonly advice: BassAdvice | null;
  readonly count: number;
  readonly seat: number;
  readonly mayPlan: boolean;
  readonly onCount: (count: number) => void;
}

const COUNTS = [1, 2, 3, 4];

/** What the subwoofers do at the seats, where others would serve them more evenly, and how far to trust it. */
export function BassPanel({ theatre, room, advice, count, seat, mayPlan, onCount }: Props) {
  const [hz, setHz] = useState<number | null>(null);
  if (theatre.seats.length === 0) return <p className={css.empty}>{text('theatre.noSeats')}</p>;
  if (!advice) return <p className={css.empty}>{text('loading')}</p>;
  const { subwoofers } = theatre.bass;
  const shownHz = hz ?? advice.mapHz[3];
  return (
    <div className={css.panel}>
      {advice.map && (
        <>
          <div className={css.inline}>
            <span>{text('theatre.bass.frequency')}</span>
            <Segmented
              size="small"
              value={shownHz}
              options={advice.mapHz.map((value) => ({ value, label: `${value}` }))}
              aria-label={text('theatre.bass.frequency')}
              onChange={setHz}
            />
          </div>
          <div className={css.bassPictures}>
            <BassMap {...{ theatre, advice }} hz={shownHz} />
            <SeatResponse advice={advice} seat={seat} />
          </div>
        </>
      )}
      {advice.now && (
        <p>{text('theatre.bass.now', { spread: advice.now.seatSpreadDb.toFixed(1), ripple: advice.now.rippleDb.toFixed(1) })}</p>
      )}
      {subwoofers.length === 0 && <p>{text('theatre.bass.none')}</p>}
      <Choices {...{ theatre, room, advice, count, mayPlan, onCount }} />
      {advice.refused > 0 && (
        <p className="faint">{text('theatre.bass.refused', { count: advice.refused, tried: advice.tried })}</p>
      )}
      {theatre.bass.seatsOnNodes.length > 0 && (
        <ul className={css.methods}>
          {theatre.bass.seatsOnNodes.map(({ seat: on, hz: at, order }, n) => (
            <li key={n}>
              {text(order[0] > 0 ? 'theatre.bass.nodeAlong' : 'theatre.bass.nodeAcross', { seat: on + 1, hz: Math.round(at) })}
            </li>
          ))}
        </ul>
      )}
      <p className="faint">{text(theatre.bass.isApproximate ? 'theatre.bass.trustLittle' : 'theatre.bass.trust')}</p>
      <p className="faint">{text('theatre.bass.crossover')}</p>
    </div>
  );
}

/** The most even choices among places where a subwoofer can stand. */
function Choices({
  theatre,
  room,
  advice,
  count,
  mayPlan,
  onCount,
}: Omit<Props, 'seat' | 'advice'> & { readonly advice: BassAdvice }) {
  const project = useProject();
  const { propose } = useProjectParts('propose');
  const { units } = project.project;
  const { subwoofers } = theatre.bass;
  const moveTo = (at: readonly (readonly [number, number])[]) => {
    const operations = subwoofers.slice(0, at.length).flatMap(({ deviceId }, n) => {
      const device = project.devices[deviceId];
      const shift = offPlan(theatre.picture?.facingDeg ?? 0, [at[n][0] - device.x, at[n][1] - device.y]);
      const moved = shiftInTheatre(project, room, { kind: 'device', id: deviceId }, { ...shift, upM: 0 });
      return moved.ok ? moved.value : [];
    });
    propose(text('theatre.bass.move'), operations);
  };
  return (
    <>
      <div className={css.inline}>
        <span>{text('theatre.bass.best')}</span>
        <Segmented size="small" value={count} options={COUNTS} aria-label={text('theatre.bass.count')} onChange={onCount} />
      </div>
      <ol className={css.methods}>
        {advice.choices.map((choice, n) => (
          <li key={n}>
            {text('theatre.bass.choice', {
              places: choice.at.map((at) => placeIn(theatre, at, (value) => formatLength(value, units))).join('; '),
              spread: choice.seatSpreadDb.toFixed(1),
              ripple: choice.rippleDb.toFixed(1),
            })}{' '}
            {mayPlan && subwoofers.length >= choice.at.length && (
              <Button size="small" onClick={() => moveTo(choice.at)}>
                {text('theatre.bass.try')}
              </Button>
            )}
          </li>
        ))}
      </ol>
    </>
  );
}

function placeIn({ picture, bass }: Theatre, [x, y]: readonly [number, number], length: (valueM: number) => string): string {
  const { asideM, awayM } = offPlan(picture?.facingDeg ?? 0, [
    x - (picture?.middle[0] ?? bass.origin[0]),
    y - (picture?.middle[1] ?? bass.origin[1]),
  ]);
  const side = Math.abs(asideM) < 0.05 ? 'middle' : asideM < 0 ? 'left' : 'right';
  return text(`theatre.bass.places.${side}`, { aside: length(Math.abs(asideM)), away: length(Math.max(0, awayM)) });
}
