import { expect } from 'chai';
import { buildingOf, roomAt } from '../house/index.ts';
import { drawWalls, WALL_BUILDS } from '../survey/index.ts';
import { applyChange, type ProjectDocument } from '../model/index.ts';
import { smallHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice } from './route-device.ts';

/** The small house with a closet standing free in the midst of its west room. */
function houseWithCloset(): ProjectDocument {
  let n = 0;
  const closet = drawWalls(
    smallHouse(),
    'm',
    [
      [1.5, 1.5],
      [3, 1.5],
      [3, 3],
      [1.5, 3],
      [1.5, 1.5],
    ],
    WALL_BUILDS.stud,
    (kind) => `${kind}_${++n}`,
  );
  const applied = closet.ok ? applyChange(smallHouse(), { operations: closet.value }) : closet;
  if (!applied.ok) throw new Error(applied.problem.code);
  return applied.value;
}

describe('a room inside another', () => {
  const house = houseWithCloset();
  const building = buildingOf(house);

  it('is the one that a point in it belongs to', () => {
    expect(Object.keys(house.rooms)).to.have.length(3);
    expect(roomAt(building, 'm', [2, 2])!.code).to.equal('R1');
    expect(roomAt(building, 'm', [1, 1])!.id).to.equal('a');
  });

  it('has its cables led out through its walls and never through open air', () => {
    for (const at of [
      [2.2, 2.2],
      [0.8, 2.4],
      [4, 3.5],
    ] as const) {
      const route = routeDevice(
        networkOf(building),
        { levelId: 'm', x: at[0], y: at[1], heightM: null, mount: 'ceiling' },
        house.racks.rack,
      );
      if (!route.ok) throw new Error(route.problem.code);
      expect(openAirSegments(building, route.value.points, route.value.media)).to.deep.equal([]);
    }
  });
});
