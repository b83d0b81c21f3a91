import { BUILDING, FRAMING } from '../house/index.ts';
import { PLANNED_RUNS } from '../runs/index.ts';
import { cellOf } from '../brief/index.ts';
import { holeSchedule, penetrationsOf, sealCounts } from '../pathways/index.ts';
import { BRIEF_TOPICS, daysBetween, gateDate } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type Said, say } from './check.ts';

/** No pierced separation is open when the boards go on (practice B15). */
export const sealsClosed = defineCheck({
  id: 'seals-closed',
  title: 'Every pierced separation is sealed before the boards',
  source: 'IRC R302.11; ASTM E814, EN 1366-3; trade practice',
  severity: 'stop',
  stage: 'closing',
  appliesTo: 'seals',
  reads: ['rooms', 'cableTypes', 'levels', 'project', 'seals', 'tradeDates', 'walls'],
  day: true,
  nodes: [FRAMING, BUILDING, PLANNED_RUNS],
  safety: true,
  limits: { daysBefore: { usual: 3, least: 0, most: 30, unit: 'days', safer: 'more' } },
  run: ({ document, runs, today, limit }) => {
    const on = gateDate(document, 'board');
    if (on === '' || daysBetween(today, on) > limit('daysBefore')) return [];
    const pierced = penetrationsOf(document, holeSchedule(document, runs));
    const { open } = sealCounts(pierced);
    if (open === 0) return [];
    const first = pierced.find(({ seal }) => (seal?.state ?? 'open') === 'open')!;
    return [
      say(
        'stop',
        'seals-open',
        [{ in: 'levels', id: first.levelId }],
        { number: document.levels[first.levelId].code, count: open, on, kind: first.kind },
        { measured: open, allowed: 0 },
      ),
    ];
  },
});

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
  limits: { daysBefore: { usual: 14, least: 0, most: 120, unit: 'days', safer: 'more' } },
  run: ({ document, today, limit }) => {
    const on = gateDate(document, 'low-voltage-rough-in');
    if (on === '' || daysBetween(today, on) > limit('daysBefore') || Object.keys(document.briefCells).length === 0) return [];
    return listOf(document, 'rooms').flatMap((room): Said[] => {
      const open = BRIEF_TOPICS.filter((topic) => !cellOf(document, room.id, topic));
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

/** Nothing is wired that nobody asked for (practice B14). */
export const askedFor = defineCheck({
  id: 'asked-for',
  title: 'Every device in a signed room was asked for',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'devices',
  reads: ['briefCells', 'deviceTypes', 'devices', 'levels', 'roomBriefs', 'rooms'],
  run: ({ document }) => {
    const signed = new Set(listOf(document, 'roomBriefs').flatMap(({ roomId, signedOn }) => (signedOn === '' ? [] : [roomId])));
    if (signed.size === 0) return [];
    return listOf(document, 'devices').flatMap((device): Said[] => {
      if (device.roomId === null || !signed.has(device.roomId)) return [];
      const { answers, name } = document.deviceTypes[device.typeId];
      if (answers === null || cellOf(document, device.roomId, answers)) return [];
      const room = document.rooms[device.roomId];
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
