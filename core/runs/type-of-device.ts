import { each } from '../derive/index.ts';

/** Which type each device has: a value that stays while devices are only moved. */
export const TYPE_OF_DEVICE = each<'devices', string>({
  name: 'type of a device',
  over: 'devices',
  make: ({ typeId }) => typeId,
});
