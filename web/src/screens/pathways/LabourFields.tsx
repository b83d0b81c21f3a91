import { useProject } from '../../state/open-project.ts';
import { LABOUR_NAMES, type Operation, updateProject } from '@dusky-spool/core/model';
import { factorsOf } from '@dusky-spool/core/pathways';
import { text } from '../../ground/text.ts';
import { NumberField } from '../../ui/fields.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
}

/** The hours of boring and pulling in this project: the usual ones, with what the firm has changed. */
export function LabourFields({ onEdit }: Props) {
  const project = useProject();
  const header = project.project;
  const [open, setOpen] = useState(false);
  const usual = factorsOf({ project: { ...header, labour: {} } });
  const changed = Object.keys(header.labour).length;
  const write = (labour: typeof header.labour) => {
    const operation = updateProject(header, { labour });
    if (operation) onEdit(text('ways.labour'), [operation]);
  };
  const set = (name: (typeof LABOUR_NAMES)[number], value: number) => {
    const { [name]: _was, ...others } = header.labour;
    write(value === usual[name] ? others : { ...others, [name]: value });
  };
  return (
    <div className={css.weights}>
      <button type="button" className="plain link" aria-expanded={open} onClick={() => setOpen(!open)}>
        {text('ways.labour')}
        {changed > 0 && ` · ${text('ways.weightsChanged', { count: changed })}`}
      </button>
      {open && (
        <>
          <p className="faint">{text('ways.labourHint')}</p>
          <div className="fields">
            {LABOUR_NAMES.map((name) => (
              <NumberField
                key={name}
                label={text(`ways.labourNames.${name}`)}
                value={header.labour[name] ?? usual[name]}
                min={0}
                max={100}
                onChange={(value) => set(name, value)}
              />
            ))}
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
