import { edited } from '../derive/index.ts';
import { connectAll, designHeadEnd, newEquipment, presetOf, zonesByRoom } from '../head-end/index.ts';
import {
  create,
  type Equipment,
  type EquipmentKind,
  type ProjectDocument,
  type Rack,
  remove,
  type RfSourceRecord,
  update,
} from '../model/index.ts';
import { smallHouse } from './houses.ts';
import type { Planted } from './planted.ts';
import { applied, countedIds, withDevices } from './steps.ts';

type Place = Parameters<typeof withDevices>[1][number];

const ids = () => {
  let count = 0;
  return (kind: string) => `${kind}${++count}`;
};

/** The small house with devices, its rack of 20 units 0.6 m deep, and a circuit of 230 V and 16 A. */
export function wiredHouse(devices: readonly Place[], rack: Partial<Rack> = {}): ProjectDocument {
  const built = withDevices(smallHouse(), [...devices], countedIds()).project;
  return applied(
    built,
    [
      update('racks', built.racks.rack, { kind: 'rack', units: 20, widthM: 0.6, depthM: 0.6, ...rack }) ?? [],
      create('circuits', { id: 'c1', name: 'Rack', volts: 230, breakerA: 16, isDedicated: true, otherW: 0 }),
    ].flat(),
  );
}

/** The same with its head end designed. */
export function designedHouse(devices: readonly Place[], rack: Partial<Rack> = {}): ProjectDocument {
  const house = wiredHouse(devices, rack);
  const found = designHeadEnd(house, 'rack', ids());
  if (!found.ok) throw new Error(JSON.stringify(found.problem));
  return applied(house, found.value.operations);
}

const ofKind = (project: ProjectDocument, kind: EquipmentKind): Equipment =>
  Object.values(project.equipment).find((one) => one.kind === kind)!;
const change = (project: ProjectDocument, kind: EquipmentKind, after: Partial<Equipment>): ProjectDocument =>
  applied(project, [update('equipment', ofKind(project, kind), after) ?? []].flat());
/** Without a piece of equipment and everything that is connected to it. */
function withoutKind(project: ProjectDocument, kind: EquipmentKind): ProjectDocument {
  const { id } = ofKind(project, kind);
  return applied(project, [
    ...Object.values(project.patches)
      .filter((one) => one.equipmentId === id || one.toEquipmentId === id)
      .map((one) => remove('patches', one)),
    ...Object.values(project.terminations)
      .filter(({ equipmentId }) => equipmentId === id)
      .map((one) => remove('terminations', one)),
    remove('equipment', project.equipment[id]),
  ]);
}
const withMore = (project: ProjectDocument, presetId: string, after: Partial<Equipment>): ProjectDocument =>
  applied(project, [create('equipment', newEquipment(presetOf(presetId)!, { id: 'more', rackId: 'rack', ...after }))]);

const CAMERAS = (count: number): Place[] =>
  Array.from({ length: count }, (_, n) => ({ typeId: 'camera', at: [1 + 0.5 * n, -0.05] as [number, number] }));
const DROPS = (count: number): Place[] =>
  Array.from({ length: count }, (_, n) => ({ typeId: 'network-drop', at: [0.6 + 0.5 * n, 0.05] as [number, number] }));
const SPEAKER: Place = { typeId: 'ceiling-speaker', at: [1, 2] };
const cameras = (count = 2) => designedHouse(CAMERAS(count));
const music = () => designedHouse([SPEAKER]);

/** An amplifier in the rack that carries the speaker, with a least load. */
function carried(leastOhm: number): ProjectDocument {
  const house = music();
  const { amplifier } = ofKind(house, 'amplifier');
  return change(house, 'amplifier', { amplifier: { ...amplifier!, leastOhm } });
}

/** A shade fed by a supply of so many watts an output. */
function shaded(wattsEach: number): ProjectDocument {
  const house = designedHouse([{ typeId: 'shade', at: [3, 0.05] }]);
  const { supply } = ofKind(house, 'supply');
  return change(house, 'supply', { supply: { ...supply!, wattsEach } });
}

/** Music in a room that is a zone, its cords in place. */
function zoned(): ProjectDocument {
  const house = wiredHouse([SPEAKER, { typeId: 'ceiling-speaker', at: [2, 2] }]);
  const newId = ids();
  const built = applied(
    house,
    zonesByRoom(house, () => newId('zone')),
  );
  const found = designHeadEnd(built, 'rack', newId);
  if (!found.ok) throw new Error(found.problem.code);
  return applied(built, found.value.operations);
}

/** Two coax outlets behind the splitter of the rack, and a provider's signal that comes in there. */
function received(levels: Partial<RfSourceRecord>): ProjectDocument {
  const house = designedHouse([
    { typeId: 'coax-outlet', at: [1, 0.05] },
    { typeId: 'coax-outlet', at: [2, 0.05] },
  ]);
  return applied(house, [
    create('rfSources', {
      ...{ id: 'rf1', name: 'Provider', service: 'cable-modem', deviceId: null, lowestMhz: 55, highestMhz: 860 },
      ...{ atLowestDbuv: 72, atHighestDbuv: 74, reading: null, latitudeDeg: null, longitudeDeg: null },
      ...{ transmitterLatitudeDeg: null, transmitterLongitudeDeg: null, slotDeg: null, declinationDeg: 0, horizon: [] },
      ...levels,
    }),
  ]);
}

/** A keypad whose button moves a shade. */
function scened(): ProjectDocument {
  const house = designedHouse([
    { typeId: 'keypad', at: [1, 0.05] },
    { typeId: 'shade', at: [3, 0.05] },
  ]);
  const of = (typeId: string) => Object.values(house.devices).find((one) => one.typeId === typeId)!.id;
  const actions = [{ deviceId: of('shade'), does: 'down' }];
  return applied(house, [
    create('scenes', { id: 's1', name: 'Evening', roomId: null, trigger: 'button', deviceId: of('keypad'), at: '', actions }),
  ]);
}

/** A rack in a closet whose air is taken out by a fan. */
function vented(closet: Partial<NonNullable<Rack['closet']>>): ProjectDocument {
  const usual = {
    wallM2: 12,
    wallWPerM2K: 2,
    exhaustM3PerS: 0.05,
    exhaustBy: 'fan',
    pierces: 'none',
    hasDamper: false,
    mostAirC: 32,
  } as const;
  return designedHouse(DROPS(1), { closet: { ...usual, ...closet } });
}

/** A motion sensor on an alarm panel that allows its loops so many ohm. */
function guarded(mostLoopOhm: number): ProjectDocument {
  const house = designedHouse([{ typeId: 'motion-sensor', at: [1, 0.05] }]);
  const { alarm } = ofKind(house, 'alarm-panel');
  return change(house, 'alarm-panel', { alarm: { ...alarm!, mostLoopOhm } });
}

/** Head ends with one mistake each, and their twins without. */
export const PLANTED_HEAD_ENDS: readonly Planted[] = [
  {
    rule: 'head-end-ports',
    mistake: () => withoutKind(designedHouse(DROPS(3)), 'patch-panel'),
    clean: () => designedHouse(DROPS(3)),
    code: 'ports-short',
    about: 'racks',
    // Two cables a drop.
    figures: [0, 6],
    cured: false,
  },
  {
    rule: 'head-end-ports',
    mistake: () => {
      const house = designedHouse(DROPS(1));
      return applied(house, [remove('terminations', Object.values(house.terminations)[0])]);
    },
    clean: () => designedHouse(DROPS(1)),
    code: 'run-on-no-port',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'switch-power',
    // Two cameras of class 3 and the like: 30.8 W at the switch.
    mistake: () => change(cameras(), 'switch', { poeW: 30 }),
    clean: () => change(cameras(), 'switch', { poeW: 60 }),
    code: 'switch-power-over',
    about: 'equipment',
    cured: false,
  },
  {
    rule: 'switch-power',
    mistake: () => {
      const house = cameras();
      return change(house, 'switch', {
        ports: ofKind(house, 'switch').ports.map((one) => ({ ...one, poeClass: one.kind === 'data' ? 1 : null })),
      });
    },
    clean: () => cameras(),
    code: 'switch-port-weak',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'panel-category',
    mistake: () => {
      const house = cameras();
      return change(house, 'patch-panel', { ports: [{ name: 'data', kind: 'data', count: 24, poeClass: null, category: '5e' }] });
    },
    clean: () => cameras(),
    code: 'panel-below-cable',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'equipment-fits',
    mistake: () => change(cameras(), 'router', { atUnit: ofKind(cameras(), 'switch').atUnit }),
    clean: () => cameras(),
    code: 'equipment-overlaps',
    about: 'equipment',
    cured: false,
  },
  {
    rule: 'equipment-fits',
    // 0.5 m with 0.1 m for its plugs and 0.05 m before it.
    mistake: () => change(cameras(), 'ups', { depthM: 0.5 }),
    clean: () => cameras(),
    code: 'equipment-too-deep',
    about: 'equipment',
    figures: [0.65, 0.6, 1e-9],
    cured: false,
  },
  {
    rule: 'rack-weight',
    mistake: () => change(cameras(), 'ups', { atUnit: 11 }),
    clean: () => cameras(),
    code: 'heavy-high',
    about: 'equipment',
    figures: [19, 10],
    cured: false,
  },
  {
    rule: 'head-end-heat',
    // A room of 3.98 by 4.1 m and 2.5 m: some 40 m2 of wall take 2 W each for a kelvin.
    mistake: () => change(cameras(), 'recorder', { heatW: 1500 }),
    clean: () => cameras(),
    code: 'closet-too-hot',
    about: 'racks',
    cured: false,
  },
  {
    rule: 'circuits-bear',
    // 0.8 of 230 V and 16 A are 2 944 VA.
    mistake: () =>
      withMore(cameras(), 'amplifier-8', {
        kind: 'other',
        powerW: 2800,
        powerFactor: 1,
        circuitId: 'c1',
        atUnit: 12,
        name: 'Heater',
      }),
    clean: () => cameras(),
    code: 'circuit-over',
    about: 'circuits',
    cured: false,
  },
  {
    rule: 'circuits-bear',
    mistake: () => {
      const house = withMore(music(), 'ups-1000', { atUnit: 12 });
      return change(house, 'amplifier', { feedId: ofKind(house, 'ups').id });
    },
    clean: () => withMore(music(), 'ups-1000', { atUnit: 12 }),
    code: 'amplifier-on-ups',
    about: 'equipment',
    cured: false,
  },
  {
    rule: 'ups-holds',
    mistake: () => change(cameras(), 'recorder', { powerW: 800 }),
    clean: () => cameras(),
    code: 'ups-over',
    about: 'equipment',
    cured: false,
  },
  {
    rule: 'amplifier-load',
    mistake: () => carried(16),
    clean: () => carried(4),
    code: 'channel-load-low',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'supply-outputs',
    // The shade draws 48 W.
    mistake: () => shaded(40),
    clean: () => shaded(60),
    code: 'supply-output-over',
    about: 'runs',
    figures: [48, 40],
    cured: false,
  },
  {
    rule: 'recorder-holds',
    mistake: () => change(cameras(), 'recorder', { recorder: { channels: 1, diskTb: 4, mostMbps: 80, isOpenProfile: true } }),
    clean: () => cameras(),
    code: 'recorder-short',
    about: 'racks',
    figures: [1, 2],
    cured: false,
  },
  {
    rule: 'signal-path',
    mistake: () => {
      const house = zoned();
      const cords = Object.values(house.patches).filter(({ color }) => color === 'yellow');
      return applied(
        house,
        cords.map((one) => remove('patches', one)),
      );
    },
    clean: () => zoned(),
    code: 'sink-source-open',
    about: 'equipment',
    cured: true,
  },
  {
    rule: 'rf-level',
    // 40 dBuV before a splitter of 6.5 dB: below 45.
    mistake: () => received({ atLowestDbuv: 40, atHighestDbuv: 40 }),
    clean: () => received({}),
    code: 'rf-too-cold',
    about: 'runs',
    cured: false,
  },
  {
    rule: 'rf-level',
    mistake: () => {
      const house = received({});
      const more = withMore(house, 'splitter-2', { name: 'Second', atUnit: null });
      const cord = { color: 'orange', lengthM: 1, waits: false, isLocked: false };
      const [a, b] = [ofKind(house, 'splitter').id, 'more'];
      const inputs = Object.values(house.patches).filter(({ toPort, toEquipmentId }) => toPort === 'in 1' && toEquipmentId === a);
      return applied(more, [
        ...inputs.map((one) => remove('patches', one)),
        create('patches', { id: 'loop1', equipmentId: a, port: 'coax 3', toEquipmentId: b, toPort: 'in 1', ...cord }),
        create('patches', { id: 'loop2', equipmentId: b, port: 'coax 1', toEquipmentId: a, toPort: 'in 1', ...cord }),
      ]);
    },
    clean: () => received({}),
    code: 'rf-loop',
    about: 'equipment',
    cured: false,
  },
  {
    rule: 'rf-terminated',
    mistake: () => change(received({}), 'splitter', { closesUnused: false }),
    clean: () => received({}),
    code: 'coax-open',
    about: 'equipment',
    cured: true,
  },
  {
    rule: 'scene-paths',
    mistake: () => {
      const house = scened();
      const own = Object.values(house.runs).find(({ deviceId }) => house.devices[deviceId].typeId === 'keypad')!;
      return applied(
        house,
        Object.values(house.terminations)
          .filter(({ runId }) => runId === own.id)
          .map((one) => remove('terminations', one)),
      );
    },
    clean: () => scened(),
    code: 'scene-no-path',
    about: 'devices',
    cured: false,
  },
  {
    rule: 'exhaust-separation',
    mistake: () => vented({ pierces: 'separation', hasDamper: false }),
    clean: () => vented({ pierces: 'separation', hasDamper: true }),
    code: 'exhaust-pierces',
    about: 'racks',
    cured: false,
  },
  {
    rule: 'security-loops',
    mistake: () => guarded(0.1),
    clean: () => guarded(100),
    code: 'loop-over',
    about: 'runs',
    cured: false,
  },
];

/** Connects what is open at the rack of a house. */
export function reconnected(project: ProjectDocument): ProjectDocument {
  const after = edited(project, connectAll(project, ['rack'], ids(), false).operations);
  if (!after.ok) throw new Error(after.problem.code);
  return after.value;
}
