import { alarmPlans, HEAD_END_PARTS } from '../head-end/index.ts';
import { PLANNED_RUN } from '../runs/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { ofEquipment } from './head-end-subjects.ts';

/** Loops of an alarm panel have no more resistance than it allows, and its battery holds as long as it must (ENGINEERING 17). */
export const securityLoops = defineCheck({
  id: 'security-loops',
  title: 'Alarm loops and battery',
  source: 'UL 1023, EN 50131; 100 ohm a loop by trade practice, the panel says its own',
  calculators: ['standby-battery', 'end-of-line'],
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['cableTypes', 'devices', 'project'],
  nodes: [HEAD_END_PARTS, PLANNED_RUN],
  run: ({ project, read }): RuleFinding[] => {
    if (!read.get(HEAD_END_PARTS).equipment.some(({ kind }) => kind === 'alarm-panel')) return [];
    return alarmPlans(project).flatMap(({ panel, zones, neededAh, hours }) => [
      ...zones
        .filter(({ isLoopOver }) => isLoopOver)
        .map(({ sensors, loopOhm }) =>
          say(
            'look',
            'loop-over',
            sensors.map(({ runId }) => ({ in: 'runs' as const, id: runId })),
            {
              number: sensors.map(({ number }) => number).join(', '),
              loopOhm: Math.round(loopOhm!),
              mostOhm: panel.alarm!.mostLoopOhm,
            },
            { measured: loopOhm!, allowed: panel.alarm!.mostLoopOhm, unit: 'ohm' },
          ),
        ),
      ...(panel.alarm && (neededAh === null || neededAh > panel.alarm.batteryAh * (1 + 1e-9))
        ? [
            say(
              'look',
              'alarm-battery-short',
              ofEquipment(panel.id),
              {
                equipment: panel.name,
                hours,
                batteryAh: panel.alarm.batteryAh,
                neededAh: neededAh === null ? 0 : Number(neededAh.toFixed(1)),
              },
              { measured: panel.alarm.batteryAh, allowed: neededAh ?? 0, unit: 'Ah' },
            ),
          ]
        : []),
    ]);
  },
});
