import { changedOnLabel, labelState } from '../devices/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { isPulled, runState, proposedRoutes } from '../runs/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** No pull is complete without labels at both ends (practice A42, B12), and labels say what is so. */
export const labelsOn = defineCheck({
  id: 'labels-on',
  title: 'No run is pulled without its labels',
  source: 'ANSI/TIA-606 direction; trade practice',
  severity: 'stop',
  stage: 'labels',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project', 'racks', 'rooms'],
  ofRun: (planned, { project }) => {
    const { run } = planned;
    const isInWall = isPulled(run);
    if (labelState(project, planned) === 'out-of-date')
      return [
        say('look', isInWall ? 'label-outdated-pulled' : 'label-outdated', [{ in: 'runs', id: run.id }], {
          number: run.number,
          state: run.state,
          on: run.printedOn,
          changed: changedOnLabel(project, planned),
        }),
      ];
    // Where labels go on after the pull, the register keeps the ends that have none yet.
    if (!isInWall || run.printedOn !== '' || project.project.labelling === 'after-pull') return [];
    return [
      say(
        'stop',
        'label-missing',
        [{ in: 'runs', id: run.id }],
        { number: run.number, state: run.state },
        {
          cures: (house) => back(house, run.id),
        },
      ),
    ];
  },
});

/** Until its labels are printed it counts as issued, not as pulled. */
function back(project: ProjectDocument, runId: string): Cure[] {
  const moved = runState(project, [runId], 'issued', proposedRoutes(project));
  return moved.ok && moved.value.length > 0 ? [{ code: 'back-to-issued', figures: {}, operations: moved.value }] : [];
}
