import { edited } from '../derive/index.ts';
import { connectAll, designHeadEnd, newEquipment, presetOf } from '../head-end/index.ts';
import { create, type Equipment, type EquipmentKind, type ProjectDocument, type Rack, remove, update } from '../model/index.ts';
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
    mistake: () => change(music(), 'amplifier', { feedId: ofKind(withMore(music(), 'ups-1000', { atUnit: 12 }), 'ups').id }),
    clean: () => music(),
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
    mistake: () => change(cameras(), 'recorder', { recorder: { channels: 1, diskTb: 4, mostMbps: 80 } }),
    clean: () => cameras(),
    code: 'recorder-short',
    about: 'racks',
    figures: [1, 2],
    cured: false,
  },
];

/** Connects what is open at the rack of a house. */
export function reconnected(project: ProjectDocument): ProjectDocument {
  const after = edited(project, connectAll(project, ['rack'], ids(), false).operations);
  if (!after.ok) throw new Error(after.problem.code);
  return after.value;
}
