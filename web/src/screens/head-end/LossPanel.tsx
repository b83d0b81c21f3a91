import { listOf } from '@dusky-spool/core/derive';
import { type HeadEnd, type Removed, whatStops } from '@dusky-spool/core/head-end';
import { useState } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly chosenId: string | null;
}

/** What stops working when one piece of equipment, circuit or cable fails. */
export function LossPanel({ headEnd, chosenId }: Props) {
  const project = useProject();
  const circuits = listOf(project, 'circuits');
  const things = [
    ...headEnd.equipment.map(({ id, name }) => ({ value: `equipment ${id}`, label: name })),
    ...circuits.map(({ id, name }) => ({ value: `circuit ${id}`, label: text('headEnd.onCircuit', { name }) })),
    ...headEnd.needs.map(({ runId, number }) => ({ value: `run ${runId}`, label: number })),
  ];
  const [asked, setAsked] = useState<string | null>(null);
  const value = asked ?? (chosenId ? `equipment ${chosenId}` : things[0]?.value);
  if (value === undefined) return <p className={css.empty}>{text('headEnd.empty')}</p>;
  const [kind, id] = value.split(' ') as [Exclude<Removed['kind'], 'port'>, string];
  const stopped = whatStops(project, { kind, id });
  const rooms = new Map<string, string[]>();
  for (const { roomId, number } of stopped.runs) {
    const name = project.rooms[roomId ?? '']?.name ?? text('headEnd.outdoors');
    rooms.set(name, [...(rooms.get(name) ?? []), number]);
  }
  return (
    <div className={css.panel}>
      <div className={css.fields}>
        <ChoiceField label={text('headEnd.without')} value={value} options={things} onChange={setAsked} />
      </div>
      <p>
        {text('headEnd.stops', { count: stopped.runs.length })}{' '}
        {stopped.equipment.length > 0 &&
          text('headEnd.stopsEquipment', { names: stopped.equipment.map(({ name }) => name).join(', ') })}
      </p>
      <ul className={css.facts}>
        {[...rooms].map(([name, numbers]) => (
          <li key={name}>
            <b>{name}</b> {numbers.join(', ')}
          </li>
        ))}
      </ul>
    </div>
  );
}
