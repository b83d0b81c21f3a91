import { useMemo } from 'react';
import type { BoredPlace } from '@dusky-spool/core/documents';
import { isSideOf, levelsFromBelow } from '@dusky-spool/core/building';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { formatLengthFine } from '@dusky-spool/core/units';
import { term, text } from '../../app/text.ts';

interface Props {
  readonly document: ProjectDocument;
  readonly places: readonly BoredPlace[];
  readonly onRun: (number: string) => void;
}

const MOST_RUNS = 4;

/** Every place that is bored: by level, what, where, how wide, for how many cables, and who has to agree. */
export function HoleTable({ document, places, onRun }: Props) {
  const { units } = document.project;
  const byLevel = useMemo(
    () =>
      levelsFromBelow(document).flatMap((level) => {
        const own = places.filter(({ levelId }) => levelId === level.id);
        return own.length > 0 ? [{ level, own }] : [];
      }),
    [document, places],
  );
  return (
    <>
      {byLevel.map(({ level, own }) => (
        <table key={level.id} className="hole-table">
          <caption className="eyebrow">
            {level.name} · {text('run.holes', { count: own.reduce((sum, { holes }) => sum + Math.max(1, holes.length), 0) })}
          </caption>
          <thead>
            <tr>
              <th scope="col">{text('ways.member')}</th>
              <th scope="col">{text('ways.place')}</th>
              <th scope="col">{text('ways.bit')}</th>
              <th scope="col">{text('ways.cables')}</th>
              <th scope="col">{text('ways.plates')}</th>
              <th scope="col">{text('ways.who')}</th>
            </tr>
          </thead>
          <tbody>
            {own.map((place) => (
              <tr key={`${place.member}${place.at.join()}`} className={place.ask ? 'asks' : ''}>
                <td>{term(`members.${place.member}`)}</td>
                <td>{whereOf(document, place)}</td>
                <td className="figure">
                  {place.holes.length === 0
                    ? text('ways.none')
                    : place.holes.map(({ bitM }) => text('ways.mm', { mm: Math.round(bitM * 1000) })).join(' + ')}
                </td>
                <td>
                  {place.runs.slice(0, MOST_RUNS).map((number) => (
                    <button key={number} type="button" className="plain link id" onClick={() => onRun(number)}>
                      {number}
                    </button>
                  ))}
                  {place.runs.length > MOST_RUNS && <span> {text('ways.more', { count: place.runs.length - MOST_RUNS })}</span>}
                </td>
                <td>{place.nailPlates ? text('ways.bothFaces') : ''}</td>
                <td>{place.ask ? term(`asks.${place.ask}`) : text('ways.crew')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </>
  );

  function whereOf({ rooms, walls }: ProjectDocument, { roomId, wallId, at: [x, y] }: BoredPlace): string {
    const room = roomId === null ? undefined : rooms[roomId];
    const plan = `x ${formatLengthFine(x, units)}, y ${formatLengthFine(y, units)}`;
    if (room) return `${room.name}, ${plan}`;
    const wall = wallId === null ? undefined : walls[wallId];
    if (!wall) return plan;
    const beside = Object.values(rooms).find((one) => one.levelId === wall.levelId && isSideOf(one, wall));
    return beside ? `${text('ways.wallOf', { room: beside.name })}, ${plan}` : plan;
  }
}
