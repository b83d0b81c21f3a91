import { cellOf, placeIdOf, placeOf } from '../brief/index.ts';
import { AREA_OF_DEVICE } from '../house/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Nothing is wired that nobody asked for (practice B14). */
export const askedFor = defineCheck({
  id: 'asked-for',
  title: 'Every device in a signed room or outdoor area was asked for',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'devices',
  reads: ['briefCells', 'deviceTypes', 'devices', 'features', 'levels', 'roomBriefs', 'rooms'],
  nodes: [AREA_OF_DEVICE],
  run: ({ project, read }) => {
    const signed = new Set(listOf(project, 'roomBriefs').flatMap((brief) => (brief.signedOn === '' ? [] : [placeIdOf(brief)])));
    if (signed.size === 0) return [];
    return listOf(project, 'devices').flatMap((device): RuleFinding[] => {
      const placeId = device.roomId ?? read.get(AREA_OF_DEVICE).get(device.id) ?? '';
      const place = signed.has(placeId) ? placeOf(project, placeId) : undefined;
      if (!place) return [];
      const { answers, name } = project.deviceTypes[device.typeId];
      if (answers === null || cellOf(project, place.id, answers)) return [];
      return [
        say(
          'look',
          'device-not-asked',
          [
            { in: 'devices', id: device.id },
            { in: place.in, id: place.id },
          ],
          { number: place.code, room: place.name, device: name, topic: answers },
        ),
      ];
    });
  },
});
