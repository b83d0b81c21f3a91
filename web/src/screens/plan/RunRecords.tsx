import { LABELLED_ENDS, type Run } from '@dusky-spool/core/model';
import { isPulled } from '@dusky-spool/core/runs';
import { term, text } from '../../ground/text.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { WordsField } from '../../ui/fields.tsx';

interface Props {
  readonly run: Run;
  readonly onChange: (title: string, after: Partial<Run>) => void;
}

/** What is recorded of a pulled run beside its state: labels on its ends, the raw test before drywall, the test after termination. */
export function RunRecords({ run, onChange }: Props) {
  if (!isPulled(run) && run.labelledEnds === 'none') return null;
  return (
    <>
      <ChoiceField
        label={text('run.labelledEnds')}
        value={run.labelledEnds}
        options={LABELLED_ENDS.map((value) => ({ value, label: term(`labelledEnds.${value}`) }))}
        onChange={(labelledEnds) => onChange(text('run.labelledEnds'), { labelledEnds })}
      />
      <DayField
        label={text('run.rawTestedOn')}
        value={run.rawTestedOn}
        onChange={(rawTestedOn) => onChange(text('run.rawTestedOn'), { rawTestedOn })}
      />
      <DayField
        label={text('run.endTestedOn')}
        value={run.endTestedOn}
        onChange={(endTestedOn) => onChange(text('run.endTestedOn'), { endTestedOn })}
      />
      <WordsField
        label={text('run.testedBy')}
        value={run.testedBy}
        max={60}
        onChange={(testedBy) => onChange(text('run.testedBy'), { testedBy })}
      />
    </>
  );
}
