import {
  type AlarmPlan,
  alarmPlans,
  CONTACTS_PER_ZONE,
  type HeadEnd,
  portsOf,
  putOnZone,
  type SecurityZone,
  type ZoneSensor,
  type ZoneTest,
} from '@dusky-spool/core/head-end';
import type { Equipment } from '@dusky-spool/core/model';
import { Select } from 'antd';
import { useMemo } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { deviceName } from './device-name.ts';

import css from './head-end.module.css';

const TESTS: readonly ZoneTest[] = ['rest', 'trip', 'short', 'cut'];
const COLUMNS = ['terminals', 'sensors', 'contact', 'loop', ...TESTS] as const;

/** Alarm panels of a head end: terminals, what a meter reads at each, battery and test list. */
export function AlarmPanel({ headEnd, mayPlan }: { readonly headEnd: HeadEnd; readonly mayPlan: boolean }) {
  const project = useProject();
  const plans = useMemo(() => alarmPlans(project).filter(({ panel }) => panel.rackId === headEnd.rack.id), [project, headEnd]);
  if (plans.length === 0) return <p className={css.empty}>{text('headEnd.alarm.none')}</p>;
  return (
    <div className={css.panel}>
      {plans.map((plan) => (
        <section key={plan.panel.id} aria-label={plan.panel.name}>
          <h2 className={css.part}>{plan.panel.name}</h2>
          <PanelFields panel={plan.panel} mayPlan={mayPlan} />
          <ZoneTable plan={plan} mayPlan={mayPlan} />
          {plan.zones.some(({ sensors }) => sensors.length > 1) && <p className="faint">{text('headEnd.alarm.shared')}</p>}
          <p
            className={
              plan.panel.alarm && plan.neededAh !== null && plan.neededAh > plan.panel.alarm.batteryAh ? css.badLine : 'faint'
            }
          >
            {text('headEnd.alarm.battery', {
              standby: plan.standbyA.toFixed(2),
              alarm: plan.alarmA.toFixed(2),
              hours: plan.hours,
              needed: plan.neededAh?.toFixed(1) ?? '–',
              has: plan.panel.alarm?.batteryAh ?? 0,
            })}
          </p>
          <Outputs plan={plan} />
          <TestList plan={plan} />
        </section>
      ))}
      <Cautions ids={['C9']} />
    </div>
  );
}

function PanelFields({ panel, mayPlan }: { readonly panel: Equipment; readonly mayPlan: boolean }) {
  const { edit } = useProjectParts('edit');
  const { alarm } = panel;
  if (!alarm) return null;
  const change = (after: Partial<typeof alarm>) => {
    const operations = changeRecord('equipment', panel, { alarm: { ...alarm, ...after } });
    if (operations.length > 0) edit(panel.name, operations);
  };
  return (
    <fieldset className={css.fields} disabled={!mayPlan}>
      <NumberField
        label={text('headEnd.alarm.endOfLine')}
        value={alarm.endOfLineOhm}
        min={0}
        max={100_000}
        onChange={(endOfLineOhm) => change({ endOfLineOhm })}
      />
      <NumberField
        label={text('headEnd.alarm.across')}
        value={alarm.acrossOhm}
        min={0}
        max={100_000}
        onChange={(acrossOhm) => change({ acrossOhm })}
      />
      <NumberField
        label={text('headEnd.alarm.mostLoop')}
        value={alarm.mostLoopOhm}
        min={1}
        max={10_000}
        onChange={(mostLoopOhm) => change({ mostLoopOhm })}
      />
      <NumberField
        label={text('headEnd.alarm.batteryAh')}
        value={alarm.batteryAh}
        min={0.5}
        max={200}
        step={0.1}
        onChange={(batteryAh) => change({ batteryAh })}
      />
      <SwitchField
        label={text('headEnd.alarm.seizesLine')}
        value={alarm.seizesLine}
        onChange={(seizesLine) => change({ seizesLine })}
      />
    </fieldset>
  );
}

const ohmText = (ohm: number | null): string =>
  ohm === null ? text('headEnd.alarm.openLoop') : text('headEnd.alarm.ohm', { ohm: Math.round(ohm) });

function ZoneTable({ plan, mayPlan }: { readonly plan: AlarmPlan; readonly mayPlan: boolean }) {
  const read = ({ reads, means }: SecurityZone, test: ZoneTest) =>
    text('headEnd.alarm.reads', {
      ohm: ohmText(reads[test]),
      means: text(`headEnd.alarm.means.${means[test]}`),
    });
  return (
    <table className={css.table}>
      <thead>
        <tr>
          {COLUMNS.map((one) => (
            <th key={one} scope="col">
              {text(`headEnd.alarm.columns.${one}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {plan.zones.map((zone) => (
          <tr key={zone.port}>
            <th scope="row">{zone.terminals}</th>
            <td>
              {zone.sensors.map((sensor) => (
                <Sensor key={sensor.runId} {...{ plan, zone, sensor, mayPlan }} />
              ))}
            </td>
            <td>{text(`headEnd.alarm.contacts.${zone.contact}`)}</td>
            <td className={zone.isLoopOver ? css.badLine : ''}>
              {zone.loopOhm === null ? '–' : text('headEnd.alarm.ohm', { ohm: zone.loopOhm.toFixed(1) })}
            </td>
            {TESTS.map((test) => (
              <td key={test}>{read(zone, test)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface SensorProps {
  readonly plan: AlarmPlan;
  readonly zone: SecurityZone;
  readonly sensor: ZoneSensor;
  readonly mayPlan: boolean;
}

/** A sensor with the zone that it is on: another free one, or one that it may share. */
function Sensor({ plan: { panel, zones }, zone, sensor, mayPlan }: SensorProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const taken = new Map(zones.map((one) => [one.port, one]));
  const options = portsOf(panel)
    .filter(({ group }) => group.kind === 'zone')
    .filter(({ name }) => {
      const there = taken.get(name);
      return !there || there === zone || (there.sensors.length < CONTACTS_PER_ZONE && there.contact === 'closed');
    })
    .map(({ name }) => {
      const others = (taken.get(name)?.sensors ?? []).filter((one) => one.runId !== sensor.runId);
      const names = others.map(({ deviceId }) => deviceName(project, deviceId)).join(', ');
      return { value: name, label: text(names ? 'headEnd.alarm.zoneWith' : 'headEnd.alarm.zone', { port: name, names }) };
    });
  const label = text('headEnd.alarm.zoneOf', { number: sensor.number });
  return (
    <div className={css.sensor}>
      <span>
        {sensor.number} {deviceName(project, sensor.deviceId)}
      </span>
      {mayPlan && (
        <Select
          size="small"
          value={zone.port}
          aria-label={label}
          options={options}
          showSearch={{ optionFilterProp: 'label' }}
          popupMatchSelectWidth={false}
          onChange={(port) =>
            edit(label, putOnZone(project, sensor.runId, { equipmentId: panel.id, port }, newRecordId('termination')))
          }
        />
      )}
    </div>
  );
}

function Outputs({ plan: { keypads, sirens } }: { readonly plan: AlarmPlan }) {
  const project = useProject();
  const all = [...keypads, ...sirens];
  if (all.length === 0) return null;
  return (
    <>
      <h2 className={css.part}>{text('headEnd.alarm.outputs')}</h2>
      <ul className={css.facts}>
        {all.map(({ runId, port, deviceId, number }) => (
          <li key={runId}>{text('headEnd.alarm.outputLine', { port, device: deviceName(project, deviceId), number })}</li>
        ))}
      </ul>
    </>
  );
}

function TestList({ plan: { panel, hours } }: { readonly plan: AlarmPlan }) {
  return (
    <>
      <h2 className={css.part}>{text('headEnd.alarm.tests')}</h2>
      <ol className={css.facts}>
        <li>
          {text('headEnd.alarm.testZones')} {text('headEnd.alarm.resistors')}
        </li>
        <li>{text('headEnd.alarm.testMains', { hours })}</li>
        {panel.alarm?.seizesLine && <li>{text('headEnd.alarm.testLine')}</li>}
        <li>{text('headEnd.alarm.testSiren')}</li>
      </ol>
    </>
  );
}
