import { expect } from 'chai';
import fc from 'fast-check';
import { buildGranary } from '../../demo/build/granary.ts';
import { buildingOf } from '../house/index.ts';
import type { Point3 } from '../math/index.ts';
import { newOpening, type Opening, type ProjectDocument } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { randomHouse, smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice, type RoutedPath } from './route-device.ts';
import type { EndPlace } from './ends.ts';

const route = (project: ProjectDocument, end: Partial<EndPlace>) =>
  routeDevice(
    networkOf(buildingOf(project)),
    { levelId: 'm', x: 1, y: 2, heightM: null, mount: 'ceiling', ...end },
    project.racks.rack,
  );

function way(project: ProjectDocument, end: Partial<EndPlace>): RoutedPath {
  const routed = route(project, end);
  if (!routed.ok) throw new Error(JSON.stringify(routed.problem));
  expect(openAirSegments(buildingOf(project), routed.value.points, routed.value.media)).to.deep.equal([]);
  return routed.value;
}

const problem = (project: ProjectDocument, end: Partial<EndPlace>) => {
  const routed = route(project, end);
  return routed.ok ? 'found a way' : routed.problem.code;
};

describe('a route', () => {
  it('from a ceiling speaker goes up, along the cavity, and down the wall to the rack, as worked by hand', () => {
    const { points, media, riseM, runM, dropM, holes } = way(smallHouse(), { x: 1, y: 2 });
    // Ceiling 2.5, cable 0.1 above it; rack wall at x = 10.2, entry at y = 2, z = 2.
    expect(points[0]).to.deep.equal([1, 2, 2.5]);
    expect(points.at(-1)).to.deep.equal([10.2, 2, 2]);
    expect(riseM).to.be.closeTo(0.1, 1e-9);
    expect(runM).to.be.closeTo(9.2, 1e-9);
    expect(dropM).to.be.closeTo(0.6, 1e-9);
    expect(media[0]).to.equal('ceiling');
    expect(media.at(-1)).to.equal('wall');
    // Along the joists, over the head of the middle wall, and through the top plate of the wall behind the rack.
    expect(holes.map(({ member, wallId }) => [member, wallId])).to.deep.equal([['top-plate', 'east']]);
  });

  it('from a wall device climbs inside the wall', () => {
    const { points, media, riseM } = way(smallHouse(), { mount: 'wall', x: 0, y: 1, heightM: 1.2 });
    expect(points[0]).to.deep.equal([0, 1, 1.2]);
    expect(points[1]).to.deep.equal([0, 1, 2.6]);
    expect(media[0]).to.equal('wall');
    expect(riseM).to.be.closeTo(1.4, 1e-9);
  });

  it('passes beside a window above the device and never through it', () => {
    const window: Opening = newOpening({
      id: 'w',
      wallId: 'west',
      kind: 'window',
      offsetM: 2,
      widthM: 1.2,
      sillM: 0.9,
      headM: 2.1,
    });
    const project = smallHouse({ openings: [window] });
    const { points } = way(project, { mount: 'wall', x: 0, y: 2.1, heightM: 0.4 });
    expect(points[1][1] >= 2.7 - 1e-9 || points[1][1] <= 1.3 + 1e-9).to.equal(true);
    expect(points[1][2]).to.equal(0.4);
    expect(problem(project, { mount: 'wall', x: 0, y: 2.1, heightM: 1.5 })).to.equal('in-opening');
  });

  it('takes the riser to another storey and stays inside it', () => {
    const { media, points, holes, dropM } = way(twoStoreyHouse(), { levelId: 'u', x: 2, y: 3.4 });
    expect(media).to.include('riser');
    const at = media.indexOf('riser');
    expect(points[at].slice(0, 2)).to.deep.equal([9.5, 3.5]);
    expect(dropM).to.be.closeTo(2.8 + 2.4 + 0.1 - 2, 1e-9);
    expect(holes.some(({ member }) => member === 'floor')).to.equal(true);
  });

  it('from a floor box goes down into the ceiling below; on the ground it is told that there is only a slab', () => {
    expect(way(twoStoreyHouse(), { levelId: 'u', mount: 'floor', heightM: 0, x: 3, y: 2 }).points[1][2]).to.be.closeTo(2.6, 1e-9);
    expect(problem(smallHouse(), { mount: 'floor', heightM: 0 })).to.equal('slab-below');
  });

  it('is refused with the reason, not guessed, where there is no way', () => {
    expect(problem(smallHouse(), { x: 30, y: 2 })).to.equal('outside-rooms');
    expect(problem(smallHouse(), { mount: 'wall', x: 2, y: 2, heightM: 1 })).to.equal('not-on-wall');
    expect(
      problem(smallHouse({ walls: { west: { kind: 'masonry', cableMayRun: false } } }), {
        mount: 'wall',
        x: 0,
        y: 2,
        heightM: 1,
      }),
    ).to.equal('wall-closed');
    expect(problem(smallHouse({ rooms: [{ framing: 'none' }] }), {})).to.equal('no-cavity');
    const sealed = smallHouse({
      rooms: [{}, { ceilingHeightM: 2.3 }],
      walls: { middle: { kind: 'concrete', cableMayRun: false } },
    });
    expect(problem(sealed, {})).to.equal('no-route');
    const free = smallHouse();
    expect(problem({ ...free, racks: { rack: { ...free.racks.rack, x: 7.5 } } }, {})).to.equal('rack-not-at-wall');
  });

  it('bends less and bores fewer joists where it can', () => {
    const along = way(smallHouse(), {});
    const across = way(smallHouse({ rooms: [{ joistAngleRad: Math.PI / 2 }, { joistAngleRad: Math.PI / 2 }] }), {});
    const joists = (route: RoutedPath) => route.holes.filter(({ member }) => member === 'joist').length;
    expect(joists(along)).to.equal(0);
    expect(joists(across)).to.be.greaterThan(15);
  });

  it('in any house lies in walls and cavities from end to end, and is the same each time', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })), (numbers) => {
        const draw = () => numbers.next().value as number;
        const project = randomHouse(draw);
        const building = buildingOf(project);
        const rooms = Object.values(project.rooms);
        const [x0, y0, x1, y1] = [rooms[0].polygon[0][0], 0, rooms.at(-1)!.polygon[1][0], rooms[0].polygon[2][1]];
        for (let k = 0; k < 6; k++) {
          const end: EndPlace =
            k % 2 === 0
              ? { levelId: 'm', mount: 'ceiling', heightM: null, x: x0 + draw() * (x1 - x0), y: y0 + draw() * (y1 - y0) }
              : { levelId: 'm', mount: 'wall', heightM: draw() * 2, x: x0 + draw() * (x1 - x0), y: draw() < 0.5 ? 0 : y1 };
          const routed = routeDevice(networkOf(building), end, project.racks.rack);
          if (!routed.ok) continue;
          expect(openAirSegments(building, routed.value.points, routed.value.media)).to.deep.equal([]);
          const again = buildingOf(structuredClone(project));
          expect(routeDevice(networkOf(again), end, project.racks.rack)).to.deep.equal(routed);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('in the demo house exists for every run and lies in no open room', () => {
    const { project } = buildGranary({ shortId: '7K3MQ', name: 'Granary', description: '', client: '', address: '' });
    const building = buildingOf(project);
    const runs = planRuns(project);
    expect(runs.length).to.be.greaterThan(100);
    for (const { run, points, media } of runs) {
      expect(points, run.number).to.have.length.greaterThan(1);
      expect(openAirSegments(building, points, media), run.number).to.deep.equal([]);
    }
  });
});

describe('the judge of open air', () => {
  const building = () => buildingOf(smallHouse());
  const judged = (points: Point3[], medium: 'cavity' | 'wall' | 'riser' | 'ceiling') =>
    openAirSegments(building(), points, [medium]).length;

  it('finds a line through a room, above the structure, out of a wall and outside a riser', () => {
    expect(
      judged(
        [
          [1, 2, 2.6],
          [4, 2, 2.6],
        ],
        'cavity',
      ),
    ).to.equal(0);
    expect(
      judged(
        [
          [1, 2, 1.5],
          [4, 2, 1.5],
        ],
        'cavity',
      ),
    ).to.equal(1);
    expect(
      judged(
        [
          [1, 2, 2.6],
          [4, 2, 3.5],
        ],
        'cavity',
      ),
    ).to.equal(1);
    expect(
      judged(
        [
          [0, 2, 1],
          [0, 2, 2.6],
        ],
        'wall',
      ),
    ).to.equal(0);
    expect(
      judged(
        [
          [0.5, 2, 1],
          [0.5, 2, 2.6],
        ],
        'wall',
      ),
    ).to.equal(1);
    expect(
      judged(
        [
          [0.5, 2, 1],
          [0.5, 2, 2.6],
        ],
        'riser',
      ),
    ).to.equal(1);
    expect(
      judged(
        [
          [1, 2, 2.6],
          [1, -3, 2.6],
        ],
        'cavity',
      ),
    ).to.equal(1);
  });
});
