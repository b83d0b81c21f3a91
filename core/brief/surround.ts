import type { Device, DeviceType, ProjectDocument, SurroundChannel } from '../model/index.ts';

/** Layouts that are offered: floor channels, subwoofers, overhead channels. Others of the same form are read too. */
export const LAYOUTS = [
  '2.1',
  '3.1',
  '5.1',
  '5.2',
  '5.1.2',
  '5.1.4',
  '7.1',
  '7.1.2',
  '7.1.4',
  '7.2.4',
  '7.1.6',
  '9.1.4',
  '9.1.6',
];

const FLOOR: readonly (readonly SurroundChannel[])[] = [
  ['front-left', 'front-right'],
  ['center'],
  ['surround-left', 'surround-right'],
  ['rear-left', 'rear-right'],
  ['wide-left', 'wide-right'],
];
/** Overhead channels by their number (ENGINEERING 10.1). */
const TOP: Readonly<Record<number, readonly SurroundChannel[]>> = {
  0: [],
  2: ['top-middle-left', 'top-middle-right'],
  4: ['top-front-left', 'top-front-right', 'top-rear-left', 'top-rear-right'],
  6: ['top-front-left', 'top-front-right', 'top-middle-left', 'top-middle-right', 'top-rear-left', 'top-rear-right'],
};
const MOST_SUBWOOFERS = 8;

/** The channels of a layout such as 7.1.4, one entry for each output; null for a layout that is not known. */
export function channelsOf(layout: string): readonly SurroundChannel[] | null {
  const parts = /^(\d{1,2})\.(\d{1,2})(?:\.(\d{1,2}))?$/.exec(layout);
  if (!parts) return null;
  const [floor, subwoofers, top] = [Number(parts[1]), Number(parts[2]), Number(parts[3] ?? 0)];
  const bed: SurroundChannel[] = [];
  for (const pair of FLOOR) if (bed.length + pair.length <= floor) bed.push(...pair);
  if (floor < 2 || bed.length !== floor || !TOP[top] || subwoofers > MOST_SUBWOOFERS) return null;
  return [...bed, ...TOP[top], ...Array.from({ length: subwoofers }, () => 'subwoofer' as const)];
}

type SpeakerKind = 'floor' | 'center' | 'top' | 'subwoofer' | 'front-bar' | 'none';

/** Channels that one device can be. */
export function speakerKind(type: Pick<DeviceType, 'id' | 'name' | 'mount' | 'impedanceOhm' | 'cables' | 'link'>): SpeakerKind {
  const words = `${type.id} ${type.name}`.toLowerCase();
  if (/sub-?woofer/.test(words)) return 'subwoofer';
  const speakerLegs = type.cables.filter(({ cableTypeId }) => cableTypeId.startsWith('spk')).length;
  // A passive bar is the three front speakers in one case; one with its own amplifier is none of a receiver's channels.
  if (/sound-?\s?bar|front speaker/.test(words) && speakerLegs !== 1) return speakerLegs >= 3 ? 'front-bar' : 'none';
  if (speakerLegs === 0 && type.impedanceOhm === null) return 'none';
  if (/cent(er|re)/.test(words)) return 'center';
  return type.mount === 'ceiling' ? 'top' : 'floor';
}

const CHANNELS_OF_KIND: Readonly<Record<SpeakerKind, (channel: SurroundChannel) => boolean>> = {
  floor: (channel) => channel !== 'subwoofer' && !channel.startsWith('top'),
  center: (channel) => channel === 'center',
  top: (channel) => channel.startsWith('top'),
  subwoofer: (channel) => channel === 'subwoofer',
  'front-bar': (channel) => channel === 'front-left' || channel === 'center' || channel === 'front-right',
  none: () => false,
};

/** Whether a device of a type can be a channel. */
export const canBeChannel = (type: DeviceType, channel: SurroundChannel): boolean => CHANNELS_OF_KIND[speakerKind(type)](channel);

/** One channel of a layout and the device that is it; null where there is none. */
export interface ChannelState {
  readonly channel: SurroundChannel;
  readonly device: Device | null;
}

/**
 * A layout channel by channel: devices whose channel was chosen come first, the others fill what they can be, in the order of the layout. A
 * sound bar is no five channels, and a fourth subwoofer no surround.
 */
export function compareLayout(
  project: Pick<ProjectDocument, 'deviceTypes'>,
  layout: string,
  devices: readonly Device[],
): { readonly channels: readonly ChannelState[]; readonly beyond: readonly Device[] } {
  const wanted = channelsOf(layout) ?? [];
  const filled: (Device | null)[] = wanted.map(() => null);
  const used = new Set<string>();
  const take = (device: Device, fits: (channel: SurroundChannel) => boolean, isAll = false) => {
    wanted.forEach((channel, n) => {
      if (filled[n] !== null || !fits(channel) || (used.has(device.id) && !isAll)) return;
      filled[n] = device;
      used.add(device.id);
    });
  };
  for (const device of devices) if (device.channel !== null) take(device, (channel) => channel === device.channel);
  const kindOf = (device: Device) => speakerKind(project.deviceTypes[device.typeId]);
  for (const kind of ['front-bar', 'center', 'subwoofer', 'top', 'floor'] as const)
    for (const device of devices)
      if (device.channel === null && kindOf(device) === kind) take(device, CHANNELS_OF_KIND[kind], kind === 'front-bar');
  return {
    channels: wanted.map((channel, n) => ({ channel, device: filled[n] })),
    beyond: devices.filter(({ id }) => !used.has(id)),
  };
}

/** The type that is usually placed for a channel. */
export function typeForChannel(project: Pick<ProjectDocument, 'deviceTypes'>, channel: SurroundChannel): string | null {
  const usual =
    channel === 'subwoofer'
      ? 'subwoofer'
      : channel.startsWith('top')
        ? 'theatre-ceiling-speaker'
        : channel === 'center' || channel.startsWith('front')
          ? 'in-wall-front'
          : 'wall-speaker';
  if (project.deviceTypes[usual]) return usual;
  return Object.values(project.deviceTypes).find((type) => canBeChannel(type, channel))?.id ?? null;
}
