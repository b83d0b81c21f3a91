import { openDecisions, WAITING } from '../brief/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** A decision this near its last safe date is worth a look, days. */
const SOON_DAYS = 14;

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
  run: ({ project, today }) => {
    return openDecisions(project, today).flatMap(({ decision, device, lastSafeOn, daysLeft }): RuleFinding[] => {
      if (daysLeft === null || daysLeft > SOON_DAYS) return [];
      const past = daysLeft < 0;
      return [
        say(
          past ? 'stop' : 'look',
          `${device ? 'drawing' : 'decision'}-${past ? 'late' : 'soon'}`,
          [device ? { in: 'devices', id: device.id } : { in: 'decisions', id: decision.id }],
          {
            number: decision.roomId === null ? '' : project.rooms[decision.roomId].code,
            subject: decision.subject,
            lastSafeOn,
            owner: decision.owner,
            days: Math.abs(daysLeft),
            gate: decision.gate,
          },
          { measured: daysLeft, allowed: 0, unit: 'days' },
        ),
      ];
    });
  },
});
