import type { TradeGate } from './brief-records.ts';
import type { ProjectDocument } from './project-document.ts';

const DAY_MS = 86_400_000;

/** A day so many days before another, both YYYY-MM-DD; a negative number gives a later day. */
export function daysBefore(day: string, days: number): string {
  const at = new Date(`${day}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() - days);
  return at.toISOString().slice(0, 10);
}

/** Days from one day to another, both YYYY-MM-DD: negative where the second is the earlier one. */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** The day of a gate of the job, YYYY-MM-DD; empty where it is not known. */
export const gateDate = (project: Pick<ProjectDocument, 'tradeDates'>, gate: TradeGate): string =>
  Object.values(project.tradeDates).find((date) => date.gate === gate)?.on ?? '';
