import { changeRecord } from '../../commands/change-record.ts';
import { listOf } from '@dusky-spool/core/derive';
import type { Run } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { SwitchField } from '../../ui/fields.tsx';

/** Whether a run is a new cable or one that is in the house already, and whether it is stored for later. */
export function RunSupply({ run }: { readonly run: Run }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const wiring = listOf(project, 'features').filter(({ kind }) => kind === 'existing-wiring');
  const change = (title: string, after: Partial<Run>) => {
    const operations = changeRecord('runs', run, after);
    if (operations.length > 0) edit(title, operations);
  };
  return (
    <>
      {wiring.length > 0 && (
        <ChoiceField
          label={text('run.supply')}
          value={run.foundId ?? ''}
          options={[
            { value: '', label: text('run.newCable') },
            ...wiring.map(({ id, name, contents, levelId }) => ({
              value: id,
              label: text('run.existingCable', {
                name: name || contents || term('features.existing-wiring'),
                level: project.levels[levelId].name,
              }),
            })),
          ]}
          onChange={(id) => change(text('run.supply'), { foundId: id || null })}
        />
      )}
      {(run.stored || run.state === 'pulled') && (
        <SwitchField
          label={text('run.stored')}
          value={run.stored}
          onChange={(stored) => change(text('run.stored'), { stored })}
        />
      )}
    </>
  );
}
