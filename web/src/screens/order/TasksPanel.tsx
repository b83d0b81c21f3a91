import { listOf } from '@dusky-spool/core/derive';
import { centsOf } from '@dusky-spool/core/order';
import {
  PERFORMERS,
  type Performer,
  removeWithDependants,
  RISKS,
  type SiteTask,
  TASK_KINDS,
  TRADE_GATES,
} from '@dusky-spool/core/model';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './order.module.css';

const newTask = (name: string, kind: SiteTask['kind'], gate: SiteTask['gate']): SiteTask => ({
  ...{ id: newRecordId('task'), name, kind, roomId: null, gate, hours: 0, costCents: 0, fromOn: '', toOn: '' },
  ...{ choices: [], chosenBy: null, doneOn: '', note: '' },
});

/** The usual tasks of a finished house, with the gate before which each is done. */
const USUAL = [
  ['unknown', 'low-voltage-rough-in'],
  ['protection', 'low-voltage-rough-in'],
  ['dust', 'low-voltage-rough-in'],
  ['patch', 'board'],
  ['texture', 'texture'],
  ['paint', 'paint'],
  ['hire', 'low-voltage-rough-in'],
] as const;

/** Allowances and work beside the cables, and who does each, side by side. */
export function TasksPanel({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const tasks = listOf(project, 'siteTasks');
  const add = () =>
    edit(
      text('order.tasks.add'),
      createRecords('siteTasks', [newTask(text('order.tasks.newTask', { number: tasks.length + 1 }), 'work', null)]),
    );
  const addUsual = () =>
    edit(
      text('order.tasks.usual'),
      createRecords(
        'siteTasks',
        USUAL.map(([kind, gate]) => newTask(text(`order.tasks.usualNames.${kind}`), kind, gate)),
      ),
    );
  return (
    <>
      <p className="faint">{text('order.tasks.lead')}</p>
      <p className="caution">{text('order.tasks.caution')}</p>
      {tasks.length === 0 && <p>{text('order.tasks.empty')}</p>}
      {tasks.map((task) => (
        <TaskCard key={task.id} {...{ task, mayPlan }} />
      ))}
      {mayPlan && (
        <p className={css.buttons}>
          <SmallButton onClick={add}>{text('order.tasks.add')}</SmallButton>
          {tasks.length === 0 && <SmallButton onClick={addUsual}>{text('order.tasks.usual')}</SmallButton>}
        </p>
      )}
    </>
  );
}

interface CardProps {
  readonly task: SiteTask;
  readonly mayPlan: boolean;
}

const ALLOWANCE = 'allowance';

function TaskCard({ task, mayPlan }: CardProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { currency } = project.project;
  const change = (after: Partial<SiteTask>) => {
    const operations = changeRecord('siteTasks', task, after);
    if (operations.length > 0) return edit(task.name, operations);
  };
  return (
    <fieldset className={css.fields} disabled={!mayPlan} aria-label={task.name}>
      <WordsField
        label={text('order.tasks.fields.name')}
        value={task.name}
        max={120}
        required
        onChange={(name) => change({ name })}
      />
      <ChoiceField
        label={text('order.tasks.fields.kind')}
        value={task.kind}
        options={TASK_KINDS.map((value) => ({ value, label: text(`order.tasks.kinds.${value}`) }))}
        onChange={(kind) => change({ kind })}
      />
      <TaskPlace {...{ task, change }} />
      <NumberField
        label={text('order.tasks.fields.hours')}
        value={task.hours}
        min={0}
        max={10_000}
        step={0.5}
        onChange={(hours) => change({ hours })}
      />
      <NumberField
        label={text('order.tasks.fields.cost', { currency })}
        value={task.costCents / 100}
        min={0}
        max={10_000_000}
        step={0.01}
        onChange={(cost) => change({ costCents: centsOf(cost) })}
      />
      {(['fromOn', 'toOn', 'doneOn'] as const).map((field) => (
        <DayField
          key={field}
          label={text(`order.tasks.fields.${field === 'fromOn' ? 'from' : field === 'toOn' ? 'to' : 'done'}`)}
          value={task[field]}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      <ChoiceField
        label={text('order.tasks.fields.chosen')}
        value={task.chosenBy ?? ALLOWANCE}
        options={[
          { value: ALLOWANCE, label: text('order.tasks.byHours') },
          ...task.choices.map(({ by }) => ({ value: by, label: text(`order.tasks.performers.${by}`) })),
        ]}
        onChange={(by) => change({ chosenBy: by === ALLOWANCE ? null : (by as Performer) })}
      />
      <Choices {...{ task, change, mayPlan }} />
      {mayPlan && (
        <SmallButton
          bare
          aria-label={text('order.tasks.remove', { name: task.name })}
          onClick={() =>
            edit(text('order.tasks.remove', { name: task.name }), removeWithDependants(project, 'siteTasks', task.id))
          }
        >
          {text('order.remove')}
        </SmallButton>
      )}
    </fieldset>
  );
}

/** The room of a task, and the gate before which it is done. */
function TaskPlace({ task, change }: Omit<ChoicesProps, 'mayPlan'>) {
  const project = useProject();
  return (
    <>
      <ChoiceField
        label={text('order.tasks.fields.room')}
        value={task.roomId ?? ''}
        options={[
          { value: '', label: text('order.tasks.house') },
          ...listOf(project, 'rooms').map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(roomId) => change({ roomId: roomId || null })}
      />
      <ChoiceField
        label={text('order.tasks.fields.gate')}
        value={task.gate ?? 'none'}
        options={[
          { value: 'none' as const, label: text('order.tasks.noGate') },
          ...TRADE_GATES.map((value) => ({ value, label: term(`gates.${value}`) })),
        ]}
        onChange={(gate) => change({ gate: gate === 'none' ? null : gate })}
      />
    </>
  );
}

interface ChoicesProps extends CardProps {
  readonly change: (after: Partial<SiteTask>) => void;
}

/** Who could do it, with price, days and risk, side by side. */
function Choices({ task, change, mayPlan }: ChoicesProps) {
  const { currency } = useProject().project;
  const taken = new Set(task.choices.map(({ by }) => by));
  const set = (by: Performer, after: Partial<SiteTask['choices'][number]>) =>
    change({ choices: task.choices.map((choice) => (choice.by === by ? { ...choice, ...after } : choice)) });
  const free = PERFORMERS.filter((by) => !taken.has(by));
  return (
    <div className={css.choices}>
      {task.choices.map(({ by, priceCents, days, risk, note }) => (
        <section key={by} className={css.spool} aria-label={text(`order.tasks.performers.${by}`)}>
          <b>{text(`order.tasks.performers.${by}`)}</b>
          <NumberField
            label={text('order.tasks.fields.price', { currency })}
            value={priceCents / 100}
            min={0}
            max={10_000_000}
            step={0.01}
            onChange={(value) => set(by, { priceCents: centsOf(value) })}
          />
          <NumberField
            label={text('order.tasks.fields.days')}
            value={days}
            min={0}
            max={365}
            step={0.5}
            onChange={(value) => set(by, { days: value })}
          />
          <ChoiceField
            label={text('order.tasks.fields.risk')}
            value={risk}
            options={RISKS.map((value) => ({ value, label: text(`order.tasks.risks.${value}`) }))}
            onChange={(value) => set(by, { risk: value })}
          />
          <WordsField
            label={text('order.tasks.fields.note')}
            value={note}
            max={200}
            onChange={(value) => set(by, { note: value })}
          />
          {mayPlan && (
            <SmallButton
              bare
              aria-label={text('order.tasks.removeChoice', { who: text(`order.tasks.performers.${by}`) })}
              onClick={() =>
                change({
                  choices: task.choices.filter((choice) => choice.by !== by),
                  ...(task.chosenBy === by ? { chosenBy: null } : {}),
                })
              }
            >
              {text('order.remove')}
            </SmallButton>
          )}
        </section>
      ))}
      {mayPlan && free.length > 0 && (
        <ChoiceField
          label={text('order.tasks.addChoice', { who: '…' })}
          value={undefined}
          placeholder=""
          options={free.map((value) => ({ value, label: text(`order.tasks.performers.${value}`) }))}
          onChange={(by) => change({ choices: [...task.choices, { by, priceCents: 0, days: 1, risk: 'medium', note: '' }] })}
        />
      )}
    </div>
  );
}
