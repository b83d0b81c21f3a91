import { canBeChannel } from '@dusky-spool/core/brief';
import { isMainsOutlet } from '@dusky-spool/core/devices';
import { areaOfDevice, outdoorAreas } from '@dusky-spool/core/house';
import { listOf, onLevel } from '@dusky-spool/core/derive';
import { ATTITUDES, type Device, SURROUND_CHANNELS } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { Select } from 'antd';

/** Existing things that a device can use: what holds it, its box, or itself. */
const USABLE: ReadonlySet<string> = new Set(['existing-bracket', 'existing-box', 'existing-equipment', 'existing-cut-out']);

interface Props {
  readonly device: Device;
  readonly onChange: (title: string, after: Partial<Device>) => void;
}

/** Fields that a device has by its kind: its outdoor area, the existing thing that it uses, its surround channel, its outlet. */
export function DeviceFacts({ device, onChange }: Props) {
  const project = useProject();
  const areas = device.roomId === null ? outdoorAreas(project) : [];
  const byPlace = areaOfDevice(project, device.id);
  const type = project.deviceTypes[device.typeId];
  const found = onLevel(project, 'features', device.levelId).filter(({ kind }) => USABLE.has(kind));
  const channels = type.answers === 'surround' ? SURROUND_CHANNELS.filter((channel) => canBeChannel(type, channel)) : [];
  return (
    <>
      {areas.length > 0 && (
        <ChoiceField
          label={text('brief.area')}
          value={device.areaId ?? ''}
          options={[
            {
              value: '',
              label:
                device.areaId === null && byPlace ? text('brief.areaByPlace', { area: byPlace.name }) : text('brief.areaNone'),
            },
            ...areas.map(({ id, name, kind }) => ({ value: id, label: name || term(`features.${kind}`) })),
          ]}
          onChange={(id) => onChange(text('brief.area'), { areaId: id || null })}
        />
      )}
      {found.length > 0 && (
        <ChoiceField
          label={text('device.uses')}
          value={device.foundId ?? ''}
          options={[
            { value: '', label: text('device.usesNew') },
            ...found.map(({ id, name, kind }) => ({ value: id, label: name || term(`features.${kind}`) })),
          ]}
          onChange={(id) => onChange(text('device.uses'), { foundId: id || null })}
        />
      )}
      {channels.length > 0 && (
        <ChoiceField
          label={text('device.channel')}
          value={device.channel ?? ''}
          options={[
            { value: '', label: text('brief.channelAny') },
            ...channels.map((value) => ({ value, label: term(`channels.${value}`) })),
          ]}
          onChange={(channel) => onChange(text('device.channel'), { channel: channel === '' ? null : channel })}
        />
      )}
      {(type.attitudes.length > 0 || device.attitude !== 'upright') && (
        <ChoiceField
          label={text('device.attitude')}
          value={device.attitude}
          options={ATTITUDES.map((value) => ({ value, label: term(`attitudes.${value}`) }))}
          onChange={(attitude) => onChange(text('device.attitude'), { attitude })}
        />
      )}
      {device.typeId === 'surge-arrester' && <ProtectedRuns device={device} onChange={onChange} />}
      {isMainsOutlet(type) && <OutletFields device={device} onChange={onChange} />}
    </>
  );
}

/** The runs from outdoors that pass an arrester: one each unless it is a panel of several, then they are named. */
function ProtectedRuns({ device, onChange }: Props) {
  const project = useProject();
  const outdoors = listOf(project, 'runs').filter(
    ({ deviceId, toDeviceId }) => toDeviceId === null && project.devices[deviceId].roomId === null,
  );
  return (
    <label className="field">
      <span>{text('device.protects')}</span>
      <Select
        mode="multiple"
        aria-label={text('device.protects')}
        placeholder={text('device.protectsOne')}
        value={device.protects.filter((id) => project.runs[id])}
        options={outdoors.map(({ id, number }) => ({ value: id, label: number }))}
        onChange={(protects) => onChange(text('device.protects'), { protects })}
      />
    </label>
  );
}

const USUAL_OUTLET = {
  NA: { amperageA: 15, voltageV: 120 },
  EU: { amperageA: 16, voltageV: 230 },
  UK: { amperageA: 13, voltageV: 230 },
  other: { amperageA: 16, voltageV: 230 },
} as const;

/** What the electrician is asked for at an outlet. */
function OutletFields({ device, onChange }: Props) {
  const { jurisdiction } = useProject().project;
  const outlet = device.outlet ?? { ...USUAL_OUTLET[jurisdiction], switched: false, surge: false, dedicated: false };
  const change = (after: Partial<NonNullable<Device['outlet']>>) =>
    onChange(text('device.outlet.title'), { outlet: { ...outlet, ...after } });
  return (
    <>
      <NumberField
        label={text('device.outlet.amperage')}
        value={outlet.amperageA}
        min={1}
        max={125}
        onChange={(amperageA) => change({ amperageA })}
      />
      <NumberField
        label={text('device.outlet.voltage')}
        value={outlet.voltageV}
        min={12}
        max={480}
        onChange={(voltageV) => change({ voltageV })}
      />
      {(['switched', 'surge', 'dedicated'] as const).map((field) => (
        <SwitchField
          key={field}
          label={text(`device.outlet.${field}`)}
          value={outlet[field]}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
      <p className="caution">{text('cautions.mains')}</p>
    </>
  );
}
