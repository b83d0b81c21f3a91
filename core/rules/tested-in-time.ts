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
  title: 'Every run is pulled and tested before drywall, and again after termination',
  source: 'Trade practice: a raw test before drywall, a finished test after termination',
  severity: 'stop',
  stage: 'closing',
  appliesTo: 'runs',
  newCableOnly: true,
  reads: ['tradeDates'],
  day: true,
  ofRun: ({ run }, { project, today }) => {
    const trimmedOn = gateDate(project, 'trim-out');
    // What is terminated is tested again before it is handed over.
    if (run.state === 'terminated' && run.endTestedOn === '' && trimmedOn !== '' && trimmedOn <= today)
      return [say('look', 'end-untested', [{ in: 'runs', id: run.id }], { number: run.number, on: trimmedOn }, {})];
    const on = closedOn(project, today);
    const isTested = run.rawTestedOn !== '' ? on === null || run.rawTestedOn <= on : run.state === 'tested';
    if (on === null || isTested) return [];
    if (run.rawTestedOn !== '')
      return [say('look', 'tested-late', [{ in: 'runs', id: run.id }], { number: run.number, tested: run.rawTestedOn, on }, {})];
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
