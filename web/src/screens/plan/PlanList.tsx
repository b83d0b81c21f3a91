import { Button } from 'antd';
import { tapePlace } from '@dusky-spool/core/devices';
import { onLevel } from '@dusky-spool/core/derive';
import { buildingOf, levelsFromBelow, roomAt } from '@dusky-spool/core/house';
import { formatCableLength } from '@dusky-spool/core/math';
import type { Level } from '@dusky-spool/core/model';
import { deviceLines, placeText } from '@dusky-spool/core/sheets';
import { placeWords } from '@dusky-spool/texts';
import { useMemo, useState } from 'react';
import { term, text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { FindField } from '../../ui/FindField.tsx';
import css from './plan.module.css';

interface Props {
  readonly onBack: () => void;
  readonly onSelect: (selection: Selection, levelId: string) => void;
}

interface Line {
  readonly id: string;
  readonly selection: Selection;
  readonly number: string;
  readonly what: string;
  readonly place: string;
  readonly height: string;
  readonly runs: string;
}

/** What the plans show, as lists in words: every rack and device of every level with its place, its height and its runs. */
export function PlanList({ onBack, onSelect }: Props) {
  const project = useProject();
  const [find, setFind] = useState('');
  const linesOf = useLines();
  const words = find.trim().toLowerCase();
  return (
    <StagePage
      title={text('planList.title')}
      lead={text('planList.lead')}
      aside={
        <div className={css.listTools}>
          <FindField label={text('planList.find')} value={find} onChange={setFind} />
          <Button onClick={onBack}>{text('schedule.toPlan')}</Button>
        </div>
      }
    >
      {levelsFromBelow(project)
        .toReversed()
        .map((level) => {
          const lines = linesOf(level).filter((line) =>
            `${line.number} ${line.what} ${line.place} ${line.runs}`.toLowerCase().includes(words),
          );
          if (lines.length === 0) return null;
          return (
            <table key={level.id} className={css.listTable}>
              <caption className="eyebrow">
                {level.name} · {text('projects.devices', { count: lines.length })}
              </caption>
              <thead>
                <tr>
                  {(['number', 'what', 'place', 'height', 'runs'] as const).map((column) => (
                    <th key={column} scope="col">
                      {text(`planList.${column}`)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {lines.map(({ id, selection, number, what, place, height, runs }) => (
                  <tr key={id}>
                    <th scope="row">
                      <button type="button" className="plain link" onClick={() => onSelect(selection, level.id)}>
                        {number}
                      </button>
                    </th>
                    <td>{what}</td>
                    <td>{place}</td>
                    <td>{height}</td>
                    <td>{runs}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          );
        })}
    </StagePage>
  );
}

/** The lines of a level: its racks, then its devices in the order of their numbers. */
function useLines(): (level: Level) => Line[] {
  const project = useProject();
  const { runsByDevice } = useDerived(project);
  return useMemo(() => {
    const { units } = project.project;
    return (level) => {
      const racks = onLevel(project, 'racks', level.id).map((rack): Line => {
        const room = roomAt(buildingOf(project), level.id, [rack.x, rack.y]);
        const at = { levelId: level.id, roomId: room?.id ?? null, wallId: null, at: [rack.x, rack.y] };
        return {
          id: rack.id,
          selection: { kind: 'rack', ids: [rack.id] },
          number: rack.code,
          what: rack.name,
          place: placeText(project, tapePlace(project, at), placeWords),
          height: '',
          runs: '',
        };
      });
      const words = { outdoors: term('outdoors'), atCeiling: text('device.atCeiling'), place: placeWords };
      const devices = deviceLines(project, level.id, words).map(({ device, ...line }): Line => ({
        ...line,
        id: device.id,
        selection: { kind: 'device', ids: [device.id] },
        runs: (runsByDevice.get(device.id) ?? [])
          .map(({ run, length }) => `${run.number}${length ? ` ${formatCableLength(length.cutLengthM, units)}` : ''}`)
          .join(', '),
      }));
      return [...racks, ...devices];
    };
  }, [project, runsByDevice]);
}
