import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import type { Run } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { cautionsOfCable } from '../../ui/cautions-of.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { Link } from 'react-router';
import css from './plan.module.css';

interface Props {
  readonly run: Run;
}

/** What is on both ends of a run, and what each of its conductors is used for. */
export function RunEnds({ run }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const projectId = useProjectStore((state) => state.projectId);
  const change = (after: Partial<Run>) => {
    const operations = changeRecord('runs', run, after);
    if (operations.length > 0) edit(text('run.ends'), operations);
  };
  const maps = listOf(project, 'conductorMaps').toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const map = run.mapId === null ? undefined : project.conductorMaps[run.mapId];
  return (
    <>
      <div className="eyebrow">{text('run.ends')}</div>
      <div className="fields">
        <WordsField
          label={text('recipe.deviceConnector')}
          value={run.deviceConnector}
          max={30}
          onChange={(deviceConnector) => change({ deviceConnector })}
        />
        <WordsField
          label={text('recipe.farConnector')}
          value={run.farConnector}
          max={30}
          onChange={(farConnector) => change({ farConnector })}
        />
        <ChoiceField
          label={text('recipe.map')}
          value={run.mapId ?? ''}
          options={[{ value: '', label: text('recipe.noMap') }, ...maps.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(mapId) => change({ mapId: mapId || null })}
        />
      </div>
      <Cautions ids={cautionsOfCable(project.cableTypes[run.cableTypeId])} />
      {map && (
        <dl className={css.conductorList}>
          {map.lines.map(({ conductor, use }) => (
            <div key={conductor}>
              <dt>{conductor}</dt>
              <dd>{use}</dd>
            </div>
          ))}
        </dl>
      )}
      {map?.note && <p className="faint">{map.note}</p>}
      <Link className="plain link" to={`/p/${projectId}/inspect?view=calculators&run=${run.id}`}>
        {text('run.calculate')}
      </Link>
    </>
  );
}
