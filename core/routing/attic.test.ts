import { expect } from 'chai';
import { buildingOf } from '../house/index.ts';
import { type Feature, newFeature, type ProjectDocument } from '../model/index.ts';
import { smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice } from './route-device.ts';
import type { EndPlace } from './ends.ts';

const attic = (more: Partial<Feature> = {}): Feature =>
  newFeature({
    id: 'attic',
    levelId: 'm',
    kind: 'attic',
    area: true,
    points: [
      [0, -1],
      [10.2, -1],
      [10.2, 5.1],
      [0, 5.1],
    ],
    bottomM: 2.5,
    topM: 2.5,
    pitchRad: 0.6,
    ...more,
  });
function routed(project: ProjectDocument, end: Partial<EndPlace> = {}) {
  const building = buildingOf(project);
  const place: EndPlace = { levelId: 'm', x: 1, y: 2, heightM: null, mount: 'ceiling', ...end };
  const path = routeDevice(networkOf(building), place, project.racks.rack);
  if (path.ok) expect(openAirSegments(building, path.value.points, path.value.media)).to.deep.equal([]);
  return path;
}

describe('rooms whose ceilings have no hollow of their own', () => {
  const house = smallHouse({ rooms: [{ framing: 'none' }, { framing: 'none' }] });

  it('have no way', () => {
    expect(routed(house)).to.have.nested.property('problem.code', 'no-cavity');
  });

  it('under an attic have one on top of them, with nothing bored but the plate of the rack (by hand)', () => {
    const path = routed({ ...house, features: { attic: attic() } });
    if (!path.ok) throw new Error(path.problem.code);
    const { riseM, runM, dropM, holes } = path.value;
    expect([riseM, runM, dropM].map((value) => Number(value.toFixed(6)))).to.deep.equal([0.1, 9.2, 0.6]);
    expect(holes.map(({ member }) => member)).to.deep.equal(['top-plate']);
  });

  it('beside a room with a cavity are joined to it', () => {
    const mixed = { ...smallHouse({ rooms: [{ framing: 'none' }, {}] }), features: { attic: attic() } };
    expect(routed(mixed).ok).to.equal(true);
  });

  it('of concrete stay shut, whatever lies over them', () => {
    const slab = smallHouse({ rooms: [{ framing: 'slab' }, { framing: 'slab' }] });
    expect(routed({ ...slab, features: { attic: attic() } }).ok).to.equal(false);
  });
});

describe('a wet zone', () => {
  it('keeps the walls beside it free of cable between the levels', () => {
    const house = twoStoreyHouse();
    const upstairs = { levelId: 'u', x: 9, y: 3, heightM: null, mount: 'ceiling' } as const;
    const open = { ...house, risers: {} };
    const before = routed(open, upstairs);
    if (!before.ok) throw new Error(before.problem.code);
    const wall = before.value.points[before.value.media.lastIndexOf('wall')];
    const wet = newFeature({
      id: 'wet',
      levelId: 'u',
      kind: 'wet-zone',
      area: true,
      points: [
        [wall[0] - 2, wall[1] - 2],
        [wall[0] + 2, wall[1] - 2],
        [wall[0] + 2, wall[1] + 2],
        [wall[0] - 2, wall[1] + 2],
      ],
      bottomM: 0,
      topM: 2.25,
    });
    const after = routed({ ...open, features: { wet } }, upstairs);
    if (!after.ok) throw new Error(after.problem.code);
    const within = ([x, y, z]: readonly number[]) =>
      Math.abs(x - wall[0]) < 2 && Math.abs(y - wall[1]) < 2 && z > 2.8 && z < 2.8 + 2.25;
    const uprights = after.value.points.slice(1).flatMap((p, k) => {
      const q = after.value.points[k];
      return Math.abs(p[2] - q[2]) > 0.5 && after.value.media[k] === 'wall' ? [[p[0], p[1], (p[2] + q[2]) / 2]] : [];
    });
    expect(uprights.filter(within)).to.deep.equal([]);
    expect(after.value.costM).to.be.at.least(before.value.costM - 1e-9);
  });
});
