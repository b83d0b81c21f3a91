import { unlabelledEnds } from '@dusky-spool/core/rules';
import { type Operation, updateProject } from '@dusky-spool/core/model';
import { Button } from 'antd';
import { labelEnds } from '../../commands/label-ends.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import css from './labels.module.css';

const ORDERS = ['before-pull', 'after-pull'] as const;

/** When ends are labelled, and the register of ends of pulled cables that have no label yet. */
export function UnlabelledEnds({ onRun }: { readonly onRun: (runId: string) => void }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const ends = unlabelledEnds(project);
  const apply = (title: string, operations: readonly (Operation | null)[]) =>
    edit(
      title,
      operations.filter((operation) => operation !== null),
    );
  return (
    <>
      <h3>{text('labels.ends')}</h3>
      <ChoiceField
        label={text('labels.order')}
        value={project.project.labelling}
        options={ORDERS.map((value) => ({ value, label: term(`labelling.${value}`) }))}
        onChange={(labelling) => apply(text('labels.order'), [updateProject(project.project, { labelling })])}
      />
      {ends.length === 0 ? (
        <p className="faint">{text('labels.endsAll')}</p>
      ) : (
        <>
          <p>{text('labels.endsOpen', { count: ends.length })}</p>
          <ul className={css.ends}>
            {ends.map(({ run, end }) => (
              <li key={`${run.id}/${end}`}>
                <button type="button" className="plain link" onClick={() => onRun(run.id)}>
                  {run.number}
                </button>
                <span>{term(`labelledEnds.${end}`)}</span>
                <Button size="small" onClick={() => apply(text('labels.markEnd'), labelEnds(project, [{ runId: run.id, end }]))}>
                  {text('labels.markEnd')}
                </Button>
              </li>
            ))}
          </ul>
          <Button
            onClick={() =>
              apply(
                text('labels.markAll'),
                labelEnds(
                  project,
                  ends.map(({ run, end }) => ({ runId: run.id, end })),
                ),
              )
            }
          >
            {text('labels.markAll')}
          </Button>
        </>
      )}
    </>
  );
}
