import { outdoorAreas } from '@dusky-spool/core/house';
import { listOf } from '@dusky-spool/core/derive';
import { type ZoneChannel, type ZoneRow, zoneRows, zonesByRoom } from '@dusky-spool/core/head-end';
import { formatLength } from '@dusky-spool/core/math';
import { removeWithDependants, type Zone } from '@dusky-spool/core/model';
import { Select } from 'antd';
import { useMemo } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { deviceName, placeName } from './device-name.ts';

import css from './head-end.module.css';

const COLUMNS = ['run', 'device', 'channel', 'load', 'watts', 'loss', 'input'] as const;

/** The zone table: what plays the same, over which channels, from which sources. */
export function ZonesPanel({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const rows = useMemo(() => zoneRows(project), [project]);
  const open = useMemo(() => zonesByRoom(project, () => newRecordId('z')), [project]);
  if (rows.length === 0) return <p className={css.empty}>{text('headEnd.zones.none')}</p>;
  return (
    <div className={css.panel}>
      <p className="faint">{text('headEnd.zones.lead')}</p>
      {mayPlan && open.length > 0 && (
        <SmallButton onClick={() => edit(text('headEnd.zones.make'), open)}>{text('headEnd.zones.make')}</SmallButton>
      )}
      {rows.map((row) => (
        <section key={row.id} className={css.card} aria-label={row.name || text('headEnd.outdoors')}>
          <h2 className={css.part}>
            {row.name || text('headEnd.outdoors')}{' '}
            <span className="faint">
              {row.isTheatre ? text('headEnd.zones.theatre') : row.zone === null ? text('headEnd.zones.noZone') : ''}{' '}
              {text('headEnd.zones.watts', { watts: Math.round(row.watts) })}
            </span>
          </h2>
          {row.zone && <ZoneFields zone={row.zone} mayPlan={mayPlan} />}
          <Channels row={row} />
          {!row.isTheatre && (
            <p className="faint">
              {row.controls.length === 0
                ? text('headEnd.zones.noControls')
                : text('headEnd.zones.controls', { names: row.controls.map(({ id }) => deviceName(project, id)).join(', ') })}
            </p>
          )}
          {row.zone && mayPlan && (
            <SmallButton onClick={() => edit(text('headEnd.zones.remove'), removeWithDependants(project, 'zones', row.zone!.id))}>
              {text('headEnd.zones.remove')}
            </SmallButton>
          )}
        </section>
      ))}
      <Cautions ids={['C2']} />
    </div>
  );
}

function ZoneFields({ zone, mayPlan }: { readonly zone: Zone; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Zone>) => {
    const operations = changeRecord('zones', zone, after);
    if (operations.length > 0) edit(zone.name, operations);
  };
  const places = [
    ...listOf(project, 'rooms').map(({ id, name }) => ({ value: id, label: name })),
    ...outdoorAreas(project).map(({ id, name }) => ({ value: id, label: name || text('headEnd.outdoors') })),
  ];
  const sources = listOf(project, 'equipment')
    .filter(({ kind }) => kind === 'source')
    .map(({ id, name }) => ({ value: id, label: name }));
  const modes = listOf(project, 'theatres')
    .filter(({ roomId }) => zone.placeIds.includes(roomId))
    .flatMap((one) => one.modes.map(({ name }) => name));
  return (
    <fieldset className={css.fields} disabled={!mayPlan}>
      <WordsField label={text('headEnd.zones.name')} value={zone.name} max={40} required onChange={(name) => change({ name })} />
      <ManyField
        label={text('headEnd.zones.places')}
        value={zone.placeIds}
        options={places}
        // A zone without a place is none.
        onChange={(placeIds) => placeIds.length > 0 && change({ placeIds })}
      />
      <ManyField
        label={text('headEnd.zones.sources')}
        value={zone.sourceIds}
        options={sources}
        placeholder={text('headEnd.zones.allSources')}
        onChange={(sourceIds) => change({ sourceIds })}
      />
      <ChoiceField
        label={text('headEnd.zones.volume')}
        value={zone.volume}
        options={(['central', 'local'] as const).map((value) => ({ value, label: text(`headEnd.zones.volumes.${value}`) }))}
        onChange={(volume) => change({ volume })}
      />
      {modes.length > 0 && (
        <ChoiceField
          label={text('headEnd.zones.mode')}
          value={zone.modeName}
          options={['', ...modes].map((value) => ({ value, label: value || text('headEnd.zones.everyMode') }))}
          onChange={(modeName) => change({ modeName })}
        />
      )}
    </fieldset>
  );
}

/** Several of a list. */
function ManyField({
  label,
  value,
  options,
  placeholder,
  onChange,
}: {
  readonly label: string;
  readonly value: readonly string[];
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly placeholder?: string;
  readonly onChange: (value: string[]) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <Select
        mode="multiple"
        value={[...value]}
        options={[...options]}
        placeholder={placeholder}
        aria-label={label}
        showSearch={{ optionFilterProp: 'label' }}
        onChange={onChange}
      />
    </label>
  );
}

function Channels({ row }: { readonly row: ZoneRow }) {
  const project = useProject();
  return (
    <table className={css.table}>
      <thead>
        <tr>
          {COLUMNS.map((one) => (
            <th key={one} scope="col">
              {text(`headEnd.zones.columns.${one}`)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {row.channels.map((one) => (
          <tr key={one.runId}>
            <th scope="row">{one.number}</th>
            <td>
              {row.roomIds.length > 1 ? `${placeName(project, project.devices[one.deviceId].roomId)}: ` : ''}
              {deviceName(project, one.deviceId)}
            </td>
            <ChannelCells channel={one} isTheatre={row.isTheatre} />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function ChannelCells({ channel, isTheatre }: { readonly channel: ZoneChannel; readonly isTheatre: boolean }) {
  const { equipment, project } = useProject();
  const { equipmentId, port, loadOhm, leastOhm, watts, lossDb, lengthM, input } = channel;
  const ohm = (value: number) => Number(value.toFixed(1));
  const isLow = loadOhm !== null && leastOhm !== null && loadOhm < leastOhm * (1 - 1e-9);
  return (
    <>
      <td className={equipmentId ? '' : css.badLine}>
        {equipmentId ? `${equipment[equipmentId]?.name ?? ''}, ${port}` : text('headEnd.zones.noChannel')}
      </td>
      <td className={isLow ? css.badLine : ''}>
        {loadOhm === null
          ? '–'
          : leastOhm === null
            ? text('headEnd.zones.ohmAlone', { ohm: ohm(loadOhm) })
            : text('headEnd.zones.ohm', { ohm: ohm(loadOhm), least: ohm(leastOhm) })}
      </td>
      <td>{watts === null ? '–' : text('headEnd.zones.watts', { watts: Math.round(watts) })}</td>
      <td>
        {lossDb === null || lengthM === null
          ? '–'
          : text('headEnd.zones.loss', { db: lossDb.toFixed(2), length: formatLength(lengthM, project.units) })}
      </td>
      <td className={input || isTheatre ? '' : css.badLine}>
        {input ? `${equipment[input.equipmentId]?.name ?? ''}, ${input.port}` : isTheatre ? '–' : text('headEnd.zones.noInput')}
      </td>
    </>
  );
}
