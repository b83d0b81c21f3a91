import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import {
  ATTITUDES,
  BOX_KINDS,
  BRIEF_TOPICS,
  type DeviceType,
  MOUNTS,
  removeWithDependants,
  SYSTEMS,
} from '@dusky-spool/core/model';
import { typesFitting } from '@dusky-spool/core/devices';
import { term, text } from '../../ground/text.ts';
import { useProjectParts } from '../../state/project.ts';
import { BeadIcon } from '../../ui/Bead.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { RecipeEditor } from './RecipeEditor.tsx';
import { Button, Select } from 'antd';
import css from './library.module.css';

interface Props {
  readonly type: DeviceType;
  /** The same type in the firm's library. */
  readonly firm: DeviceType | undefined;
  readonly used: number;
  readonly onKeep: () => void;
}

/** One type with everything that planning needs of it. A change holds in this project; keeping it gives it to the firm. */
export function TypeCard({ type, firm, used, onKeep }: Props) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { units } = project.project;
  const change = (after: Partial<DeviceType>) => {
    const operations = changeRecord('deviceTypes', type, after);
    if (operations.length > 0) edit(text('library.edit', { name: type.name }), operations);
  };
  const optional = (value: number) => (value > 0 ? value : null);
  return (
    <aside className={`inspector ${css.libraryCard}`} aria-label={type.name}>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{type.name}</h2>
          <p>
            <BeadIcon code={type.code} system={type.system} /> {text('library.version', { version: type.version })}
            {firm && firm.version !== type.version && ` · ${text('library.firmVersion', { version: firm.version })}`}
          </p>
        </div>
      </div>
      <div className="fields">
        <WordsField label={text('library.name')} value={type.name} max={80} required onChange={(name) => change({ name })} />
        <WordsField
          label={text('library.code')}
          value={type.code}
          max={2}
          onChange={(code) => /^[A-Z0-9]{2}$/.test(code.toUpperCase()) && change({ code: code.toUpperCase() })}
        />
        <ChoiceField
          label={text('library.system')}
          value={type.system}
          options={SYSTEMS.map((value) => ({ value, label: term(`systems.${value}`) }))}
          onChange={(system) => change({ system })}
        />
        <ChoiceField
          label={text('library.answers')}
          value={type.answers ?? ''}
          options={[
            { value: '', label: text('library.nobody') },
            ...BRIEF_TOPICS.map((value) => ({ value, label: term(`topics.${value}`) })),
          ]}
          onChange={(answers) => change({ answers: answers === '' ? null : answers })}
        />
        <ChoiceField
          label={text('library.mount')}
          value={type.mount}
          options={MOUNTS.map((value) => ({ value, label: term(`mounts.${value}`) }))}
          onChange={(mount) => change({ mount })}
        />
        <LengthField
          label={text('device.height')}
          valueM={type.defaultHeightM}
          units={units}
          mayBeEmpty
          placeholder={text('device.atCeiling')}
          onChange={(defaultHeightM) => change({ defaultHeightM })}
        />
        <ChoiceField
          label={text('library.box')}
          value={type.boxKind}
          options={BOX_KINDS.map((value) => ({ value, label: term(`boxes.${value}`) }))}
          onChange={(boxKind) => change({ boxKind })}
        />
        {type.cutOut && (
          <>
            <LengthField
              label={text(type.cutOut.shape === 'round' ? 'library.holeDiameter' : 'library.holeWidth')}
              valueM={type.cutOut.widthM}
              units={units}
              onChange={(value) =>
                value !== null &&
                change({
                  cutOut: { ...type.cutOut!, widthM: value, ...(type.cutOut!.shape === 'round' ? { heightM: value } : {}) },
                })
              }
            />
            {type.cutOut.shape === 'rectangle' && (
              <LengthField
                label={text('library.holeHeight')}
                valueM={type.cutOut.heightM}
                units={units}
                onChange={(value) => value !== null && change({ cutOut: { ...type.cutOut!, heightM: value } })}
              />
            )}
            <LengthField
              label={text('library.depth')}
              valueM={type.depthM}
              units={units}
              onChange={(depthM) => depthM !== null && change({ depthM })}
            />
            <LengthField
              label={text('library.clamp')}
              valueM={type.clampM}
              units={units}
              onChange={(clampM) => clampM !== null && change({ clampM })}
            />
          </>
        )}
        <NumberField
          label={text('library.weight')}
          value={type.weightKg}
          min={0}
          max={2000}
          step={0.1}
          onChange={(weightKg) => change({ weightKg })}
        />
        <LengthField
          label={text('library.clear')}
          valueM={type.keepClearM}
          units={units}
          onChange={(keepClearM) => keepClearM !== null && change({ keepClearM })}
        />
        <NumberField
          label={text('library.poeClass')}
          value={type.poeClass ?? 0}
          min={0}
          max={8}
          onChange={(value) => change({ poeClass: optional(value) })}
        />
        <NumberField
          label={text('library.mainsW')}
          value={type.mainsW ?? 0}
          min={0}
          max={100_000}
          onChange={(value) =>
            change({ mainsW: type.link === 'cable' || type.link === 'battery-radio' ? optional(value) : value })
          }
        />
        <NumberField
          label={text('library.heat')}
          value={type.heatW}
          min={0}
          max={100_000}
          onChange={(heatW) => change({ heatW })}
        />
        {type.impedanceOhm !== null && (
          <NumberField
            label={text('library.impedance')}
            value={type.impedanceOhm}
            min={1}
            max={10_000}
            onChange={(impedanceOhm) => change({ impedanceOhm })}
          />
        )}
        <Costs>
          <NumberField
            label={text('library.price')}
            value={type.price}
            min={0}
            max={1_000_000}
            step={1}
            onChange={(price) => change({ price })}
          />
        </Costs>
        <NumberField
          label={text('library.hours')}
          value={type.hours}
          min={0}
          max={1000}
          step={0.1}
          onChange={(hours) => change({ hours })}
        />
        <label className="field">
          <span>{text('library.attitudes')}</span>
          <Select
            mode="multiple"
            aria-label={text('library.attitudes')}
            placeholder={text('library.attitudesAll')}
            value={type.attitudes}
            options={ATTITUDES.map((value) => ({ value, label: term(`attitudes.${value}`) }))}
            onChange={(attitudes) => change({ attitudes })}
          />
        </label>
        <WordsField
          label={text('library.controlFamily')}
          value={type.controlFamily}
          max={40}
          onChange={(controlFamily) => change({ controlFamily })}
        />
        <WordsField label={text('library.tools')} value={type.tools} max={200} onChange={(tools) => change({ tools })} />
        <WordsField label={text('library.premade')} value={type.premade} max={200} onChange={(premade) => change({ premade })} />
      </div>
      {type.part === 'device' && <RecipeEditor type={type} used={used} />}
      {type.part === 'bracket' && (
        <>
          <div className="eyebrow">{text('device.stillFits')}</div>
          <ul className={css.portList}>
            {typesFitting(project, type).map(({ id, name }) => (
              <li key={id}>{name}</li>
            ))}
          </ul>
        </>
      )}
      {type.ports.length > 0 && (
        <>
          <div className="eyebrow">{text('library.ports')}</div>
          <ul className={css.portList}>
            {type.ports.map(({ name, connector, direction }) => (
              <li key={name}>
                <b>{name}</b> {connector} <span className="faint">{text(`library.directions.${direction}`)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="panel-buttons">
        <Button size="small" onClick={onKeep}>
          {text('library.keep')}
        </Button>
        <Button
          size="small"
          danger
          disabled={used > 0}
          onClick={() => edit(text('library.remove', { name: type.name }), removeWithDependants(project, 'deviceTypes', type.id))}
        >
          {used > 0 ? text('library.inUse', { count: used }) : text('brief.remove')}
        </Button>
      </div>
    </aside>
  );
}
