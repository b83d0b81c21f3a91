import type { DeviceType } from '../../model/index.ts';
import { CONTROL_TYPES } from './control-types.ts';
import { DATA_TYPES } from './data-types.ts';
import { GUARD_TYPES } from './guard-types.ts';
import { MOUNT_TYPES } from './mount-types.ts';
import { PICTURE_TYPES } from './picture-types.ts';
import { SHADE_AND_LIGHT_TYPES } from './shade-light-types.ts';
import { SOUND_TYPES } from './sound-types.ts';

/** Generic kinds, no makers. Slack at the device: ENGINEERING 16.1; heights 8.1; prices are examples to be replaced. */
export const DEVICE_TYPES: readonly DeviceType[] = [
  ...SOUND_TYPES,
  ...PICTURE_TYPES,
  ...DATA_TYPES,
  ...CONTROL_TYPES,
  ...SHADE_AND_LIGHT_TYPES,
  ...GUARD_TYPES,
  ...MOUNT_TYPES,
];
