import { useProject } from '../../state/open-project.ts';
import { answerFact, factOf } from '@dusky-spool/core/house';
import type { Fact, FactState } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { today } from '../../state/today.ts';
import { useId } from 'react';
import css from './survey.module.css';

interface Props {
  readonly subject: Fact['subject'];
  readonly subjectId: string;
  readonly field: string;
  readonly label: string;
  readonly placeholder?: string;
  readonly mayBeEmpty?: boolean;
  /** Where setting the value is more than a field's change. */
  readonly onValue?: (valueM: number | null) => void;
}

const NEXT: Readonly<Record<FactState, FactState>> = { assumed: 'measured', measured: 'not-known', 'not-known': 'assumed' };

/** A length with what is known of it: a press on the mark goes from assumed to measured to not known. */
export function FactField({ subject, subjectId, field, label, placeholder, mayBeEmpty, onValue }: Props) {
  const project = useProject();
  const id = useId();
  const edit = useProjectStore((state) => state.edit);
  const name = useOwnName();
  const record = (project[subject] as Record<string, Record<string, unknown>>)[subjectId];
  const fact = factOf(project, subject, subjectId, field);
  const state = fact?.state ?? 'assumed';
  const answer = (next: FactState, value?: unknown) =>
    edit(
      text('survey.answer', { what: label }),
      answerFact(project, { subject, subjectId, field }, { value, state: next, by: name, on: today() }, newRecordId('q')),
    );
  const said = fact && fact.state === 'measured' ? `${fact.by} ${fact.on}`.trim() : '';
  return (
    <div className={css.factField}>
      <LengthField
        id={id}
        label={label}
        valueM={(record?.[field] as number | null) ?? null}
        units={project.project.units}
        placeholder={placeholder}
        mayBeEmpty={mayBeEmpty}
        onChange={(valueM) => {
          if (onValue) onValue(valueM);
          else answer(valueM === null ? 'assumed' : 'measured', valueM);
        }}
      />
      <button
        type="button"
        className={`plain ${css.factState} ${state}`}
        title={said}
        aria-label={text('survey.factState', { what: label, state: term(`factStates.${state}`) })}
        onClick={() => answer(NEXT[state])}
      >
        {term(`factStates.${state}`)}
      </button>
    </div>
  );
}
