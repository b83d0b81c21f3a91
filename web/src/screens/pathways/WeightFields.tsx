import { useProject } from '../../state/open-project.ts';
import { type Operation, updateProject, WEIGHT_NAMES, type WeightName } from '@dusky-spool/core/model';
import { BARRED_M, weightsOf } from '@dusky-spool/core/routing';
import { text } from '../../ground/text.ts';
import { NumberField } from '../../ui/fields.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
}

/** What a route costs in this project, in metres of cable: as its construction has it, with what the firm has changed. */
export function WeightFields({ onEdit }: Props) {
  const project = useProject();
  const header = project.project;
  const [open, setOpen] = useState(false);
  const usual = weightsOf({ ...header, routeWeights: {} });
  const changed = Object.keys(header.routeWeights).length;
  const write = (routeWeights: typeof header.routeWeights) => {
    const operation = updateProject(header, { routeWeights });
    if (operation) onEdit(text('ways.weights'), [operation]);
  };
  const set = (name: WeightName, value: number) => {
    const { [name]: _was, ...others } = header.routeWeights;
    write(value === usual[name] ? others : { ...others, [name]: value });
  };
  return (
    <div className={css.weights}>
      <button type="button" className="plain link" aria-expanded={open} onClick={() => setOpen(!open)}>
        {text('ways.weights')}
        {changed > 0 && ` · ${text('ways.weightsChanged', { count: changed })}`}
      </button>
      {open && (
        <>
          <p className="faint">{text('ways.weightsHint')}</p>
          <div className="fields">
            {WEIGHT_NAMES.map((name) =>
              usual[name] >= BARRED_M ? (
                <p key={name} className="faint">
                  {text(`ways.weightNames.${name}`)}: {text('ways.barred')}
                </p>
              ) : (
                <NumberField
                  key={name}
                  label={text(`ways.weightNames.${name}`)}
                  value={header.routeWeights[name] ?? usual[name]}
                  min={0}
                  max={1000}
                  onChange={(value) => set(name, value)}
                />
              ),
            )}
          </div>
          {changed > 0 && (
            <Button size="small" onClick={() => write({})}>
              {text('ways.weightsBack')}
            </Button>
          )}
        </>
      )}
    </div>
  );
}
