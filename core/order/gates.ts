import { listOf } from '../derive/index.ts';
import { type BoredPlace, penetrationsOf } from '../pathways/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { gateDate, type ProjectDocument, type TradeGate } from '../model/index.ts';
import { devicesInOwnBox } from './boxes.ts';
import { pulledRuns } from './pulled-runs.ts';

/** Kinds of things that must be done before something is closed. */
export const GATE_ITEM_KINDS = ['drawing', 'hole', 'bracket', 'run', 'seal', 'device', 'commissioning', 'task'] as const;
export type GateItemKind = (typeof GATE_ITEM_KINDS)[number];

/** One thing and the gate that it must meet, in its room. Days are YYYY-MM-DD; empty where the gate has no date. */
export interface GateItem {
  readonly kind: GateItemKind;
  /** Record that it is about; drawings and commissioning have a name of their own. */
  readonly id: string;
  readonly name: string;
  readonly roomId: string | null;
  readonly gate: TradeGate;
  readonly dueOn: string;
  readonly isDone: boolean;
}

/** Whether it should be done by now, and is not. */
export const isLate = ({ isDone, dueOn }: Pick<GateItem, 'isDone' | 'dueOn'>, today: string): boolean =>
  !isDone && dueOn !== '' && dueOn < today;

/** Drawings that a trade needs, and the gate before which it needs them. */
const DRAWINGS: readonly (readonly [string, TradeGate])[] = [
  ['blocking', 'framing'],
  ['rackOpening', 'framing'],
  ['holes', 'low-voltage-rough-in'],
  ['electrician', 'mains-rough-in'],
  ['plates', 'low-voltage-rough-in'],
  ['stucco', 'stucco'],
  ['tile', 'tile'],
  ['joinery', 'joinery'],
];

/** A gate without a day of its own is met with the next one that has one: firestopping by the inspection, or before the insulation. */
const AT_LATEST: Partial<Record<TradeGate, readonly TradeGate[]>> = {
  firestop: ['inspection', 'insulation', 'board'],
  inspection: ['insulation', 'board'],
  'low-voltage-rough-in': ['inspection', 'insulation', 'board'],
  insulation: ['board'],
};

/** When a gate is reached: in a room by its own date where it has one; empty where nobody knows. */
export function gateDay(project: ProjectDocument, gate: TradeGate, roomId: string | null): string {
  for (const one of [gate, ...(AT_LATEST[gate] ?? [])]) {
    const own =
      roomId === null ? undefined : listOf(project, 'roomDates').find((date) => date.roomId === roomId && date.gate === one);
    const day = own?.on || gateDate(project, one);
    if (day !== '') return day;
  }
  return '';
}

const PULLED: ReadonlySet<string> = new Set(['pulled', 'terminated', 'tested']);

/** Conduits in the floor topping are poured over; tails outdoors go before the stucco; the rest closes with the insulation. */
function gateOfRun({ media, device, run }: PlannedRun): { readonly gate: TradeGate; readonly isDone: boolean } {
  const isPulled = PULLED.has(run.state);
  if (media.includes('screed')) return { gate: 'slab-pour', isDone: isPulled };
  if (device.roomId === null) return { gate: 'stucco', isDone: isPulled };
  return { gate: 'insulation', isDone: isPulled && (run.rawTestedOn !== '' || run.state === 'tested') };
}

/** Everything in the house that must meet a gate, with its day. */
export function gateItems(project: ProjectDocument): GateItem[] {
  const { runs: planned, places } = pulledRuns(project);
  const stateOf = new Map(planned.map(({ run }) => [run.number, run.state]));
  const day = (gate: TradeGate, roomId: string | null) => gateDay(project, gate, roomId);
  const item = (own: Omit<GateItem, 'dueOn'>): GateItem => ({ ...own, dueOn: day(own.gate, own.roomId) });
  return [
    ...DRAWINGS.map(([name, gate]) => item({ kind: 'drawing', id: name, name, roomId: null, gate, isDone: false })),
    ...places.map((place) =>
      item({
        ...{ kind: 'hole', id: place.wallId ?? place.levelId, name: placeName(place), roomId: place.roomId },
        ...{ gate: 'low-voltage-rough-in', isDone: place.runs.some((number) => PULLED.has(stateOf.get(number) ?? '')) },
      }),
    ),
    ...bracketItems(project, planned, item),
    ...planned.map((one) =>
      item({ kind: 'run', id: one.run.id, name: one.run.number, roomId: one.device.roomId, ...gateOfRun(one) }),
    ),
    ...penetrationsOf(project, places)
      .filter(({ kind }) => kind === 'fire-stop' || kind === 'fire-block')
      .map(({ wallId, levelId, kind, runs, seal }) =>
        item({
          ...{ kind: 'seal', id: wallId ?? levelId, name: `${kind}: ${runs.join(', ')}`, roomId: null, gate: 'firestop' },
          isDone: seal !== null,
        }),
      ),
    ...deviceItems(project, planned, item),
    item({ kind: 'commissioning', id: 'commissioning', name: 'commissioning', roomId: null, gate: 'trim-out', isDone: false }),
    ...listOf(project, 'siteTasks').flatMap(({ id, name, roomId, gate, doneOn }) =>
      gate === null ? [] : [item({ kind: 'task', id, name, roomId, gate, isDone: doneOn !== '' })],
    ),
  ];
}

const placeName = ({ member, runs }: BoredPlace): string => `${member}: ${runs.join(', ')}`;

type Item = (own: Omit<GateItem, 'dueOn'>) => GateItem;

/** Boxes and brackets are in before the cables come. */
function bracketItems(project: ProjectDocument, planned: readonly PlannedRun[], item: Item): GateItem[] {
  const pulled = new Set(planned.flatMap(({ run, device }) => (PULLED.has(run.state) ? [device.id] : [])));
  const plates = listOf(project, 'plates');
  return [
    ...plates.map(({ id, name, roomId, inserts }) =>
      item({
        ...{ kind: 'bracket', id, name, roomId, gate: 'low-voltage-rough-in' },
        isDone: inserts.some(({ deviceId }) => deviceId !== null && pulled.has(deviceId)),
      }),
    ),
    ...devicesInOwnBox(project, plates).map(({ id, name, roomId, typeId }) =>
      item({
        ...{ kind: 'bracket', id, name: name || project.deviceTypes[typeId].name, roomId, gate: 'low-voltage-rough-in' },
        isDone: pulled.has(id),
      }),
    ),
  ];
}

/** Devices are fitted at trim-out; those on a plate in tiles, in stucco or in furniture keep to their own trade. */
function deviceItems(project: ProjectDocument, planned: readonly PlannedRun[], item: Item): GateItem[] {
  const tested = new Set(planned.flatMap(({ run, device }) => (run.state === 'tested' ? [device.id] : [])));
  return listOf(project, 'devices')
    .filter(({ fitting, foundId }) => fitting === 'fitted' && foundId === null)
    .map(({ id, name, roomId, typeId }) =>
      item({
        ...{ kind: 'device', id, name: name || project.deviceTypes[typeId].name, roomId, gate: 'trim-out' },
        isDone: tested.has(id),
      }),
    );
}
