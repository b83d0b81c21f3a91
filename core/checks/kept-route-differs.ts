import { decideKept } from '../runs/index.ts';
import { defineCheck } from './check.ts';

/** A run issued, labelled or pulled keeps its route; where the plan has moved on, a person decides. */
export const keptRouteDiffers = defineCheck({
  id: 'kept-route-differs',
  title: 'Issued runs lie where the plan wants them',
  source: 'change control, practice B14',
  severity: 'look',
  appliesTo: 'runs',
  run: ({ document, runs }) =>
    runs.flatMap(({ run, kept, wanted, differs, length }) => {
      if (!kept || !differs) return [];
      const cures = (['keep-built', 'move-back', 'pull-again'] as const).flatMap((choice) => {
        const decided = decideKept(document, run.id, choice);
        return decided.ok && decided.value.length > 0
          ? [{ code: choice, figures: { number: run.number }, operations: decided.value }]
          : [];
      });
      const wantedM = wanted.ok ? wanted.value.cutLengthM : null;
      return [
        {
          check: 'kept-route-differs',
          rank: 'look' as const,
          code: wanted.ok ? 'kept-route-differs' : 'kept-route-impossible',
          subjects: [
            { in: 'runs' as const, id: run.id },
            { in: 'devices' as const, id: run.deviceId },
          ],
          measured: length?.cutLengthM ?? null,
          allowed: wantedM,
          unit: 'm',
          figures: { number: run.number, state: run.state, builtM: length?.cutLengthM ?? null, wantedM },
          cures,
        },
      ];
    }),
});
