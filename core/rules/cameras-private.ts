import { defineCheck, say } from './check.ts';

/** No camera looks into bedrooms and bathrooms (ENGINEERING 12, caution C15). */
export const camerasPrivate = defineCheck({
  id: 'cameras-private',
  title: 'No camera is in a bedroom or bathroom',
  source: 'Local law: consent and signs',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'rooms'],
  ofDevice: (device, { project }) => {
    const room = device.roomId === null ? undefined : project.rooms[device.roomId];
    if (!room || !/camera/.test(device.typeId) || device.typeId === 'wide-camera-wall') return [];
    if (!/bed|bath|shower|wc|toilet|dressing/i.test(`${room.use} ${room.name}`)) return [];
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
