import { defineCheck } from './check.ts';

/** A run that finds no way through walls, cavities and risers cannot be pulled. */
export const routeMissing = defineCheck({
  id: 'route-missing',
  title: 'Every run has a way to its rack inside the structure',
  source: 'home run topology, ENGINEERING 16.1',
  severity: 'stop',
  appliesTo: 'runs',
  run: ({ runs }) =>
    runs.flatMap(({ run, wanted, kept }) => {
      if (wanted.ok || kept) return [];
      const subjects = [
        { in: 'runs' as const, id: run.id },
        { in: 'devices' as const, id: run.deviceId },
      ];
      const figures = { number: run.number, because: wanted.problem };
      return [
        {
          check: 'route-missing',
          rank: 'stop' as const,
          code: 'route-missing',
          subjects,
          measured: null,
          allowed: null,
          unit: '',
          figures,
          cures: [],
        },
      ];
    }),
});
