import { create, type Operation, type ProjectDocument, type TradeGate } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

interface GateDays {
  readonly id: string;
  readonly gate: TradeGate;
  /** Days that are set, YYYY-MM-DD; the other stays. */
  readonly on?: string;
  readonly from?: string;
}

/** When a gate of the job is reached, and when its work begins. */
export function setTradeDate(project: ProjectDocument, { id, gate, ...days }: GateDays): Operation[] {
  const known = Object.values(project.tradeDates).find((date) => date.gate === gate);
  return known ? changeRecord('tradeDates', known, days) : [create('tradeDates', { id, gate, on: '', from: '', ...days })];
}
