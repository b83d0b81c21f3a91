import { gateDate, type ProjectDocument } from '../model/index.ts';
import { isPulled } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';

/** The day on which the drywall went on, where that is past or today. */
export function closedOn(project: Pick<ProjectDocument, 'tradeDates'>, today: string): string | null {
  const on = gateDate(project, 'board');
  return on !== '' && on <= today ? on : null;
}

/** What lies behind the drywall was tested while it could be reached (ENGINEERING 18: tests before drywall). */
export const testedInTime = defineCheck({
  id: 'tested-in-time',
  title: 'Every run is pulled and tested before drywall',
  source: 'Trade practice: test before drywall',
  severity: 'stop',
  stage: 'closing',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['tradeDates'],
  day: true,
  ofRun: ({ run }, { project, today }) => {
    const on = closedOn(project, today);
    if (on === null || run.state === 'tested') return [];
    const isInWall = isPulled(run);
    return [
      say(
        isInWall ? 'look' : 'stop',
        isInWall ? 'closed-untested' : 'closed-unpulled',
        [{ in: 'runs', id: run.id }],
        { number: run.number, state: run.state, on },
        {},
      ),
    ];
  },
});
