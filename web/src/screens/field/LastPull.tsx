import { pullFigure } from '@dusky-spool/core/field';
import { formatCableLength } from '@dusky-spool/core/math';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { useDerived } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { WordsField } from '../../ui/fields.tsx';

import css from './field.module.css';

export interface Recorded {
  readonly runId: string;
  /** Null where nobody measured it. */
  readonly lengthM: number | null;
  readonly turnedOver: boolean;
}

/** The pull that was recorded last, against the plan; one that is out of range asks why. */
export function LastPull({ recorded: { runId, lengthM, turnedOver } }: { readonly recorded: Recorded }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const planned = useDerived(project).runById.get(runId);
  const run = project.runs[runId];
  if (!run || !planned) return null;
  const { units } = project.project;
  if (lengthM === null)
    return (
      <section className={css.last} role="status">
        ✓ {text('stage.field.unmeasured', { number: run.number })}
      </section>
    );
  const figure = pullFigure(planned, lengthM);
  const over = figure?.overM ?? 0;
  const signed = `${over < 0 ? '−' : '+'}${formatCableLength(Math.abs(over), units)}`;
  return (
    <section className={css.last} role="status">
      <p>
        ✓ {text('stage.field.recorded', { number: run.number, length: formatCableLength(lengthM, units), over: signed })}{' '}
        {turnedOver && text('stage.field.turned')}
      </p>
      {figure?.isOutside && (
        <>
          <p className={css.bad}>{text('stage.field.outside')}</p>
          <WordsField
            label={text('stage.field.reason')}
            value={run.note}
            max={2000}
            onChange={(note) => {
              const operations = changeRecord('runs', run, { note });
              if (operations.length > 0) edit(text('stage.field.reason'), operations);
            }}
          />
        </>
      )}
    </section>
  );
}
