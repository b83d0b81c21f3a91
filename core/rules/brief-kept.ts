import { PLANNED_RUNS } from '../runs/index.ts';
import { againstBrief, cellOf, openDecisions, requirementsOf, WAITING } from '../brief/index.ts';
import { BRIEF_TOPICS, type BriefCell, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type Said } from './check.ts';

/** A decision this near its last safe date is worth a look, days. */
const SOON_DAYS = 14;

const about = (document: ProjectDocument, cell: BriefCell): Pick<Said, 'subjects'> & { figures: Record<string, unknown> } => {
  const room = document.rooms[cell.roomId];
  return {
    subjects: [
      { in: 'rooms', id: room.id },
      { in: 'briefCells', id: cell.id },
    ],
    figures: { number: room.code, room: room.name, topic: cell.topic },
  };
};

/** What the client was promised and the plan does not hold: practice B04. */
export const briefMet = defineCheck({
  id: 'brief-met',
  stage: 'brief',
  title: 'The plan holds what the brief promises',
  source: 'Trade practice; thresholds of the brief',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'cableTypes', 'deviceTypes', 'devices', 'rooms'],
  nodes: [PLANNED_RUNS],
  run: ({ document, runs }) => {
    if (Object.keys(document.briefCells).length === 0) return [];
    return requirementsOf(document, runs).flatMap(({ cell, unit, devices, missing, reached, holds }): Said[] => {
      if (holds) return [];
      const { subjects, figures } = about(document, cell);
      const own = devices.map(({ id }) => ({ in: 'devices' as const, id }));
      if (missing > 0)
        return [
          {
            rank: 'look',
            code: 'brief-device-missing',
            subjects,
            measured: devices.length,
            allowed: cell.count,
            unit: '',
            figures: { ...figures, wanted: cell.count, placed: devices.length },
          },
        ];
      return [
        {
          rank: 'look',
          code: 'brief-threshold-missed',
          subjects: [...subjects, ...own],
          measured: reached,
          allowed: cell.threshold,
          unit: unit ?? '',
          figures: { ...figures, reached: tidy(reached), asked: tidy(cell.threshold), unit: unit ?? '' },
        },
      ];
    });
  },
});

const tidy = (value: number | null) => (value === null ? '' : String(Math.round(value * 100) / 100));

/** A device where nothing was to come on purpose: one of the two is wrong. */
export const nothingOnPurpose = defineCheck({
  id: 'nothing-on-purpose',
  stage: 'brief',
  title: 'Nothing stands where the brief wants nothing',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'deviceTypes', 'devices', 'rooms'],
  run: ({ document }) =>
    againstBrief(document).map(({ cell, devices }): Said => {
      const { subjects, figures } = about(document, cell);
      return {
        rank: 'look',
        code: 'brief-nothing-wanted',
        subjects: [...subjects, ...devices.map(({ id }) => ({ in: 'devices' as const, id }))],
        measured: devices.length,
        allowed: 0,
        unit: '',
        figures: { ...figures, placed: devices.length },
        cures: ({ briefCells }) => {
          const now = briefCells[cell.id];
          const operation = now && update('briefCells', now, { answer: 'wanted', count: devices.length });
          return operation ? [{ code: 'brief-want', figures: { topic: cell.topic }, operations: [operation] }] : [];
        },
      };
    }),
});

/** Something still undecided near or past the day on which it can be decided without opening anything again: practice B06. */
export const decisionsInTime = defineCheck({
  id: 'decisions-in-time',
  stage: 'brief',
  title: 'Every open decision is taken before its last safe date',
  source: 'Trade practice',
  severity: 'stop',
  appliesTo: 'decisions',
  reads: ['deviceTypes', 'decisions', 'rooms', 'tradeDates'],
  nodes: [WAITING],
  day: true,
  run: ({ document, today }) => {
    return openDecisions(document, today).flatMap(({ decision, device, lastSafeOn, daysLeft }): Said[] => {
      if (daysLeft === null || daysLeft > SOON_DAYS) return [];
      const past = daysLeft < 0;
      return [
        {
          rank: past ? 'stop' : 'look',
          code: `${device ? 'drawing' : 'decision'}-${past ? 'late' : 'soon'}`,
          subjects: [device ? { in: 'devices', id: device.id } : { in: 'decisions', id: decision.id }],
          measured: daysLeft,
          allowed: 0,
          unit: 'days',
          figures: {
            number: decision.roomId === null ? '' : document.rooms[decision.roomId].code,
            subject: decision.subject,
            lastSafeOn,
            owner: decision.owner,
            days: Math.abs(daysLeft),
            gate: decision.gate,
          },
        },
      ];
    });
  },
});

/** A room that was signed with a topic nobody has talked about since. */
export const signedRooms = defineCheck({
  id: 'signed-rooms',
  stage: 'brief',
  title: 'No signed room has a topic that was not discussed',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'roomBriefs', 'rooms'],
  run: ({ document }) =>
    listOf(document, 'roomBriefs').flatMap((brief): Said[] => {
      if (brief.signedOn === '') return [];
      const open = BRIEF_TOPICS.filter((topic) => !cellOf(document, brief.roomId, topic));
      if (open.length === 0) return [];
      const room = document.rooms[brief.roomId];
      return [
        {
          rank: 'look',
          code: 'signed-not-discussed',
          subjects: [{ in: 'rooms', id: room.id }],
          measured: open.length,
          allowed: 0,
          unit: '',
          figures: { number: room.code, room: room.name, count: open.length },
          cures: ({ roomBriefs }) => {
            const now = roomBriefs[brief.id];
            const operation = now && update('roomBriefs', now, { signedBy: '', signedOn: '' });
            return operation ? [{ code: 'take-signature-back', figures: { room: room.name }, operations: [operation] }] : [];
          },
        },
      ];
    }),
});
