import { defineCheck } from './check.ts';
import { closedOn } from './tested-in-time.ts';
import { sayDiffers } from './issued-routes.ts';

/** A run issued, labelled or pulled keeps its route; where the plan has moved on, a person decides. */
export const keptRouteDiffers = defineCheck({
  id: 'kept-route-differs',
  stage: 'cabling',
  title: 'Issued runs lie where the plan wants them',
  source: 'Change control, trade practice',
  severity: 'look',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['tradeDates'],
  day: true,
  // Once the walls are closed it is another matter: see below.
  ofRun: (planned, { project, today }) =>
    closedOn(project, today) === null
      ? sayDiffers(planned, 'look', planned.proposedRoute.ok ? 'kept-route-differs' : 'kept-route-impossible')
      : [],
});
