import { expect } from 'chai';
import { polygonArea } from '../../math/index.ts';
import { newRoom, newWall, tableFrom } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { clearOutline } from './clear-outline.ts';

describe('the outline of a room from face to face', () => {
  it('lies half of each wall inside its center lines', () => {
    const house = smallHouse({ walls: { west: { thicknessM: 0.4 } } });
    const found = clearOutline(house, house.rooms.a).map((p) => p.map((one) => Math.round(one * 1e6) / 1e6));
    expect(found).to.deep.equal([
      [0.2, 0.06],
      [5.04, 0.06],
      [5.04, 4.04],
      [0.2, 4.04],
    ]);
  });

  it('follows corners that turn inward, whichever way round it was drawn, and sides without a wall', () => {
    const corners: [number, number][] = [
      [0, 0],
      [6, 0],
      [6, 3],
      [4, 3],
      [4, 5],
      [0, 5],
    ];
    const walls = corners.map((a, n) =>
      newWall({
        id: `w${n}`,
        levelId: 'm',
        a,
        b: corners[(n + 1) % 6],
        kind: 'stud',
        thicknessM: 0.2,
        cavityDepthM: 0.1,
        cableMayRun: true,
      }),
    );
    const room = newRoom({ id: 'l', levelId: 'm', code: 'LL', name: 'L', polygon: corners });
    const house = { ...smallHouse(), walls: tableFrom(walls) };
    // 6 by 3 and 4 by 2, each side 0.1 m in: 5.8 by 2.8 and 3.8 by 2.
    expect(polygonArea(clearOutline(house, room))).to.be.closeTo(5.8 * 2.8 + 3.8 * 2, 1e-9);
    const turned = { ...room, polygon: corners.toReversed() };
    expect(Math.abs(polygonArea(clearOutline(house, turned)))).to.be.closeTo(23.84, 1e-9);
    const open = { ...house, walls: tableFrom(walls.slice(1)) };
    expect(polygonArea(clearOutline(open, room))).to.be.closeTo(5.8 * 2.9 + 3.8 * 2, 1e-9);
  });
});
