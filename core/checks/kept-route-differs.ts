import type { ProjectDocument, Run } from '../project/index.ts';
import { decideKept } from '../runs/index.ts';
import { defineCheck, say, type Cure } from './check.ts';

/** A run issued, labelled or pulled keeps its route; where the plan has moved on, a person decides. */
export const keptRouteDiffers = defineCheck({
  id: 'kept-route-differs',
  stage: 'cabling',
  title: 'Issued runs lie where the plan wants them',
  source: 'change control, practice',
  severity: 'look',
  appliesTo: 'runs',
  ofRun: ({ run, kept, wanted, differs, length }) => {
    if (!kept || !differs) return [];
    const builtM = length?.cutLengthM ?? null;
    const wantedM = wanted.ok ? wanted.value.cutLengthM : null;
    return [
      say(
        'kept-route-differs',
        'look',
        wanted.ok ? 'kept-route-differs' : 'kept-route-impossible',
        [
          { in: 'runs', id: run.id },
          { in: 'devices', id: run.deviceId },
        ],
        { number: run.number, state: run.state, builtM, wantedM },
        { measured: builtM, allowed: wantedM, unit: 'm', cures: (document) => decisions(document, run) },
      ),
    ];
  },
});

const decisions = (document: ProjectDocument, run: Run): Cure[] =>
  (['keep-built', 'move-back', 'pull-again'] as const).flatMap((choice) => {
    const decided = decideKept(document, run.id, choice);
    return decided.ok && decided.value.length > 0
      ? [{ code: choice, figures: { number: run.number }, operations: decided.value }]
      : [];
  });
