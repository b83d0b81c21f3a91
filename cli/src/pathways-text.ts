import { holeSchedule, holeTotals, type PullingWork, tidyRoutes } from '@dusky-spool/core/pathways';
import { applyChange, type ProjectDocument } from '@dusky-spool/core/model';
import { HOLE_MEMBERS } from '@dusky-spool/core/routing';
import { holesOfRun, planRuns } from '@dusky-spool/core/runs';
import { en, problemSentence } from '@dusky-spool/texts';

/** The route of every run with its holes, and what all of them come to; with `shared`, after routes that runs share were looked for. */
export function pathwaysText(project: ProjectDocument, shared: boolean, asJson: boolean): string {
  const proposal = shared ? tidyRoutes(project, () => 'trunk') : null;
  const applied = proposal && applyChange(project, { operations: proposal.operations });
  const house = applied?.ok ? applied.value : project;
  const planned = planRuns(house);
  const totals = holeTotals(holeSchedule(house, planned));
  const runs = planned.map((one) => {
    const { run, proposedRoute, issuedRoute, length, points, media } = one;
    const holes = holesOfRun(house, one);
    return {
      number: run.number,
      problem: proposedRoute.ok || issuedRoute ? null : problemSentence(proposedRoute.problem),
      riseM: length?.riseM ?? null,
      runM: length?.runM ?? null,
      dropM: length?.dropM ?? null,
      cutLengthM: length?.cutLengthM ?? null,
      costM: proposedRoute.ok ? proposedRoute.value.costM : null,
      holes: holes.map(({ member, at }) => ({ member, at })),
      points,
      media,
    };
  });
  const work = proposal && { now: proposal.now, then: proposal.then };
  if (asJson) return JSON.stringify({ runs, totals, work }, null, 2);
  const counted = (holes: (typeof runs)[number]['holes']) =>
    HOLE_MEMBERS.flatMap((member) => {
      const count = holes.filter((hole) => hole.member === member).length;
      return count > 0 ? [`${count} ${en.terms.members[member].toLowerCase()}`] : [];
    }).join(', ');
  return [
    ...runs.map(({ number, problem, riseM, runM, dropM, holes }) =>
      problem
        ? `${number}  ${problem}`
        : `${number}  ${(riseM! + runM! + dropM!).toFixed(2)} m (up ${riseM!.toFixed(2)}, level ${runM!.toFixed(2)}, down ${dropM!.toFixed(2)})  ${counted(holes)}`,
    ),
    '',
    ...totals.map(({ member, places, holes }) => `${en.terms.members[member]}: ${holes} holes at ${places} places`),
    ...(work ? [workText('Now', work.now), workText('Tidied', work.then)] : []),
  ].join('\n');
}

const workText = (name: string, { holes, places, pulls, cutM, hours }: PullingWork) =>
  `${name}: ${holes} holes at ${places} places, ${pulls} pulls, ${cutM.toFixed(0)} m of cable, ${hours.toFixed(1)} h`;
