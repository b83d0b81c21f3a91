import { cellOf } from '../brief/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Nothing is wired that nobody asked for (practice B14). */
export const askedFor = defineCheck({
  id: 'asked-for',
  title: 'Every device in a signed room was asked for',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'devices',
  reads: ['briefCells', 'deviceTypes', 'devices', 'levels', 'roomBriefs', 'rooms'],
  run: ({ project }) => {
    const signed = new Set(listOf(project, 'roomBriefs').flatMap(({ roomId, signedOn }) => (signedOn === '' ? [] : [roomId])));
    if (signed.size === 0) return [];
    return listOf(project, 'devices').flatMap((device): RuleFinding[] => {
      if (device.roomId === null || !signed.has(device.roomId)) return [];
      const { answers, name } = project.deviceTypes[device.typeId];
      if (answers === null || cellOf(project, device.roomId, answers)) return [];
      const room = project.rooms[device.roomId];
      return [
        say(
          'look',
          'device-not-asked',
          [
            { in: 'devices', id: device.id },
            { in: 'rooms', id: room.id },
          ],
          { number: room.code, room: room.name, device: name, topic: answers },
        ),
      ];
    });
  },
});
