import { type PriceSettings, type ProjectHeader, updateProject } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { NumberField } from '../../ui/fields.tsx';

import css from './order.module.css';

const PERCENTS = [
  ['margin', 'marginPercent', 95],
  ['tax', 'taxPercent', 100],
  ['deposit', 'depositPercent', 100],
  ['cleanup', 'cleanupPercent', 100],
  ['contingency', 'contingencyPercent', 100],
] as const;

/** Margin, tax, deposit, hours beside the work, and prices as people quote them. */
export function OfferSettings() {
  const { project } = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<ProjectHeader>) => {
    const operation = updateProject(project, after);
    if (operation) edit(text('order.offer.settings'), [operation]);
  };
  const set = (after: Partial<PriceSettings>) => change({ priceSettings: { ...project.priceSettings, ...after } });
  const { currency, priceSettings } = project;
  return (
    <fieldset className={css.fields} aria-label={text('order.offer.settings')}>
      {PERCENTS.map(([name, field, max]) => (
        <NumberField
          key={field}
          label={text(`order.offer.fields.${name}`)}
          value={priceSettings[field]}
          min={0}
          max={max}
          step={0.5}
          onChange={(value) => set({ [field]: value })}
        />
      ))}
      <NumberField
        label={text('order.offer.fields.valid')}
        value={priceSettings.validDays}
        min={1}
        max={365}
        onChange={(validDays) => set({ validDays: Math.round(validDays) })}
      />
      <NumberField
        label={text('order.offer.fields.rate', { currency })}
        value={project.labourRate}
        min={0}
        max={10_000}
        onChange={(labourRate) => change({ labourRate })}
      />
      {(['outlet', 'window'] as const).map((name) => (
        <NumberField
          key={name}
          label={text(`order.offer.fields.${name}`, { currency })}
          value={project[`${name}Price`] ?? undefined}
          min={0}
          max={10_000}
          placeholder={text('order.offer.fields.byHours')}
          onChange={(value) => change({ [`${name}Price`]: value })}
          onEmpty={() => change({ [`${name}Price`]: null })}
        />
      ))}
    </fieldset>
  );
}
