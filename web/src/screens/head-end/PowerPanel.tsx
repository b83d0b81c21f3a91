import { listOf } from '@dusky-spool/core/derive';
import { firstFree } from '@dusky-spool/core/math';
import type { HeadEnd } from '@dusky-spool/core/head-end';
import { type Circuit, removeWithDependants } from '@dusky-spool/core/model';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './head-end.module.css';

interface Props {
  readonly headEnd: HeadEnd;
  readonly mayPlan: boolean;
}

/** What a head end draws, gives off and holds out; its circuits with their load. */
export function PowerPanel({ headEnd, mayPlan }: Props) {
  const nameOf = (id: string) => headEnd.equipment.find((one) => one.id === id)?.name ?? '';
  return (
    <fieldset className={css.panel} disabled={!mayPlan}>
      <Bars {...{ headEnd, nameOf }} />
      <Facts {...{ headEnd, nameOf }} />
      <Circuits mayPlan={mayPlan} />
    </fieldset>
  );
}

interface PartProps {
  readonly headEnd: HeadEnd;
  readonly nameOf: (id: string) => string;
}

/** Every budget as a bar. */
function Bars({ headEnd: { power, poe, recorder, supplies }, nameOf }: PartProps) {
  return (
    <ul className={css.bars}>
      {poe.map(({ equipmentId, needW, budgetW, plannedMostW }) => (
        <Bar
          key={equipmentId}
          label={text('headEnd.poe', { name: nameOf(equipmentId) })}
          value={needW}
          most={budgetW}
          planned={plannedMostW}
          unit="W"
        />
      ))}
      {power.circuits.map(({ circuit, va, mostVa }) => (
        <Bar
          key={circuit.id}
          label={text('headEnd.circuitLoad', { name: circuit.name })}
          value={va}
          most={mostVa}
          planned={mostVa}
          unit="VA"
        />
      ))}
      {power.feeds.map(({ equipmentId, plugs, outlets }) => (
        <Bar
          key={equipmentId}
          label={text('headEnd.outlets', { name: nameOf(equipmentId) })}
          value={plugs}
          most={outlets}
          planned={outlets}
          unit=""
        />
      ))}
      {power.ups.map(({ equipmentId, loadW, ratedW }) => (
        <Bar
          key={`ups ${equipmentId}`}
          label={text('headEnd.upsLoad', { name: nameOf(equipmentId) })}
          value={loadW}
          most={ratedW}
          planned={ratedW / 1.25}
          unit="W"
        />
      ))}
      {supplies.map(({ equipmentId, used, outputs }) => (
        <Bar
          key={`supply ${equipmentId}`}
          label={text('headEnd.outputs', { name: nameOf(equipmentId) })}
          value={used}
          most={outputs}
          planned={outputs}
          unit=""
        />
      ))}
      {recorder && recorder.cameras > 0 && (
        <Bar
          label={text('headEnd.channels')}
          value={recorder.cameras}
          most={recorder.channels}
          planned={recorder.channels}
          unit=""
        />
      )}
    </ul>
  );
}

/** Heat and air, minutes and days. */
function Facts({ headEnd: { power, recorder }, nameOf }: PartProps) {
  return (
    <ul className={css.facts}>
      <li>
        {text('headEnd.heat', {
          watts: Math.round(power.heatW),
          btu: Math.round(power.btuPerH),
          litres: Math.ceil(1000 * power.airM3PerS),
          cfm: Math.ceil(power.cfm),
        })}
      </li>
      {power.ups.map(({ equipmentId, minutes }) => (
        <li key={equipmentId}>
          {text('headEnd.upsTime', {
            name: nameOf(equipmentId),
            minutes: minutes === null || !Number.isFinite(minutes) ? '–' : Math.floor(minutes),
          })}
        </li>
      ))}
      {recorder && recorder.days !== null && <li>{text('headEnd.days', { days: Math.floor(recorder.days) })}</li>}
      <li>{text('headEnd.wallPlugs', { count: power.wallPlugs })}</li>
      {power.unfedIds.length > 0 && <li>{text('headEnd.unfed', { count: power.unfedIds.length })}</li>}
    </ul>
  );
}

/** How much of something is used: over the planned part it warns, over all of it it is an error. */
function Bar({
  label,
  value,
  most,
  planned,
  unit,
}: {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly planned: number;
  readonly unit: string;
}) {
  const share = most > 0 ? Math.min(1, value / most) : value > 0 ? 1 : 0;
  const state = value > most * (1 + 1e-9) ? css.bad : value > planned * (1 + 1e-9) ? css.near : '';
  return (
    <li className={state}>
      <span>{label}</span>
      <span className={css.bar} aria-hidden>
        <span style={{ width: `${share * 100}%` }} />
      </span>
      <span>
        {Math.round(value)} / {Math.round(most)} {unit}
      </span>
    </li>
  );
}

const USUAL = { EU: { volts: 230, breakerA: 16 }, UK: { volts: 230, breakerA: 13 } } as const;
const NORTH_AMERICA = { volts: 120, breakerA: 20 };

function Circuits({ mayPlan }: Pick<Props, 'mayPlan'>) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const circuits = listOf(project, 'circuits');
  const { jurisdiction } = project.project;
  const usual = jurisdiction === 'EU' || jurisdiction === 'UK' ? USUAL[jurisdiction] : NORTH_AMERICA;
  const add = () => {
    const taken = new Set(circuits.map(({ name }) => name));
    const { name } = firstFree((n) => text('headEnd.newCircuit', { n }), taken, circuits.length + 1);
    edit(name, createRecords('circuits', [{ id: newRecordId('ci'), name, ...usual, isDedicated: true, otherW: 0 }]));
  };
  return (
    <>
      <h2 className={css.part}>{text('headEnd.circuits')}</h2>
      {circuits.map((one) => {
        const change = (after: Partial<Circuit>) => {
          const operations = changeRecord('circuits', one, after);
          if (operations.length > 0) edit(one.name, operations);
        };
        return (
          <div key={one.id} className={css.circuit}>
            <WordsField
              label={text('headEnd.circuitName')}
              value={one.name}
              max={40}
              required
              onChange={(name) => change({ name })}
            />
            <NumberField
              label={text('headEnd.volts')}
              value={one.volts}
              min={90}
              max={480}
              onChange={(volts) => change({ volts })}
            />
            <NumberField
              label={text('headEnd.breakerA')}
              value={one.breakerA}
              min={1}
              max={200}
              onChange={(breakerA) => change({ breakerA })}
            />
            <NumberField
              label={text('headEnd.otherW')}
              value={one.otherW}
              min={0}
              max={100_000}
              onChange={(otherW) => change({ otherW })}
            />
            <SwitchField
              label={text('headEnd.isDedicated')}
              value={one.isDedicated}
              onChange={(isDedicated) => change({ isDedicated })}
            />
            {mayPlan && (
              <SmallButton onClick={() => edit(one.name, removeWithDependants(project, 'circuits', one.id))}>
                {text('headEnd.removeCircuit')}
              </SmallButton>
            )}
          </div>
        );
      })}
      {mayPlan && <SmallButton onClick={add}>{text('headEnd.addCircuit')}</SmallButton>}
    </>
  );
}
