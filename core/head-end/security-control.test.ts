import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import { checkIntegrity, create, type Equipment, type ProjectDocument, remove, type Scene, update } from '../model/index.ts';
import { applied, designedHouse } from '../testing/index.ts';
import { RACK_UNIT_M } from '../math/index.ts';
import { plannedRun } from '../runs/index.ts';
import { busUses, controlPathsOf, restartOrder, sceneLacks, watchList } from './control.ts';
import { equipmentRoom, openingFor } from './equipment-room.ts';
import { HEAD_ENDS } from './head-end.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { doublePorts } from './faults.ts';
import { planHeadEnd } from './plan.ts';
import { alarmPlans } from './security.ts';
import { putOnZone } from './shared-zones.ts';
import { shortfalls } from './shortfall.ts';
import { comparePorts, plannedPorts, readAsPlanned, withFaults } from './switch-ports.ts';

const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
const ofKind = (project: ProjectDocument, kind: Equipment['kind']) =>
  Object.values(project.equipment).find((one) => one.kind === kind)!;
const deviceOf = (project: ProjectDocument, typeId: string) =>
  Object.values(project.devices).find((one) => one.typeId === typeId)!;

describe('an alarm panel', () => {
  const house = designedHouse([
    at('opening-contact', 1),
    at('leak-sensor', 2, 1),
    at('motion-sensor', 3),
    at('siren', 4),
    at('alarm-keypad', 5),
  ]);
  const [plan] = alarmPlans(house);

  it('has a zone with two terminals for each sensor, its keypads on the bus, its sirens on their output', () => {
    expect(plan.zones.map(({ terminals }) => terminals)).to.deep.equal(['1, 2', '3, 4', '5, 6']);
    expect(plan.keypads.map(({ deviceId }) => deviceId)).to.deep.equal([deviceOf(house, 'alarm-keypad').id]);
    expect(plan.sirens.map(({ port }) => port)).to.deep.equal(['siren 1']);
  });

  it('reads its loops at rest, tripped, shorted and cut as its contacts and resistors say', () => {
    const of = (typeId: string) => plan.zones.find(({ sensors }) => sensors[0].deviceId === deviceOf(house, typeId).id)!;
    const [contact, leak] = [of('opening-contact'), of('leak-sensor')];
    const metres = (runId: string) => {
      const length = plannedRun(house, runId).length!;
      return length.cutLengthM - length.allowanceM;
    };
    // 22 AWG, solid: 0.05296 ohm/m at 20 C, there and back.
    const warm = 1 + 0.00393 * (house.project.ambientC - 20);
    expect(contact.loopOhm!).to.be.closeTo(2 * metres(contact.sensors[0].runId) * 0.05296 * warm, 0.05);
    expect(contact.reads).to.deep.equal({ rest: 2200 + contact.loopOhm!, trip: null, short: contact.loopOhm, cut: null });
    expect(contact.means).to.deep.equal({ rest: 'normal', trip: 'alarm', short: 'fault', cut: 'alarm' });
    // A leak sensor closes: tripped it is short, and a cut cable is a fault.
    const ohm = leak.loopOhm ?? 0;
    expect(leak.reads).to.deep.equal({ rest: 2200 + ohm, trip: ohm, short: ohm, cut: null });
    expect(leak.means.cut).to.equal('fault');
  });

  it('tells a cut or shorted loop from an open contact with double end-of-line', () => {
    const panel = ofKind(house, 'alarm-panel');
    const doubled = applied(house, [
      update('equipment', panel, { alarm: { ...panel.alarm!, endOfLineOhm: 1000, acrossOhm: 2000 } })!,
    ]);
    const [contact] = alarmPlans(doubled)[0].zones;
    const ohm = contact.loopOhm!;
    // Normal Re, alarm Re + Ra, short nothing but the cable, cut open (ENGINEERING 17.3).
    expect(contact.reads).to.deep.equal({ rest: 1000 + ohm, trip: 3000 + ohm, short: ohm, cut: null });
    expect(contact.means).to.deep.equal({ rest: 'normal', trip: 'alarm', short: 'tamper', cut: 'tamper' });
  });

  it('holds on its battery by the sum of what hangs on it', () => {
    // Itself 0.08 A, the motion sensor 0.2 W and the keypad 1.8 W at 12 V, for 12 hours; with the siren of 12 W for five minutes.
    const standbyA = 0.08 + 2 / 12;
    expect(plan.standbyA).to.be.closeTo(standbyA, 1e-9);
    expect(plan.neededAh!).to.be.closeTo(1.25 * (standbyA * plan.hours + ((standbyA + 1) * 5) / 60), 1e-9);
  });
});

describe('contacts that share a zone', () => {
  const contacts = (count: number) => Array.from({ length: count }, (_, n) => at('opening-contact', 0.4 + n * 0.29));
  const small = (house: ProjectDocument, zones: number) => {
    const panel = ofKind(house, 'alarm-panel');
    const ports = panel.ports.map((group) => (group.kind === 'zone' ? { ...group, count: zones } : group));
    return applied(house, [update('equipment', panel, { ports })!]);
  };
  const rackOf = (house: ProjectDocument) => ofKind(house, 'alarm-panel').rackId;

  it('join those of their side of the house once the zones are taken, four at most', () => {
    const house = small(designedHouse([...contacts(9), at('motion-sensor', 4, 2)]), 3);
    const planned = planHeadEnd(house, rackOf(house), 'afresh', 'z');
    if (!planned.ok) throw new Error(planned.problem.code);
    const after = applied(house, planned.value.operations);
    expect(checkIntegrity(after).ok).to.equal(true);
    const [{ zones }] = alarmPlans(after);
    // Nine contacts and a motion sensor on three zones: two zones take four each, and one contact is left without.
    expect(zones.map(({ sensors }) => sensors.length).sort()).to.deep.equal([1, 4, 4]);
    expect(planned.value.short).to.have.length(1);
    const [headEnd] = derivationsOf(after).get(HEAD_ENDS);
    expect(doublePorts(headEnd, derivationsOf(after).get(HEAD_END_PARTS))).to.deep.equal([]);
    expect(headEnd.ports.find(({ kind }) => kind === 'zone')).to.include({ used: 3, there: 3 });
    // In series: the resistance of a zone is the sum of its cables.
    const full = zones.find(({ sensors }) => sensors.length === 4)!;
    expect(full.loopOhm!).to.be.closeTo(
      full.sensors.reduce((sum, { loopOhm }) => sum + loopOhm!, 0),
      1e-9,
    );
    expect(full.reads.rest).to.be.closeTo(2200 + full.loopOhm!, 1e-9);
  });

  it('are put together by hand, but never beside a sensor that is no contact, nor a fifth', () => {
    const house = designedHouse([...contacts(5), at('motion-sensor', 4, 2)]);
    const [{ zones, panel }] = alarmPlans(house);
    const of = (zone: (typeof zones)[number]) => zone.sensors[0].deviceId;
    const motion = zones.find((zone) => of(zone) === deviceOf(house, 'motion-sensor').id)!;
    const [first, ...others] = zones.filter((zone) => zone !== motion);
    let joined = house;
    const put = (zone: (typeof zones)[number], port: string) =>
      putOnZone(joined, zone.sensors[0].runId, { equipmentId: panel.id, port }, 'new');
    for (const zone of others.slice(0, 3)) {
      const found = put(zone, first.port);
      if (!found.ok) throw new Error(found.problem.code);
      joined = applied(joined, found.value);
    }
    expect(checkIntegrity(joined).ok).to.equal(true);
    const codeOf = (found: ReturnType<typeof put>) => (found.ok ? '' : found.problem.code);
    expect(alarmPlans(joined)[0].zones.find(({ port }) => port === first.port)!.sensors).to.have.length(4);
    expect(codeOf(put(others[3], first.port))).to.equal('zone-not-shared');
    expect(codeOf(put(others[3], motion.port))).to.equal('zone-not-shared');
    expect(codeOf(put(others[3], 'siren 1'))).to.equal('port-unknown');
  });
});

describe('control', () => {
  const house = designedHouse([
    at('keypad', 1),
    at('shade', 3),
    at('garage-door', 2, 2),
    at('display', 5),
    at('smart-switch', 6),
  ]);

  it('has a path for every device that is told what to do: bus, contact, network or radio', () => {
    const by = Object.fromEntries(controlPathsOf(house).map((one) => [house.devices[one.deviceId].typeId, one]));
    expect(Object.fromEntries(Object.entries(by).map(([typeId, one]) => [typeId, one.by]))).to.deep.equal({
      keypad: 'bus',
      shade: 'bus',
      'garage-door': 'contact',
      display: 'network',
      'smart-switch': 'radio',
    });
    expect(Object.values(by).every(({ isWhole }) => isWhole)).to.equal(true);
  });

  it('counts the devices and the cable of a bus line', () => {
    const [bus] = busUses(house);
    expect([bus.devices, bus.isOver]).to.deep.equal([1, false]);
    expect(bus.lengthM).to.be.closeTo(
      plannedRun(
        house,
        controlPathsOf(house).find(({ by, deviceId }) => by === 'bus' && house.devices[deviceId].typeId === 'keypad')!.runId!,
      ).length!.cutLengthM,
      1e-9,
    );
  });

  it('says what a scene lacks: its button, its action, a path, or anything at all', () => {
    const [keypad, shade] = [deviceOf(house, 'keypad').id, deviceOf(house, 'shade').id];
    const scene = (more: Partial<Scene>) =>
      create('scenes', {
        id: 's',
        name: 'Evening',
        roomId: null,
        trigger: 'button',
        deviceId: keypad,
        at: '',
        actions: [{ deviceId: shade, does: 'down' }],
        ...more,
      });
    const lacks = (more: Partial<Scene>, project = house) =>
      sceneLacks(applied(project, [scene(more)])).map(({ reason }) => reason);
    expect(lacks({})).to.deep.equal([]);
    expect(lacks({ deviceId: null })).to.deep.equal(['no-trigger']);
    expect(lacks({ trigger: 'sunset', deviceId: null })).to.deep.equal([]);
    expect(lacks({ actions: [] })).to.deep.equal(['empty']);
    expect(lacks({ actions: [{ deviceId: 'nobody', does: 'on' }] })).to.deep.equal(['gone']);
    const cut = applied(
      house,
      Object.values(house.terminations)
        .filter(({ runId }) => house.runs[runId].deviceId === shade)
        .map((one) => remove('terminations', one)),
    );
    expect(lacks({}, cut)).to.deep.equal(['no-path']);
  });

  it('is watched where it answers on the network, and the modem may be restarted by its outlet', () => {
    const watched = watchList(derivationsOf(house).get(HEAD_END_PARTS));
    expect(watched.map(({ name }) => name)).to.include.members(['Router', 'Modem of the provider', 'Control processor']);
    expect(watched.filter(({ mayRestart }) => mayRestart).map(({ name }) => name)).to.have.members([
      'Router',
      'Modem of the provider',
    ]);
  });

  it('starts the network before the amplifiers', () => {
    const steps = restartOrder(derivationsOf(house).get(HEAD_END_PARTS));
    expect(steps.map(({ step }) => step)).to.deep.equal([...steps.map(({ step }) => step)].sort((a, b) => a - b));
    expect(steps.flatMap(({ names }) => names)).to.have.length(
      Object.values(house.equipment).filter(({ isMains }) => isMains).length,
    );
  });
});

describe('the room of a head end', () => {
  const house = designedHouse([at('network-drop', 1), at('shade', 3), at('ceiling-speaker', 2, 2)]);

  it('has its walls with what stands on them, and the free part of each', () => {
    const room = equipmentRoom(house, 'rack')!;
    const stands = room.walls.filter(({ items }) => items.some(({ kind }) => kind === 'rack'));
    expect(stands).to.have.length(1);
    for (const { lengthM, freeM2 } of room.walls) expect(freeM2).to.be.within(0, lengthM * 1.4 + 1e-9);
    expect(equipmentRoom(house, 'none')).to.equal(null);
  });

  it('lets cables of each family in through sleeves that are no fuller than they may be', () => {
    const { entries } = equipmentRoom(house, 'rack')!;
    expect(entries.map(({ family }) => family)).to.include('cat');
    for (const { fill, limit, cables, sleeves } of entries) {
      expect(fill).to.be.at.most(limit + 1e-9);
      expect(sleeves).to.be.within(1, cables);
    }
  });

  it('tells the framer the opening: a bay for an enclosure, a niche for a rack', () => {
    const of = (kind: 'enclosure' | 'rack' | 'driver-board') =>
      openingFor({ kind, units: 24, widthM: 0.368, depthM: 0.095, entryHeightM: 2 });
    expect(of('enclosure')).to.deep.equal({ kind: 'bay', widthM: 0.368, heightM: RACK_UNIT_M * 24, depthM: 0.095, sillM: 1.07 });
    expect([of('rack').kind, of('rack').widthM.toFixed(3)]).to.deep.equal(['niche', '0.418']);
    expect(of('driver-board').kind).to.equal('none');
  });

  it('lists what turns a closet into an equipment room, done or not', () => {
    const closet = {
      wallM2: 10,
      wallWPerM2K: 2,
      exhaustM3PerS: 0,
      exhaustBy: 'none',
      pierces: 'unknown',
      hasDamper: false,
      mostAirC: 32,
    } as const;
    const shut = applied(house, [update('racks', house.racks.rack, { closet })!]);
    const open = equipmentRoom(shut, 'rack')!
      .checklist.filter(({ isDone }) => !isDone)
      .map(({ item }) => item);
    expect(open).to.include.members(['vent', 'separation']);
  });
});

describe('what a head end is short of', () => {
  it('is the next size of equipment with its price, for cameras beyond the recorder too', () => {
    const house = designedHouse(Array.from({ length: 2 }, (_, n) => at('camera', 1 + n, -0.05)));
    const [headEnd] = derivationsOf(house).get(HEAD_ENDS);
    expect(shortfalls(headEnd)).to.deep.equal([]);
    const recorder = ofKind(house, 'recorder');
    const few = applied(house, [update('equipment', recorder, { recorder: { ...recorder.recorder!, channels: 1 } })!]);
    const [short] = derivationsOf(few).get(HEAD_ENDS).map(shortfalls);
    // And an outlet for its plug.
    expect(short.map(({ presetId, count }) => [presetId, count])).to.deep.equal([
      ['recorder-8', 1],
      ['power-strip-8', 1],
    ]);
    expect(short[0].price).to.be.greaterThan(0);
  });

  it('is nothing before any equipment was chosen', () => {
    const house = designedHouse([]);
    expect(derivationsOf(house).get(HEAD_ENDS).map(shortfalls)).to.deep.equal([[]]);
  });
});

describe('a switch beside the plan', () => {
  const house = designedHouse([at('camera', 1, -0.05), at('camera', 2, -0.05), at('network-drop', 3)]);
  const planned = plannedPorts(house, ofKind(house, 'switch'));
  const read = readAsPlanned(planned);
  const faultsOf = (...faults: Parameters<typeof withFaults>[1]) =>
    comparePorts(planned, withFaults(read, faults)).flatMap((one) => one.faults);
  const cameras = planned
    .map(({ watts }, n) => ({ watts, nth: planned.slice(0, n + 1).filter(({ isUp }) => isUp).length }))
    .filter(({ watts }) => watts > 0);
  const [first, second] = cameras.map(({ nth }) => nth);

  it('agrees where everything is as planned: cameras fed, a drop of the owner down', () => {
    expect(cameras).to.have.length(2);
    expect(faultsOf()).to.deep.equal([]);
  });

  it('tells what is dead, slow, unfed, too hungry or swapped', () => {
    expect(faultsOf({ nth: first, isUp: false })).to.deep.equal(['no-link', 'no-power']);
    expect(faultsOf({ nth: first, mbps: 100 })).to.deep.equal(['slow']);
    expect(faultsOf({ nth: first, watts: 0 })).to.deep.equal(['no-power']);
    expect(faultsOf({ nth: first, watts: 90 })).to.deep.equal(['too-much-power']);
    expect(faultsOf({ nth: first, serialOfNth: second }, { nth: second, serialOfNth: first })).to.deep.equal([
      'wrong-device',
      'wrong-device',
    ]);
    expect(faultsOf({ nth: 400, isUp: false })).to.deep.equal([]);
  });

  it('tells what nobody planned, and ports that it does not name', () => {
    const free = planned.find(({ number }) => number === '')!;
    const stray = read.map((one) => (one.port === free.port ? { ...one, isUp: true, mbps: 1000 } : one));
    expect(comparePorts(planned, stray).flatMap(({ faults }) => faults)).to.deep.equal(['unexpected-link']);
    expect(new Set(comparePorts(planned, []).flatMap(({ faults }) => faults))).to.deep.equal(new Set(['no-link', 'no-power']));
  });
});
