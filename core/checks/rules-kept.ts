import { remove } from '../project/index.ts';
import { defineCheck } from './check.ts';

/** What a person wanted of a way holds; where a thing is gone or shut off, it is told and the run goes without. */
export const rulesKept = defineCheck({
  id: 'rules-kept',
  title: 'Every way goes where it was wanted',
  source: 'practice: pinned parts stay when things move',
  severity: 'look',
  appliesTo: 'runs',
  run: ({ document, runs }) =>
    runs.flatMap(({ run, wanted, kept }) => {
      if (kept || !wanted.ok) return [];
      return wanted.value.broken.flatMap((id) => {
        const rule = document.routeRules[id];
        if (!rule) return [];
        return [
          {
            check: 'rules-kept',
            rank: 'look' as const,
            code: rule.kind === 'through' ? 'rule-not-passed' : 'rule-not-avoided',
            subjects: [{ in: 'runs' as const, id: run.id }],
            measured: null,
            allowed: null,
            unit: '',
            figures: { number: run.number },
            cures: [{ code: 'lift-rule', figures: {}, operations: [remove('routeRules', rule)] }],
          },
        ];
      });
    }),
});
