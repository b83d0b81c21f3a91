import { edited } from '../../derive/index.ts';
import { distance2 } from '../../math/index.ts';
import { create, newFeature, newOpening, newRoom, type Operation, update } from '../../model/index.ts';
import { bigHouse } from '../../testing/big-house.ts';
import { smallHouse, twoStoreyHouse } from '../../testing/index.ts';
import { buildingOf, nearestWall, openingsOf, roomAt, wallLength, wallPoint } from './building.ts';
import { levelsFromBelow, projectBounds } from './levels.ts';
import { wallReaches } from './wall-reach.ts';
import { expect } from 'chai';
import fc from 'fast-check';

describe('a building', () => {
  it('is worked out once for the same house, and anew when a table of it changes', () => {
    const house = smallHouse();
    const first = buildingOf(house);
    const after = (...operations: Operation[]) => {
      const next = edited(house, operations);
      if (!next.ok) throw new Error(next.problem.code);
      return buildingOf(next.value);
    };
    expect(after(create('groups', { id: 'g', kind: 'audio', name: 'West' }))).to.equal(first);
    expect(after(update('walls', house.walls.middle, { thicknessM: 0.2 })!)).to.not.equal(first);
    expect(buildingOf(house)).to.equal(first);
  });

  it('knows the room around a point, the smaller where one lies in the other', () => {
    const closet = newRoom({
      id: 'closet',
      levelId: 'm',
      code: 'CL',
      name: 'Closet',
      polygon: [
        [1, 1],
        [2, 1],
        [2, 2],
        [1, 2],
      ],
    });
    const house = smallHouse();
    const building = buildingOf({ ...house, rooms: { ...house.rooms, closet } });
    expect(roomAt(building, 'm', [1.5, 1.5])?.id).to.equal('closet');
    expect(roomAt(building, 'm', [3, 3])?.id).to.equal('a');
    expect(roomAt(building, 'm', [99, 0])).to.equal(undefined);
    expect(roomAt(building, 'nowhere', [3, 3])).to.equal(undefined);
  });

  it('finds the wall nearest to a point, with the place on it, as trying all of them would', () => {
    const house = bigHouse();
    const building = buildingOf(house);
    fc.assert(
      fc.property(fc.double({ min: -1, max: 41, noNaN: true }), fc.double({ min: -1, max: 31, noNaN: true }), (x, y) => {
        const found = nearestWall(building, 'l2', [x, y], 0.8);
        const all = Object.values(house.walls).filter((wall) => wall.levelId === 'l2');
        const min = Math.min(
          ...all.map((wall) => {
            const steps = Array.from({ length: 61 }, (_, i) => wallPoint(wall, (wallLength(wall) * i) / 60));
            return Math.min(...steps.map((p) => distance2(p, [x, y])));
          }),
        );
        if (!found) {
          expect(min).to.be.above(0.75);
          return;
        }
        expect(found.distanceM).to.be.within(min - 0.06, min + 1e-9);
        expect(distance2(wallPoint(found.wall, found.offsetM), found.point)).to.be.closeTo(0, 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('groups openings by their wall, and levels from the ground up', () => {
    const house = smallHouse({
      openings: [newOpening({ id: 'w', wallId: 'south1', kind: 'window', offsetM: 2, widthM: 1, sillM: 1, headM: 2 })],
    });
    const building = buildingOf(house);
    expect(openingsOf(building, house.walls.south1).map(({ id }) => id)).to.deep.equal(['w']);
    expect(openingsOf(building, house.walls.west)).to.deep.equal([]);
    expect(levelsFromBelow(twoStoreyHouse()).map(({ id }) => id)).to.deep.equal(['m', 'u']);
  });

  it('is as wide as its walls and rooms, and as its things where they are asked for', () => {
    const tree = newFeature({ id: 't', levelId: 'm', kind: 'tree', points: [[-6, 12]] });
    const house = { ...smallHouse(), features: { t: tree } };
    expect(projectBounds(house, 'm')).to.deep.equal({ minX: 0, minY: 0, maxX: 10.2, maxY: 4.1 });
    expect(projectBounds(house, 'm', true)).to.deep.equal({ minX: -6, minY: 0, maxX: 10.2, maxY: 12 });
    expect(projectBounds(house, 'nowhere')).to.equal(null);
  });

  it('has walls that reach into the walls they meet, so that corners close', () => {
    const { walls } = smallHouse({ walls: { west: { thicknessM: 0.4 }, south1: { thicknessM: 0.2 } } });
    const reaches = wallReaches(Object.values(walls));
    // The south wall begins in the corner with the thick west wall: half its own thickness at most.
    expect(reaches.get('south1')![0]).to.be.closeTo(0.1, 1e-9);
    expect(reaches.get('west')![0]).to.be.closeTo(0.1, 1e-9);
  });
});
