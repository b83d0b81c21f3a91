import { expect } from 'chai';
import { removeWalls } from '../survey/index.ts';
import { findingKey, runChecks } from '../rules/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { DerivedProject } from './derived-project.ts';
import { effectsOf, hasNoEffects } from './effects.ts';

const runChecksOf = (project: ReturnType<typeof smallHouse>) => ({ findings: runChecks(project, '2026-11-25') });
const counted = () => {
  let n = 0;
  return () => `new${++n}`;
};
const { project: house, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'ceiling-speaker', at: [7, 2] },
    { typeId: 'keypad', at: [5.02, 2] },
  ],
  countedIds(),
);

describe('what an edit does beside what was asked', () => {
  const removing = (...ids: string[]) => {
    const operations = removeWalls(house, ids, counted());
    if (!operations.ok) throw new Error(operations.problem.code);
    return effectsOf(house, operations.value)!;
  };

  it('is named for a wall that joins two rooms: the room that goes, devices that change rooms, runs with other numbers', () => {
    const effects = removing('middle');
    const [gone] = effects.rooms;
    expect(effects.rooms).to.have.length(1);
    const inGone = devices.filter(({ roomId }) => house.rooms[roomId!].name === gone);
    expect(effects.moved.map(({ name }) => name)).to.include.members(
      inGone.map(({ typeId, id }) => (house.devices[id] ? house.deviceTypes[typeId].name : '')),
    );
    expect(new Set(effects.moved.map(({ room }) => room)).size).to.equal(1);
    for (const { from, to } of effects.renumbered) expect(from).to.not.equal(to);
    expect(effects.renumbered.length).to.be.at.least(1);
    expect(hasNoEffects(effects)).to.equal(false);
  });

  it('is nothing for a wall that stands free', () => {
    const [west] = Object.values(house.walls).filter(({ id }) => id === 'west');
    const free = { ...west, id: 'free', a: [20, 20] as [number, number], b: [24, 20] as [number, number] };
    const project = { ...house, walls: { ...house.walls, free } };
    const operations = removeWalls(project, ['free'], counted());
    expect(operations.ok && hasNoEffects(effectsOf(project, operations.value)!)).to.equal(true);
  });

  it('is not known of an edit that is refused', () => {
    expect(effectsOf(house, [{ op: 'delete', in: 'walls', id: 'none', record: house.walls.west }])).to.equal(null);
  });
});

describe('fixes for all of a kind', () => {
  it('are made one after the other, each in the house that those before it left', () => {
    // Two outlets on studs of one wall, with room beside each.
    const wanted = [1.6, 3.2].map((x) => ({ typeId: 'network-drop', at: [x, 0.05] as const }));
    const { project } = withDevices(smallHouse(), wanted, countedIds());
    const derived = new DerivedProject({ outdoors: 'Outdoors' });
    derived.open(project, '2026-11-25');
    const { findings } = runChecksOf(project);
    const refs = findings.filter(({ code }) => code === 'mount-on-stud').map(findingKey);
    expect(refs).to.have.length(2);
    const { operations, fixed } = derived.cureAll([...refs, 'buildable/none']);
    expect(fixed).to.equal(2);
    const after = runChecksOf(applied(project, operations)).findings;
    expect(after.some(({ code }) => code === 'mount-on-stud')).to.equal(false);
    expect(derived.cureAll([])).to.deep.equal({ operations: [], fixed: 0 });
  });
});
