import { signOff } from '@dusky-spool/core/field';
import { listOf } from '@dusky-spool/core/derive';
import type { Problem } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { subjectName } from './subject-words.ts';
import { InspectionChoice } from './InspectionChoice.tsx';
import { useInspection } from './useInspection.ts';
import css from './inspection.module.css';

const FIELDS = ['signedBy', 'acceptedBy', 'why'] as const;
type Field = (typeof FIELDS)[number];

/** Signing an inspection off: with nothing open, or with a name that accepts what is. */
export function SignOffPanel() {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { inspection, state } = useInspection();
  const own = useOwnName();
  const [typed, setTyped] = useState<Partial<Record<Field, string>>>({});
  const [problem, setProblem] = useState<Problem | null>(null);
  if (!state) return <p className="faint">{text('site.working')}</p>;
  const value = (field: Field) => typed[field] ?? (field === 'signedBy' ? own : '');
  const sign = () => {
    const words = { signedBy: value('signedBy').trim(), acceptedBy: value('acceptedBy').trim(), why: value('why').trim() };
    const lines = state.lines
      .filter(({ isFine }) => !isFine)
      .map((line) => {
        const faults = [...line.fromRecords, ...line.items.filter(({ fixedOn }) => fixedOn === '').map(({ result }) => result)];
        const what = [...new Set(faults)].filter((one) => one !== 'found').map((one) => term(`inspectionResults.${one}`));
        return `${subjectName(project, line)}: ${what.length > 0 ? what.join(', ') : text('site.notSeen')}`;
      });
    const signed = signOff(state, { id: newRecordId('signed'), inspection, levelId: null, signedOn: today(), ...words }, lines);
    setProblem(signed.ok ? null : signed.problem);
    if (signed.ok && edit(text('site.signed', { name: words.signedBy }), signed.value)) setTyped({});
  };
  const fields = state.openErrors === 0 ? (['signedBy'] as const) : FIELDS;
  return (
    <>
      <div className={css.tools}>
        <InspectionChoice value={inspection} />
      </div>
      <p className={state.openErrors === 0 ? css.progress : css.bad}>
        {state.openErrors === 0 ? text('site.clear') : text('site.openErrors', { count: state.openErrors })}
      </p>
      <p className="caution">{text('site.caution')}</p>
      <div className={css.fields}>
        {fields.map((field) => (
          <label key={field} className="field">
            <span>{text(`site.${field}`)}</span>
            <Input
              size="large"
              value={value(field)}
              maxLength={field === 'why' ? 400 : 60}
              status={problem?.field === field ? 'error' : undefined}
              onChange={({ target }) => setTyped({ ...typed, [field]: target.value })}
            />
          </label>
        ))}
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problemSentence({ ...problem, field: text(`site.${(problem.field ?? 'signedBy') as Field}`) }, project.project.units)}
        </p>
      )}
      <Button type="primary" size="large" onClick={sign}>
        {text('site.sign')}
      </Button>
      <ul className={css.signed}>
        {listOf(project, 'inspectionSignOffs')
          .filter((one) => one.inspection === inspection)
          .map((one) => (
            <li key={one.id}>
              {text('site.signedLine', { name: one.signedBy, day: one.signedOn })}
              {one.openErrors > 0 &&
                ` · ${text('site.acceptedLine', { name: one.acceptedBy, count: one.openErrors, why: one.why })}`}
            </li>
          ))}
      </ul>
    </>
  );
}
