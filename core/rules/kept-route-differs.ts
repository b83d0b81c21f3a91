import type { ProjectDocument, Run } from '../model/index.ts';
import { decideKept, type PlannedRun } from '../runs/index.ts';
import { type Cure, defineCheck, type Rank, type Said, say } from './check.ts';
import { closedOn } from './tested-in-time.ts';

/** A run issued, labelled or pulled keeps its route; where the plan has moved on, a person decides. */
export const keptRouteDiffers = defineCheck({
  id: 'kept-route-differs',
  stage: 'cabling',
  title: 'Issued runs lie where the plan wants them',
  source: 'Change control, trade practice',
  severity: 'look',
  appliesTo: 'runs',
  reads: ['tradeDates'],
  day: true,
  // Once the boards are on it is another matter: see below.
  ofRun: (planned, { document, today }) =>
    closedOn(document, today) === null
      ? tell(planned, 'look', planned.wanted.ok ? 'kept-route-differs' : 'kept-route-impossible')
      : [],
});

/** What lies behind the boards is not changed on paper: either it stays as it was built, or the walls are opened. */
export const changedAfterBoards = defineCheck({
  id: 'changed-after-boards',
  stage: 'closing',
  title: 'Nothing behind the boards is planned otherwise than it was built',
  source: 'Change control, trade practice',
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['tradeDates'],
  day: true,
  ofRun: (planned, { document, today }) => {
    const on = closedOn(document, today);
    return on === null ? [] : tell(planned, 'stop', 'changed-after-boards', { on });
  },
});

function tell({ run, kept, wanted, differs, length }: PlannedRun, rank: Rank, code: string, more: Said['figures'] = {}): Said[] {
  if (!kept || !differs) return [];
  const builtM = length?.cutLengthM ?? null;
  const wantedM = wanted.ok ? wanted.value.cutLengthM : null;
  return [
    say(
      rank,
      code,
      [
        { in: 'runs', id: run.id },
        { in: 'devices', id: run.deviceId },
      ],
      { number: run.number, state: run.state, builtM, wantedM, ...more },
      { measured: builtM, allowed: wantedM, unit: 'm', cures: (document) => decisions(document, run) },
    ),
  ];
}

const decisions = (document: ProjectDocument, run: Run): Cure[] =>
  (['keep-built', 'move-back', 'pull-again'] as const).flatMap((choice) => {
    const decided = decideKept(document, run.id, choice);
    return decided.ok && decided.value.length > 0
      ? [{ code: choice, figures: { number: run.number }, operations: decided.value }]
      : [];
  });
