import { listOf } from '../derive/index.ts';
import type { Equipment, ProjectDocument } from '../model/index.ts';
import type { HeadEndParts } from './parts.ts';
import type { RunNeed } from './needs.ts';
import { inputBehind, type Port, portAt, portKey, portsOf } from './ports.ts';

/** What a cord for signals joins, and its color. */
export type SignalCord = readonly [from: Port, to: Port, color: 'white' | 'yellow' | 'orange'];

/** A run on its port. */
interface Ended {
  readonly need: RunNeed;
  readonly port: Port;
}

/**
 * Cords for pictures (white), sound (yellow) and coax (orange) of one head end: sources to their matrix or receiver, those to the panels of
 * displays and the inputs of amplifiers, signals on coax through amplifier and splitters to the outlets. Ports that are taken stay.
 */
export function signalCords(
  project: ProjectDocument,
  equipment: readonly Equipment[],
  ended: readonly Ended[],
  isTaken: (port: Port) => boolean,
): SignalCord[] {
  const taken = new Set<string>();
  const cords: SignalCord[] = [];
  const isFree = (port: Port) => !isTaken(port) && !taken.has(portKey(port.equipment.id, port.name));
  const free = (one: Equipment, name: string) =>
    portsOf(one).filter(({ group, ...port }) => group.name === name && isFree({ group, ...port }));
  const join = (from: Port | undefined, to: Port | undefined, color: SignalCord[2]): boolean => {
    if (!from || !to || !isFree(from) || !isFree(to)) return false;
    taken.add(portKey(from.equipment.id, from.name));
    taken.add(portKey(to.equipment.id, to.name));
    cords.push([from, to, color]);
    return true;
  };
  const at: Bench = { equipment, ended, free, join, isFree };
  pictures(at);
  sound(project, at);
  coax(at);
  return cords;
}

interface Bench {
  readonly equipment: readonly Equipment[];
  readonly ended: readonly Ended[];
  readonly free: (one: Equipment, name: string) => Port[];
  readonly join: (from: Port | undefined, to: Port | undefined, color: SignalCord[2]) => boolean;
  readonly isFree: (port: Port) => boolean;
}

const ofKind = ({ equipment }: Bench, kind: Equipment['kind']) => equipment.filter((one) => one.kind === kind);
const has = (one: Equipment, name: string): boolean => one.ports.some((group) => group.name === name);

/** Sources into the matrix, or else into the receiver; each receiver to the display of its room, the matrix to all others. */
function pictures(bench: Bench): void {
  const { ended, free, join } = bench;
  const sources = ofKind(bench, 'source').filter((one) => has(one, 'video out'));
  const matrices = ofKind(bench, 'matrix').filter((one) => has(one, 'video in'));
  const receivers = ofKind(bench, 'receiver');
  const leads = ended.filter(({ need, port }) => need.kind === 'video' && port.group.kind === 'video');
  const [matrix] = matrices;
  for (const [n, source] of sources.entries()) {
    const to = matrix ?? receivers[n % Math.max(1, receivers.length)];
    if (to) join(free(source, 'video out')[0], free(to, 'video in')[0], 'white');
  }
  const theatreRooms = receivers.map(
    (receiver) => ended.find(({ need, port }) => port.equipment.id === receiver.id && need.kind === 'speaker')?.need.placeId,
  );
  for (const [n, receiver] of receivers.entries()) {
    if (matrix) join(free(matrix, 'video out')[0], free(receiver, 'video in')[0], 'white');
    // A sound bar has no speaker cables of its own: it stands at the one display of its cabinet.
    const isBar = !has(receiver, 'speaker');
    const lead = leads.find(({ need, port }) => (isBar || need.placeId === theatreRooms[n]) && bench.isFree(port));
    join(free(receiver, 'video out')[0], lead?.port, 'white');
  }
  // One lead a display: the second is its reserve.
  const shown = new Set(leads.filter(({ port }) => !bench.isFree(port)).map(({ need }) => need.deviceId));
  for (const { need, port } of leads) {
    if (shown.has(need.deviceId)) continue;
    const from = matrix ? free(matrix, 'video out')[0] : sources.flatMap((one) => free(one, 'video out'))[0];
    if (join(from, port, 'white')) shown.add(need.deviceId);
  }
}

/** Channels of a zone are a pair: left and right in turn. */
function sound(project: ProjectDocument, bench: Bench): void {
  const { free, join } = bench;
  // The player with most streams first.
  const sources = ofKind(bench, 'source')
    .filter((one) => has(one, 'line out'))
    .sort((a, b) => free(b, 'line out').length - free(a, 'line out').length);
  const matrices = ofKind(bench, 'matrix').filter((one) => has(one, 'line in'));
  const inputs = zoneInputs(project, bench);
  const [matrix] = matrices;
  if (!matrix) {
    // Where a sound bar stands, the speakers of the house play what it plays.
    const bars = ofKind(bench, 'receiver').filter((one) => !has(one, 'speaker'));
    const outs = [...bars, ...sources].flatMap((one) => free(one, 'line out'));
    // Without a matrix each zone has a stream of its own, as far as they go.
    for (const pair of inputs)
      for (const [side, port] of pair.entries()) join(outs[2 * inputs.indexOf(pair) + side], port, 'yellow');
    return;
  }
  for (const source of sources) {
    const outs = free(source, 'line out');
    for (const out of outs) join(out, matrices.flatMap((one) => free(one, 'line in'))[0], 'yellow');
  }
  for (const pair of inputs) for (const port of pair) join(matrices.flatMap((one) => free(one, 'line out'))[0], port, 'yellow');
}

/** Inputs of amplifiers that zones play over, zone by zone. */
function zoneInputs(project: ProjectDocument, { ended, isFree }: Bench): Port[][] {
  const zoneOf = new Map(
    listOf(project, 'zones').flatMap(({ id, placeIds }) => placeIds.map((placeId) => [placeId, id] as const)),
  );
  const byZone = new Map<string, Port[]>();
  for (const { need, port } of ended) {
    const { equipment } = port;
    if (need.kind !== 'speaker' || equipment.kind !== 'amplifier') continue;
    const key = zoneOf.get(need.placeId ?? '') ?? need.placeId ?? '';
    for (let k = 0; k < need.ports; k++) {
      const name = inputBehind(equipment, port.n + k);
      const input = name === null ? undefined : portAt(equipment, name);
      const own = byZone.get(key) ?? [];
      if (input && isFree(input) && !own.some((one) => one.equipment.id === equipment.id && one.name === input.name))
        own.push(input);
      byZone.set(key, own);
    }
  }
  return [...byZone.values()];
}

const SPLITS: ReadonlySet<Equipment['kind']> = new Set(['splitter', 'tap', 'multiswitch']);

/** What comes in into the amplifier and the first splitter, splitters one into the next, and their outputs to the panels of outlets. */
function coax(bench: Bench): void {
  const { ended, free, join, isFree } = bench;
  const coming = ended
    .filter(({ need, port }) => need.isSignalIn && port.equipment.kind === 'coax-panel' && isFree(port))
    .map(({ port }) => port);
  const outlets = ended.filter(
    ({ need, port }) => need.kind === 'coax' && !need.isSignalIn && port.equipment.kind === 'coax-panel',
  );
  // A multiswitch before splitters, then the largest first.
  const isSwitch = ({ kind }: Equipment) => Number(kind === 'multiswitch');
  const splitters = bench.equipment
    .filter(({ kind }) => SPLITS.has(kind))
    .sort((a, b) => isSwitch(b) - isSwitch(a) || waysOf(b) - waysOf(a));
  const [amplifier] = ofKind(bench, 'rf-amplifier');
  const [first, ...rest] = splitters;
  let from = coming[0];
  if (amplifier && join(from, free(amplifier, 'in')[0], 'orange')) from = free(amplifier, 'out')[0];
  else if (amplifier && !from) from = free(amplifier, 'out')[0];
  if (first && from) join(from, free(first, 'in')[0], 'orange');
  // The other cables of a dish go into the next inputs of its multiswitch.
  for (const port of coming.slice(1)) join(port, first && free(first, 'in')[0], 'orange');
  for (const one of rest.filter(({ kind }) => kind !== 'multiswitch'))
    join(splitters.flatMap((each) => (each === one ? [] : free(each, 'coax').reverse()))[0], free(one, 'in')[0], 'orange');
  const outs = splitters.flatMap((one) => free(one, 'coax'));
  const modem = ofKind(bench, 'modem')[0];
  // What comes from a dish is nothing for a modem.
  if (modem && has(modem, 'line'))
    join(
      outs.find((port) => port.equipment.kind !== 'multiswitch'),
      free(modem, 'line')[0],
      'orange',
    );
  for (const { port } of outlets) join(outs.find(isFree), port, 'orange');
}

const waysOf = ({ ports }: Equipment): number => ports.find(({ name }) => name === 'coax')?.count ?? 0;

/** Runs that end at some equipment, on their ports. */
export const endedAt = (
  equipmentById: ReadonlyMap<string, Equipment>,
  needByRun: HeadEndParts['needByRun'],
  terminations: readonly { readonly runId: string; readonly equipmentId: string; readonly port: string }[],
  isOwn: (equipment: Equipment) => boolean,
): Ended[] =>
  terminations.flatMap(({ runId, equipmentId, port }) => {
    const equipment = equipmentById.get(equipmentId);
    const need = needByRun.get(runId);
    const at = equipment && isOwn(equipment) ? portAt(equipment, port) : undefined;
    return at && need ? [{ need, port: at }] : [];
  });
