import type { ProjectDocument, Run } from '../project/index.ts';
import { waysToOpen } from '../runs/index.ts';
import { defineCheck, type Cure } from './check.ts';

/** The cheapest things that would open a way. */
const MOST_CURES = 3;
const curesOf = (document: ProjectDocument, run: Run): Cure[] =>
  waysToOpen(document, run)
    .slice(0, MOST_CURES)
    .map(({ kind, operations, madeM, costM }) => ({
      code: `open-${kind}`,
      figures: { madeM, costM: Math.round(costM) },
      operations,
    }));

/** A run that finds no way through walls, cavities and risers cannot be pulled. */
export const routeMissing = defineCheck({
  id: 'route-missing',
  title: 'Every run has a way to its rack inside the structure',
  source: 'home run topology, ENGINEERING 16.1',
  severity: 'stop',
  appliesTo: 'runs',
  run: ({ document, runs }) =>
    runs.flatMap(({ run, wanted, kept }) => {
      if (wanted.ok || kept) return [];
      const subjects = [
        { in: 'runs' as const, id: run.id },
        { in: 'devices' as const, id: run.deviceId },
      ];
      const figures = { number: run.number, because: wanted.problem };
      let cures: readonly Cure[] | null = null;
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
          // What would open a way is tried out only where somebody looks.
          get cures() {
            return (cures ??= curesOf(document, run));
          },
        },
      ];
    }),
});
