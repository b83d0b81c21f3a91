import { DEVICES_BY_AREA, openDecisions, prepareDecision, preparedState, WAITING } from '../brief/index.ts';
import type { OpenDecision, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { RUNS_BY_DEVICE } from '../runs/index.ts';
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
  reads: ['cableTypes', 'deviceTypes', 'decisions', 'devices', 'features', 'levels', 'rooms', 'project', 'runs', 'tradeDates'],
  nodes: [DEVICES_BY_AREA, RUNS_BY_DEVICE, WAITING],
  day: true,
  run: ({ project, today }) => {
    const late = openDecisions(project, today).flatMap(({ decision, device, lastSafeOn, daysLeft }): RuleFinding[] => {
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
    return [...late, ...listOf(project, 'decisions').flatMap((decision) => notPrepared(project, decision))];
  },
});

/** An open decision whose cables are not on the plan (practice A14). */
function notPrepared(project: ProjectDocument, decision: OpenDecision): RuleFinding[] {
  if (decision.chosen !== '') return [];
  const { missing } = preparedState(project, decision);
  if (missing.length === 0) return [];
  return [
    say(
      'look',
      'decision-not-prepared',
      [{ in: 'decisions', id: decision.id }],
      {
        number: decision.roomId === null ? '' : project.rooms[decision.roomId].code,
        subject: decision.subject,
        count: missing.length,
      },
      {
        measured: 0,
        allowed: missing.length,
        cures: (now) => {
          let count = 0;
          const id = () => `${decision.id}_p${++count}`.slice(-40);
          const prepared = now.decisions[decision.id] && prepareDecision(now, decision.id, { device: id, run: id });
          return prepared?.ok
            ? [{ code: 'prepare-decision', figures: { count: missing.length }, operations: prepared.value }]
            : [];
        },
      },
    ),
  ];
}
