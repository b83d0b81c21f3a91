import { listOf } from '@dusky-spool/core/derive';
import { COPY_PROTECTIONS, type Equipment, SPEAKER_WIRINGS } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { deviceName } from './device-name.ts';

interface Props {
  readonly one: Equipment;
  readonly change: (after: Partial<Equipment>) => void;
}

/** What is known of equipment by its kind: channels and loads, gain, picture links, disk, battery, the link that a panel belongs to. */
export function KindFields({ one, change }: Props) {
  return (
    <>
      {one.amplifier && <AmplifierFields {...{ one, change }} amplifier={one.amplifier} />}
      {one.recorder && <RecorderFields {...{ one, change }} recorder={one.recorder} />}
      {one.picture && <PictureFields {...{ one, change }} picture={one.picture} />}
      {one.ups && (
        <NumberField
          label={text('headEnd.fields.batteryWh')}
          value={one.ups.batteryWh}
          min={1}
          max={1e6}
          onChange={(batteryWh) => change({ ups: { ...one.ups!, batteryWh } })}
        />
      )}
      {one.poeW !== null && (
        <NumberField
          label={text('headEnd.fields.poeW')}
          value={one.poeW}
          min={0}
          max={100_000}
          onChange={(poeW) => change({ poeW })}
        />
      )}
      {one.gainDb !== null && <CoaxFields {...{ one, change }} />}
      {one.wiring !== null && (
        <ChoiceField
          label={text('headEnd.fields.wiring')}
          value={one.wiring}
          options={SPEAKER_WIRINGS.map((value) => ({ value, label: text(`headEnd.fields.wirings.${value}`) }))}
          onChange={(wiring) => change({ wiring })}
        />
      )}
      {one.kind === 'patch-panel' && <TieField {...{ one, change }} />}
      {one.isMains && (
        <SwitchField
          label={text('headEnd.fields.mayRestart')}
          value={one.mayRestart}
          onChange={(mayRestart) => change({ mayRestart })}
        />
      )}
    </>
  );
}

function AmplifierFields({ amplifier, change }: Props & { readonly amplifier: NonNullable<Equipment['amplifier']> }) {
  const set = (after: Partial<typeof amplifier>) => change({ amplifier: { ...amplifier, ...after } });
  return (
    <>
      <NumberField
        label={text('headEnd.fields.wattsEach')}
        value={amplifier.wattsEach}
        min={0.1}
        max={10_000}
        onChange={(wattsEach) => set({ wattsEach })}
      />
      <NumberField
        label={text('headEnd.fields.leastOhm')}
        value={amplifier.leastOhm}
        min={0.1}
        max={1000}
        step={0.5}
        onChange={(leastOhm) => set({ leastOhm })}
      />
      <NumberField
        label={text('headEnd.fields.lineV')}
        value={amplifier.lineV ?? undefined}
        min={1}
        max={200}
        step={0.1}
        placeholder=""
        onChange={(lineV) => set({ lineV })}
        onEmpty={() => set({ lineV: null })}
      />
      <SwitchField
        label={text('headEnd.fields.isBridged')}
        value={amplifier.isBridged}
        onChange={(isBridged) => set({ isBridged })}
      />
    </>
  );
}

function RecorderFields({ recorder, change }: Props & { readonly recorder: NonNullable<Equipment['recorder']> }) {
  const set = (after: Partial<typeof recorder>) => change({ recorder: { ...recorder, ...after } });
  return (
    <>
      <NumberField
        label={text('headEnd.fields.recorderChannels')}
        value={recorder.channels}
        min={1}
        max={256}
        onChange={(channels) => set({ channels: Math.round(channels) })}
      />
      <NumberField
        label={text('headEnd.fields.diskTb')}
        value={recorder.diskTb}
        min={0}
        max={1000}
        step={0.5}
        onChange={(diskTb) => set({ diskTb })}
      />
      <SwitchField
        label={text('headEnd.fields.isOpenProfile')}
        value={recorder.isOpenProfile}
        onChange={(isOpenProfile) => set({ isOpenProfile })}
      />
    </>
  );
}

function PictureFields({ picture, change }: Props & { readonly picture: NonNullable<Equipment['picture']> }) {
  const set = (after: Partial<typeof picture>) => change({ picture: { ...picture, ...after } });
  return (
    <>
      <NumberField
        label={text('headEnd.fields.mostGbps')}
        value={picture.mostGbps}
        min={0.1}
        max={1000}
        step={0.1}
        onChange={(mostGbps) => set({ mostGbps })}
      />
      <ChoiceField
        label={text('headEnd.fields.copyProtection')}
        value={picture.copyProtection}
        options={COPY_PROTECTIONS.map((value) => ({ value, label: value }))}
        onChange={(copyProtection) => set({ copyProtection })}
      />
      <SwitchField
        label={text('headEnd.fields.returnsAudio')}
        value={picture.returnsAudio}
        onChange={(returnsAudio) => set({ returnsAudio })}
      />
    </>
  );
}

function CoaxFields({ one, change }: Props) {
  return (
    <>
      <NumberField
        label={text('headEnd.fields.gainDb')}
        value={one.gainDb ?? undefined}
        min={-60}
        max={60}
        step={0.5}
        onChange={(gainDb) => change({ gainDb })}
      />
      {one.throughDb !== null && (
        <NumberField
          label={text('headEnd.fields.throughDb')}
          value={one.throughDb}
          min={-60}
          max={0}
          step={0.1}
          onChange={(throughDb) => change({ throughDb })}
        />
      )}
      <SwitchField
        label={text('headEnd.fields.closesUnused')}
        value={one.closesUnused}
        onChange={(closesUnused) => change({ closesUnused })}
      />
    </>
  );
}

/** The link between racks whose other ends arrive at a panel. */
function TieField({ one, change }: Props) {
  const project = useProject();
  const links = listOf(project, 'devices').filter(({ typeId }) => typeId === 'rack-link');
  if (links.length === 0) return null;
  return (
    <ChoiceField
      label={text('headEnd.fields.tie')}
      value={one.tieDeviceId ?? ''}
      options={[
        { value: '', label: text('headEnd.fields.noTie') },
        ...links.map(({ id }) => ({ value: id, label: deviceName(project, id) })),
      ]}
      onChange={(deviceId) => change({ tieDeviceId: deviceId || null })}
    />
  );
}
