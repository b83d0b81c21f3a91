import { expect } from 'chai';
import { buildingOf } from '../house/index.ts';
import type { ProjectDocument, Rack } from '../model/index.ts';
import { smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { routeDevice } from './route-device.ts';

const withRack = (house: ProjectDocument, rack: Partial<Rack>): ProjectDocument => ({
  ...house,
  racks: { rack: { ...house.racks.rack, ...rack } },
});
/** From a ceiling speaker at (1, 2), whose cable lies at 2.6 m. */
const route = (project: ProjectDocument, levelId = 'm') =>
  routeDevice(networkOf(buildingOf(project)), { levelId, x: 1, y: 2, heightM: null, mount: 'ceiling' }, project.racks.rack);
const lengths = (project: ProjectDocument, levelId?: string) => {
  const routed = route(project, levelId);
  if (!routed.ok) throw new Error(routed.problem.code);
  const { riseM, runM, dropM, points } = routed.value;
  return { riseM, runM, dropM, end: points[points.length - 1] };
};

describe('a head end that stands free', () => {
  it('is entered from the ceiling: the drop to its entry is counted', () => {
    const { riseM, runM, dropM, end } = lengths(withRack(smallHouse(), { x: 7.5, y: 2, entry: 'ceiling', entryHeightM: 1.9 }));
    expect(end).to.deep.equal([7.5, 2, 1.9]);
    // 0.1 m up into the cavity at 2.6 m, 6.5 m along it, then 0.1 m to the ceiling and 0.6 m open.
    expect(riseM).to.be.closeTo(0.1, 1e-9);
    expect(runM).to.be.closeTo(6.5, 1e-9);
    expect(dropM).to.be.closeTo(0.7, 1e-9);
  });

  it('is entered by a sleeve along the floor from the wall: down to the sleeve, along it and up again are counted', () => {
    const { runM, riseM, dropM, end } = lengths(withRack(smallHouse(), { x: 8.7, y: 2, entry: 'sleeve', entryHeightM: 0.6 }));
    expect(end).to.deep.equal([8.7, 2, 0.6]);
    // The east wall at x = 10.2 is 1.5 m away: 9.2 m along the cavity, 2.5 m down the wall, 1.5 m back, 0.5 m up.
    expect(runM).to.be.closeTo(9.2 + 1.5, 1e-9);
    expect(dropM).to.be.closeTo(2.5, 1e-9);
    expect(riseM).to.be.closeTo(0.1 + 0.5, 1e-9);
  });

  it('is entered from the floor on an upper level, with the rise to its entry', () => {
    const house = twoStoreyHouse();
    const { riseM, runM, dropM, end } = lengths(withRack(house, { levelId: 'u', x: 5, y: 2, entry: 'floor', entryHeightM: 0.3 }));
    expect(end).to.deep.equal([5, 2, 3.1]);
    // From 2.5 m up to 2.6 m, 4 m along, up through the floor at 2.8 m to 3.1 m.
    expect(runM).to.be.closeTo(4, 1e-9);
    expect(riseM).to.be.closeTo(0.6, 1e-9);
    expect(dropM).to.be.closeTo(0, 1e-9);
  });

  it('on a slab cannot be entered from the floor, and without a wall near not by a sleeve', () => {
    const entered = (rack: Partial<Rack>, house = smallHouse()) => {
      const routed = route(withRack(house, rack));
      return routed.ok ? 'routed' : routed.problem.code;
    };
    expect(entered({ x: 7.5, entry: 'floor' })).to.equal('slab-below');
    expect(entered({ x: 7.5, entry: 'wall' })).to.equal('rack-not-at-wall');
    const closed = { cableMayRun: false, kind: 'concrete' } as const;
    const walls = Object.fromEntries(Object.keys(smallHouse().walls).map((id) => [id, closed]));
    expect(entered({ x: 7.5, entry: 'sleeve' }, smallHouse({ walls }))).to.equal('no-wall-for-sleeve');
  });

  it('before its wall is reached over the gap: what lies between wall and back is counted', () => {
    const [near, far] = [9.8, 9.4].map((x) => lengths(withRack(smallHouse(), { x })));
    expect(near.end).to.deep.equal([10.2, 2, 2]);
    // The back of a rack of 0.6 m at x = 9.4 is at 9.7: 0.5 m from the middle of the wall, 0.44 m from its face.
    expect(far.end[0]).to.be.closeTo(9.7, 1e-9);
    expect(far.runM - near.runM).to.be.closeTo(0.5, 1e-9);
  });
});
