import { create, type Operation, type ProjectDocument, type TradeGate } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** When a gate of the job is reached, YYYY-MM-DD. */
export function setTradeDate(
  project: ProjectDocument,
  { id, gate, on }: { readonly id: string; readonly gate: TradeGate; readonly on: string },
): Operation[] {
  const known = Object.values(project.tradeDates).find((date) => date.gate === gate);
  return known ? changeRecord('tradeDates', known, { on }) : [create('tradeDates', { id, gate, on, from: '' })];
}
