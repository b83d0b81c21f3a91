import { derivationsOf, edited } from '../../core/derive/index.ts';
import { arranged, connectAll, designHeadEnd, HEAD_ENDS, solveRf } from '../../core/head-end/index.ts';
import {
  create,
  type Device,
  type Operation,
  type ProjectDocument,
  type Rack,
  type Run,
  tableFrom,
} from '../../core/model/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../core/testing/index.ts';
import { figure, type Figure, percentile } from './figure.ts';

const [RACKS, CABLES] = [3, 600];
const REPEATS = 15;
const OUTLETS = 40;
const [WARM_UP, EDITS] = [20, 120];
const TYPES = ['camera', 'access-point', 'network-drop', 'ceiling-speaker', 'keypad', 'opening-contact', 'shade'] as const;

/** Six hundred devices with a cable each, by turns at three racks of 42 units; nothing of them is routed. */
function largeHouse(): { readonly project: ProjectDocument; readonly more: readonly Operation[] } {
  const one = withDevices(
    smallHouse(),
    TYPES.map((typeId, n) => ({ typeId, at: [0.8 + n * 0.5, n % 3 === 0 ? 2 : 0.05] as [number, number] })),
    countedIds(),
  ).project;
  const [rack] = Object.values(one.racks);
  const racks = Array.from({ length: RACKS }, (_, n): Rack => ({
    ...rack,
    id: `rack${n}`,
    code: `R${n}`,
    name: `Rack ${n + 1}`,
    kind: 'rack',
    units: 42,
    depthM: 0.8,
  }));
  const first = TYPES.map((typeId) => Object.values(one.devices).find((device) => device.typeId === typeId)!);
  const runOf = (device: Device) => Object.values(one.runs).find(({ deviceId, leg }) => deviceId === device.id && leg === 1)!;
  const pair = (n: number): { device: Device; run: Run } => {
    const like = first[n % TYPES.length];
    const device = { ...like, id: `device${n}`, number: n + 1 };
    return { device, run: { ...runOf(like), id: `run${n}`, deviceId: device.id, number: `A-${n}`, rackId: `rack${n % RACKS}` } };
  };
  const all = Array.from({ length: CABLES }, (_, n) => pair(n));
  const { device, run } = pair(CABLES);
  return {
    project: {
      ...one,
      racks: tableFrom(racks),
      devices: tableFrom(all.map((each) => each.device)),
      runs: tableFrom(all.map((each) => each.run)),
      routes: {},
      circuits: tableFrom([{ id: 'c1', name: 'Racks', volts: 230, breakerA: 32, isDedicated: true, otherW: 0 }]),
    },
    more: [create('devices', device), create('runs', run)],
  };
}

/** Head ends of a large house: everything arranged and connected afresh, and every budget after one more device. */
export function headEndFigures(): Figure[] {
  const { project: bare, more } = largeHouse();
  let [house, count] = [bare, 0];
  const newId = (kind: string) => `${kind}${++count}`;
  for (const rack of Object.values(bare.racks)) {
    const found = designHeadEnd(house, rack.id, newId);
    if (!found.ok) throw new Error(JSON.stringify(found.problem));
    house = applied(house, found.value.operations);
  }
  const rackIds = Object.keys(house.racks);
  const connected: number[] = [];
  let [open, units] = [0, 0];
  for (let n = 0; n < REPEATS; n++) {
    const start = performance.now();
    for (const rack of Object.values(house.racks)) {
      const placed = arranged(
        rack,
        Object.values(house.equipment).filter(({ rackId }) => rackId === rack.id),
      );
      if (placed.ok) units = placed.value.length;
    }
    open = connectAll(house, rackIds, newId, true).short.length;
    connected.push(performance.now() - start);
  }
  derivationsOf(house).get(HEAD_ENDS);
  const edits: number[] = [];
  for (let n = 0; n < EDITS; n++) {
    const start = performance.now();
    const after = edited(house, more);
    if (!after.ok) throw new Error(after.problem.code);
    derivationsOf(after.value).get(HEAD_ENDS);
    if (n >= WARM_UP) edits.push(performance.now() - start);
  }
  const of = (name: string, value: number, unit: string, limit: number | null = null) =>
    figure('head-end', name, value, unit, limit);
  const losses = Array.from({ length: OUTLETS }, (_, n) => ({
    id: `o${n}`,
    lowDb: 0.5 + (n % 7) * 0.3,
    highDb: 2 + (n % 11) * 0.9,
  }));
  const solved: number[] = [];
  let gainDb = 0;
  for (let n = 0; n < REPEATS; n++) {
    const start = performance.now();
    const found = solveRf(
      { service: 'cable-modem', lowestMhz: 55, highestMhz: 1000, atLowestDbuv: 68, atHighestDbuv: 66 },
      losses,
    );
    if (!found.ok) throw new Error(found.problem.code);
    gainDb = found.value.gainDb;
    solved.push(performance.now() - start);
  }
  return [
    of(`coax to ${OUTLETS} outlets brought into its window, 95th p.`, percentile(solved, 0.95), 'ms', 300),
    of('gain of its amplifier', gainDb, 'dB'),
    of(`${CABLES} cables at ${RACKS} racks arranged and connected afresh, 95th p.`, percentile(connected, 0.95), 'ms', 500),
    of('cables left without a port there', open, 'cables', 0),
    of('pieces of equipment in the last of them', units, 'pieces'),
    of('every budget after one more device, 95th p.', percentile(edits, 0.95), 'ms', 10),
  ];
}
