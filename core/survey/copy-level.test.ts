import { expect } from 'chai';
import { newFeature } from '../model/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { copyLevel, levelOnTop } from './copy-level.ts';
import { settleHouse } from './settle.ts';

const furnished = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.1], heightM: 0.45 },
    { typeId: 'access-point', at: [7, 2] },
  ],
  countedIds(),
).project;
const sofa = newFeature({ id: 'sofa', kind: 'sofa', levelId: 'm', points: [[2, 2]], widthM: 2 });
const house = applied(furnished, [
  { op: 'create', in: 'features', id: 'sofa', record: sofa },
  {
    op: 'update',
    in: 'devices',
    id: Object.keys(furnished.devices)[0],
    before: { belongsTo: null },
    after: { belongsTo: 'sofa' },
  },
]);

function copied(withDevicesToo: boolean) {
  let count = 0;
  const found = copyLevel(house, 'm', {
    id: 'upper',
    nameOf: (n) => `Level ${n}`,
    newId: (kind) => `${kind}-copy-${++count}`,
    devices: withDevicesToo ? { device: () => `copy-${++count}`, run: () => `run-copy-${++count}` } : null,
  });
  if (!found.ok) throw new Error(found.problem.code);
  return applied(house, found.value);
}
const on = <R extends { readonly levelId: string }>(table: Readonly<Record<string, R>>, levelId: string) =>
  Object.values(table).filter((record) => record.levelId === levelId);

describe('a new level', () => {
  it('stands on the highest one, with the next free code and number', () => {
    const first = smallHouse();
    const one = applied(first, [levelOnTop(first, { id: 'l1', nameOf: (n) => `Level ${n}` })]);
    const two = applied(one, [levelOnTop(one, { id: 'l2', nameOf: (n) => `Level ${n}` })]);
    const { l1, l2 } = two.levels;
    expect(l2.elevationM).to.be.closeTo(l1.elevationM + l1.ceilingHeightM + l1.cavityDepthM, 1e-9);
    expect(l2.order).to.equal(l1.order + 1);
    expect(new Set(Object.values(two.levels).map(({ code }) => code)).size).to.equal(Object.keys(two.levels).length);
    expect(l1.name).to.match(/^Level \d+$/);
  });
});

describe('a copy of a level', () => {
  it('stands on top of the house, with the same walls, rooms and furniture', () => {
    const after = copied(false);
    expect(after.levels.upper).to.include({ name: 'Level 2', code: 'L2', order: 1, elevationM: 2.8, ceilingHeightM: 2.5 });
    expect(on(after.walls, 'upper')).to.have.length(7);
    expect(on(after.rooms, 'upper').map(({ name }) => name)).to.deep.equal(['Room AA', 'Room BB']);
    expect(on(after.features, 'upper').map(({ kind }) => kind)).to.deep.equal(['sofa']);
    expect(on(after.devices, 'upper')).to.deep.equal([]);
    expect(on(after.racks, 'upper')).to.deep.equal([]);
  });

  it('has rooms that go with its walls: drawing on finds none anew', () => {
    const settled = settleHouse(copied(false), [], ['upper'], () => 'room');
    expect(settled.ok && settled.value).to.deep.equal([]);
  });

  it('takes the devices along, each with a number and runs of its own, beside its own furniture', () => {
    const after = copied(true);
    const copies = on(after.devices, 'upper');
    expect(copies.map(({ typeId, x, y }) => [typeId, x, y])).to.have.deep.members([
      ['network-drop', 1, 0],
      ['access-point', 7, 2],
    ]);
    expect(after.features[copies.find(({ typeId }) => typeId === 'network-drop')!.belongsTo!].levelId).to.equal('upper');
    const numbers = Object.values(after.runs).map(({ number }) => number);
    expect(numbers).to.have.length(2 * Object.keys(house.runs).length);
    expect(new Set(numbers).size).to.equal(numbers.length);
  });
});
