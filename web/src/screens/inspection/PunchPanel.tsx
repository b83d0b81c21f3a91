import { takeMeasuredPlace } from '@dusky-spool/core/field';
import type { InspectionItem, Operation } from '@dusky-spool/core/model';
import { Button } from 'antd';
import { changeRecord } from '../../commands/change-record.ts';
import { useOwnName, useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { DayField } from '../../ui/DayField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { subjectName } from './subject-words.ts';
import { InspectionChoice } from './InspectionChoice.tsx';
import { useInspection } from './useInspection.ts';
import css from './inspection.module.css';

/** What was found wrong and is not fixed, with who puts it right by when. */
export function PunchPanel() {
  const { inspection, state } = useInspection();
  if (!state) return <p className="faint">{text('site.working')}</p>;
  return (
    <>
      <div className={css.tools}>
        <InspectionChoice value={inspection} />
      </div>
      {state.punchList.length === 0 && <p>{text('site.punchEmpty')}</p>}
      {state.punchList.map((item) => (
        <PunchLine key={item.id} item={item} />
      ))}
    </>
  );
}

function PunchLine({ item }: { readonly item: InspectionItem }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const who = useOwnName();
  const mayPlan = useRight('plan');
  const name = subjectName(project, item);
  const what = term(`inspectionResults.${item.result}`);
  const change = (operations: readonly Operation[]) => {
    if (operations.length > 0) edit(text('site.recorded', { name, result: what }), operations);
  };
  const set = (after: Partial<InspectionItem>) => change(changeRecord('inspectionItems', item, after));
  return (
    <div role="group" className={css.line} aria-label={`${name}: ${what}`}>
      <div className={css.lineHead}>
        <b>{name}</b> <span className={css.bad}>{what}</span>
      </div>
      <p className="faint">{text('site.foundBy', { name: item.by, day: item.on })}</p>
      <div className={css.fields}>
        <WordsField label={text('site.owner')} value={item.owner} max={60} onChange={(owner) => set({ owner })} />
        <DayField label={text('site.due')} value={item.dueOn} onChange={(dueOn) => set({ dueOn })} />
        <WordsField label={text('site.note')} value={item.note} max={400} onChange={(note) => set({ note })} />
      </div>
      <div className={css.actions}>
        <Button type="primary" size="large" onClick={() => set({ fixedOn: today(), fixedBy: who.slice(0, 60) })}>
          {text('site.fixed')}
        </Button>
        {item.result === 'moved' && mayPlan && (
          <Button size="large" onClick={() => change(takeMeasuredPlace(project, item, who.slice(0, 60), today()))}>
            {text('site.takePlace')}
          </Button>
        )}
      </div>
    </div>
  );
}
