import type { ProjectDocument, Run } from '../model/index.ts';
import { pathwaysToOpen } from '../runs/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** The cheapest things that would open a route. */
const MAX_CURES = 3;
const curesOf = (project: ProjectDocument, run: Run): Cure[] =>
  pathwaysToOpen(project, run)
    .slice(0, MAX_CURES)
    .map(({ kind, operations, madeM, costM }) => ({
      code: `open-${kind}`,
      figures: { madeM, costM: Math.round(costM) },
      operations,
    }));

/** A run that finds no route through walls, cavities and risers cannot be pulled. */
export const routeMissing = defineCheck({
  id: 'route-missing',
  stage: 'cabling',
  title: 'Every run has a way to its rack inside the structure',
  source: 'Home run topology',
  severity: 'stop',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: [],
  ofRun: ({ run, proposedRoute, issuedRoute }) =>
    proposedRoute.ok || issuedRoute
      ? []
      : [
          say(
            'stop',
            'route-missing',
            [
              { in: 'runs', id: run.id },
              { in: 'devices', id: run.deviceId },
            ],
            { number: run.number, because: proposedRoute.problem },
            // What would open a route is tried out only where somebody looks.
            { cures: (project) => curesOf(project, run) },
          ),
        ],
});
