import { plannedLegs } from '../devices/index.ts';
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

/** One leg of the superset, and the options that need it. */
interface SupersetLeg {
  readonly leg: Leg;
  readonly options: readonly string[];
}

/**
 * The smallest set of legs that keeps every option open: of each cable as many as the option that needs most of it (practice A14). Options
 * without a type need nothing that is known.
 */
export function supersetLegs(
  project: ProjectDocument,
  options: OpenDecision['options'],
  roomId: string | null = null,
): SupersetLeg[] {
  const byCable = new Map<string, { legs: readonly Leg[]; options: string[] }>();
  for (const { name, typeId } of options) {
    const type = typeId === null ? undefined : project.deviceTypes[typeId];
    const usual = type ? plannedLegs(project, type, { roomId }).legs.map(({ leg }) => leg) : [];
    for (const cableTypeId of new Set(usual.map((leg) => leg.cableTypeId))) {
      const legs = usual.filter((leg) => leg.cableTypeId === cableTypeId);
      const known = byCable.get(cableTypeId) ?? { legs: [], options: [] };
      byCable.set(cableTypeId, {
        legs: legs.length > known.legs.length ? legs : known.legs,
        options: [...known.options, name],
      });
    }
  }
  return [...byCable]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([, one]) => one.legs.map((leg) => ({ leg, options: one.options })));
}

/** The cables of the superset with their number. */
export function supersetOf(
  project: ProjectDocument,
  options: OpenDecision['options'],
  roomId: string | null = null,
): SupersetCable[] {
  const counts = new Map<string, SupersetCable>();
  for (const { leg, options: of } of supersetLegs(project, options, roomId)) {
    const count = (counts.get(leg.cableTypeId)?.count ?? 0) + 1;
    counts.set(leg.cableTypeId, { cableTypeId: leg.cableTypeId, count, options: of });
  }
  return [...counts.values()];
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
      return { decision, device, superset: supersetOf(project, decision.options, decision.roomId), lastSafeOn, daysLeft };
    })
    .sort(
      (a, b) =>
        (a.daysLeft ?? Infinity) - (b.daysLeft ?? Infinity) ||
        TRADE_GATES.indexOf(a.decision.gate) - TRADE_GATES.indexOf(b.decision.gate) ||
        (a.decision.id < b.decision.id ? -1 : 1),
    );
}
