import { BUILDING, FRAMING } from '../house/index.ts';
import { PLANNED_RUNS } from '../runs/index.ts';
import { holeSchedule, penetrationsOf, sealCounts } from '../pathways/index.ts';
import { daysBetween, gateDate } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

/** No pierced separation is open when the drywall goes on (practice B15). */
export const sealsClosed = defineCheck({
  id: 'seals-closed',
  title: 'Every pierced separation is sealed before drywall',
  source: 'IRC R302.11; ASTM E814, EN 1366-3; trade practice',
  severity: 'stop',
  stage: 'closing',
  appliesTo: 'seals',
  reads: ['rooms', 'cableTypes', 'levels', 'project', 'seals', 'tradeDates', 'walls'],
  day: true,
  nodes: [FRAMING, BUILDING, PLANNED_RUNS],
  safety: true,
  limits: { daysBefore: { usual: 3, min: 0, max: 30, unit: 'days', safer: 'more' } },
  run: ({ project, runs, today, limit }) => {
    const on = gateDate(project, 'board');
    if (on === '' || daysBetween(today, on) > limit('daysBefore')) return [];
    const pierced = penetrationsOf(project, holeSchedule(project, runs));
    const { open } = sealCounts(pierced);
    if (open === 0) return [];
    const first = pierced.find(({ seal }) => (seal?.state ?? 'open') === 'open')!;
    return [
      say(
        'stop',
        'seals-open',
        [{ in: 'levels', id: first.levelId }],
        { number: project.levels[first.levelId].code, count: open, on, kind: first.kind },
        { measured: open, allowed: 0 },
      ),
    ];
  },
});
