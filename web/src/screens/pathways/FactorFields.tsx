import { text } from '../../ground/text.ts';
import { NumberField } from '../../ui/fields.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props<Name extends string> {
  readonly title: string;
  readonly hint: string;
  readonly names: readonly Name[];
  readonly labelOf: (name: Name) => string;
  readonly usual: Readonly<Record<Name, number>>;
  /** What the firm has changed. */
  readonly changed: Readonly<Partial<Record<Name, number>>>;
  readonly max: number;
  /** From here on a figure says that it may not be done; left out where every figure is one. */
  readonly barredFrom?: number;
  readonly onChange: (changed: Readonly<Partial<Record<Name, number>>>) => void;
}

/** Figures with their usual values, folded away, that a firm may change and reset. */
export function FactorFields<Name extends string>(props: Props<Name>) {
  const { title, hint, names, labelOf, usual, changed, max, barredFrom = Infinity, onChange } = props;
  const [open, setOpen] = useState(false);
  const count = Object.keys(changed).length;
  const set = (name: Name, value: number) => {
    const { [name]: _was, ...others } = changed;
    onChange((value === usual[name] ? others : { ...others, [name]: value }) as Partial<Record<Name, number>>);
  };
  return (
    <div className={css.weights}>
      <button type="button" className="plain link" aria-expanded={open} onClick={() => setOpen(!open)}>
        {title}
        {count > 0 && ` · ${text('ways.weightsChanged', { count })}`}
      </button>
      {open && (
        <>
          <p className="faint">{hint}</p>
          <div className="fields">
            {names.map((name) =>
              usual[name] >= barredFrom ? (
                <p key={name} className="faint">
                  {labelOf(name)}: {text('ways.barred')}
                </p>
              ) : (
                <NumberField
                  key={name}
                  label={labelOf(name)}
                  value={changed[name] ?? usual[name]}
                  min={0}
                  max={max}
                  onChange={(value) => set(name, value)}
                />
              ),
            )}
          </div>
          {count > 0 && (
            <Button size="small" onClick={() => onChange({} as Partial<Record<Name, number>>)}>
              {text('ways.weightsBack')}
            </Button>
          )}
        </>
      )}
    </div>
  );
}
