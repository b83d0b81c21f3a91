import { listOf } from '@dusky-spool/core/derive';
import { aimOf } from '@dusky-spool/core/head-end';
import { formatLength } from '@dusky-spool/core/math';
import { removeWithDependants, RF_SERVICES, type RfSourceRecord } from '@dusky-spool/core/model';
import { problemSentence } from '@dusky-spool/texts';
import { useState } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { BANDS } from './bands.ts';
import { deviceName } from './device-name.ts';
import { horizonFrom } from './horizon.ts';

import css from './head-end.module.css';

type Change = (after: Partial<RfSourceRecord>) => void;
interface PartProps {
  readonly source: RfSourceRecord;
  readonly onChange: Change;
}

/** Antennas, dishes, entries: what brings a signal in. */
const COMES_IN = /aerial|antenna|dish|line-entry/;

/** What is known of a signal: its service and band, levels, what was read on site, and where it comes from. */
export function SignalFields({ source, mayPlan }: { readonly source: RfSourceRecord; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change: Change = (after) => {
    const operations = changeRecord('rfSources', source, after);
    if (operations.length > 0) edit(source.name, operations);
  };
  const devices = listOf(project, 'devices').filter(({ typeId }) => COMES_IN.test(typeId));
  const isAimed = devices.some(({ id, typeId }) => id === source.deviceId && !typeId.includes('entry'));
  return (
    <fieldset className={css.panel} disabled={!mayPlan}>
      <div className={css.fields}>
        <WordsField label={text('headEnd.rf.name')} value={source.name} max={40} required onChange={(name) => change({ name })} />
        <ChoiceField
          label={text('headEnd.rf.service')}
          value={source.service}
          options={RF_SERVICES.map((value) => ({ value, label: text(`headEnd.rf.services.${value}`) }))}
          onChange={(service) => change({ service, lowestMhz: BANDS[service][0], highestMhz: BANDS[service][1] })}
        />
        <ChoiceField
          label={text('headEnd.rf.device')}
          value={source.deviceId ?? ''}
          options={[
            { value: '', label: text('headEnd.rf.line') },
            ...devices.map(({ id }) => ({ value: id, label: deviceName(project, id) })),
          ]}
          onChange={(deviceId) => change({ deviceId: deviceId || null })}
        />
        <Levels source={source} onChange={change} />
      </div>
      <Reading source={source} onChange={change} />
      {isAimed && <AimFields source={source} onChange={change} />}
      {mayPlan && (
        <SmallButton onClick={() => edit(text('headEnd.rf.removeSignal'), removeWithDependants(project, 'rfSources', source.id))}>
          {text('headEnd.rf.removeSignal')}
        </SmallButton>
      )}
    </fieldset>
  );
}

function Levels({ source, onChange }: PartProps) {
  return (
    <>
      <NumberField
        label={text('headEnd.rf.lowestMhz')}
        value={source.lowestMhz}
        min={5}
        max={source.highestMhz}
        onChange={(lowestMhz) => onChange({ lowestMhz })}
      />
      <NumberField
        label={text('headEnd.rf.highestMhz')}
        value={source.highestMhz}
        min={source.lowestMhz}
        max={3300}
        onChange={(highestMhz) => onChange({ highestMhz })}
      />
      <NumberField
        label={text('headEnd.rf.atLowest')}
        value={source.atLowestDbuv}
        min={-50}
        max={140}
        step={0.5}
        onChange={(atLowestDbuv) => onChange({ atLowestDbuv })}
      />
      <NumberField
        label={text('headEnd.rf.atHighest')}
        value={source.atHighestDbuv}
        min={-50}
        max={140}
        step={0.5}
        onChange={(atHighestDbuv) => onChange({ atHighestDbuv })}
      />
    </>
  );
}

/** What was read at the place before anything is fixed: it counts before what was promised. */
function Reading({ source, onChange }: PartProps) {
  const { reading, atLowestDbuv, atHighestDbuv } = source;
  const change = (after: Partial<NonNullable<typeof reading>>) => reading && onChange({ reading: { ...reading, ...after } });
  return (
    <div className={css.fields}>
      <SwitchField
        label={text('headEnd.rf.read')}
        value={reading !== null}
        onChange={(isRead) => onChange({ reading: isRead ? { atLowestDbuv, atHighestDbuv, on: today(), by: '' } : null })}
      />
      {reading && (
        <>
          <NumberField
            label={text('headEnd.rf.readLowest')}
            value={reading.atLowestDbuv}
            min={-50}
            max={140}
            step={0.5}
            onChange={(dbuv) => change({ atLowestDbuv: dbuv })}
          />
          <NumberField
            label={text('headEnd.rf.readHighest')}
            value={reading.atHighestDbuv}
            min={-50}
            max={140}
            step={0.5}
            onChange={(dbuv) => change({ atHighestDbuv: dbuv })}
          />
          <WordsField label={text('headEnd.rf.readOn')} value={reading.on} max={10} required onChange={(on) => change({ on })} />
          <WordsField label={text('headEnd.rf.readBy')} value={reading.by} max={60} onChange={(by) => change({ by })} />
        </>
      )}
    </div>
  );
}

const orNothing = (value: number | null): number | undefined => value ?? undefined;

/** Where an antenna or dish looks, over what stands there. */
function AimFields({ source, onChange }: PartProps) {
  const { units } = useProject().project;
  const isDish = source.service === 'satellite-if';
  const aim = aimOf(source);
  const degree = (
    field: 'latitudeDeg' | 'longitudeDeg' | 'transmitterLatitudeDeg' | 'transmitterLongitudeDeg' | 'slotDeg',
    label: string,
    most: number,
  ) => (
    <NumberField
      label={label}
      value={orNothing(source[field])}
      min={-most}
      max={most}
      step={0.01}
      placeholder=""
      onChange={(value) => onChange({ [field]: value })}
      onEmpty={() => onChange({ [field]: null })}
    />
  );
  return (
    <>
      <h2 className={css.part}>{text('headEnd.rf.aim')}</h2>
      <div className={css.fields}>
        {degree('latitudeDeg', text('headEnd.rf.latitude'), 90)}
        {degree('longitudeDeg', text('headEnd.rf.longitude'), 180)}
        {isDish && degree('slotDeg', text('headEnd.rf.slot'), 180)}
        {!isDish && degree('transmitterLatitudeDeg', text('headEnd.rf.toLatitude'), 90)}
        {!isDish && degree('transmitterLongitudeDeg', text('headEnd.rf.toLongitude'), 180)}
        <NumberField
          label={text('headEnd.rf.declination')}
          value={source.declinationDeg}
          min={-90}
          max={90}
          step={0.1}
          onChange={(declinationDeg) => onChange({ declinationDeg })}
        />
        <Horizon source={source} onChange={onChange} />
      </div>
      {!aim.ok && <p className="faint">{problemSentence(aim.problem, units)}</p>}
      {aim.ok && (
        <ul className={css.facts}>
          <li>
            {text('headEnd.rf.looks', {
              ...{ true: aim.value.trueDeg.toFixed(1), compass: aim.value.compassDeg.toFixed(1) },
              ...{ elevation: aim.value.elevationDeg.toFixed(1), distance: Math.round(aim.value.distanceKm) },
            })}{' '}
            {aim.value.skewDeg !== null && text('headEnd.rf.skew', { skew: aim.value.skewDeg.toFixed(1) })}
          </li>
          <li className={aim.value.isClear ? '' : css.badLine}>
            {text(aim.value.isClear ? 'headEnd.rf.clear' : 'headEnd.rf.hidden', { obstacle: aim.value.obstacleDeg.toFixed(0) })}
          </li>
          <li>
            {text('headEnd.rf.apart', {
              apart: formatLength(aim.value.apartM, units),
              least: formatLength(aim.value.leastApartM, units),
            })}{' '}
            {text('headEnd.rf.wind')}
          </li>
        </ul>
      )}
    </>
  );
}

function Horizon({ source, onChange }: PartProps) {
  const [isBad, setBad] = useState(false);
  return (
    <div>
      <WordsField
        label={text('headEnd.rf.horizon')}
        value={source.horizon.map((one) => `${one.bearingDeg}:${one.elevationDeg}`).join(', ')}
        max={800}
        placeholder={text('headEnd.rf.horizonHint')}
        onChange={(words) => {
          const horizon = horizonFrom(words);
          setBad(horizon === null);
          if (horizon) onChange({ horizon });
        }}
      />
      {isBad && (
        <p role="alert" className={css.badLine}>
          {text('headEnd.rf.horizonBad')}
        </p>
      )}
    </div>
  );
}
