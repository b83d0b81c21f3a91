import type { Device, DeviceType } from '../../model/index.ts';

/** A device as people call it: its kind, and its own name where it has one: `Ceiling speaker, left`. */
export const deviceTitle = (device: Pick<Device, 'name'>, type: Pick<DeviceType, 'name'>): string =>
  device.name === '' ? type.name : `${type.name}, ${device.name}`;
