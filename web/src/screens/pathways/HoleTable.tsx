import { useProject } from '../../state/open-project.ts';
import { placeWords } from '@dusky-spool/texts';
import { bitsOf, holePlace } from '@dusky-spool/core/sheets';
import { boredLines, type BoredPlace } from '@dusky-spool/core/pathways';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { Cautions } from '../../ui/Cautions.tsx';
import { term, text } from '../../ground/text.ts';
import { RunLinks } from './RunLinks.tsx';
import { useMemo } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly places: readonly BoredPlace[];
  readonly onRun: (number: string) => void;
}

const MAX_RUNS = 3;

/** Every place that is bored: by level, what, where, how wide, for how many cables, and who has to agree. */
export function HoleTable({ places, onRun }: Props) {
  const project = useProject();
  const byLevel = useMemo(
    () =>
      levelsFromBelow(project).flatMap((level) => {
        const own = places.filter(({ levelId }) => levelId === level.id);
        return own.length > 0 ? [{ level, own }] : [];
      }),
    [project, places],
  );
  return (
    <>
      <Cautions ids={project.project.construction === 'new-framing' ? ['C3'] : ['C3', 'C17']} />
      {byLevel.map(({ level, own }) => (
        <table key={level.id} className={`hole-table ${css.boredTable}`}>
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
            {boredLines(own).map((line) => {
              const place = line.first;
              return (
                <tr key={`${place.member}${place.at.join()}`} className={place.ask ? css.asks : ''}>
                  <td>
                    {line.count > 1 && `${line.count} × `}
                    {term(`members.${place.member}`)}
                  </td>
                  <td>{holePlace(project, line, placeWords)}</td>
                  <td className="figure">
                    {bitsOf(place) || text(place.member === 'floor' ? 'ways.open' : 'ways.none')}
                    {place.fill !== null && <span className="faint"> {Math.round(place.fill * 100)} %</span>}
                  </td>
                  <td>
                    <RunLinks numbers={place.runs} most={MAX_RUNS} onRun={onRun} />
                  </td>
                  <td>{place.nailPlates ? text('ways.bothFaces') : ''}</td>
                  <td>{place.ask ? term(`asks.${place.ask}`) : text('ways.crew')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
    </>
  );
}
