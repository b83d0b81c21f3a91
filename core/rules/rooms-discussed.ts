import { notDiscussed, placesOf } from '../brief/index.ts';
import { daysBetween, gateDate } from '../model/index.ts';
import { OUTDOOR_AREAS } from '../house/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Every room and outdoor area was talked about before its walls are filled (practice B04). */
export const roomsDiscussed = defineCheck({
  id: 'rooms-discussed',
  title: 'Every room and outdoor area was discussed before the low-voltage rough-in',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'rooms',
  reads: ['briefCells', 'features', 'levels', 'rooms', 'tradeDates'],
  nodes: [OUTDOOR_AREAS],
  day: true,
  limits: { daysBefore: { usual: 14, min: 0, max: 120, unit: 'days', safer: 'more' } },
  run: ({ project, today, limit }) => {
    const on = gateDate(project, 'low-voltage-rough-in');
    if (on === '' || daysBetween(today, on) > limit('daysBefore') || Object.keys(project.briefCells).length === 0) return [];
    return placesOf(project).flatMap((place): RuleFinding[] => {
      const open = notDiscussed(project, place.id);
      if (open.length === 0) return [];
      return [
        say(
          'look',
          'room-not-discussed',
          [{ in: place.in, id: place.id }],
          { number: place.code, room: place.name, count: open.length, on },
          { measured: open.length, allowed: 0 },
        ),
      ];
    });
  },
});
