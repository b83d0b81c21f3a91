import { expect } from 'chai';
import { applyChange, cableType, conductorMap, deviceType, type DeviceType, type Leg, SYSTEMS } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES, stereoLines } from '../library/index.ts';
import { changeRecipe, checkRecipe } from './recipe.ts';
import { placeDevice } from './place.ts';

const house = smallHouse();
const typeOf = (id: string): DeviceType => house.deviceTypes[id];

describe('the library', () => {
  it('holds 70 generic devices and more, each a sound record with a code of its own', () => {
    expect(DEVICE_TYPES.filter((type) => type.part === 'device').length).to.be.greaterThan(70);
    for (const type of DEVICE_TYPES) expect(deviceType.safeParse(type).error?.message, type.id).to.equal(undefined);
    for (const cable of CABLE_TYPES) expect(cableType.safeParse(cable).success, cable.id).to.equal(true);
    for (const map of CONDUCTOR_MAPS) expect(conductorMap.safeParse(map).success, map.id).to.equal(true);
    for (const field of ['id', 'code', 'name'] as const)
      expect(new Set(DEVICE_TYPES.map((type) => type[field])).size, field).to.equal(DEVICE_TYPES.length);
    for (const system of SYSTEMS)
      expect(
        DEVICE_TYPES.some((type) => type.system === system),
        system,
      ).to.equal(true);
  });

  it('says how every device gets its signal and its power, so that no run is missed', () => {
    for (const type of DEVICE_TYPES.filter(({ part }) => part === 'device')) {
      expect(type.link === 'cable' ? type.cables.length : 0, type.id).to.satisfy((n: number) =>
        type.link === 'cable' ? n > 0 : n === 0,
      );
      expect(checkRecipe(house, type).ok, type.id).to.equal(true);
      for (const { mapId } of type.cables)
        expect(mapId === null || Object.hasOwn(house.conductorMaps, mapId), type.id).to.equal(true);
    }
  });

  it('has for every cut-out a bracket, a box or a clamp that holds it', () => {
    const brackets = DEVICE_TYPES.filter(({ part }) => part === 'bracket');
    for (const type of DEVICE_TYPES) {
      if (type.part !== 'device' || !type.cutOut || type.boxKind !== 'none') continue;
      const side = Math.max(type.cutOut.widthM, type.cutOut.heightM);
      const held = brackets.some(
        ({ accepts }) => accepts!.shape === type.cutOut!.shape && side >= accepts!.leastM && side <= accepts!.mostM,
      );
      expect(held || type.clampM > 0, type.id).to.equal(true);
    }
  });

  it('knows both conventions of four-conductor speaker cable', () => {
    const first = (colours: Parameters<typeof stereoLines>[0]) => stereoLines(colours).map(({ conductor }) => conductor);
    expect(first('white-black-first')).to.deep.equal(['white', 'black', 'red', 'green']);
    expect(first('red-black-first')).to.deep.equal(['red', 'black', 'white', 'green']);
  });
});

describe('a recipe', () => {
  const leg = (more: Partial<Leg>): Leg => ({ ...typeOf('keypad').cables[0], ...more });

  it('that leads back to itself is refused, straight or round about', () => {
    const self: DeviceType = { ...typeOf('keypad'), cables: [leg({ to: 'device', toTypeId: 'keypad' })] };
    expect(checkRecipe(house, self)).to.nested.include({
      ok: false,
      'problem.code': 'recipe-self',
      'problem.field': 'cables[0].toTypeId',
    });
    const through = {
      ...house.deviceTypes,
      thermostat: { ...typeOf('thermostat'), cables: [leg({ to: 'device', toTypeId: 'keypad' })] },
    };
    const round: DeviceType = { ...typeOf('keypad'), cables: [leg({ to: 'device', toTypeId: 'thermostat' })] };
    expect(checkRecipe({ ...house, deviceTypes: through }, round)).to.nested.include({
      'problem.code': 'recipe-circle',
      'problem.way': 'Keypad → Thermostat → Keypad',
    });
    expect(checkRecipe(house, { ...round, cables: [leg({ to: 'device', toTypeId: 'nobody' })] })).to.nested.include({
      'problem.code': 'recipe-type-missing',
    });
    expect(checkRecipe(house, { ...round, cables: [leg({ cableTypeId: 'string' })] })).to.nested.include({
      'problem.code': 'recipe-cable-missing',
    });
  });

  const put = (project: typeof house, typeId: string, id: string, at: [number, number]) => {
    const placed = placeDevice(project, { typeId, levelId: 'm', at }, { device: id, run: (n) => `${id}_${n}` });
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = applyChange(project, placed.value);
    if (!applied.ok) throw new Error(applied.problem.code);
    return applied.value;
  };

  it('says which runs a change adds, alters and removes before it is made; issued runs stay', () => {
    let project = put(put(house, 'network-drop', 'one', [1, 0.1]), 'network-drop', 'two', [2, 0.1]);
    project = { ...project, runs: { ...project.runs, two_2: { ...project.runs.two_2, state: 'issued' } } };
    const [first] = typeOf('network-drop').cables;
    let count = 0;
    const change = changeRecipe(project, 'network-drop', [{ ...first, purpose: 'desk' }], () => `n${++count}`);
    if (!change.ok) throw new Error(change.problem.code);
    expect(change.value.added).to.deep.equal([]);
    expect(change.value.altered.map(({ id }) => id)).to.deep.equal(['one_1', 'two_1']);
    expect(change.value.removed.map(({ id }) => id)).to.deep.equal(['one_2']);
    expect(change.value.kept.map(({ id }) => id)).to.deep.equal(['two_2']);
    const made = applyChange(project, change.value);
    expect(made.ok && Object.keys(made.value.runs).sort()).to.deep.equal(['one_1', 'two_1', 'two_2']);
    const grown = changeRecipe(
      project,
      'network-drop',
      [...typeOf('network-drop').cables, leg({ purpose: 'third' })],
      () => `n${++count}`,
    );
    expect(grown.ok && grown.value.added.map(({ purpose }) => purpose)).to.deep.equal(['third', 'third']);
    expect(grown.ok && grown.value.operations.find(({ in: list }) => list === 'deviceTypes')).to.deep.include({
      after: {
        cables: [...typeOf('network-drop').cables, leg({ purpose: 'third' })],
        version: 2,
      },
    });
  });

  it('runs a speaker from its volume control, and that to the rack; a chain goes on from device to device', () => {
    let project = put(house, 'volume-control', 'vc', [5.1, 1]);
    project = put(project, 'controlled-speaker', 'sp', [3, 2]);
    expect(project.runs.vc_1.toDeviceId).to.equal(null);
    expect(project.runs.sp_1).to.include({ toDeviceId: 'vc', rackSlackM: 0.8, farConnector: 'screw block' });
    for (const [n, x] of [1, 2, 3].entries()) project = put(project, 'bus-push-button', `b${n}`, [x, 0.1]);
    expect(['b0_1', 'b1_1', 'b2_1'].map((id) => project.runs[id].toDeviceId)).to.deep.equal([null, 'b0', 'b1']);
  });
});
