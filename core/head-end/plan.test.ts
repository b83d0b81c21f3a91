import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import { placeDevice } from '../devices/index.ts';
import { type Equipment, type ProjectDocument, remove, removeWithDependants, update } from '../model/index.ts';
import { applied, designedHouse, wiredHouse } from '../testing/index.ts';
import { deepest, overlaps, tooHot } from './faults.ts';
import { HEAD_ENDS } from './head-end.ts';
import { newEquipment, presetOf } from './library.ts';
import { portsAfter } from './new-run-ports.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { moveRunToPort, planHeadEnd } from './plan.ts';
import { rfOutlets } from './rf-outlets.ts';
import { SIGNAL_TABLE } from './signal-paths.ts';

const DROP = (x: number) => ({ typeId: 'network-drop', at: [x, 0.05] as [number, number] });
const CAMERA = (x: number) => ({ typeId: 'camera', at: [x, -0.05] as [number, number] });
const headEnd = (project: ProjectDocument) =>
  derivationsOf(project)
    .get(HEAD_ENDS)
    .find(({ rack }) => rack.id === 'rack')!;
const must = <T>(
  found: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: { readonly code: string } },
): T => {
  if (!found.ok) throw new Error(found.problem.code);
  return found.value;
};

describe('what a head end would become', () => {
  const house = wiredHouse([CAMERA(1), DROP(3)]);

  it('is designed once; designed again nothing changes', () => {
    const { operations, short, waiting } = must(planHeadEnd(house, 'rack', 'design', 'p'));
    expect(short).to.deep.equal([]);
    // Both cables of the drop wait for a device.
    expect(waiting).to.equal(2);
    const after = applied(house, operations);
    expect(must(planHeadEnd(after, 'rack', 'design', 'q')).operations).to.deep.equal([]);
    expect(new Set(operations.map(({ id }) => id)).size).to.equal(operations.length);
  });

  it('is arranged again where somebody moved things, with what is locked left where it is', () => {
    const project = designedHouse([CAMERA(1), DROP(3)]);
    const of = (kind: Equipment['kind'], all: ProjectDocument) => Object.values(all.equipment).find((one) => one.kind === kind)!;
    const places = Object.fromEntries(Object.values(project.equipment).map(({ id, atUnit }) => [id, atUnit]));
    const moved = applied(project, [update('equipment', of('router', project), { atUnit: 2 })!]);
    expect(overlaps(headEnd(moved))).to.have.length(1);
    const again = applied(moved, must(planHeadEnd(moved, 'rack', 'arrange', 'p')).operations);
    expect(Object.fromEntries(Object.values(again.equipment).map(({ id, atUnit }) => [id, atUnit]))).to.deep.equal(places);
    const locked = applied(project, [update('equipment', of('router', project), { atUnit: 8, isLocked: true })!]);
    const kept = applied(locked, must(planHeadEnd(locked, 'rack', 'arrange', 'p')).operations);
    expect(of('router', kept).atUnit).to.equal(8);
    expect(overlaps(headEnd(kept))).to.deep.equal([]);
  });

  it('connects what is open, and says which runs find no port', () => {
    const project = designedHouse([CAMERA(1), DROP(3)]);
    const own = headEnd(project);
    const panel = own.equipment.find(({ kind }) => kind === 'patch-panel')!;
    const bare = applied(project, [
      ...Object.values(project.patches).map((one) => remove('patches', one)),
      ...Object.values(project.terminations).map((one) => remove('terminations', one)),
      update('equipment', panel, { ports: [{ ...panel.ports[0], count: 2 }] })!,
    ]);
    const { operations, short } = must(planHeadEnd(bare, 'rack', 'connect', 'p'));
    expect(short).to.have.length(1);
    expect(headEnd(applied(bare, operations)).open).to.have.length(1);
  });

  it('is refused by its reason where there is no such rack, or none that is tall enough', () => {
    const gone = planHeadEnd(house, 'none', 'design', 'p');
    expect(gone.ok ? null : gone.problem.code).to.equal('record-gone');
    const small = applied(designedHouse([CAMERA(1)]), []);
    const low = applied(small, [update('racks', small.racks.rack, { units: 2 })!]);
    const placed = planHeadEnd(low, 'rack', 'arrange', 'p');
    expect(placed.ok ? null : placed.problem.code).to.equal('rack-too-low');
  });
});

describe('a run on another port', () => {
  const project = designedHouse([CAMERA(1), CAMERA(2), DROP(3)]);
  const own = headEnd(project);
  const panel = own.equipment.find(({ kind }) => kind === 'patch-panel')!;
  const [first, second] = [...own.terminations.values()].filter(({ equipmentId }) => equipmentId === panel.id);

  it('changes places with the one that is there, and cords go along', () => {
    const to = { equipmentId: panel.id, port: second.port };
    const after = applied(project, must(moveRunToPort(project, first.runId, to, 'new')));
    const now = headEnd(after).terminations;
    expect(now.get(first.runId)).to.deep.include({ port: second.port, isLocked: true });
    expect(now.get(second.runId)).to.deep.include({ port: first.port, isLocked: true });
    // The watts at the switch are the same as before: each camera is still fed.
    expect(headEnd(after).poe[0].needW).to.be.closeTo(own.poe[0].needW, 1e-9);
    expect(headEnd(after).poe[0].portsUsed).to.equal(own.poe[0].portsUsed);
  });

  it('stays where it is put there already, and is refused where there is no such port', () => {
    expect(must(moveRunToPort(project, first.runId, first, 'new'))).to.deep.equal([]);
    for (const port of ['data 25', 'data 0', 'data x', 'speaker 1', 'data']) {
      const found = moveRunToPort(project, first.runId, { equipmentId: panel.id, port }, 'new');
      expect(found.ok ? null : found.problem.code, port).to.equal('port-unknown');
    }
  });
});

describe('what is wrong with a head end', () => {
  it('is what is deeper than it with plugs, and what is too hot for an enclosure', () => {
    const own = headEnd(designedHouse([CAMERA(1)]));
    // A UPS of 0.45 m, 0.1 m for plugs and 0.05 m before it.
    expect(deepest(own)?.neededM).to.be.closeTo(0.6, 1e-9);
    const enclosure = headEnd(designedHouse([DROP(1)], { kind: 'enclosure', units: 16, widthM: 0.368, depthM: 0.095 }));
    expect(tooHot(enclosure)).to.deep.equal([]);
    const hot = newEquipment(presetOf('recorder-small')!, { id: 'hot', rackId: 'rack', heatW: 31 });
    expect(tooHot({ ...enclosure, equipment: [...enclosure.equipment, hot] }).map(({ id }) => id)).to.deep.equal(['hot']);
  });

  it('is what stands beside another on its shelf no more than what stands alone', () => {
    const own = headEnd(designedHouse([CAMERA(1)]));
    const two = ['modem', 'router-small'].map((id, n) =>
      newEquipment(presetOf(id)!, { id: `l${n}`, rackId: 'rack', units: 1, atUnit: 18, xM: n * 0.2 }),
    );
    expect(overlaps({ ...own, equipment: two })).to.deep.equal([]);
    expect(overlaps({ ...own, equipment: two.map((one) => ({ ...one, xM: 0 })) })).to.have.length(1);
    const beyond = newEquipment(presetOf('receiver-9')!, { id: 'b', rackId: 'rack', atUnit: 19 });
    expect(overlaps({ ...own, equipment: [beyond] })).to.deep.equal([{ id: 'b', otherId: null }]);
  });
});

describe('coax outlets of a head end', () => {
  it('lose what their cable does at both ends of the band, and leave antennas out', () => {
    const project = wiredHouse([
      { typeId: 'coax-outlet', at: [2, 0.05] },
      { typeId: 'aerial', at: [3, 3] },
    ]);
    const found = rfOutlets(project, headEnd(project), { lowestMhz: 55, highestMhz: 1000 });
    expect(found).to.have.length(1);
    const [{ lengthM, lowDb, highDb }] = found;
    // RG6: 1.60 and 6.55 dB for 100 ft, and two connectors.
    expect(lowDb).to.be.closeTo(0.4 + (1.6 / 30.48) * lengthM!, 0.05);
    expect(highDb).to.be.closeTo(0.4 + (6.55 / 30.48) * lengthM!, 0.2);
  });
});

describe('an edit of runs', () => {
  let made = 0;
  const newId = (kind: string) => `${kind}_e${++made}`;
  const house = designedHouse([{ typeId: 'network-drop', at: [1, 0.05] }]);
  const placed = placeDevice(
    house,
    { typeId: 'camera', levelId: house.racks.rack.levelId, at: [3, -0.05] },
    { device: 'cam', run: () => newId('run') },
  );
  if (!placed.ok) throw new Error(placed.problem.code);
  const { operations } = placed.value;
  const withCamera = applied(house, [...operations, ...portsAfter(house, operations, newId)]);

  it('takes a port of the panel and one of the switch for a new camera, in the same edit', () => {
    const parts = derivationsOf(withCamera).get(HEAD_END_PARTS);
    const [run] = Object.values(withCamera.runs).filter(({ deviceId }) => deviceId === 'cam');
    const own = parts.terminationOfRun.get(run.id)!;
    expect(parts.equipmentById.get(own.equipmentId)!.kind).to.equal('patch-panel');
    expect(parts.patchAt.has(`${own.equipmentId}/${own.port}`)).to.equal(true);
  });

  it('takes the cord out with the run, and leaves all others', () => {
    const gone = removeWithDependants(withCamera, 'devices', 'cam');
    const after = applied(withCamera, [...gone, ...portsAfter(withCamera, gone, newId)]);
    expect(Object.keys(after.terminations).sort()).to.deep.equal(Object.keys(house.terminations).sort());
    expect(Object.keys(after.patches).sort()).to.deep.equal(Object.keys(house.patches).sort());
  });

  it('plugs in the input behind the channel of a new speaker too, so that it is heard', () => {
    const music = designedHouse([1, 1.6, 2.2].map((x) => ({ typeId: 'ceiling-speaker', at: [x, 2] as [number, number] })));
    const more = placeDevice(
      music,
      { typeId: 'ceiling-speaker', levelId: music.racks.rack.levelId, at: [3, 3] },
      { device: 'spk', run: () => newId('run') },
    );
    if (!more.ok) throw new Error(more.problem.code);
    const loud = applied(music, [...more.value.operations, ...portsAfter(music, more.value.operations, newId)]);
    const { cells } = derivationsOf(loud).get(SIGNAL_TABLE);
    expect(cells.every(({ isReached }) => isReached)).to.equal(true);
    expect(cells.length).to.be.greaterThan(0);
    // And takes that cord out again with the speaker.
    const gone = removeWithDependants(loud, 'devices', 'spk');
    const quiet = applied(loud, [...gone, ...portsAfter(loud, gone, newId)]);
    expect(Object.keys(quiet.patches).sort()).to.deep.equal(Object.keys(music.patches).sort());
  });

  it('does nothing where no equipment was chosen, or where no run changes', () => {
    const bare = wiredHouse([{ typeId: 'network-drop', at: [1, 0.05] }]);
    expect(portsAfter(bare, operations, newId)).to.deep.equal([]);
    expect(portsAfter(house, [update('racks', house.racks.rack, { name: 'Other' })!], newId)).to.deep.equal([]);
  });
});
