import { answeringDevices, DEVICES_BY_AREA } from '../brief/index.ts';
import { daysBetween, gateDate, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { cellSubject } from './brief-subject.ts';

/** What comes in a later phase is pre-wired while the walls are open, unless somebody says that it is not. */
export const laterPreWired = defineCheck({
  id: 'later-pre-wired',
  title: 'What comes in a later phase has its cables before the walls are filled',
  source: 'Trade practice',
  severity: 'look',
  stage: 'brief',
  appliesTo: 'rooms',
  reads: ['briefCells', 'deviceTypes', 'devices', 'features', 'levels', 'rooms', 'tradeDates'],
  nodes: [DEVICES_BY_AREA],
  day: true,
  limits: { daysBefore: { usual: 14, min: 0, max: 120, unit: 'days', safer: 'more' } },
  run: ({ project, today, limit }) => {
    const on = gateDate(project, 'low-voltage-rough-in');
    if (on === '' || daysBetween(today, on) > limit('daysBefore')) return [];
    return listOf(project, 'briefCells').flatMap((cell): RuleFinding[] => {
      if (cell.answer !== 'later' || !cell.preWired || answeringDevices(project, cell).length > 0) return [];
      const { subjects, figures } = cellSubject(project, cell);
      return [
        say(
          'look',
          'later-not-prewired',
          subjects,
          { ...figures, on },
          {
            measured: 0,
            allowed: cell.count,
            cures: ({ briefCells }) => {
              const now = briefCells[cell.id];
              const operation = now && update('briefCells', now, { preWired: false });
              return operation ? [{ code: 'not-pre-wired', figures: { topic: cell.topic }, operations: [operation] }] : [];
            },
          },
        ),
      ];
    });
  },
});
