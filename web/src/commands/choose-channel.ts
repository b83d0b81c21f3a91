import { type Device, type Operation, type SurroundChannel, update } from '@dusky-spool/core/model';

/** Makes one of the speakers of a place a channel, or none of them; `before` is the one that it was. */
export const chooseChannel = (
  devices: readonly Device[],
  channel: SurroundChannel,
  before: Device | null,
  deviceId: string,
): Operation[] =>
  devices.flatMap((device) => {
    const isFreed = device.id === before?.id && device.channel === channel;
    return update('devices', device, { channel: device.id === deviceId ? channel : isFreed ? null : device.channel }) ?? [];
  });
