import {
  freeName,
  fromTop,
  type HeadEnd,
  isRackMounted,
  newEquipment,
  presetOf,
  presetsFor,
  shelfUnits,
} from '@dusky-spool/core/head-end';
import { type Equipment, removeWithDependants } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { Select } from 'antd';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { KindFields } from './KindFields.tsx';
import { placeText } from './place-text.ts';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly chosenId: string | null;
  readonly mayPlan: boolean;
  readonly onChoose: (id: string | null) => void;
}

/** Everything in a head end as a list, and what is known of the chosen piece. */
export function EquipmentTable({ headEnd, chosenId, mayPlan, onChoose }: Props) {
  const { rack, equipment } = headEnd;
  const { edit } = useProjectParts('edit');
  const chosen = equipment.find(({ id }) => id === chosenId);
  const add = (presetId: string) => {
    const preset = presetOf(presetId);
    if (!preset) return;
    const id = newRecordId('eq');
    const name = freeName(preset.name, new Set(equipment.map((one) => one.name)));
    const isRack = isRackMounted(rack);
    const units = !isRack ? 0 : preset.units > 0 ? preset.units : shelfUnits(preset);
    edit(
      text('headEnd.edits.add', { name }),
      createRecords('equipment', [newEquipment(preset, { id, rackId: rack.id, name, units })]),
    );
    onChoose(id);
  };
  return (
    <>
      {mayPlan && (
        <Select
          className={css.add}
          value={null}
          showSearch={{ optionFilterProp: 'label' }}
          placeholder={text('headEnd.add')}
          aria-label={text('headEnd.add')}
          options={presetsFor(rack).map(({ presetId, name }) => ({ value: presetId, label: name }))}
          onChange={(presetId: string | null) => presetId && add(presetId)}
        />
      )}
      {equipment.length === 0 ? (
        <p className={css.empty}>{text('headEnd.empty')}</p>
      ) : (
        <table className={css.table}>
          <thead>
            <tr>
              {(['name', 'place', 'power', 'heat', 'weight', 'ports'] as const).map((one) => (
                <th key={one} scope="col">
                  {text(`headEnd.columns.${one}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sorted(equipment).map((one) => (
              <tr key={one.id} className={one.id === chosenId ? 'chosen' : ''} onClick={() => onChoose(one.id)}>
                <th scope="row">
                  <button type="button" className="plain" onClick={() => onChoose(one.id)}>
                    {one.name}
                  </button>
                </th>
                <td>{placeText(one)}</td>
                <td>{one.powerW === 0 ? '–' : `${Math.round(one.powerW)} W`}</td>
                <td>{one.heatW === 0 ? '–' : `${Math.round(one.heatW)} W`}</td>
                <td>{one.weightKg.toFixed(1)} kg</td>
                <td>{portsText(one, headEnd)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {chosen && <EquipmentFields key={chosen.id} one={chosen} {...{ headEnd, mayPlan, onChoose }} />}
    </>
  );
}

/** From the top down. */
const sorted = (equipment: readonly Equipment[]): Equipment[] =>
  [...equipment].sort((a, b) => fromTop(a, b) || (a.name < b.name ? -1 : 1));

function portsText(one: Equipment, { terminations, patches }: HeadEnd): string {
  const there = one.ports.reduce((sum, { kind, count }) => sum + (kind === 'mains' ? 0 : count), 0);
  if (there === 0) return '–';
  const used = [...terminations.values()].filter(({ equipmentId }) => equipmentId === one.id).length;
  const cords = patches.reduce(
    (sum, patch) => sum + Number(patch.equipmentId === one.id) + Number(patch.toEquipmentId === one.id),
    0,
  );
  // A panel is counted by its runs: each of its ports may have a cord besides.
  const isPanel = one.kind === 'patch-panel' || one.kind === 'coax-panel';
  return text('headEnd.portsUsed', { used: isPanel ? used : used + cords, there });
}

function EquipmentFields({
  one,
  headEnd,
  mayPlan,
  onChoose,
}: Pick<Props, 'headEnd' | 'mayPlan' | 'onChoose'> & { readonly one: Equipment }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Equipment>) => {
    const operations = changeRecord('equipment', one, after);
    if (operations.length > 0) edit(text('headEnd.edits.change', { name: one.name }), operations);
  };
  const number = (field: 'powerW' | 'heatW' | 'weightKg' | 'depthM', max: number, step = 1) => (
    <NumberField
      label={text(`headEnd.fields.${field}`)}
      value={one[field]}
      {...{ max, step }}
      min={field === 'depthM' ? 0.001 : 0}
      onChange={(value) => change({ [field]: value })}
    />
  );
  return (
    <fieldset className={css.panel} disabled={!mayPlan}>
      <h2 className={css.part}>{term(`equipment.${one.kind}`)}</h2>
      <div className={css.fields}>
        <WordsField
          label={text('headEnd.fields.name')}
          value={one.name}
          max={60}
          required
          onChange={(name) => change({ name })}
        />
        {one.units > 0 && (
          <NumberField
            label={text('headEnd.fields.atUnit')}
            value={one.atUnit ?? undefined}
            placeholder={text('headEnd.notPlaced')}
            min={1}
            max={headEnd.rack.units}
            onChange={(atUnit) => change({ atUnit })}
            onEmpty={() => change({ atUnit: null })}
          />
        )}
        {number('depthM', 3, 0.01)}
        {number('powerW', 100_000)}
        {number('heatW', 100_000)}
        {number('weightKg', 1000, 0.1)}
        {one.isMains && <FeedField {...{ one, headEnd, change }} />}
        <NumberField
          label={text('headEnd.fields.startOrder')}
          value={one.startOrder}
          min={0}
          max={99}
          onChange={(startOrder) => change({ startOrder })}
        />
        <NumberField
          label={text('headEnd.fields.shedAfterMin')}
          value={one.shedAfterMin ?? undefined}
          placeholder={text('headEnd.staysOn')}
          min={0}
          max={1440}
          onChange={(shedAfterMin) => change({ shedAfterMin })}
          onEmpty={() => change({ shedAfterMin: null })}
        />
        <KindFields {...{ one, change }} />
        <WordsField label={text('headEnd.fields.serial')} value={one.serial} max={60} onChange={(serial) => change({ serial })} />
        <SwitchField label={text('headEnd.fields.isLocked')} value={one.isLocked} onChange={(isLocked) => change({ isLocked })} />
      </div>
      <SmallButton
        onClick={() => {
          edit(text('headEnd.edits.remove', { name: one.name }), removeWithDependants(project, 'equipment', one.id));
          onChoose(null);
        }}
      >
        {text('headEnd.remove')}
      </SmallButton>
    </fieldset>
  );
}

/** What a piece of equipment is plugged into: a strip or UPS of its head end, or an outlet of a circuit. */
function FeedField({
  one,
  headEnd,
  change,
}: Pick<Props, 'headEnd'> & { readonly one: Equipment; readonly change: (after: Partial<Equipment>) => void }) {
  const circuits = listOf(useProject(), 'circuits');
  const strips = headEnd.equipment.filter(({ id, ports }) => id !== one.id && ports.some(({ kind }) => kind === 'mains'));
  return (
    <ChoiceField
      label={text('headEnd.fields.feed')}
      value={one.feedId ?? (one.circuitId === null ? 'none' : `circuit ${one.circuitId}`)}
      options={[
        { value: 'none', label: text('headEnd.noFeed') },
        ...strips.map(({ id, name }) => ({ value: id, label: name })),
        ...circuits.map(({ id, name }) => ({ value: `circuit ${id}`, label: text('headEnd.onCircuit', { name }) })),
      ]}
      onChange={(value) =>
        change(
          value.startsWith('circuit ')
            ? { feedId: null, circuitId: value.slice('circuit '.length) }
            : { feedId: value === 'none' ? null : value, circuitId: null },
        )
      }
    />
  );
}
