import { listOf } from '@dusky-spool/core/derive';
import { closeOfDay, pullDay } from '@dusky-spool/core/field';
import type { ProjectDocument, Run } from '@dusky-spool/core/model';
import { planSpoolsOf } from '@dusky-spool/core/order';
import { planRuns } from '@dusky-spool/core/runs';
import { json } from './result.ts';

/** What is pulled next, and what is open at the end of the day. */
export function fieldText(project: ProjectDocument, asJson: boolean): string {
  const day = pullDay(project, planSpoolsOf(project));
  const close = closeOfDay(project, planRuns(project));
  if (asJson) return json({ units: 'm', ...day, close });
  const numbers = (runs: readonly Run[]) => runs.map(({ number }) => number).join(' ') || 'none';
  const meters = listOf(project, 'spoolCuts').reduce((sum, { lengthM }) => sum + lengthM, 0);
  return [
    `${day.done} of ${day.all} runs pulled, ${close.pulledM.toFixed(1)} m in the walls, ${meters.toFixed(1)} m noted off spools`,
    ...day.pulls.map(
      ({ bundle, runs, isShort }, n) =>
        `pull ${n + 1} ${bundle || 'alone'}: ${runs.map(({ run, cutM, spoolName }) => `${run.number} ${cutM.toFixed(1)} m from ${spoolName}`).join(', ')}${isShort ? ' (a spool is short)' : ''}`,
    ),
    `ends without a label: ${close.unlabelled.map(({ run, end }) => `${run.number} ${end}`).join(' ') || 'none'}`,
    `to bag and cap: ${numbers(close.bareEnds)}`,
    `not tested: ${numbers(close.untested)}`,
    `open jumpers: ${numbers(close.jumpers)}`,
    `open penetrations: ${close.openPenetrations.length}`,
  ].join('\n');
}
