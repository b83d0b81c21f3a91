import type { CloseOfDay } from '@dusky-spool/core/field';
import { formatCableLength } from '@dusky-spool/core/math';
import type { Run } from '@dusky-spool/core/model';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { changeRecord } from '../../commands/change-record.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { askCloseOfDay } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { useAsked } from '../../state/useAsked.ts';
import { RunTag } from '../../ui/RunTag.tsx';

import css from './field.module.css';

/** So many entries of a register are listed. */
const MAX_SHOWN = 60;

/** What has to be done before the crew leaves, as registers that must be empty. */
export function CloseOfDayPanel() {
  const project = useProject();
  const { projectId = '' } = useParams();
  // The bored places of a large house take a second: the worker has them.
  const close = useAsked(askCloseOfDay, '');
  const { edit } = useProjectParts('edit');
  const who = useOwnName();
  const change = (run: Run, title: string, after: Partial<Run>) => {
    const operations = changeRecord('runs', run, after);
    if (operations.length > 0) edit(title, operations);
  };
  if (!close) return <p className="faint">{text('stage.field.planning')}</p>;
  const { done, all, pulledM, unlabelled, bareEnds, untested, jumpers, openPenetrations, rooms } = close;
  const unlabelledRuns = [...new Map(unlabelled.map(({ run }) => [run.id, run])).values()];
  return (
    <>
      <p className={css.progress}>
        {text('stage.field.figures', { done, all, length: formatCableLength(pulledM, project.project.units) })}
      </p>
      <p className="caution">{text('stage.field.caution')}</p>
      {isClear(close) && <p>{text('stage.field.clear')}</p>}
      <Register name="unlabelled" count={unlabelled.length}>
        {unlabelledRuns.slice(0, MAX_SHOWN).map((run) => (
          <li key={run.id}>
            <RunTag number={run.number} />{' '}
            {unlabelled
              .filter((one) => one.run.id === run.id)
              .map(({ end }) => text(`stage.field.ends.${end}`))
              .join(', ')}
            <Button
              size="large"
              onClick={() => change(run, text('stage.field.labelled', { number: run.number }), { labelledEnds: 'both' })}
            >
              {text('stage.field.labelBoth')}
            </Button>
          </li>
        ))}
      </Register>
      <Register name="untested" count={untested.length}>
        {untested.slice(0, MAX_SHOWN).map((run) => (
          <li key={run.id}>
            <RunTag number={run.number} />
            <Button
              size="large"
              onClick={() =>
                change(run, text('stage.field.testedOf', { number: run.number }), {
                  rawTestedOn: today(),
                  testedBy: who.slice(0, 60),
                })
              }
            >
              {text('stage.field.tested')}
            </Button>
          </li>
        ))}
      </Register>
      <RunRegister name="bareEnds" runs={bareEnds} />
      <RunRegister name="jumpers" runs={jumpers} />
      <Register name="openPenetrations" count={openPenetrations.length}>
        <li>
          <Link to={`/p/${projectId}/cabling?view=ways&part=seals`}>{text('stage.field.toSeals')}</Link>
        </li>
      </Register>
      <Register name="rooms" count={rooms.length}>
        {rooms.slice(0, MAX_SHOWN).map(({ roomId, done: pulled, all: count }) => (
          <li key={roomId}>
            {project.rooms[roomId]?.name} {text('stage.field.roomLine', { done: pulled, all: count })}
          </li>
        ))}
      </Register>
    </>
  );
}

const isClear = ({ unlabelled, bareEnds, untested, jumpers, openPenetrations }: CloseOfDay): boolean =>
  [unlabelled, bareEnds, untested, jumpers, openPenetrations].every((register) => register.length === 0);

type RegisterName = 'unlabelled' | 'untested' | 'bareEnds' | 'jumpers' | 'openPenetrations' | 'rooms';

interface RegisterProps {
  readonly name: RegisterName;
  readonly count: number;
  readonly children: ReactNode;
}

const Register = ({ name, count, children }: RegisterProps) =>
  count === 0 ? null : (
    <details className={css.register} open={name === 'unlabelled'}>
      <summary>{text(`stage.field.registers.${name}`, { count })}</summary>
      <ul>{children}</ul>
    </details>
  );

const RunRegister = ({ name, runs }: { readonly name: RegisterName; readonly runs: readonly Run[] }) => (
  <Register name={name} count={runs.length}>
    {runs.slice(0, MAX_SHOWN).map((run) => (
      <li key={run.id}>
        <RunTag number={run.number} />
      </li>
    ))}
  </Register>
);
