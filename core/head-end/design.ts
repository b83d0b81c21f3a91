import { POE_PLANNED_SHARE } from '../calculators/index.ts';
import { derivationsOf, edited, listOf } from '../derive/index.ts';
import { belongingsOf } from '../devices/index.ts';
import { err, ok, type Outcome } from '../math/index.ts';
import {
  type Circuit,
  create,
  type Equipment,
  type EquipmentKind,
  type Operation,
  type ProjectDocument,
  type Rack,
  remove,
  update,
} from '../model/index.ts';
import { runsByDevice } from '../runs/index.ts';
import { AROUND_M, arranged, type EquipmentPlace, isRackMounted, isWallHung } from './arrange.ts';
import { assignPorts } from './assign.ts';
import { SPARE, spareOf } from './head-end.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { EQUIPMENT_PRESETS, type EquipmentPreset, newEquipment, presetOf } from './library.ts';
import type { RunNeed } from './needs.ts';
import { portsOf, takesRuns } from './ports.ts';

/** Sizes in which enclosures are made (ENGINEERING 15.1): between studs 406 mm apart; m, and an invented price. */
export const ENCLOSURES = [
  { name: '28 in', units: 16, widthM: 0.368, depthM: 0.095, terminations: 24, price: 120 },
  { name: '30 in', units: 17, widthM: 0.368, depthM: 0.095, terminations: 30, price: 140 },
  { name: '42 in', units: 24, widthM: 0.368, depthM: 0.095, terminations: 48, price: 190 },
] as const;
export type EnclosureSize = (typeof ENCLOSURES)[number];
/** A rack of so many units with its sides and door. */
const RACK_PRICE = { 12: 260, 20: 420, 27: 560, 42: 820 } as const;
const RACK_SIZES = [12, 20, 27, 42] as const;
/** An enclosure may hold so much heat behind its door (ENGINEERING 15.1), W. */
export const ENCLOSURE_HEAT_W = 30;

/** Why an enclosure does not hold what ends there. */
export type EnclosureReason = 'data-runs' | 'amplifiers' | 'shade-supply' | 'terminations' | 'space' | 'depth';

/** What speaks for a rack even where an enclosure would hold it (PRACTICE C01). */
const FOR_RACK: ReadonlySet<EnclosureReason> = new Set(['data-runs', 'amplifiers', 'shade-supply']);

/** What a head end needs, and in what it holds. */
export interface EnclosureChoice {
  readonly size: EnclosureSize | null;
  /** Whether practice would take a rack: many data runs, amplifiers, a shade supply, or no enclosure that holds it. */
  readonly isRackAdvised: boolean;
  /** What keeps smaller ones, or all of them, from holding it. */
  readonly reasons: readonly EnclosureReason[];
  readonly terminations: number;
  readonly dataRuns: number;
  /** Equipment of the enclosure, and of a rack in its place; with the price of each. */
  readonly presets: readonly EquipmentPreset[];
  readonly price: number | null;
  readonly rack: { readonly units: number; readonly price: number };
}

export interface DesignOptions {
  /** From so many data runs on a rack is taken (PRACTICE C01). */
  readonly mostDataRuns: number;
}
export const USUAL_DESIGN: DesignOptions = { mostDataRuns: 16 };

/** Everything that a rack or enclosure needs for what ends there and is not there yet. */
export function wantedPresets(
  needs: readonly RunNeed[],
  equipment: readonly Equipment[],
  { kind: headEnd, depthM }: Pick<Rack, 'kind' | 'depthM'>,
): EquipmentPreset[] {
  const isRack = isRackMounted({ kind: headEnd });
  const wanted: EquipmentPreset[] = [];
  const count = (kind: RunNeed['kind']) =>
    needs.filter((need) => need.kind === kind && !isOfAlarm(need)).reduce((sum, { ports }) => sum + ports, 0);
  const there = (kind: RunNeed['kind']) => equipment.flatMap(portsOf).filter((port) => takesRuns(port, kind)).length;
  const has = (...kinds: readonly EquipmentKind[]) => equipment.some(({ kind }) => kinds.includes(kind));
  const missing = (kind: RunNeed['kind']) => Math.max(0, Math.ceil(count(kind) * spareOf(kind) - 1e-9) - there(kind));
  const add: Add = (presetId) => void wanted.push(presetOf(presetId)!);
  const fill = (kind: RunNeed['kind'], sizes: readonly (readonly [presetId: string, ports: number])[]) => {
    let left = missing(kind);
    while (left > 0) {
      const [id, ports] = sizes.find(([, size]) => size >= left) ?? sizes[sizes.length - 1];
      add(id);
      left -= ports;
    }
  };
  fill('data', isRack ? [['patch-24', 24]] : [['board-6', 6]]);
  if (!isRack && needsMultiswitch(needs)) splitters(needs, equipment, add);
  else
    fill(
      'coax',
      isRack
        ? [['coax-panel-16', 16]]
        : [
            ['splitter-2', 2],
            ['splitter-4', 4],
            ['splitter-8', 8],
          ],
    );
  if (isRack) {
    fill('video', headEnd === 'cabinet' ? [['video-couplers', 4]] : [['video-panel-12', 12]]);
    fill('fibre', [['fibre-panel-12', 12]]);
    fill('relay', [['controller-1u', 8]]);
    if (missing('bus') > 0 && !has('controller') && !wanted.some(({ kind }) => kind === 'controller')) add('controller-1u');
  } else if (headEnd === 'enclosure' && missing('bus') + missing('relay') > 0 && !has('controller')) add('controller-small');
  for (const [feeds, presetId, outputs] of [
    ['shade', isRack ? 'supply-shades' : 'shade-supply-wall', isRack ? 12 : 10],
    ['strip', isRack ? 'supply-strips' : 'strip-driver-wall', isRack ? 6 : 4],
  ] as const) {
    const own = needs.filter((need) => need.feeds === feeds).reduce((sum, { ports }) => sum + ports, 0);
    const has = equipment.flatMap(portsOf).filter((port) => takesRuns(port, 'power', { feeds, isSignalIn: false })).length;
    for (let left = Math.ceil(own * SPARE - 1e-9) - has; left > 0; left -= outputs) add(presetId);
  }
  fill('zone', [
    ['alarm-panel', 16],
    ['alarm-panel-32', 32],
  ]);
  const hasPanel = has('alarm-panel') || wanted.some(({ kind }) => kind === 'alarm-panel');
  if (!hasPanel && needs.some(isOfAlarm)) add('alarm-panel');
  // Amplifiers are too hot for an enclosure: they hang on the wall beside it.
  if (headEnd !== 'enclosure') speakers(needs, equipment, add, headEnd === 'cabinet');
  else {
    fill('speaker', [['amplifier-small', 4]]);
    fill('video', [['video-couplers', 4]]);
  }
  if (isRack) {
    sources(needs, equipment, add);
    splitters(needs, equipment, add);
  }
  network(needs, equipment, isRack, add);
  recorders(needs, equipment, isRack, add);
  // On a board each plug has an outlet of the wall.
  if (isRack || headEnd === 'enclosure') outlets([...equipment, ...wanted], { isRack, depthM }, add);
  return wanted;
}

/** Keypads and sirens of an alarm, which its panel takes beside the zones. */
const isOfAlarm = ({ kind, system, feeds }: RunNeed): boolean => feeds === 'siren' || (kind === 'bus' && system === 'guard');

type Add = (presetId: string) => void;

/** Channels of theatres go to receivers, those of music to amplifiers of as many channels; the receiver of a room drives all of it. */
function speakers(needs: readonly RunNeed[], equipment: readonly Equipment[], add: Add, isOfRoom: boolean): void {
  const channels = (isTheatre: boolean) =>
    needs
      .filter((need) => need.kind === 'speaker' && !need.isLine && need.isTheatre === isTheatre)
      .reduce((sum, { ports }) => sum + ports, 0);
  const there = (kind: EquipmentKind, isLine = false) =>
    equipment
      .filter((one) => one.kind === kind && ((one.amplifier?.lineV ?? null) !== null) === isLine)
      .flatMap(portsOf)
      .filter((port) => takesRuns(port, 'speaker')).length;
  const unused = isOfRoom ? Math.max(0, there('receiver') - channels(true)) : 0;
  let theatre = channels(true) - there('receiver');
  while (theatre > 0) {
    const id = theatre > 9 ? 'receiver-11' : 'receiver-9';
    add(id);
    theatre -= presetOf(id)!.amplifier!.channels;
  }
  let music = channels(false) - there('amplifier') - unused;
  while (music > 0) {
    const id = music > 8 ? 'amplifier-16' : music > 2 ? 'amplifier-8' : 'amplifier-2';
    add(id);
    music -= presetOf(id)!.amplifier!.channels;
  }
  let lines = needs.filter(({ isLine }) => isLine).length - there('amplifier', true);
  for (; lines > 0; lines -= presetOf('amplifier-line')!.amplifier!.channels) add('amplifier-line');
  const hasReceiver = channels(true) > 0 || equipment.some(({ kind }) => kind === 'receiver');
  if (!hasReceiver && needs.some(({ kind }) => kind === 'line')) add('receiver-9');
}

/** Streams of a music player: zones with a stream of their own each. */
const STREAMS = 4;
const ZONES_OF_MATRIX = 8;
const OUTPUTS_OF_MATRIX = 8;

/** What plays: a music player for zones, through a matrix where they are more than its streams; a player and a matrix for displays. */
function sources(needs: readonly RunNeed[], equipment: readonly Equipment[], add: Add): void {
  const hasPorts = (kind: EquipmentKind, name: string) =>
    equipment.some((one) => one.kind === kind && one.ports.some((group) => group.name === name));
  const zones = new Set(needs.filter(({ kind, isTheatre }) => kind === 'speaker' && !isTheatre).map(({ placeId }) => placeId))
    .size;
  if (zones > 0 && !hasPorts('source', 'line out')) add('streamer-4');
  if (zones > STREAMS && !hasPorts('matrix', 'line in')) add(zones > ZONES_OF_MATRIX ? 'matrix-audio-16' : 'matrix-audio-8');
  const displays = new Set(needs.filter(({ kind }) => kind === 'video').map(({ deviceId }) => deviceId)).size;
  if (displays > 0 && !hasPorts('source', 'video out')) add('source-1u');
  // Each receiver of a theatre takes an output too.
  const theatres = new Set(needs.filter((need) => need.kind === 'speaker' && need.isTheatre).map(({ placeId }) => placeId)).size;
  if (displays > 1 && !hasPorts('matrix', 'video in')) add(displays + theatres > OUTPUTS_OF_MATRIX ? 'matrix-16' : 'matrix-8');
}

const OUTPUTS_OF_MULTISWITCH = 8;

/** A device whose signal comes in over several cables: a dish. */
function needsMultiswitch(needs: readonly RunNeed[]): boolean {
  const coming = needs.filter(({ isSignalIn, kind }) => isSignalIn && kind === 'coax').map(({ deviceId }) => deviceId);
  return new Set(coming).size < coming.length;
}

/** Splitters behind the panel of outlets, with a quarter spare. */
function splitters(needs: readonly RunNeed[], equipment: readonly Equipment[], add: Add): void {
  // A dish with a cable for each polarization and band needs a multiswitch; no splitter carries them all.
  if (needsMultiswitch(needs)) {
    const outlets = needs.filter(({ kind, isSignalIn }) => kind === 'coax' && !isSignalIn).length;
    const there = equipment.filter(({ kind }) => kind === 'multiswitch').length;
    for (let n = Math.ceil(outlets / OUTPUTS_OF_MULTISWITCH) - there; n > 0; n--) add('multiswitch-8');
    return;
  }
  const outlets = needs.filter(({ kind, isSignalIn }) => kind === 'coax' && !isSignalIn).length;
  const there = equipment.filter(({ kind }) => kind === 'splitter' || kind === 'multiswitch' || kind === 'tap').flatMap(portsOf);
  const outputs = there.filter(({ group }) => group.name === 'coax').length;
  // What was solved for the levels has no spare on purpose.
  let left = outputs > 0 ? outlets - outputs : Math.ceil(outlets * SPARE - 1e-9);
  if (outlets === 0) return;
  while (left > 0) {
    const ways = [2, 3, 4, 6, 8].find((one) => one >= left) ?? 8;
    add(`splitter-${ways}`);
    left -= ways;
  }
}

/** A recorder for all cameras with a quarter spare; where one is there, another for those that find no channel. */
function recorders(needs: readonly RunNeed[], equipment: readonly Equipment[], isRack: boolean, add: Add): void {
  const cameras = needs.filter(({ isRecorded }) => isRecorded).length;
  const channels = equipment.reduce((sum, { recorder }) => sum + (recorder?.channels ?? 0), 0);
  const wanted = channels === 0 ? Math.ceil(cameras * SPARE - 1e-9) : cameras;
  let left = wanted - channels;
  while (left > 0) {
    const id = !isRack ? 'recorder-small' : left <= 8 ? 'recorder-8' : left <= 16 ? 'recorder-16' : 'recorder-32';
    add(id);
    left -= presetOf(id)!.recorder!.channels;
  }
}

/** Modem, router and switches with ports and watts for all that is fed, a quarter spare. */
function network(needs: readonly RunNeed[], equipment: readonly Equipment[], isRack: boolean, add: Add): void {
  const data = needs.filter(({ kind }) => kind === 'data');
  if (data.length === 0) return;
  const has = (kind: EquipmentKind) => equipment.some((one) => one.kind === kind);
  // Where a link comes from another rack, the network of the house comes over it.
  const isLinked = equipment.some(({ tieDeviceId }) => tieDeviceId !== null);
  if (!isLinked && !has('modem')) add('modem');
  if (!isLinked && !has('router')) add(isRack ? 'router-1u' : 'router-small');
  const live = data.filter(({ waits }) => !waits);
  const switches = equipment.filter(({ kind }) => kind === 'switch');
  const ports = switches.reduce((sum, one) => sum + portsOf(one).filter(({ group }) => group.kind === 'data').length, 0);
  const watts = switches.reduce((sum, { poeW }) => sum + (poeW ?? 0), 0);
  // Recorder, controller, receivers and the like in the rack need ports too.
  const inRack = isRack ? 4 : 1;
  let needPorts = Math.ceil((live.length + inRack) * SPARE - 1e-9) - ports;
  let needW = live.reduce((sum, { poeW }) => sum + poeW, 0) / POE_PLANNED_SHARE - watts;
  const sizes = isRack
    ? ([
        ['switch-16-poe', 16, 150],
        ['switch-24-poe', 24, 370],
        ['switch-48-poe', 48, 740],
      ] as const)
    : ([
        ['switch-8-poe', 8, 90],
        ['switch-16-small', 16, 150],
      ] as const);
  while (needPorts > 0 || needW > 0) {
    const [id, own, ownW] = sizes.find(([, size, w]) => size >= needPorts && w >= needW) ?? sizes[sizes.length - 1];
    add(id);
    needPorts -= own;
    needW -= ownW;
  }
}

/** Outlets for all plugs, with a quarter spare; in a rack what keeps the network alive goes on a UPS. */
function outlets(
  equipment: readonly (Equipment | EquipmentPreset)[],
  { isRack, depthM }: { readonly isRack: boolean; readonly depthM: number },
  add: Add,
): void {
  const outletsOf = (one: Pick<Equipment, 'ports'>) =>
    one.ports.filter(({ kind }) => kind === 'mains').reduce((sum, { count }) => sum + count, 0);
  const there = equipment.reduce((sum, one) => sum + outletsOf(one), 0);
  const plugs = equipment
    .filter(({ kind, isMains }) => isMains && kind !== 'power-strip' && kind !== 'ups')
    .reduce((sum, one) => sum + one.plugs, 0);
  let left = Math.ceil(plugs * SPARE - 1e-9) - there;
  const kept = equipment.filter((one) => KEPT_ALIVE.has(one.kind)).reduce((sum, { powerW }) => sum + powerW, 0);
  if (isRack && kept > 0 && !equipment.some(({ kind }) => kind === 'ups')) {
    // A shallow rack takes a shallow one as long as that carries it.
    const sizes = UPS_SIZES.filter((one) => kept * SPARE <= presetOf(one)!.ups!.ratedW);
    const fits = sizes.find((one) => presetOf(one)!.depthM + AROUND_M <= depthM + 1e-9);
    const id = fits ?? sizes[0] ?? 'ups-2000';
    add(id);
    left -= outletsOf(presetOf(id)!);
  }
  while (left > 0) {
    const id = isRack ? (left > 8 ? 'power-strip-12' : 'power-strip-8') : 'outlet-strip';
    add(id);
    left -= outletsOf(presetOf(id)!);
  }
}

/** By what is usual first: the shallow one only where the others do not fit. */
const UPS_SIZES = ['ups-1000', 'ups-2000', 'ups-500'] as const;
/** The depth of a usual rack, m. */
const USUAL_RACK_M = 0.8;

/** Always on a UPS: network, recorder and control; never amplifiers (PRACTICE C20). */
const KEPT_ALIVE: ReadonlySet<EquipmentKind> = new Set([
  'modem',
  'router',
  'switch',
  'recorder',
  'controller',
  'hub',
  'alarm-panel',
]);

const priceOf = (presets: readonly EquipmentPreset[]): number => presets.reduce((sum, { price }) => sum + price, 0);

/** The smallest enclosure that holds what ends at a head end, with the reason; and what a rack would cost in its place. */
export function chooseEnclosure(
  needs: readonly RunNeed[],
  rack: Rack,
  { mostDataRuns }: DesignOptions = USUAL_DESIGN,
): EnclosureChoice {
  const presets = wantedPresets(needs, [], { kind: 'enclosure', depthM: rack.depthM });
  const inRack = wantedPresets(needs, [], { kind: 'rack', depthM: USUAL_RACK_M });
  const dataRuns = needs.filter(({ kind }) => kind === 'data').length;
  const terminations = Math.ceil(needs.filter(({ kind }) => kind !== 'speaker').length * SPARE - 1e-9);
  const reasons = new Set<EnclosureReason>();
  if (dataRuns > mostDataRuns) reasons.add('data-runs');
  if (needs.some(({ kind }) => kind === 'speaker')) reasons.add('amplifiers');
  if (presets.some(({ presetId }) => presetId === 'shade-supply-wall' || presetId === 'strip-driver-wall'))
    reasons.add('shade-supply');
  const trial = presets.map((preset, n) => newEquipment(preset, { id: `trial${n}`, rackId: rack.id }));
  const holds = ENCLOSURES.find((size) => {
    if (terminations > size.terminations) return reasons.add('terminations') && false;
    if (trial.some((one) => !isWallHung(one) && one.depthM > size.depthM)) return reasons.add('depth') && false;
    const placed = arranged({ ...rack, kind: 'enclosure', units: size.units, widthM: size.widthM, depthM: size.depthM }, trial);
    return placed.ok || (reasons.add('space') && false);
  });
  const units = inRack.reduce((sum, { units: own }) => sum + Math.max(own, 1), 0);
  const rackUnits = RACK_SIZES.find((one) => one * 0.8 >= units) ?? 42;
  return {
    ...{
      size: holds ?? null,
      isRackAdvised: !holds || [...reasons].some((one) => FOR_RACK.has(one)),
      reasons: [...reasons],
      terminations,
      dataRuns,
      presets,
    },
    price: holds ? holds.price + priceOf(presets) : null,
    rack: { units: rackUnits, price: RACK_PRICE[rackUnits] + priceOf(inRack) },
  };
}

/** What a design of a head end does. */
export interface HeadEndDesign {
  readonly operations: readonly Operation[];
  readonly added: readonly string[];
  readonly enclosure: EnclosureChoice | null;
  readonly short: readonly RunNeed[];
  readonly waiting: readonly string[];
}

/** Makes as many ids as it is asked for. */
export type NewHeadEndId = (kind: 'equipment' | 'termination' | 'patch' | 'circuit') => string;

/**
 * Designs a head end: adds the equipment that is missing, feeds it, gives everything a place, terminates every run and patches it. What is
 * locked stays. An enclosure gets the smallest size that holds it. Problems: `rack-too-low`, `enclosure-too-small`, `equipment-not-here`.
 */
export function designHeadEnd(
  project: ProjectDocument,
  rackId: string,
  newId: NewHeadEndId,
  options: DesignOptions = USUAL_DESIGN,
): Outcome<HeadEndDesign> {
  const rack = project.racks[rackId];
  if (!rack) return err('record-gone', { in: 'racks', id: rackId });
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const needs = parts.needsAt.get(rackId) ?? [];
  const there = parts.equipment.filter((one) => one.rackId === rackId);
  const isRack = isRackMounted(rack);
  const enclosure = rack.kind === 'enclosure' ? chooseEnclosure(needs, rack, options) : null;
  const names = new Set(there.map(({ name }) => name));
  const make = (preset: EquipmentPreset, tieDeviceId: string | null = null) => {
    const own = { id: newId('equipment'), rackId, name: freeName(preset.name, names), tieDeviceId };
    return newEquipment(preset, isRack ? own : { ...own, units: 0 });
  };
  const ties = openTies(project, rack, there).map((tieDeviceId) => make(presetOf('tie-panel-12')!, tieDeviceId));
  const added = [...ties, ...wantedPresets(needs, [...there, ...ties], rack).map((preset) => make(preset))];
  const known = listOf(project, 'circuits')[0];
  const circuit = known ?? newCircuit(project, rack, newId('circuit'));
  const fed = feeds([...there, ...added], circuit.id);
  const fitted = inSize(rack, fed, enclosure);
  if (!fitted.ok) return fitted;
  const { sized, places } = fitted.value;
  const operations: Operation[] = [];
  const resize = update('racks', rack, { units: sized.units, widthM: sized.widthM, depthM: sized.depthM });
  if (resize) operations.push(resize);
  if (!known && fed.some(({ circuitId }) => circuitId === circuit.id)) operations.push(create('circuits', circuit));
  const placeOf = new Map(places.map((one) => [one.id, one]));
  for (const one of fed) {
    const place = placeOf.get(one.id);
    const { atUnit, units, face, xM, yM } = place ?? one;
    const after: Equipment = { ...one, atUnit, units, face, xM, yM };
    const known = project.equipment[one.id];
    if (!known) operations.push(create('equipment', after));
    else {
      const change = update('equipment', known, { atUnit, units, face, xM, yM, feedId: one.feedId, circuitId: one.circuitId });
      if (change) operations.push(change);
    }
  }
  // A strip or UPS must stand before what is plugged into it.
  operations.sort((a, b) => Number(isFeed(b)) - Number(isFeed(a)));
  operations.sort((a, b) => Number(b.in === 'circuits') - Number(a.in === 'circuits'));
  const built = edited(project, operations);
  if (!built.ok) return built;
  const ports = connectAll(built.value, [rackId], newId, false);
  return ok({
    operations: [...operations, ...ports.operations],
    added: added.map(({ id }) => id),
    enclosure,
    short: ports.short,
    waiting: ports.waiting,
  });
}

/** Links between racks whose other ends arrive here on no panel yet. */
function openTies(project: ProjectDocument, rack: Rack, there: readonly Equipment[]): string[] {
  const tied = new Set(there.map(({ tieDeviceId }) => tieDeviceId));
  const byDevice = runsByDevice(project);
  return belongingsOf(project, rack)
    .devices.filter(
      ({ id, typeId }) =>
        typeId === 'rack-link' && !tied.has(id) && (byDevice.get(id) ?? []).some(({ rackId }) => rackId !== rack.id),
    )
    .map(({ id }) => id);
}

/** The size of a head end that holds its equipment: as it is, else the next in which it is made. */
function inSize(
  rack: Rack,
  equipment: readonly Equipment[],
  enclosure: EnclosureChoice | null,
): Outcome<{ readonly sized: Rack; readonly places: readonly EquipmentPlace[] }> {
  const sizes: Partial<Rack>[] = enclosure
    ? ENCLOSURES.map(({ units, widthM, depthM }) => ({ units, widthM, depthM }))
    : isRackMounted(rack)
      ? RACK_SIZES.map((units) => ({ units }))
      : [];
  const larger = sizes.filter(({ units }) => units! > rack.units).map((one): Rack => ({ ...rack, ...one }));
  const chosen = enclosure?.size
    ? { ...rack, units: enclosure.size.units, widthM: enclosure.size.widthM, depthM: enclosure.size.depthM }
    : rack;
  let refused: Outcome<EquipmentPlace[]> | null = null;
  for (const sized of [chosen, ...larger]) {
    const placed = arranged(sized, equipment);
    if (placed.ok) return ok({ sized, places: placed.value });
    refused ??= placed;
  }
  return refused as Outcome<never>;
}

/** A name that nothing in the head end has yet: the second of a kind is number 2. */
export function freeName(name: string, taken: Set<string>): string {
  let own = name;
  for (let n = 2; taken.has(own); n++) own = `${name} #${n}`;
  taken.add(own);
  return own;
}

/** A dedicated circuit of its own, as the region has them: the electrician adds it. */
const newCircuit = ({ project: { jurisdiction } }: ProjectDocument, { name }: Rack, id: string): Circuit => ({
  ...{ id, name, isDedicated: true, otherW: 0 },
  ...(jurisdiction === 'NA' ? { volts: 120, breakerA: 20 } : { volts: 230, breakerA: 16 }),
});

const isFeed = (operation: Operation): boolean =>
  operation.op === 'create' &&
  operation.in === 'equipment' &&
  ['power-strip', 'ups'].includes((operation.record as Equipment).kind);

/** Plugs everything in: what must stay alive into the UPS, the rest into strips; those into outlets of a circuit. */
export function feeds(equipment: readonly Equipment[], circuitId: string | null): Equipment[] {
  const left = new Map(
    equipment
      .filter(({ ports }) => ports.some(({ kind }) => kind === 'mains'))
      .map((one) => [one.id, portsOf(one).filter(({ group }) => group.kind === 'mains').length]),
  );
  for (const { feedId, plugs } of equipment) if (feedId !== null && left.has(feedId)) left.set(feedId, left.get(feedId)! - plugs);
  const ups = equipment.filter(({ kind }) => kind === 'ups').map(({ id }) => id);
  const strips = equipment.filter(({ kind }) => kind === 'power-strip').map(({ id }) => id);
  return equipment.map((one) => {
    if (!one.isMains || one.feedId !== null || one.circuitId !== null) return one;
    if (left.has(one.id)) return { ...one, circuitId };
    const among = KEPT_ALIVE.has(one.kind) ? [...ups, ...strips] : strips;
    const feedId = among.find((id) => left.get(id)! >= one.plugs);
    if (!feedId) return { ...one, circuitId };
    left.set(feedId, left.get(feedId)! - one.plugs);
    return { ...one, feedId };
  });
}

/** Terminates and patches what ends at head ends: afresh, or only what is open. */
export function connectAll(
  project: ProjectDocument,
  rackIds: readonly string[],
  newId: NewHeadEndId,
  isAfresh: boolean,
): { readonly operations: readonly Operation[]; readonly short: readonly RunNeed[]; readonly waiting: readonly string[] } {
  const assigned = assignPorts(project, rackIds, isAfresh);
  const own = new Set(rackIds);
  const at = (equipmentId: string) => own.has(project.equipment[equipmentId]?.rackId ?? '');
  const operations: Operation[] = [];
  const wanted = new Map(assigned.terminations.map((one) => [one.runId, one]));
  const patchKey = (one: { equipmentId: string; port: string; toEquipmentId: string; toPort: string }) =>
    `${one.equipmentId}/${one.port}/${one.toEquipmentId}/${one.toPort}`;
  const wantedPatches = new Map(assigned.patches.map((one) => [patchKey(one), one]));
  for (const one of listOf(project, 'patches').filter(({ equipmentId }) => at(equipmentId))) {
    if (wantedPatches.has(patchKey(one))) wantedPatches.delete(patchKey(one));
    else operations.push(remove('patches', one));
  }
  for (const one of listOf(project, 'terminations').filter(
    ({ equipmentId, runId }) => at(equipmentId) || own.has(project.runs[runId]?.rackId ?? ''),
  )) {
    const next = wanted.get(one.runId);
    if (next && next.equipmentId === one.equipmentId && next.port === one.port) wanted.delete(one.runId);
    else operations.push(remove('terminations', one));
  }
  for (const one of wanted.values()) operations.push(create('terminations', { id: newId('termination'), ...one }));
  for (const one of wantedPatches.values()) operations.push(create('patches', { id: newId('patch'), ...one }));
  return { operations, short: assigned.short, waiting: assigned.waiting };
}

/** Equipment of the list that fits a head end, by name. */
export const presetsFor = (rack: Rack): readonly EquipmentPreset[] =>
  EQUIPMENT_PRESETS.filter(({ fits }) => fits === 'both' || fits === (isRackMounted(rack) ? 'rack' : 'enclosure'));
