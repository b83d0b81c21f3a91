import { type DayRun, lengthByMarks, recordPull } from '@dusky-spool/core/field';
import { deviceTitle } from '@dusky-spool/core/devices';
import { openSpool } from '@dusky-spool/core/order';
import { formatCableLength, ok, type Outcome, parseLength, type Problem } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Input, Segmented, Select } from 'antd';
import { useState } from 'react';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { editOnRoutes } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { RunTag } from '../../ui/RunTag.tsx';
import type { Recorded } from './LastPull.tsx';

import css from './field.module.css';

interface Props {
  readonly one: DayRun;
  readonly onRecorded: (recorded: Recorded) => void;
}

type Typed = Readonly<Record<'first' | 'last' | 'length', string>>;
interface Measured {
  readonly lengthM: number | null;
  readonly turnedOver: boolean;
}

const FIELDS = ['first', 'last', 'length'] as const;

/** The words beside a field, for a problem that is about it. */
function labelOf(field = ''): string {
  const known = ([...FIELDS, 'spool'] as const).find((one) => one === field);
  return known ? text(`stage.field.${known}`) : field;
}

/** One cable of the pull: its number, where it goes, how it is left, and what came off the spool. */
export function PullRow({ one, onRecorded }: Props) {
  const { run, cutM, spoolId, spoolName, spools, leftM } = one;
  const project = useProject();
  const { units } = project.project;
  const device = project.devices[run.deviceId];
  const [typed, setTyped] = useState<Typed>({ first: '', last: '', length: '' });
  const [unit, setUnit] = useState<'m' | 'ft'>(units === 'metric' ? 'm' : 'ft');
  /** Chosen by hand instead of what the plan takes. */
  const [chosen, setSpool] = useState<string | null>(null);
  const spool = chosen ?? spoolId ?? '';
  const [problem, setProblem] = useState<Problem | null>(null);
  const length = (m: number) => formatCableLength(m, units);
  const pull = () => {
    const measured = measuredLength(typed, unit, cutM, units);
    if (!measured.ok) return setProblem(measured.problem);
    const { lengthM, turnedOver } = measured.value;
    const record = { runId: run.id, spoolId: spool || null, lengthM, on: today() };
    setProblem(null);
    void editOnRoutes(text('stage.field.pulledOf', { number: run.number }), (now, routeOf) => {
      const made = recordPull(now, record, cutM, routeOf, newRecordId('cut'));
      if (!made.ok) setProblem(made.problem);
      return made;
    }).then((isDone) => {
      if (isDone) onRecorded({ runId: run.id, lengthM, turnedOver });
    });
  };
  return (
    <section className={css.row} aria-label={run.number}>
      <div className={css.rowHead}>
        <RunTag number={run.number} />
        <b>{text('stage.field.planned', { length: length(cutM) })}</b>
      </div>
      <p>
        {device && deviceTitle(device, project.deviceTypes[device.typeId])} · {project.cableTypes[run.cableTypeId].name} ·{' '}
        <span className={leftM < 0 ? css.bad : undefined}>
          {text('stage.field.from', { spool: project.spools[spool]?.code ?? spoolName })}
        </span>
      </p>
      <p className="faint">{text('stage.field.slack', { device: length(run.deviceSlackM), rack: length(run.rackSlackM) })}</p>
      {spool === '' && <OpenSpool one={one} onOpened={setSpool} />}
      <div className={css.fields}>
        <label className="field">
          <span>{text('stage.field.spool')}</span>
          <Select
            size="large"
            value={spool}
            aria-label={text('stage.field.spool')}
            options={[
              { value: '', label: text('stage.field.spoolNone') },
              ...spools.map(({ spool: here, leftM: left }) => ({
                value: here.id,
                label: text('stage.field.spoolLeft', { code: here.code, left: length(left) }),
              })),
            ]}
            onChange={setSpool}
          />
        </label>
        <LengthInputs {...{ typed, problem }} onTyped={setTyped} />
        <Segmented
          value={unit}
          aria-label={text('stage.field.unit')}
          options={[
            { value: 'm' as const, label: 'm' },
            { value: 'ft' as const, label: 'ft' },
          ]}
          onChange={setUnit}
        />
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problemSentence({ ...problem, field: labelOf(problem.field) }, units)}
        </p>
      )}
      <Button type="primary" size="large" block onClick={pull}>
        {text('stage.field.pulled')}
      </Button>
    </section>
  );
}

/** What was typed, as a length: by both marks, else as it was typed, else none. */
function measuredLength(
  { first, last, length }: Typed,
  unit: 'm' | 'ft',
  expectedM: number,
  units: 'metric' | 'imperial',
): Outcome<Measured> {
  if (first.trim() !== '' || last.trim() !== '') return lengthByMarks({ first, last, unit }, expectedM);
  if (length.trim() === '') return ok({ lengthM: null, turnedOver: false });
  const read = parseLength(length, units);
  return read.ok ? ok({ lengthM: read.value, turnedOver: false }) : { ok: false, problem: { ...read.problem, field: 'length' } };
}

interface InputProps {
  readonly typed: Typed;
  readonly problem: Problem | null;
  readonly onTyped: (typed: Typed) => void;
}

/** Both marks, or the length itself. */
const LengthInputs = ({ typed, problem, onTyped }: InputProps) =>
  FIELDS.map((field) => (
    <label key={field} className="field">
      <span>{text(`stage.field.${field}`)}</span>
      <Input
        size="large"
        value={typed[field]}
        inputMode="decimal"
        status={problem?.field === field ? 'error' : undefined}
        onChange={({ target }) => onTyped({ ...typed, [field]: target.value })}
      />
    </label>
  ));

/** Where the plan takes a cable from a spool that is not there: the one that is opened now. */
function OpenSpool({
  one: { run, newSpoolM, spoolName },
  onOpened,
}: Pick<Props, 'one'> & { readonly onOpened: (spoolId: string) => void }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  if (newSpoolM === null) return null;
  const length = formatCableLength(newSpoolM, project.project.units);
  const open = () => {
    const spool = openSpool(project, project.cableTypes[run.cableTypeId], newRecordId('spool'), newSpoolM);
    if (edit(text('stage.field.opened', { code: spool.code }), createRecords('spools', [spool]))) onOpened(spool.id);
  };
  return <Button onClick={open}>{text('stage.field.open', { name: spoolName, length })}</Button>;
}
