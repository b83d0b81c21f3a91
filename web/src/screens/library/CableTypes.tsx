import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { CABLE_MATERIALS, type CablesReply, type CableType, JACKET_RATINGS, SYSTEMS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { App as AntApp, Button, Select } from 'antd';
import { useState } from 'react';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { putJson } from '../../ground/api/http.ts';
import { useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import css from './library.module.css';

/** The cables of the project as they are bought: construction, jacket, price, spool; own ones are copies of what is there. */
export function CableTypes({ find }: { readonly find: string }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [chosen, setChosen] = useState<string | null>(null);
  const words = find.trim().toLowerCase();
  const cables = listOf(project, 'cableTypes')
    .filter(({ name, family }) => `${name} ${family}`.toLowerCase().includes(words))
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const cable = (chosen === null ? undefined : project.cableTypes[chosen]) ?? cables[0];
  const runs = new Map<string, number>();
  for (const { cableTypeId } of listOf(project, 'runs')) runs.set(cableTypeId, (runs.get(cableTypeId) ?? 0) + 1);
  const add = () => {
    if (!cable) return;
    const id = newRecordId('cb');
    const copy = { ...cable, id, name: text('library.copyOf', { name: cable.name }).slice(0, 80) };
    if (edit(text('cables.add'), createRecords('cableTypes', [copy]))) setChosen(id);
  };
  return (
    <div className={css.mapsScreen}>
      <div className="table-paper">
        <table className={css.libraryTable}>
          <thead>
            <tr>
              <th scope="col">{text('schedule.cable')}</th>
              <th scope="col">{text('library.system')}</th>
              <th scope="col">{text('cables.jacket')}</th>
              <Costs>
                <th scope="col">{text('cables.price', { currency: project.project.currency })}</th>
              </Costs>
              <th scope="col">{text('maps.runs')}</th>
            </tr>
          </thead>
          <tbody>
            {cables.map((one) => (
              <tr key={one.id} className={one.id === cable?.id ? 'chosen' : ''}>
                <th scope="row">
                  <button type="button" className="plain" aria-pressed={one.id === cable?.id} onClick={() => setChosen(one.id)}>
                    <span>{one.name}</span>
                  </button>
                </th>
                <td>{term(`systems.${one.system}`)}</td>
                <td>
                  {[one.rating, ...one.alsoRated].map((rating) => term(`jacketRatings.${rating}`)).join(', ')}
                  {one.jacketColour && ` · ${one.jacketColour}`}
                </td>
                <Costs>
                  <td>{one.pricePerM.toFixed(2)}</td>
                </Costs>
                <td>{runs.get(one.id) ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className={css.libraryActions}>
          <Button size="small" disabled={!cable} onClick={add}>
            {text('cables.add')}
          </Button>
        </div>
      </div>
      {cable && <CableCard key={cable.id} cable={cable} runs={runs.get(cable.id) ?? 0} onGone={() => setChosen(null)} />}
    </div>
  );
}

interface CardProps {
  readonly cable: CableType;
  readonly runs: number;
  readonly onGone: () => void;
}

/** One cable with everything that routing, checks and prices know of it. */
function CableCard({ cable, runs, onGone }: CardProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { currency } = project.project;
  const types = listOf(project, 'deviceTypes').filter(({ cables }) => cables.some(({ cableTypeId }) => cableTypeId === cable.id));
  const change = (after: Partial<CableType>) => {
    const operations = changeRecord('cableTypes', cable, after);
    if (operations.length > 0) edit(text('cables.change', { name: cable.name }), operations);
  };
  return (
    <aside className={css.libraryCard} aria-label={text('cables.card')}>
      <h2>{cable.name}</h2>
      <p className="faint">{text('maps.usedBy', { runs, types: types.length })}</p>
      <div className="fields">
        <WordsField label={text('device.name')} value={cable.name} max={80} required onChange={(name) => change({ name })} />
        <ChoiceField
          label={text('library.system')}
          value={cable.system}
          options={SYSTEMS.map((value) => ({ value, label: term(`systems.${value}`) }))}
          onChange={(system) => change({ system })}
        />
        <Construction cable={cable} change={change} />
        <ChoiceField
          label={text('labels.rating')}
          value={cable.rating}
          options={JACKET_RATINGS.map((value) => ({ value, label: term(`jacketRatings.${value}`) }))}
          onChange={(rating) => change({ rating })}
        />
        <label className="field">
          <span>{text('cables.alsoRated')}</span>
          <Select
            mode="multiple"
            value={cable.alsoRated}
            aria-label={text('cables.alsoRated')}
            options={JACKET_RATINGS.filter((value) => value !== cable.rating).map((value) => ({
              value,
              label: term(`jacketRatings.${value}`),
            }))}
            onChange={(alsoRated) => change({ alsoRated })}
          />
        </label>
        <WordsField
          label={text('cables.colour')}
          value={cable.jacketColour}
          max={20}
          onChange={(jacketColour) => change({ jacketColour })}
        />
        <Costs>
          <NumberField
            label={text('cables.price', { currency })}
            value={cable.pricePerM}
            min={0}
            max={1_000_000}
            step={0.05}
            onChange={(pricePerM) => change({ pricePerM })}
          />
        </Costs>
        <SizeField cable={cable} field="spoolM" change={change} />
        <SwitchField label={text('cables.stranded')} value={cable.stranded} onChange={(stranded) => change({ stranded })} />
      </div>
      <KeepCable cable={cable} />
      {runs === 0 && types.length === 0 && (
        <Button
          danger
          size="small"
          onClick={() => {
            if (edit(text('cables.remove', { name: cable.name }), removeRecords('cableTypes', [cable]))) onGone();
          }}
        >
          {text('cables.remove', { name: cable.name })}
        </Button>
      )}
    </aside>
  );
}

/** Saves a cable for the firm: its new projects start with it. */
function KeepCable({ cable }: { readonly cable: CableType }) {
  const mayPlan = useRight('plan');
  const { message } = AntApp.useApp();
  const keep = async () => {
    try {
      await putJson<CablesReply>('/library/cables', { cables: [cable] });
      void message.success(text('cables.kept', { name: cable.name }));
    } catch (error) {
      void message.warning(sentenceOf(error));
    }
  };
  return mayPlan ? (
    <Button size="small" onClick={() => void keep()}>
      {text('cables.keep')}
    </Button>
  ) : null;
}

interface FieldsProps {
  readonly cable: CableType;
  readonly change: (after: Partial<CableType>) => void;
}

/** What it is made of, and what routing and holes need to know. */
function Construction({ cable, change }: FieldsProps) {
  return (
    <>
      <NumberField
        label={text('cables.conductors')}
        value={cable.conductors}
        min={1}
        max={100}
        onChange={(conductors) => change({ conductors })}
      />
      <NumberField
        label={text('cables.gauge')}
        value={cable.gaugeAwg ?? undefined}
        placeholder={text('cables.noGauge')}
        min={-3}
        max={40}
        onChange={(gaugeAwg) => change({ gaugeAwg })}
        onEmpty={() => change({ gaugeAwg: null })}
      />
      <ChoiceField
        label={text('cables.material')}
        value={cable.material}
        options={CABLE_MATERIALS.map((value) => ({ value, label: term(`cableMaterials.${value}`) }))}
        onChange={(material) => change({ material })}
      />
      <WordsField label={text('cables.family')} value={cable.family} max={40} onChange={(family) => change({ family })} />
      <SizeField cable={cable} field="outsideDiameterM" change={change} />
      <SizeField cable={cable} field="bendRadiusM" change={change} />
      <NumberField label={text('cables.pull')} value={cable.pullN} min={1} max={10_000} onChange={(pullN) => change({ pullN })} />
    </>
  );
}

function SizeField({ cable, field, change }: FieldsProps & { readonly field: 'outsideDiameterM' | 'bendRadiusM' | 'spoolM' }) {
  const { units } = useProject().project;
  return (
    <LengthField
      label={text(`cables.${field}`)}
      valueM={cable[field]}
      units={units}
      onChange={(valueM) => valueM !== null && change({ [field]: valueM })}
    />
  );
}
