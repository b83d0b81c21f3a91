import { cellOf } from '../brief/index.ts';
import { BRIEF_TOPICS, daysBetween, gateDate } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Every room was talked about before its walls are filled (practice B04). */
export const roomsDiscussed = defineCheck({
  id: 'rooms-discussed',
  title: 'Every room was discussed before the low-voltage rough-in',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'rooms',
  reads: ['briefCells', 'levels', 'rooms', 'tradeDates'],
  day: true,
  limits: { daysBefore: { usual: 14, min: 0, max: 120, unit: 'days', safer: 'more' } },
  run: ({ project, today, limit }) => {
    const on = gateDate(project, 'low-voltage-rough-in');
    if (on === '' || daysBetween(today, on) > limit('daysBefore') || Object.keys(project.briefCells).length === 0) return [];
    return listOf(project, 'rooms').flatMap((room): RuleFinding[] => {
      const open = BRIEF_TOPICS.filter((topic) => !cellOf(project, room.id, topic));
      if (open.length === 0) return [];
      return [
        say(
          'look',
          'room-not-discussed',
          [{ in: 'rooms', id: room.id }],
          { number: room.code, room: room.name, count: open.length, on },
          { measured: open.length, allowed: 0 },
        ),
      ];
    });
  },
});
