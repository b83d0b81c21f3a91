import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import { create, type Equipment, type ProjectDocument, remove, type RfSourceRecord, update } from '../model/index.ts';
import { applied, designedHouse } from '../testing/index.ts';
import { plannedRun } from '../runs/index.ts';
import { aimOf, obstacleAt } from './aim.ts';
import { newEquipment, presetOf } from './library.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { RF_LEVELS } from './rf-levels.ts';
import { planRf } from './rf-plan.ts';

const PROVIDER: RfSourceRecord = {
  ...{ id: 'rf1', name: 'Provider', service: 'cable-modem', deviceId: null, lowestMhz: 55, highestMhz: 750 },
  ...{ atLowestDbuv: 70, atHighestDbuv: 72, reading: null, latitudeDeg: null, longitudeDeg: null },
  ...{ transmitterLatitudeDeg: null, transmitterLongitudeDeg: null, slotDeg: null, declinationDeg: 0, horizon: [] },
};
const OUTLETS = (count: number) =>
  Array.from({ length: count }, (_, n) => ({ typeId: 'coax-outlet', at: [0.6 + 0.5 * n, 0.05] as [number, number] }));
const received = (count: number, more: Partial<RfSourceRecord> = {}): ProjectDocument =>
  applied(designedHouse(OUTLETS(count)), [create('rfSources', { ...PROVIDER, ...more })]);
const levels = (project: ProjectDocument) => derivationsOf(project).get(RF_LEVELS);
const ofKind = (project: ProjectDocument, kind: Equipment['kind']) =>
  Object.values(project.equipment).filter((one) => one.kind === kind);

let count = 0;
const newId = (kind: string) => `${kind}_r${++count}`;

describe('levels on coax', () => {
  it('follow the cords from the entry through the splitter to every outlet, by hand', () => {
    const house = received(2);
    const [reach] = levels(house).reaches;
    expect(reach.ends).to.have.length(2);
    for (const { runId, lowDbuv, highDbuv } of reach.ends) {
      const lengthM = plannedRun(house, runId!).length!.cutLengthM;
      // A splitter of three ways loses 6.5 dB, two connectors 0.4; the cable 1.57 dB at 55 MHz and 5.56 at 750 over 30 m, at 20 C.
      const warm = 1 + 0.002 * (house.project.ambientC - 20);
      expect(lowDbuv).to.be.closeTo(70 - 6.5 - 0.4 - (1.57 / 30) * warm * lengthM, 0.02);
      expect(highDbuv).to.be.closeTo(72 - 6.5 - 0.4 - (5.56 / 30) * warm * lengthM, 0.02);
    }
    expect(levels(house).dark).to.deep.equal([]);
  });

  it('count what was read at the entry before what was promised', () => {
    const read = received(2, { reading: { atLowestDbuv: 50, atHighestDbuv: 50, on: '2026-10-01', by: 'crew' } });
    expect(levels(read).reaches[0].ends.every(({ lowDbuv, verdict }) => lowDbuv < 45 && verdict === 'cold')).to.equal(true);
    expect(
      levels(received(2, { atLowestDbuv: 95, atHighestDbuv: 95 })).reaches[0].ends.map(({ verdict }) => verdict),
    ).to.deep.equal(['hot', 'hot']);
  });

  it('go through a tap by its through loss, and down its branch by its nominal one', () => {
    const house = received(2);
    const [splitter] = ofKind(house, 'splitter');
    const cord = { color: 'orange', lengthM: 1, waits: false, isLocked: false };
    const tapped = applied(house, [
      create('equipment', newEquipment(presetOf('tap-4')!, { id: 'tap', rackId: 'rack', name: 'A tap' })),
      create('patches', { id: 't1', equipmentId: 'tap', port: 'out 1', toEquipmentId: splitter.id, toPort: 'in 1', ...cord }),
    ]);
    const before = levels(house).reaches[0].ends;
    const after = levels(tapped).reaches[0];
    expect(after.entry!.equipmentId).to.equal('tap');
    for (const end of after.ends)
      expect(end.lowDbuv).to.be.closeTo(before.find(({ runId }) => runId === end.runId)!.lowDbuv - 1, 1e-9);
    expect(after.steps.find(({ port }) => port === 'coax 1')!.lowDbuv).to.equal(70 - 12);
  });

  it('tell an open output, a dark outlet and a loop, each by its equipment', () => {
    const house = received(2);
    const [splitter] = ofKind(house, 'splitter');
    const open = applied(house, [update('equipment', splitter, { closesUnused: false })!]);
    expect(levels(open).unterminated).to.deep.equal([{ equipmentId: splitter.id, port: 'coax 3' }]);
    const [cord] = Object.values(house.patches);
    expect(levels(applied(house, [remove('patches', cord)])).dark).to.have.length(1);
    const looped = applied(house, [
      create('patches', {
        ...cord,
        id: 'loop',
        equipmentId: splitter.id,
        port: 'coax 3',
        toEquipmentId: splitter.id,
        toPort: 'in 1',
      }),
    ]);
    expect(levels(looped).loops).to.deep.equal([splitter.id]);
  });

  it('are never stuck in a ring of diplexers and splitters', () => {
    const house = received(2);
    const cord = { color: 'orange', lengthM: 1, waits: false, isLocked: false };
    const ring = applied(house, [
      ...['a', 'b'].map((id) => create('equipment', newEquipment(presetOf('diplexer')!, { id, rackId: 'rack', name: id }))),
      create('patches', { id: 'r1', equipmentId: 'a', port: 'out 1', toEquipmentId: 'b', toPort: 'in 1', ...cord }),
      create('patches', { id: 'r2', equipmentId: 'b', port: 'out 1', toEquipmentId: 'a', toPort: 'in 1', ...cord }),
    ]);
    expect(levels(ring).loops).to.have.members(['a', 'b']);
  });
});

describe('a plan for coax', () => {
  it('brings every outlet into its window over real equipment and cords, and its levels are those that it promised', () => {
    for (const n of [1, 2, 5, 9]) {
      const house = received(n, { atLowestDbuv: 62, atHighestDbuv: 64 });
      const found = planRf(house, 'rack', 'rf1', newId);
      if (!found.ok) throw new Error(found.problem.code);
      const built = applied(house, found.value.operations);
      const [reach] = levels(built).reaches;
      expect(reach.ends, `${n} outlets`).to.have.length(n);
      for (const { id, atLowestDbuv, atHighestDbuv } of found.value.plan.levels) {
        const end = reach.ends.find(({ runId }) => runId === id)!;
        expect(end.lowDbuv).to.be.closeTo(atLowestDbuv, 1e-6);
        expect(end.highDbuv).to.be.closeTo(atHighestDbuv, 1e-6);
        expect(['good', 'fair']).to.include(end.verdict);
      }
      // Made once, it is made anew with the same levels, and leaves nothing over.
      const again = planRf(built, 'rack', 'rf1', newId);
      if (!again.ok) throw new Error(again.problem.code);
      const rebuilt = applied(built, again.value.operations);
      expect(ofKind(rebuilt, 'splitter').length).to.equal(ofKind(built, 'splitter').length);
      const parts = derivationsOf(rebuilt).get(HEAD_END_PARTS);
      for (const one of parts.patches)
        expect([one.equipmentId, one.toEquipmentId].every((id) => parts.equipmentById.has(id))).to.equal(true);
    }
  });

  it('gives a cable modem the first leg, before any amplifier', () => {
    const wired = designedHouse([...OUTLETS(2), { typeId: 'network-drop', at: [4, 0.05] }]);
    const house = applied(wired, [create('rfSources', { ...PROVIDER, atLowestDbuv: 52, atHighestDbuv: 52 })]);
    const found = planRf(house, 'rack', 'rf1', newId);
    if (!found.ok) throw new Error(found.problem.code);
    expect(found.value.plan.gainDb).to.be.greaterThan(0);
    const built = applied(house, found.value.operations);
    const [modem] = ofKind(built, 'modem');
    const end = levels(built).reaches[0].ends.find(({ equipmentId }) => equipmentId === modem.id)!;
    expect(end.lowDbuv).to.equal(52 - 4);
  });

  it('gives it a tap where a splitter would leave too much', () => {
    const wired = designedHouse([...OUTLETS(2), { typeId: 'network-drop', at: [4, 0.05] }]);
    const house = applied(wired, [create('rfSources', { ...PROVIDER, atLowestDbuv: 92, atHighestDbuv: 92 })]);
    const found = planRf(house, 'rack', 'rf1', newId);
    if (!found.ok) throw new Error(found.problem.code);
    const built = applied(house, found.value.operations);
    const { ends } = levels(built).reaches[0];
    expect(ends).to.have.length(3);
    expect(ends.every(({ verdict }) => verdict === 'good' || verdict === 'fair')).to.equal(true);
    // 92 less 20 dB down the branch.
    expect(ends.find(({ runId }) => runId === null)!.lowDbuv).to.equal(72);
    expect(ofKind(built, 'tap').map(({ name }) => name)).to.deep.equal(['Coax tap, 20 dB']);
  });

  it('leaves a dish to its multiswitch, whose inputs take all its cables and whose outputs all outlets', () => {
    for (const kind of ['rack', 'rf-panel'] as const) {
      const house = designedHouse([{ typeId: 'dish', at: [3, -1] }, ...OUTLETS(3)], { kind });
      expect(ofKind(house, 'multiswitch'), kind).to.have.length(1);
      expect(ofKind(house, 'splitter'), kind).to.have.length(0);
      const dish = Object.values(house.devices).find(({ typeId }) => typeId === 'dish')!;
      const lit = applied(house, [
        create('rfSources', {
          ...{ ...PROVIDER, service: 'satellite-if', deviceId: dish.id, lowestMhz: 950, highestMhz: 2150 },
          ...{ atLowestDbuv: 75, atHighestDbuv: 75 },
        }),
      ]);
      expect(levels(lit).reaches[0].ends, kind).to.have.length(3);
      const asked = planRf(lit, 'rack', 'rf1', newId);
      expect(asked.ok ? '' : asked.problem.code).to.equal('rf-by-multiswitch');
    }
  });

  it('is refused by its reason, and changes nothing', () => {
    const dead = planRf(received(2, { atLowestDbuv: 20, atHighestDbuv: 20 }), 'rack', 'rf1', newId);
    expect(dead.ok ? '' : dead.problem.code).to.equal('rf-source-weak');
    const gone = planRf(received(1), 'rack', 'none', newId);
    expect(gone.ok ? '' : gone.problem.code).to.equal('record-gone');
  });
});

describe('where an antenna or a dish looks', () => {
  const at = (more: Partial<RfSourceRecord>) => aimOf({ ...PROVIDER, latitudeDeg: 0, longitudeDeg: 0, ...more });

  it('is due south to a satellite over the own meridian, at the elevation of the geometry', () => {
    const found = at({ latitudeDeg: 45, slotDeg: 0 });
    if (!found.ok) throw new Error(found.problem.code);
    // atan((cos 45 - 0.151269) / sin 45).
    expect(found.value.elevationDeg).to.be.closeTo((Math.atan2(Math.SQRT1_2 - 0.151269, Math.SQRT1_2) * 180) / Math.PI, 1e-3);
    expect([found.value.trueDeg, found.value.skewDeg! + 0]).to.deep.equal([180, 0]);
  });

  it('is due east along the equator, by the compass less the declination', () => {
    const found = at({
      transmitterLatitudeDeg: 0,
      transmitterLongitudeDeg: 1,
      declinationDeg: 4,
      lowestMhz: 300,
      highestMhz: 600,
    });
    if (!found.ok) throw new Error(found.problem.code);
    expect([found.value.trueDeg, found.value.compassDeg, found.value.apartM]).to.deep.equal([90, 86, 1]);
    expect(found.value.distanceKm).to.be.closeTo((6371 * Math.PI) / 180, 1e-6);
  });

  it('is told where a place is missing or the satellite is below the horizon, by field', () => {
    const missing = aimOf(PROVIDER);
    expect(missing.ok ? '' : missing.problem).to.include({ code: 'aim-no-place', field: 'latitudeDeg' });
    const below = at({ slotDeg: 120 });
    expect(below.ok ? '' : below.problem.code).to.equal('below-horizon');
  });

  it('is clear five degrees over the horizon that was sketched, between its points too, and across north', () => {
    const horizon = [
      { bearingDeg: 350, elevationDeg: 10 },
      { bearingDeg: 10, elevationDeg: 30 },
    ];
    expect(obstacleAt({ horizon }, 0)).to.be.closeTo(25, 1e-9);
    expect(obstacleAt({ horizon: [] }, 0)).to.equal(0);
    const hidden = at({ latitudeDeg: 45, slotDeg: 0, horizon: [{ bearingDeg: 180, elevationDeg: 34 }] });
    expect(hidden.ok && hidden.value.isClear).to.equal(false);
    const clear = at({ latitudeDeg: 45, slotDeg: 0, horizon: [{ bearingDeg: 180, elevationDeg: 33 }] });
    expect(clear.ok && clear.value.isClear).to.equal(true);
  });
});
