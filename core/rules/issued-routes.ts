import type { ProjectDocument, Run } from '../model/index.ts';
import { decideKept, type PlannedRun } from '../runs/index.ts';
import { type Cure, type Rank, type RuleFinding, say } from './check.ts';

/** What a rule says of an issued run whose plan has moved on, with the three ways to decide. */
export function sayDiffers(
  { run, issuedRoute, proposedRoute, differs, length }: PlannedRun,
  rank: Rank,
  code: string,
  more: RuleFinding['figures'] = {},
): RuleFinding[] {
  if (!issuedRoute || !differs) return [];
  const builtM = length?.cutLengthM ?? null;
  const wantedM = proposedRoute.ok ? proposedRoute.value.cutLengthM : null;
  return [
    say(
      rank,
      code,
      [
        { in: 'runs', id: run.id },
        { in: 'devices', id: run.deviceId },
      ],
      { number: run.number, state: run.state, builtM, wantedM, ...more },
      { measured: builtM, allowed: wantedM, unit: 'm', cures: (project) => decisions(project, run) },
    ),
  ];
}

const decisions = (project: ProjectDocument, run: Run): Cure[] =>
  (['keep-built', 'move-back', 'pull-again'] as const).flatMap((choice) => {
    const decided = decideKept(project, run.id, choice);
    return decided.ok && decided.value.length > 0
      ? [{ code: choice, figures: { number: run.number }, operations: decided.value }]
      : [];
  });
