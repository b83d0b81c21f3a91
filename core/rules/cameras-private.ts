import type { Room } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

const PRIVATE_USES: ReadonlySet<string> = new Set(['bedroom', 'bath', 'dressing']);
const PRIVATE_NAMES = /\b(?:bed ?rooms?|bath ?rooms?|baths?|shower|ensuite|wc|toilet|powder room|dressing|changing)\b/i;
/** What is named after a private room and is none: a closet of a bath is no bath. */
const NO_ROOM = /\b(?:closet|wardrobe|linen|stores?|storage|cupboard|hall|corridor|landing|lobby)\b/i;

/** By its use, where that is said; else by its name. */
const isPrivate = ({ use, name }: Room): boolean =>
  use !== '' ? PRIVATE_USES.has(use) && !NO_ROOM.test(name) : PRIVATE_NAMES.test(name) && !NO_ROOM.test(name);

/** No camera looks into bedrooms and bathrooms (ENGINEERING 12, caution C15). */
export const camerasPrivate = defineCheck({
  id: 'cameras-private',
  title: 'No camera is in a bedroom or bathroom, unless somebody has accepted it with a reason',
  source: 'Local law: consent and signs',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'rooms'],
  ofDevice: (device, { project }) => {
    const room = device.roomId === null ? undefined : project.rooms[device.roomId];
    if (!room || !/camera/.test(device.typeId) || device.typeId === 'wide-camera-wall') return [];
    if (!isPrivate(room)) return [];
    return [
      say(
        'stop',
        'camera-private',
        [
          { in: 'devices', id: device.id },
          { in: 'rooms', id: room.id },
        ],
        { number: room.code, room: room.name, device: project.deviceTypes[device.typeId].name },
      ),
    ];
  },
});
