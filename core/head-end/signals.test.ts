import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import { create, type Equipment, type ProjectDocument, remove, update } from '../model/index.ts';
import { applied, designedHouse, wiredHouse } from '../testing/index.ts';
import { designHeadEnd } from './design.ts';
import { HEAD_ENDS } from './head-end.ts';
import { newEquipment, presetOf } from './library.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { pathGbps, SIGNAL_TABLE } from './signal-paths.ts';
import { blockOhm } from './uses.ts';
import { zoneRows, zonesByRoom } from './zones.ts';

const SPEAKERS = [1, 2].map((x) => ({ typeId: 'ceiling-speaker', at: [x, 2] as [number, number] }));
const DISPLAY = { typeId: 'display', at: [2, 0.05] as [number, number] };

let count = 0;
const newId = (kind: string) => `${kind}_t${++count}`;
const designed = (house: ProjectDocument): ProjectDocument => {
  const found = designHeadEnd(house, 'rack', newId);
  if (!found.ok) throw new Error(found.problem.code);
  return applied(house, found.value.operations);
};
const ofKind = (project: ProjectDocument, kind: Equipment['kind']) =>
  Object.values(project.equipment).filter((one) => one.kind === kind);
const table = (project: ProjectDocument) => derivationsOf(project).get(SIGNAL_TABLE);
const withoutColor = (project: ProjectDocument, color: string) =>
  applied(
    project,
    Object.values(project.patches)
      .filter((one) => one.color === color)
      .map((one) => remove('patches', one)),
  );

describe('signal paths', () => {
  const house = designed(wiredHouse([...SPEAKERS, DISPLAY]));

  it('lead from every source to the display and to the speakers that it can play over', () => {
    const { sources, sinks, cells } = table(house);
    expect(sources.map(({ name }) => name).sort()).to.deep.equal(['Media player', 'Music player, 4 streams']);
    expect(sinks.map(({ kind }) => kind)).to.have.members(['display', 'speakers']);
    const picture = cells.find(({ method }) => method !== null)!;
    expect([picture.method, picture.gbps, picture.copyProtection, picture.lack]).to.deep.equal(['direct', 18, '2.2', null]);
    // From the player to the panel at which the lead of the display ends.
    expect(picture.path).to.have.length(2);
    const run = house.runs[picture.path[1].runId!];
    expect(house.devices[run.deviceId].typeId).to.equal('display');
    const music = cells.find((one) => one.isReached && one.method === null)!;
    expect(music.path.map(({ port }) => port.replace(/\d+$/, 'n'))).to.deep.equal(['line out n', 'line in n', 'speaker n']);
  });

  it('name the lead that is missing first', () => {
    const lackOf = (project: ProjectDocument, kind: 'display' | 'speakers') => {
      const { sinks, cells, sources } = table(project);
      const sink = sinks.find((one) => one.kind === kind)!;
      const source = sources.find(({ name }) => (kind === 'display' ? name === 'Media player' : name.startsWith('Music')))!;
      return cells.find((one) => one.sinkId === sink.id && one.sourceId === source.id)!.lack;
    };
    expect(lackOf(withoutColor(house, 'white'), 'display')).to.equal('source-open');
    expect(lackOf(withoutColor(house, 'yellow'), 'speakers')).to.equal('source-open');
    const unended = applied(
      house,
      Object.values(house.terminations)
        .filter(({ runId }) => house.devices[house.runs[runId].deviceId].typeId === 'display')
        .map((one) => remove('terminations', one)),
    );
    expect(lackOf(unended, 'display')).to.equal('not-terminated');
    const leadless = applied(
      unended,
      Object.values(unended.runs)
        .filter(({ deviceId }) => unended.devices[deviceId].typeId === 'display')
        .map((one) => remove('runs', one)),
    );
    expect(lackOf(leadless, 'display')).to.equal('no-lead');
  });

  it('are as fast as their weakest part: equipment, and the lead at its length', () => {
    const cell = table(house).cells.find(({ method }) => method === 'direct')!;
    expect(pathGbps(house, cell)).to.equal(18);
    const [player] = ofKind(house, 'source').filter(({ picture }) => picture);
    const slow = applied(house, [
      update('equipment', player, { picture: { ...player.picture!, mostGbps: 10.2, copyProtection: '1.4' } })!,
    ]);
    const slower = table(slow).cells.find(({ method }) => method === 'direct')!;
    expect([slower.gbps, slower.copyProtection, pathGbps(slow, slower)]).to.deep.equal([10.2, '1.4', 10.2]);
  });

  it('go over an extender or the network only through what sends pictures over category cable', () => {
    const bare = withoutColor(house, 'white');
    const extra = applied(bare, [create('equipment', newEquipment(presetOf('extender')!, { id: 'ext', rackId: 'rack' }))]);
    const run = Object.values(extra.runs).find(
      (one) => one.cableTypeId.startsWith('cat') && extra.devices[one.deviceId].typeId === 'display',
    )!;
    const own = Object.values(extra.terminations).find(({ runId }) => runId === run.id)!;
    const before = Object.values(extra.patches).filter((one) => one.equipmentId === own.equipmentId && one.port === own.port);
    const player = ofKind(extra, 'source').find(({ picture }) => picture)!;
    const cord = { color: 'white', lengthM: 1, waits: false, isLocked: true };
    const sent = applied(extra, [
      ...before.map((one) => remove('patches', one)),
      create('patches', {
        id: 'e1',
        equipmentId: player.id,
        port: 'video out 1',
        toEquipmentId: 'ext',
        toPort: 'video in 1',
        ...cord,
      }),
      create('patches', {
        id: 'e2',
        equipmentId: 'ext',
        port: 'data 1',
        toEquipmentId: own.equipmentId,
        toPort: own.port,
        ...cord,
      }),
    ]);
    const cell = table(sent).cells.find((one) => one.sourceId === player.id && one.isReached)!;
    expect([cell.method, cell.gbps]).to.deep.equal(['extender', 18]);
    // A player's own data port on the network brings no picture.
    expect(table(bare).cells.some((one) => one.sourceId === player.id && one.method !== null)).to.equal(false);
  });
});

describe('zones', () => {
  const house = wiredHouse(SPEAKERS);
  const zoned = designed(
    applied(
      house,
      zonesByRoom(house, () => newId('zone')),
    ),
  );

  it('are made for every room with music, once', () => {
    expect(Object.values(zoned.zones)).to.have.length(1);
    expect(zonesByRoom(zoned, () => newId('zone'))).to.deep.equal([]);
  });

  it('have their channels with load, power and input, as worked out by hand', () => {
    const [row] = zoneRows(zoned);
    expect(row.channels.map(({ loadOhm, watts }) => [loadOhm, watts])).to.deep.equal([
      [8, 100],
      [8, 100],
    ]);
    expect(row.watts).to.equal(200);
    // Two channels of a stream: left and right.
    expect(row.channels.map(({ input }) => input!.port)).to.deep.equal(['line out 1', 'line out 2']);
    // 20 log10((8 + R) / 8), R = 2 L r with 13.17 ohm/km for 16 AWG, stranded, by the length of its run.
    const [{ lengthM, lossDb }] = row.channels;
    expect(lossDb!).to.be.closeTo(20 * Math.log10((8 + 2 * lengthM! * 0.01344) / 8), 0.01);
  });

  it('play no more over a bridged amplifier than its halves bear', () => {
    const [amplifier] = ofKind(zoned, 'amplifier');
    const bridged = (leastOhm: number) =>
      derivationsOf(
        applied(zoned, [update('equipment', amplifier, { amplifier: { ...amplifier.amplifier!, isBridged: true, leastOhm } })!]),
      ).get(HEAD_ENDS)[0].amplifiers;
    // Each half sees half of 8 ohm; the voltage doubles, so four times the power.
    expect(bridged(4).map(({ leastOhm, isLow, watts }) => [leastOhm, isLow, watts])).to.deep.include([8, false, 400]);
    expect(bridged(6).every(({ isLow }) => isLow)).to.equal(true);
  });

  it('add up loads behind a block: in parallel, in series, and pairs in series in parallel', () => {
    expect(blockOhm([8, 8], 'parallel')).to.equal(4);
    expect(blockOhm([8, 8], 'series')).to.equal(16);
    expect(blockOhm([8, 8, 8, 8], 'series-parallel')).to.equal(8);
    expect(blockOhm([4, 8, 16], 'parallel')).to.be.closeTo(1 / (1 / 4 + 1 / 8 + 1 / 16), 1e-9);
  });

  it('hear through a block, whose load is that of all its speakers', () => {
    const [amplifier] = ofKind(zoned, 'amplifier');
    const ends = Object.values(zoned.terminations).filter(({ equipmentId }) => equipmentId === amplifier.id);
    const blocked = applied(zoned, [
      create('equipment', newEquipment(presetOf('speaker-block')!, { id: 'block', rackId: 'rack' })),
      ...ends.map((one, n) => update('terminations', one, { equipmentId: 'block', port: `speaker ${2 * n + 1}` })!),
      create('patches', {
        ...{ id: 'b1', equipmentId: amplifier.id, port: 'speaker 1', toEquipmentId: 'block', toPort: 'in 1' },
        ...{ color: 'yellow', lengthM: 1, waits: false, isLocked: true },
      }),
    ]);
    const loads = derivationsOf(blocked).get(HEAD_ENDS)[0].amplifiers;
    // Both on the left input, in parallel: 4 ohm, 200 W between them.
    expect(loads.map(({ port, loadOhm, watts, isLow }) => [port, loadOhm, watts, isLow])).to.deep.equal([
      ['speaker 1', 4, 100, false],
      ['speaker 1', 4, 100, false],
    ]);
    expect(zoneRows(blocked)[0].channels[0].input!.port).to.equal('line out 1');
  });

  it('on a line of 100 V may be tapped to eight tenths of its amplifier', () => {
    const lined = designed(wiredHouse([...SPEAKERS, { typeId: 'garden-speaker', at: [3, 3] }]));
    const parts = derivationsOf(lined).get(HEAD_END_PARTS);
    const need = parts.needs.find(({ isLine }) => isLine)!;
    const at = parts.equipmentById.get(parts.terminationOfRun.get(need.runId)!.equipmentId)!;
    expect(at.amplifier!.lineV).to.equal(100);
    const load = derivationsOf(lined)
      .get(HEAD_ENDS)[0]
      .amplifiers.find(({ runId }) => runId === need.runId)!;
    // 333 ohm at 100 V are a tap of 30 W, of 160 W at the most.
    expect([load.watts!.toFixed(1), load.isLow]).to.deep.equal(['30.0', false]);
    const weak = applied(lined, [update('equipment', at, { amplifier: { ...at.amplifier!, wattsEach: 37 } })!]);
    expect(
      derivationsOf(weak)
        .get(HEAD_ENDS)[0]
        .amplifiers.find(({ runId }) => runId === need.runId)!.isLow,
    ).to.equal(true);
  });
});

describe('cords for signals', () => {
  it('use no port twice, and are the same when everything is connected again', () => {
    const house = designed(wiredHouse([...SPEAKERS, DISPLAY, { typeId: 'coax-outlet', at: [4, 0.05] }]));
    const ports = Object.values(house.patches).flatMap((one) => [
      `${one.equipmentId}/${one.port}`,
      `${one.toEquipmentId}/${one.toPort}`,
    ]);
    expect(new Set(ports).size).to.equal(ports.length);
    const again = designHeadEnd(house, 'rack', newId);
    expect(again.ok && again.value.operations).to.deep.equal([]);
  });

  it('leave a designed house alone that has none of it', () => {
    const house = designedHouse([{ typeId: 'network-drop', at: [1, 0.05] }]);
    expect(Object.values(house.patches).filter(({ color }) => color === 'white' || color === 'yellow')).to.deep.equal([]);
  });
});
