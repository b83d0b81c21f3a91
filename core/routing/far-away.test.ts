import { expect } from 'chai';
import { applyChange, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { twoStoreyHouse } from '../testing/index.ts';
import { placeDevice } from '../devices/index.ts';
import { buildingOf } from '../house/index.ts';
import { networkOf } from './network.ts';

/** The house with everything moved along x and y by some metres. */
function moved(house: ProjectDocument, by: readonly [number, number]): ProjectDocument {
  const shift = ([x, y]: readonly number[]): [number, number] => [x + by[0], y + by[1]];
  const operations: Operation[] = [
    ...Object.values(house.rooms).map((room) => update('rooms', room, { polygon: room.polygon.map((p) => shift(p)) })!),
    ...Object.values(house.walls).map((wall) => update('walls', wall, { a: shift(wall.a), b: shift(wall.b) })!),
    ...(['racks', 'risers', 'devices'] as const).flatMap((name) =>
      Object.values(house[name]).map((record) =>
        update(name, record as never, { x: record.x + by[0], y: record.y + by[1] } as never)!,
      ),
    ),
  ];
  const applied = applyChange(house, { operations });
  if (!applied.ok) throw new Error(applied.problem.code);
  return applied.value;
}

describe('a house far from the origin', () => {
  const placed = placeDevice(
    twoStoreyHouse(),
    { typeId: 'ceiling-speaker', levelId: Object.keys(twoStoreyHouse().levels)[0], at: [2, 2] },
    { device: 'd1', run: () => 'r1' },
  );
  if (!placed.ok) throw new Error(placed.problem.code);
  const applied = applyChange(twoStoreyHouse(), placed.value);
  if (!applied.ok) throw new Error(applied.problem.code);
  const near = applied.value;
  // A whole number of lattice steps, so that the lattice lies in the house as before.
  const far = moved(near, [800, -880]);

  it('has a network as large as at the origin, and the same lengths', () => {
    const size = (house: ProjectDocument) => {
      const { layers } = networkOf(buildingOf(house));
      return layers.reduce((sum, { layer }) => sum + layer.columns * layer.rows, 0);
    };
    expect(size(far)).to.be.closeTo(size(near), size(near) * 0.35);
    const lengths = (house: ProjectDocument) => planRuns(house).map(({ length }) => length?.cutLengthM.toFixed(6));
    expect(lengths(far)).to.deep.equal(lengths(near));
  });
});
