import { defineCheck } from './check.ts';
import { closedOn } from './tested-in-time.ts';
import { sayDiffers } from './issued-routes.ts';

/** What lies behind the drywall is not changed on paper: either it stays as it was built, or the walls are opened. */
export const changedAfterBoards = defineCheck({
  id: 'changed-after-boards',
  stage: 'closing',
  title: 'Nothing behind the drywall is planned otherwise than it was built',
  source: 'Change control, trade practice',
  severity: 'stop',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['tradeDates'],
  day: true,
  ofRun: (planned, { project, today }) => {
    const on = closedOn(project, today);
    return on === null ? [] : sayDiffers(planned, 'stop', 'changed-after-boards', { on });
  },
});
