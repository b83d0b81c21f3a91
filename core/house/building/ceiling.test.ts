import { expect } from 'chai';
import { type Level, newRoom, type Room } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { ceilingHeightAt } from './building.ts';

const level: Level = smallHouse().levels.m;
const room = (more: Partial<Room>): Room =>
  newRoom({
    id: 'a',
    levelId: 'm',
    code: 'A',
    name: 'Loft',
    polygon: [
      [0, 0],
      [6, 0],
      [6, 4],
      [0, 4],
    ],
    ...more,
  });

describe('a ceiling', () => {
  it('that is flat is as high as its room says, else as its level', () => {
    expect(ceilingHeightAt(room({}), level, [1, 1])).to.equal(2.5);
    expect(ceilingHeightAt(room({ ceilingHeightM: 2.3 }), level, [1, 1])).to.equal(2.3);
    // A slope that was entered for another kind of ceiling says nothing.
    expect(ceilingHeightAt(room({ slope: { lowM: 1, highM: 4, angleRad: 0 } }), level, [1, 1])).to.equal(2.5);
  });

  it('that slopes rises evenly across the room, worked by hand', () => {
    const sloped = room({ ceilingKind: 'sloped', slope: { lowM: 2, highM: 3.5, angleRad: 0 } });
    expect([0, 2, 6].map((x) => ceilingHeightAt(sloped, level, [x, 1]))).to.deep.equal([2, 2.5, 3.5]);
    const north = room({ ceilingKind: 'sloped', slope: { lowM: 2, highM: 3, angleRad: Math.PI / 2 } });
    expect(ceilingHeightAt(north, level, [5, 3])).to.be.closeTo(2.75, 1e-9);
  });

  it('that is vaulted is highest in the middle, and never beyond its heights', () => {
    const vaulted = room({ ceilingKind: 'vaulted', slope: { lowM: 2.4, highM: 4.4, angleRad: Math.PI / 2 } });
    expect(ceilingHeightAt(vaulted, level, [1, 2])).to.be.closeTo(4.4, 1e-9);
    expect(ceilingHeightAt(vaulted, level, [1, 1])).to.be.closeTo(3.4, 1e-9);
    expect(ceilingHeightAt(vaulted, level, [1, 4])).to.be.closeTo(2.4, 1e-9);
    expect(ceilingHeightAt(vaulted, level, [1, 9])).to.be.closeTo(2.4, 1e-9);
  });
});
