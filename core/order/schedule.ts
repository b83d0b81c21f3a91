import { openDecisions } from '../brief/index.ts';
import { listOf } from '../derive/index.ts';
import { gateDate, type Permit, type ProjectDocument, TRADE_GATES, type TradeGate } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { costAfterClosing } from '../rules/index.ts';
import type { BillPart } from './bill.ts';
import { type GateItem, gateItems, isLate } from './gates.ts';
import type { LaborKind } from './labor.ts';
import { centsOf } from './money.ts';
import type { Offer } from './offer.ts';
import { orderByDay, windowStart, workingDaysAfter } from './working-days.ts';

/** Working day of one person, h, and people of the usual crew. */
const DAY_H = 8;
const CREW = 2;
/** Working days that paint dries before dust covers come off and levels are set. */
const PAINT_DRIES_DAYS = 2;

/** The gate before which each kind of work is done. */
const GATE_OF_WORK: Readonly<Record<LaborKind, TradeGate>> = {
  bore: 'low-voltage-rough-in',
  floor: 'low-voltage-rough-in',
  box: 'low-voltage-rough-in',
  conduit: 'low-voltage-rough-in',
  pull: 'low-voltage-rough-in',
  'nail-plate': 'low-voltage-rough-in',
  label: 'low-voltage-rough-in',
  seal: 'firestop',
  end: 'trim-out',
  fit: 'trim-out',
  rack: 'trim-out',
};

/** The gate at which each part of the bill is on site. */
const GATE_OF_PART: Readonly<Record<BillPart, TradeGate>> = {
  cable: 'low-voltage-rough-in',
  lead: 'low-voltage-rough-in',
  conduit: 'low-voltage-rough-in',
  device: 'trim-out',
  box: 'low-voltage-rough-in',
  connector: 'trim-out',
  label: 'low-voltage-rough-in',
  support: 'low-voltage-rough-in',
  'nail-plate': 'low-voltage-rough-in',
  seal: 'firestop',
  equipment: 'trim-out',
  cord: 'trim-out',
  consumable: 'low-voltage-rough-in',
  tool: 'low-voltage-rough-in',
};

/** Trades that come back when something of a gate is made up for after it. */
const CALLED_BACK: Partial<Record<TradeGate, readonly string[]>> = {
  'slab-pour': ['floor'],
  insulation: ['insulation', 'drywall', 'paint'],
  firestop: ['drywall', 'inspector'],
  inspection: ['inspector'],
  'low-voltage-rough-in': ['inspector'],
  stucco: ['stucco', 'paint'],
  tile: ['tile'],
  joinery: ['joinery'],
  'mains-rough-in': ['electrician'],
};

export interface GateState {
  readonly gate: TradeGate;
  readonly from: string;
  readonly on: string;
  /** Rooms with a day of their own. */
  readonly rooms: readonly { readonly roomId: string; readonly on: string }[];
  readonly all: number;
  readonly done: number;
  readonly late: number;
  /** Person-hours of our work, days of a crew of two, and the first of them that still meets the gate. */
  readonly hours: number;
  readonly crewDays: number;
  readonly startBy: string;
}

/** Something that missed its gate: who has to come back, and what it costs (a band of 40 %, no quotation). Whole cents. */
export interface LateItem {
  readonly item: GateItem;
  readonly callBack: readonly string[];
  readonly costCents: number | null;
}

export interface OrderDay {
  readonly key: string;
  readonly part: BillPart;
  readonly name: string;
  readonly detail: string;
  readonly gate: TradeGate;
  readonly leadDays: number;
  readonly onSiteBy: string;
  readonly orderBy: string;
  readonly isLate: boolean;
}

/** Two gates whose days contradict the order of the job; or a window that ends before it begins. */
export interface DateContradiction {
  readonly gate: TradeGate;
  readonly before: TradeGate | null;
  readonly roomId: string | null;
}

/** A permit beside the work that waits for it. Days are YYYY-MM-DD, empty where the day of the work is open. */
export interface PermitState {
  readonly permit: Permit;
  /** First day of the work that may not begin without it. */
  readonly neededBy: string;
  /** Last day on which it can be applied for. */
  readonly applyBy: string;
  /** `late`: by its lead time, or by the day on which it came, the work would begin before it; `failed`: its inspection did not pass. */
  readonly state: 'open' | 'applied' | 'granted' | 'late' | 'failed';
}

export interface Schedule {
  readonly gates: readonly GateState[];
  readonly items: readonly GateItem[];
  readonly late: readonly LateItem[];
  readonly orders: readonly OrderDay[];
  readonly decisions: readonly { readonly id: string; readonly subject: string; readonly by: string; readonly owner: string }[];
  readonly permits: readonly PermitState[];
  readonly contradictions: readonly DateContradiction[];
  /** First day on which systems can be commissioned: paint dry, dust covers off; empty while the day of the paint is open. */
  readonly commissionFrom: string;
}

/** What is done when: gates with their work, what missed one, what is ordered until when. `today` is YYYY-MM-DD. */
export function scheduleOfJob(project: ProjectDocument, offer: Offer, today: string): Schedule {
  const items = gateItems(project);
  const gates = TRADE_GATES.map((gate) => gateState(project, gate, items, offer, today));
  const startOf = new Map(gates.map(({ gate, startBy, on }) => [gate, startBy || on]));
  const painted = gateDate(project, 'paint');
  return {
    gates,
    items,
    late: lateItems(project, items, today),
    orders: orderDays(project, offer, startOf, today),
    decisions: openDecisions(project, today)
      .filter(({ lastSafeOn, decision }) => lastSafeOn !== '' && decision.chosen === '')
      .map(({ decision, lastSafeOn }) => ({ id: decision.id, subject: decision.subject, by: lastSafeOn, owner: decision.owner })),
    permits: permitStates(project, startOf, today),
    contradictions: contradictions(project),
    commissionFrom: painted === '' ? '' : workingDaysAfter(painted, PAINT_DRIES_DAYS + 1),
  };
}

function gateState(
  project: ProjectDocument,
  gate: TradeGate,
  items: readonly GateItem[],
  { lines }: Offer,
  today: string,
): GateState {
  const own = items.filter((item) => item.gate === gate);
  const hours = lines.reduce(
    (sum, { part, rule }) => sum + (rule.by === 'hours' && GATE_OF_WORK[part as LaborKind] === gate ? rule.hours : 0),
    0,
  );
  const crewDays = Math.ceil(hours / (DAY_H * CREW) - 1e-9);
  const known = listOf(project, 'tradeDates').find((date) => date.gate === gate);
  const on = known?.on ?? '';
  return {
    ...{ gate, on, from: known?.from ?? '', hours, crewDays },
    rooms: listOf(project, 'roomDates')
      .filter((date) => date.gate === gate)
      .map(({ roomId, on: day }) => ({ roomId, on: day })),
    all: own.length,
    done: own.filter(({ isDone }) => isDone).length,
    late: own.filter((item) => isLate(item, today)).length,
    startBy: on === '' || crewDays === 0 ? '' : windowStart(on, crewDays),
  };
}

function lateItems(project: ProjectDocument, items: readonly GateItem[], today: string): LateItem[] {
  const runById = new Map(planRuns(project).map((planned) => [planned.run.id, planned]));
  const closedOn = gateDate(project, 'board');
  return items
    .filter((item) => item.kind !== 'drawing' && isLate(item, today))
    .map((item) => {
      const subject =
        item.kind === 'run' ? 'runs' : item.kind === 'device' ? 'devices' : item.kind === 'bracket' ? 'devices' : 'walls';
      const isClosed = closedOn !== '' && closedOn < today && item.kind !== 'device' && item.kind !== 'commissioning';
      const cost = isClosed ? costAfterClosing(project, { subjects: [{ in: subject, id: item.id }] }, runById) : null;
      return { item, callBack: CALLED_BACK[item.gate] ?? [], costCents: cost === null ? null : centsOf(cost.price) };
    });
}

/** What is bought is on site on the first day of its work, and ordered so many working days before. */
function orderDays(
  project: ProjectDocument,
  { lines }: Offer,
  startOf: ReadonlyMap<TradeGate, string>,
  today: string,
): OrderDay[] {
  const ordered = new Set(listOf(project, 'deliveries').map(({ item }) => item.toLowerCase()));
  return lines
    .filter(({ group }) => group === 'material')
    .flatMap(({ key, name, detail, part, rule }): OrderDay[] => {
      const gate = GATE_OF_PART[part as BillPart];
      const onSiteBy = startOf.get(gate) ?? '';
      if (onSiteBy === '') return [];
      const leadDays = rule.by === 'price-list' ? rule.price.leadDays : offerLeadDays(project, key);
      const orderBy = orderByDay(onSiteBy, leadDays);
      const isOrdered = ordered.has(name.toLowerCase());
      return [
        {
          ...{ key, part: part as BillPart, name, detail, gate, leadDays, onSiteBy, orderBy },
          isLate: !isOrdered && orderBy < today,
        },
      ];
    })
    .sort((a, b) => (a.orderBy < b.orderBy ? -1 : a.orderBy > b.orderBy ? 1 : 0));
}

function permitStates(project: ProjectDocument, startOf: ReadonlyMap<TradeGate, string>, today: string): PermitState[] {
  return listOf(project, 'permits')
    .map((permit): PermitState => {
      const neededBy = startOf.get(permit.gate) ?? '';
      const applyBy = neededBy === '' ? '' : orderByDay(neededBy, permit.leadDays);
      return { permit, neededBy, applyBy, state: permitState(permit, neededBy, applyBy, today) };
    })
    .sort((a, b) => (a.applyBy || '9999').localeCompare(b.applyBy || '9999') || a.permit.name.localeCompare(b.permit.name));
}

function permitState(
  { result, grantedOn, appliedOn }: Permit,
  neededBy: string,
  applyBy: string,
  today: string,
): PermitState['state'] {
  if (result === 'failed') return 'failed';
  if (grantedOn !== '') return neededBy !== '' && grantedOn > neededBy ? 'late' : 'granted';
  if (neededBy !== '' && (today > neededBy || (appliedOn || today) > applyBy)) return 'late';
  return appliedOn === '' ? 'open' : 'applied';
}

/** Lead time of a size of cable; things without one are taken as in stock with the supplier. */
const USUAL_LEAD_DAYS = 5;
const offerLeadDays = (project: ProjectDocument, key: string): number =>
  key.startsWith('cable ') ? (project.spoolOffers[key.split(' ')[2]]?.leadDays ?? USUAL_LEAD_DAYS) : USUAL_LEAD_DAYS;

/** Gates that follow each other in every house. */
const CHAIN: readonly TradeGate[] = [
  'framing',
  'mains-rough-in',
  'low-voltage-rough-in',
  'inspection',
  'insulation',
  'board',
  'mud',
  'texture',
  'paint',
  'trim-out',
];

function contradictions(project: ProjectDocument): DateContradiction[] {
  const found: DateContradiction[] = [];
  for (const { gate, from, on } of listOf(project, 'tradeDates'))
    if (from !== '' && on !== '' && from > on) found.push({ gate, before: null, roomId: null });
  for (const { gate, from, on, roomId } of listOf(project, 'roomDates'))
    if (from !== '' && on !== '' && from > on) found.push({ gate, before: null, roomId });
  const known = CHAIN.map((gate) => ({ gate, on: gateDate(project, gate) })).filter(({ on }) => on !== '');
  known.slice(1).forEach(({ gate, on }, n) => {
    if (on < known[n].on) found.push({ gate, before: known[n].gate, roomId: null });
  });
  return found;
}
