import { addCompromise } from '../../commands/add-compromise.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import type { Compromise } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { WordsField } from '../../ui/fields.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { PlaceField } from '../../ui/PlaceField.tsx';
import { Button } from 'antd';
import css from './brief.module.css';

/** Less than good, said openly, and accepted by the client. */
export function Compromises() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const list = listOf(project, 'compromises');
  return (
    <section className={css.briefPage} aria-label={text('brief.views.compromises')}>
      <p className="faint">{text('brief.compromisesLead')}</p>
      {list.map((one) => {
        const change = (after: Partial<Compromise>) => {
          const operations = changeRecord('compromises', one, after);
          if (operations.length > 0) edit(text('brief.views.compromises'), operations);
        };
        return (
          <article key={one.id} className={css.decision}>
            <header>
              <span className={`chip ${one.signedOn ? 'fine' : 'look'}`}>
                {one.signedOn ? text('brief.signedBy', { by: one.acceptedBy, on: one.signedOn }) : text('brief.notSigned')}
              </span>
            </header>
            <div className={css.briefFacts}>
              <WordsField label={text('brief.what')} value={one.what} max={200} required onChange={(what) => change({ what })} />
              <PlaceField value={one} onChange={change} />
              <DayField label={text('brief.agreedOn')} value={one.on} onChange={(on) => change({ on })} />
              <WordsField label={text('brief.reason')} value={one.reason} max={400} onChange={(reason) => change({ reason })} />
              <WordsField label={text('brief.effect')} value={one.effect} max={400} onChange={(effect) => change({ effect })} />
              <WordsField
                label={text('brief.acceptedBy')}
                value={one.acceptedBy}
                max={60}
                onChange={(acceptedBy) => change({ acceptedBy })}
              />
            </div>
            <div className="panel-buttons">
              <Button
                size="small"
                disabled={one.acceptedBy === '' || one.effect === ''}
                onClick={() => change({ signedOn: one.signedOn ? '' : today() })}
              >
                {one.signedOn ? text('brief.unsign') : text('brief.signToday')}
              </Button>
              <Button size="small" onClick={() => edit(text('brief.remove'), removeRecords('compromises', [one]))}>
                {text('brief.remove')}
              </Button>
            </div>
          </article>
        );
      })}
      <Button
        onClick={() =>
          edit(
            text('brief.compromiseAdd'),
            addCompromise(project, { id: newRecordId('cp'), what: text('brief.compromiseNew'), on: today() }),
          )
        }
      >
        {text('brief.compromiseAdd')}
      </Button>
    </section>
  );
}
