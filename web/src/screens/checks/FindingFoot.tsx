import { useProject } from '../../state/open-project.ts';
import { acceptFinding, type Check, type CostAfter, liftAcceptance, noteFinding } from '@dusky-spool/core/rules';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { FindingMark, Operation } from '@dusky-spool/core/model';
import { formatClearance } from '@dusky-spool/core/math';
import { useMaySeeCosts, useOwnName } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { money } from '../../ui/money.ts';
import { WordsField } from '../../ui/fields.tsx';
import { SourceLink } from '../../ui/SourceLink.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import { figureValue, problemSentence } from '@dusky-spool/texts';
import css from './checks.module.css';

interface Props {
  readonly finding: DerivedFinding;
  readonly rule: Check | undefined;
  readonly mark: FindingMark | undefined;
  readonly accepted: boolean;
  readonly later: CostAfter | null;
}

/** Under a finding: its figures and source, what it costs after the boards, and what was decided of it. */
export function FindingFoot({ finding, rule, mark, accepted, later }: Props) {
  const maySeeCosts = useMaySeeCosts();
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [deciding, setDeciding] = useState(false);
  const { currency, units } = project.project;
  const figure = (value: number) =>
    finding.unit === 'm' ? formatClearance(value, units) : `${figureValue(value)}${finding.unit ? ` ${finding.unit}` : ''}`;
  const write = (title: string, operations: readonly Operation[]) => {
    if (operations.length > 0) edit(title, operations);
  };
  return (
    <footer className={css.findingFoot}>
      <dl>
        {finding.measured !== null && Number.isFinite(finding.measured) && (
          <>
            <dt>{text('checks.measured')}</dt>
            <dd>
              {figure(finding.measured)}
              {finding.allowed === null
                ? ''
                : ` · ${text(finding.measured < finding.allowed ? 'checks.wanted' : 'checks.allowed', {
                    value: figure(finding.allowed),
                  })}`}
            </dd>
          </>
        )}
        {later && maySeeCosts && (
          <>
            <dt>{text('checks.afterBoards')}</dt>
            <dd>
              {text('checks.costs', {
                least: `${currency} ${money(later.price * 0.6)}`,
                most: money(later.price * 1.4),
                hours: later.hours.toFixed(1),
              })}
            </dd>
          </>
        )}
        <dt>{text('checks.source')}</dt>
        <dd className="faint">
          {rule?.source}
          {rule?.regions ? ` · ${rule.regions.join(', ')}` : ` · ${text('checks.everyRegion')}`}
          {rule && (
            <>
              {' · '}
              <SourceLink ruleId={rule.id} />
            </>
          )}
        </dd>
      </dl>
      {mark && (mark.acceptedBy !== '' || mark.assignedTo !== '' || mark.note !== '') && (
        <p className={css.findingMark}>
          {mark.acceptedBy !== '' &&
            (accepted
              ? text(mark.until === '' ? 'checks.acceptedBy' : 'checks.acceptedUntil', {
                  by: mark.acceptedBy,
                  on: mark.on,
                  until: mark.until,
                  why: mark.why,
                })
              : text('checks.returned', { by: mark.acceptedBy, on: mark.on }))}{' '}
          {mark.assignedTo !== '' &&
            text(mark.dueOn === '' ? 'checks.given' : 'checks.givenBy', { to: mark.assignedTo, on: mark.dueOn })}{' '}
          {mark.note}
        </p>
      )}
      {finding.rank !== 'fine' && (
        <div className="panel-buttons">
          {accepted ? (
            <Button size="small" onClick={() => write(text('checks.lift'), liftAcceptance(project, finding))}>
              {text('checks.lift')}
            </Button>
          ) : (
            <Button size="small" aria-expanded={deciding} onClick={() => setDeciding(!deciding)}>
              {text('checks.decide')}
            </Button>
          )}
        </div>
      )}
      {deciding && !accepted && <Decide finding={finding} mark={mark} onWrite={write} onDone={() => setDeciding(false)} />}
    </footer>
  );
}

/** Accept it with a reason, give it to somebody, write a note. */
function Decide({
  finding,
  mark,
  onWrite,
  onDone,
}: Pick<Props, 'finding' | 'mark'> & {
  readonly onWrite: (title: string, operations: readonly Operation[]) => void;
  readonly onDone: () => void;
}) {
  const project = useProject();
  const name = useOwnName();
  const [by, setBy] = useState(name);
  const [why, setWhy] = useState('');
  const [until, setUntil] = useState('');
  const [wrong, setWrong] = useState('');
  const newId = () => newRecordId('fm');
  const note = (noted: Parameters<typeof noteFinding>[2]) =>
    onWrite(text('checks.noted'), noteFinding(project, finding, noted, newId));
  return (
    <div className={css.decide}>
      <fieldset>
        <legend>{text('checks.accept')}</legend>
        <WordsField label={text('checks.who')} value={by} max={60} onChange={setBy} />
        <WordsField label={text('checks.why')} value={why} max={400} onChange={setWhy} />
        <DayField label={text('checks.until')} value={until} onChange={setUntil} />
        <Button
          type="primary"
          size="small"
          onClick={() => {
            const accepted = acceptFinding(project, finding, { name: by, why, until, today: today() }, newId);
            if (!accepted.ok) return setWrong(problemSentence(accepted.problem));
            onWrite(text('checks.accept'), accepted.value);
            onDone();
          }}
        >
          {text('checks.acceptIt')}
        </Button>
        {wrong !== '' && (
          <p className={css.refused} role="alert">
            {wrong}
          </p>
        )}
      </fieldset>
      <fieldset>
        <legend>{text('checks.giveTo')}</legend>
        <WordsField
          label={text('checks.person')}
          value={mark?.assignedTo ?? ''}
          max={60}
          onChange={(assignedTo) => note({ assignedTo })}
        />
        <DayField label={text('checks.due')} value={mark?.dueOn ?? ''} onChange={(dueOn) => note({ dueOn })} />
        <WordsField label={text('checks.note')} value={mark?.note ?? ''} max={2000} onChange={(words) => note({ note: words })} />
      </fieldset>
    </div>
  );
}
