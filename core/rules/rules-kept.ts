import { remove } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

/** What a person wanted of a route holds; where a thing is gone or shut off, it is told and the run goes without. */
export const rulesKept = defineCheck({
  id: 'rules-kept',
  stage: 'cabling',
  title: 'Every way goes where it was wanted',
  source: 'Trade practice: pinned parts stay when things move',
  severity: 'look',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['routeRules'],
  ofRun: ({ run, proposedRoute, issuedRoute }, { project }) => {
    if (issuedRoute || !proposedRoute.ok) return [];
    return proposedRoute.value.broken.flatMap((id) => {
      const rule = project.routeRules[id];
      if (!rule) return [];
      return [
        say(
          'look',
          rule.kind === 'through' ? 'rule-not-passed' : 'rule-not-avoided',
          [{ in: 'runs', id: run.id }],
          { number: run.number },
          {
            cures: ({ routeRules }) =>
              routeRules[id] ? [{ code: 'lift-rule', figures: {}, operations: [remove('routeRules', routeRules[id])] }] : [],
          },
        ),
      ];
    });
  },
});
