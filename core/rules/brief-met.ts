import { PLANNED_RUNS } from '../runs/index.ts';
import { DEVICES_BY_AREA, requirementsOf } from '../brief/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { cellSubject } from './brief-subject.ts';

/** What the client was promised and the plan does not hold: practice B04. */
export const briefMet = defineCheck({
  id: 'brief-met',
  stage: 'brief',
  title: 'The plan holds what the brief promises',
  source: 'Trade practice; thresholds of the brief',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'cableTypes', 'deviceTypes', 'devices', 'features', 'levels', 'rooms'],
  nodes: [PLANNED_RUNS, DEVICES_BY_AREA],
  run: ({ project, runs }) => {
    if (Object.keys(project.briefCells).length === 0) return [];
    return requirementsOf(project, runs).flatMap(
      ({ cell, unit, devices, missing, reached, holds, openChannels }): RuleFinding[] => {
        if (holds) return [];
        const { subjects, figures } = cellSubject(project, cell);
        if (openChannels.length > 0)
          return [
            say(
              'look',
              'brief-channels-missing',
              subjects,
              { ...figures, layout: cell.layout, channels: openChannels },
              { measured: reached, allowed: (reached ?? 0) + missing, unit: 'channels' },
            ),
          ];
        const own = devices.map(({ id }) => ({ in: 'devices' as const, id }));
        if (missing > 0)
          return [
            say(
              'look',
              'brief-device-missing',
              subjects,
              { ...figures, wanted: cell.count, placed: devices.length },
              { measured: devices.length, allowed: cell.count },
            ),
          ];
        return [
          say(
            'look',
            'brief-threshold-missed',
            [...subjects, ...own],
            { ...figures, reached: tidy(reached), asked: tidy(cell.threshold), unit: unit ?? '' },
            { measured: reached, allowed: cell.threshold, unit: unit ?? '' },
          ),
        ];
      },
    );
  },
});

const tidy = (value: number | null) => (value === null ? '' : String(Math.round(value * 100) / 100));
