import { expect } from 'chai';
import fc from 'fast-check';
import { derivationsOf, edited } from '../derive/index.ts';
import { checkIntegrity, create, type Equipment, type ProjectDocument, type Rack, remove, update } from '../model/index.ts';
import { applied, designedHouse, wiredHouse } from '../testing/index.ts';
import { arranged, isLoose, isWallHung } from './arrange.ts';
import { cordM } from './assign.ts';
import { chooseEnclosure, connectAll, designHeadEnd, ENCLOSURES } from './design.ts';
import { doublePorts, overlaps } from './faults.ts';
import { HEAD_ENDS } from './head-end.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { EQUIPMENT_PRESETS, newEquipment, presetOf } from './library.ts';
import { whatStops } from './lost.ts';
import { categoryOf, isAtLeast } from './needs.ts';
import { cordCounts, patchRows } from './patch-schedule.ts';
import { portAt, portsOf } from './ports.ts';

const CAMERA = (x: number) => ({ typeId: 'camera', at: [x, -0.05] as [number, number] });
const DROP = (x: number) => ({ typeId: 'network-drop', at: [x, 0.05] as [number, number] });
const headEnd = (project: ProjectDocument) =>
  derivationsOf(project)
    .get(HEAD_ENDS)
    .find(({ rack }) => rack.id === 'rack')!;
const mixed = () => [CAMERA(1), CAMERA(2), DROP(3), DROP(4), { typeId: 'ceiling-speaker', at: [1, 2] as [number, number] }];
const counting = () => {
  let n = 0;
  return (kind: string) => `${kind}x${++n}`;
};

describe('a head end', () => {
  it('is designed so that every run ends on a port and what is fed hangs on a switch', () => {
    const project = designedHouse(mixed());
    const own = headEnd(project);
    expect(own.open).to.deep.equal([]);
    // Two cameras with one cable each, two drops with two, one speaker.
    expect(own.ports.map(({ kind, needed, used }) => [kind, needed, used])).to.deep.equal([
      ['data', 6, 6],
      ['speaker', 1, 1],
    ]);
    // A camera of class 3 takes 15.4 W at the switch.
    expect(own.poe[0].needW).to.be.closeTo(2 * 15.4, 1e-9);
    expect(own.poe[0].weakRunIds).to.deep.equal([]);
    expect(own.recorder).to.deep.include({ cameras: 2, channels: 8, mbps: 8 });
    // 4 TB, nine tenths of it usable, 2 cameras of 4 Mb/s with 10.8 GB a day each.
    expect(own.recorder!.days).to.be.closeTo((4000 * 0.9) / (2 * 4 * 10.8), 1e-9);
    expect(overlaps(own)).to.deep.equal([]);
    expect(doublePorts(own, derivationsOf(project).get(HEAD_END_PARTS))).to.deep.equal([]);
  });

  it('has budgets that are the sums of their parts', () => {
    const own = headEnd(designedHouse(mixed()));
    const sum = (of: (one: Equipment) => number) => own.equipment.reduce((total, one) => total + of(one), 0);
    expect(own.power.watts).to.be.closeTo(
      sum(({ powerW }) => powerW),
      1e-9,
    );
    expect(own.power.heatW).to.be.closeTo(
      sum(({ heatW }) => heatW),
      1e-9,
    );
    expect(own.power.btuPerH).to.be.closeTo(3.41214 * own.power.heatW, 1e-6);
    expect(own.weightKg).to.be.closeTo(
      sum(({ weightKg }) => weightKg),
      1e-9,
    );
    // Everything on the one circuit, by its power factor.
    expect(own.power.circuits[0].va).to.be.closeTo(
      sum(({ powerW, powerFactor }) => powerW / powerFactor),
      1e-6,
    );
    expect(own.power.circuits[0].mostVa).to.be.closeTo(0.8 * 230 * 16, 1e-9);
  });

  it('puts the heavy low, panels over switches, and leaves air over what is hot', () => {
    const own = headEnd(designedHouse(mixed()));
    const at = (kind: Equipment['kind']) => own.equipment.find((one) => one.kind === kind)!;
    expect(at('ups').atUnit).to.equal(1);
    expect(at('patch-panel').atUnit).to.equal(at('switch').atUnit! + 1);
    expect(at('amplifier').atUnit!).to.be.lessThan(at('router').atUnit!);
    expect(at('power-strip').face).to.equal('rear');
  });

  it('takes another camera: a port, watts and a channel more, and only that', () => {
    const before = designedHouse([CAMERA(1), DROP(3)]);
    const more = wiredHouse([CAMERA(1), DROP(3), CAMERA(2)]);
    const with2 = {
      ...before,
      devices: more.devices,
      runs: more.runs,
      cableTypes: more.cableTypes,
      deviceTypes: more.deviceTypes,
    };
    const [was, short] = [headEnd(before), headEnd(with2 as ProjectDocument)];
    expect(short.open.map(({ kind }) => kind)).to.deep.equal(['data']);
    const connected = edited(
      with2 as ProjectDocument,
      connectAll(with2 as ProjectDocument, ['rack'], counting(), false).operations,
    );
    if (!connected.ok) throw new Error(connected.problem.code);
    const now = headEnd(connected.value);
    expect(now.open).to.deep.equal([]);
    expect(now.poe[0].needW - was.poe[0].needW).to.be.closeTo(15.4, 1e-9);
    expect(now.recorder!.cameras).to.equal(2);
    // Nothing that was connected moved.
    for (const [runId, { equipmentId, port }] of was.terminations)
      expect(now.terminations.get(runId)).to.deep.include({ equipmentId, port });
  });

  it('keeps what was chosen by hand when everything is connected afresh', () => {
    const project = designedHouse([CAMERA(1), DROP(3)]);
    const [one] = Object.values(project.terminations);
    const moved = applied(project, [
      ...Object.values(project.patches)
        .filter(({ equipmentId, port }) => equipmentId === one.equipmentId && port === one.port)
        .map((patch) => remove('patches', patch)),
      update('terminations', one, { port: 'data 20', isLocked: true })!,
    ]);
    const again = applied(moved, connectAll(moved, ['rack'], counting(), true).operations);
    expect(headEnd(again).terminations.get(one.runId)).to.deep.include({ port: 'data 20', isLocked: true });
    expect(headEnd(again).open).to.deep.equal([]);
  });

  it('holds for random houses and edits: no port twice, no run without an end, and taken back it is as before', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 0, max: 8 }),
        fc.integer({ min: 0, max: 4 }),
        (cameras, drops, speakers) => {
          const devices = [
            ...Array.from({ length: cameras }, (_, n) => CAMERA(0.6 + 0.4 * n)),
            ...Array.from({ length: drops }, (_, n) => DROP(0.6 + 0.4 * n)),
            ...Array.from({ length: speakers }, (_, n) => ({ typeId: 'ceiling-speaker', at: [0.8 + n, 2] as [number, number] })),
          ];
          const house = wiredHouse(devices);
          const found = designHeadEnd(house, 'rack', counting());
          if (!found.ok) throw new Error(found.problem.code);
          const project = applied(house, found.value.operations);
          const own = headEnd(project);
          expect(own.open).to.deep.equal([]);
          expect(doublePorts(own, derivationsOf(project).get(HEAD_END_PARTS))).to.deep.equal([]);
          expect(overlaps(own)).to.deep.equal([]);
          // Connected once more nothing changes.
          expect(connectAll(project, ['rack'], counting(), false).operations).to.deep.equal([]);
          const again = designHeadEnd(project, 'rack', counting());
          expect(again.ok && again.value.operations).to.deep.equal([]);
        },
      ),
      { numRuns: 15, seed: 20261201 },
    );
  });
});

describe('what stops', () => {
  const project = designedHouse([CAMERA(1), CAMERA(2), { typeId: 'ceiling-speaker', at: [1, 2] }]);
  const own = headEnd(project);
  const idOf = (kind: Equipment['kind']) => own.equipment.find((one) => one.kind === kind)!.id;
  const numbers = (removed: Parameters<typeof whatStops>[1]) => whatStops(project, removed).runs.map(({ kind }) => kind);

  it('without one cable is its device', () => {
    const run = own.needs.find(({ isRecorded }) => isRecorded)!;
    expect(whatStops(project, { kind: 'run', id: run.runId }).runs.map(({ runId }) => runId)).to.deep.equal([run.runId]);
  });

  it('without the router is all of the network, without the amplifier its speaker', () => {
    expect(numbers({ kind: 'equipment', id: idOf('router') })).to.deep.equal(['data', 'data']);
    expect(numbers({ kind: 'equipment', id: idOf('amplifier') })).to.deep.equal(['speaker']);
  });

  it('without the UPS is what it feeds, also through the switch; without the circuit is everything', () => {
    const { runs, equipment } = whatStops(project, { kind: 'equipment', id: idOf('ups') });
    expect(runs.map(({ kind }) => kind)).to.deep.equal(['data', 'data']);
    expect(equipment.map(({ kind }) => kind)).to.include.members(['switch', 'router', 'recorder']);
    expect(numbers({ kind: 'circuit', id: 'c1' })).to.have.length(3);
  });

  it('without one port is what hangs on it', () => {
    const [first] = [...own.terminations.values()].filter(({ equipmentId }) => equipmentId === idOf('patch-panel'));
    expect(
      whatStops(project, { kind: 'port', id: first.equipmentId, port: first.port }).runs.map(({ runId }) => runId),
    ).to.deep.equal([first.runId]);
  });
});

describe('an enclosure', () => {
  it('is the smallest that holds what ends there, with the reason for a larger one', () => {
    const needs = (count: number) =>
      headEnd(
        wiredHouse(
          Array.from({ length: count }, (_, n) => DROP(0.6 + 0.3 * n)),
          { kind: 'enclosure' },
        ),
      ).needs;
    const rack = wiredHouse([], { kind: 'enclosure' }).racks.rack;
    const small = chooseEnclosure(needs(3), rack);
    expect(small).to.deep.include({ dataRuns: 6, isRackAdvised: false });
    expect(small.size?.name).to.equal('28 in');
    // Ten drops are twenty data runs: over sixteen.
    const large = chooseEnclosure(needs(10), rack);
    expect(large.reasons).to.include('data-runs');
    expect(large.isRackAdvised).to.equal(true);
    expect(large.rack.price).to.be.greaterThan(small.price!);
  });

  it('is designed with mains below, boards over what they serve, and grows to the size that holds it', () => {
    const project = designedHouse([DROP(1), DROP(2), CAMERA(3)], { kind: 'enclosure', units: 9, widthM: 0.368, depthM: 0.095 });
    const own = headEnd(project);
    expect(ENCLOSURES.map(({ units }) => units)).to.include(own.rack.units);
    expect(overlaps(own)).to.deep.equal([]);
    expect(own.open).to.deep.equal([]);
    const y = (kind: Equipment['kind']) => own.equipment.find((one) => one.kind === kind)!.yM!;
    expect(y('power-strip')).to.be.lessThan(y('switch'));
    expect(y('switch')).to.be.lessThan(y('patch-panel'));
  });
});

describe('the list of equipment', () => {
  it('is valid as records, its ports have names of their own', () => {
    const house = wiredHouse([]);
    for (const [n, preset] of EQUIPMENT_PRESETS.entries()) {
      const one = newEquipment(preset, { id: `e${n}`, rackId: 'rack' });
      expect(() => applied(house, [create('equipment', one)]), preset.presetId).not.to.throw();
      expect(new Set(portsOf(one).map(({ name }) => name)).size, preset.presetId).to.equal(portsOf(one).length);
      for (const { name } of portsOf(one)) expect(portAt(one, name)?.name).to.equal(name);
    }
  });

  it('refuses what no rack has, by field', () => {
    const house = wiredHouse([]);
    const bad = (after: Partial<Equipment>) => () =>
      applied(house, [create('equipment', newEquipment(presetOf('router-1u')!, { id: 'e', rackId: 'rack', ...after }))]);
    for (const after of [{ powerW: -1 }, { atUnit: 0 }, { units: 61 }, { widthM: 0 }, { heatW: NaN }])
      expect(bad(after), JSON.stringify(after)).to.throw();
    expect(bad({ units: 0, atUnit: 3 })).to.throw(/atUnit/);
    for (const after of [{ rackId: 'none' }, { feedId: 'none' }, { circuitId: 'none' }]) {
      const checked = checkIntegrity(
        applied(house, [create('equipment', newEquipment(presetOf('router-1u')!, { id: 'e', rackId: 'rack', ...after }))]),
      );
      expect(checked.ok ? null : checked.problem.code).to.equal('reference-missing');
    }
  });
});

describe('places in a rack', () => {
  const rack: Rack = { ...wiredHouse([]).racks.rack, units: 10 };
  const of = (...presets: readonly string[]) =>
    presets.map((id, n) => newEquipment(presetOf(id)!, { id: `e${n}`, rackId: 'rack' }));

  it('keep what is locked, and say how much is missing where it does not fit', () => {
    const [a, b] = of('switch-24-poe', 'router-1u');
    const placed = arranged(rack, [{ ...a, atUnit: 5, isLocked: true }, b]);
    expect(placed.ok && placed.value.map(({ id }) => id)).to.deep.equal(['e1']);
    const full = arranged({ ...rack, units: 3 }, of('receiver-9', 'amplifier-8'));
    expect(full.ok ? null : full.problem).to.deep.include({ code: 'rack-too-low', needed: 6, units: 3 });
  });

  it('hold loose devices side by side on shelves, and hang panels on the wall', () => {
    const things = of('modem', 'router-small', 'alarm-panel');
    expect(things.map(isLoose)).to.deep.equal([true, true, true]);
    expect(things.map(isWallHung)).to.deep.equal([false, false, true]);
    const placed = arranged(rack, things);
    if (!placed.ok) throw new Error(placed.problem.code);
    expect(new Set(placed.value.map(({ atUnit }) => atUnit)).size).to.equal(1);
    expect(placed.value).to.have.length(2);
  });
});

describe('cords and the schedule', () => {
  it('are long enough from panel to switch, by the next length that is made', () => {
    const [a, b] = ['patch-24', 'switch-24-poe'].map((id, n) =>
      newEquipment(presetOf(id)!, { id: `e${n}`, rackId: 'rack', atUnit: 10 - n }),
    );
    // One unit of height and the sides: 0.29 m.
    expect(cordM(a, b)).to.equal(0.3);
    expect(cordM(a, { ...b, atUnit: 1 })).to.equal(1);
  });

  it('name every port in the order in which panels are punched, and count the cords', () => {
    const project = designedHouse([CAMERA(1), CAMERA(2), DROP(3)]);
    const own = headEnd(project);
    const rows = patchRows(project, own);
    expect(rows.map(({ port }) => port)).to.deep.equal(['data 1', 'data 2', 'data 3', 'data 4']);
    expect(rows.map(({ waits }) => waits)).to.deep.equal([false, false, true, true]);
    const cords = cordCounts(own).reduce((sum, { count }) => sum + count, 0);
    expect(cords).to.equal(Object.values(project.patches).length);
  });

  it('knows the category of a cable, and that a better panel serves', () => {
    expect(categoryOf({ id: 'cat6a_futp', name: '' })).to.equal('6a');
    expect(categoryOf({ id: 'own_1', name: 'Category 5e' })).to.equal('5e');
    expect(isAtLeast('6a', '6')).to.equal(true);
    expect(isAtLeast('5e', '6')).to.equal(false);
  });
});
