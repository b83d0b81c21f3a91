import { attachmentOf } from '../house/index.ts';
import {
  daysBefore,
  daysBetween,
  type Device,
  gateDate,
  type Leg,
  type OpenDecision,
  type ProjectDocument,
  TRADE_GATES,
} from '../model/index.ts';
import { listOf, partOf, pickedFrom } from '../derive/index.ts';

/** A cable of the superset: so many of it, and which options need them. */
export interface SupersetCable {
  readonly cableTypeId: string;
  readonly count: number;
  readonly options: readonly string[];
}

/**
 * The least set of cables that keeps every option open: of each cable as many as the option that needs most of it
 * (practice A14). Options without a type need nothing that is known.
 */
export function supersetOf(project: ProjectDocument, options: OpenDecision['options']): SupersetCable[] {
  const max = new Map<string, { count: number; options: string[] }>();
  for (const { name, typeId } of options) {
    const type = typeId === null ? undefined : project.deviceTypes[typeId];
    for (const [cableTypeId, count] of countOf(type?.cables ?? [])) {
      const known = max.get(cableTypeId) ?? { count: 0, options: [] };
      max.set(cableTypeId, { count: Math.max(known.count, count), options: [...known.options, name] });
    }
  }
  return [...max]
    .map(([cableTypeId, rest]) => ({ cableTypeId, ...rest }))
    .sort((a, b) => (a.cableTypeId < b.cableTypeId ? -1 : 1));
}

function countOf(legs: readonly Leg[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const leg of legs) if (!leg.optional) counts.set(leg.cableTypeId, (counts.get(leg.cableTypeId) ?? 0) + 1);
  return counts;
}

/** An undecided thing with what follows from it. */
export interface DecisionState {
  readonly decision: OpenDecision;
  /** The device whose lead waits for a drawing; such a decision is open by itself and closes when the tail is taken off. */
  readonly device: Device | null;
  readonly superset: readonly SupersetCable[];
  /** YYYY-MM-DD; empty where the gate has no date. */
  readonly lastSafeOn: string;
  /** Whole days from today to then; null without a date. */
  readonly daysLeft: number | null;
}

/** The joiner needs places and cut-outs so long before he is on site [practice]; days. */
const DRAWING_DAYS = 21;

/** Devices whose lead is left with a tail. */
export const WAITING = partOf('devices that wait', 'devices', ({ tailM }) => tailM !== null);

/** Leads that wait at the stud for joinery that is not drawn, or for a ceiling still to come: each is an open decision. */
function waitingLeads(project: ProjectDocument): Pick<DecisionState, 'decision' | 'device'>[] {
  return pickedFrom(project, WAITING).map((device) => {
    const type = project.deviceTypes[device.typeId];
    return {
      device,
      decision: {
        id: `tail_${device.id}`,
        roomId: device.roomId,
        areaId: device.areaId,
        subject: device.name || type.name,
        options: [{ name: type.name, typeId: type.id }],
        gate: attachmentOf(type) === 'ceiling' ? 'board' : 'joinery',
        leadDays: DRAWING_DAYS,
        owner: '',
        chosen: '',
        decidedOn: '',
        note: '',
      },
    };
  });
}

/** Everything that is still undecided, the most pressing first; `today` is YYYY-MM-DD. */
export function openDecisions(project: ProjectDocument, today: string): DecisionState[] {
  const asked = listOf(project, 'decisions')
    .filter((decision) => decision.chosen === '')
    .map((decision) => ({ decision, device: null }));
  return [...asked, ...waitingLeads(project)]
    .map(({ decision, device }): DecisionState => {
      const gate = gateDate(project, decision.gate);
      const lastSafeOn = gate === '' ? '' : daysBefore(gate, decision.leadDays);
      const daysLeft = lastSafeOn === '' ? null : daysBetween(today, lastSafeOn);
      return { decision, device, superset: supersetOf(project, decision.options), lastSafeOn, daysLeft };
    })
    .sort(
      (a, b) =>
        (a.daysLeft ?? Infinity) - (b.daysLeft ?? Infinity) ||
        TRADE_GATES.indexOf(a.decision.gate) - TRADE_GATES.indexOf(b.decision.gate) ||
        (a.decision.id < b.decision.id ? -1 : 1),
    );
}
