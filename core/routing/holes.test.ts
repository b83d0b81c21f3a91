import { expect } from 'chai';
import { buildingOf, joistsOf } from '../house/index.ts';
import { type ProjectDocument, type RouteRule, type Wall } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { holesOf } from './holes.ts';
import { networkOf } from './network.ts';
import { NOT_SHARED, routeDevice } from './route-device.ts';

const withWall = (project: ProjectDocument, id: string, after: Partial<Wall>): ProjectDocument => ({
  ...project,
  walls: { ...project.walls, [id]: { ...project.walls[id], ...after } },
});
const members = (project: ProjectDocument) => {
  const [planned] = planRuns(project);
  return planned.proposedRoute.ok ? planned.proposedRoute.value.holes.map(({ member }) => member) : [];
};

describe('holes that a route needs', () => {
  it('have the outer skin of the wall behind a device outdoors, and none behind one inside', () => {
    const at = (y: number) => withDevices(smallHouse(), [{ typeId: 'door-station', at: [2, y] }], countedIds()).project;
    const [outside, inside] = [at(-0.1), at(0.1)];
    expect(members(outside)).to.deep.equal(['board', ...members(inside)]);
    const [planned] = planRuns(outside);
    expect(planned.proposedRoute.ok && planned.proposedRoute.value.holes[0].wallId).to.match(/south/);
    // Of brick it is cored.
    const { wallId } = (planned.proposedRoute.ok && planned.proposedRoute.value.holes[0]) as { wallId: string };
    const brick = withWall(outside, wallId, { kind: 'furred' });
    expect(members(brick)[0]).to.equal('masonry');
  });

  it('have the skin of a partition where a cable leaves it into the void beside it', () => {
    const building = buildingOf(smallHouse());
    const south = Object.values(building.wallsByLevel.m).find(({ a, b }) => a[1] === 0 && b[1] === 0)!;
    const x = (south.a[0] + south.b[0]) / 2;
    const into = (z: number) =>
      holesOf(
        building,
        [
          [x, 0, 0.4],
          [x, 0, z],
          [x, 1, z],
        ],
        ['wall', 'cavity'],
      ).map(({ member }) => member);
    // The wall is 2.5 m high: below that its board is cut, above it its plate is bored.
    expect(into(2.3).filter((member) => member !== 'joist')).to.deep.equal(['board']);
    expect(into(2.6).filter((member) => member !== 'joist')).to.deep.equal(['top-plate']);
  });

  it('have a wall against fire that a conduit passes below its top, and not one that it passes over', () => {
    const house = withWall(smallHouse(), 'middle', { kind: 'fire', heightM: 2.5 });
    const building = buildingOf(house);
    const { a } = house.walls.middle;
    const through = (z: number) =>
      holesOf(
        building,
        [
          [a[0] - 1, 2, z],
          [a[0] + 1, 2, z],
        ],
        ['conduit'],
      ).map(({ member, wallId }) => `${member} ${wallId}`);
    expect(through(2.3)).to.deep.equal(['fire middle']);
    expect(through(2.6)).to.deep.equal([]);
  });

  it('have no wall against fire whose stated top lies below the void above it', () => {
    const speaker = (heightM: number | null) =>
      members(
        withWall(withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds()).project, 'middle', {
          kind: 'fire',
          heightM,
        }),
      );
    expect(speaker(2.5)).not.to.include('fire');
    expect(speaker(null)).to.include('fire');
    expect(speaker(3)).to.include('fire');
  });

  it('are in joists from the first one on that was found, and in none before it', () => {
    const house = smallHouse({ rooms: [{ joistOffsetM: 1.3 }] });
    const offsets = joistsOf(house, house.rooms.a).map(({ offsetM }) => Math.round(offsetM * 100) / 100);
    expect(offsets[0]).to.equal(1.3);
    expect(offsets[1]).to.equal(1.7);
    // A first joist outside the room only says where the others fall.
    const beyond = smallHouse({ rooms: [{ joistOffsetM: -0.1 }] });
    expect(Math.round(joistsOf(beyond, beyond.rooms.a)[0].offsetM * 100) / 100).to.equal(0.3);
  });
});

describe('a rule that leads a run through what it passes anyway', () => {
  it('changes nothing of its route', () => {
    const house = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2.13] }], countedIds()).project;
    const network = networkOf(buildingOf(house));
    const end = { levelId: 'm', x: 1, y: 2.13, heightM: null, mount: 'ceiling' as const };
    const route = (rules: readonly RouteRule[]) => {
      const routed = routeDevice(network, end, house.racks.rack, NOT_SHARED, rules);
      if (!routed.ok) throw new Error(routed.problem.code);
      return routed.value;
    };
    const plain = route([]);
    const [p, q] = plain.points.slice(2, 4);
    const at: [number, number, number] = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, p[2]];
    const rule = { id: 'via', runId: null, kind: 'through', target: 'point', targetId: '', at, note: '' } as const;
    expect(route([rule]).points).to.deep.equal(plain.points);
    expect(route([{ ...rule, target: 'room', targetId: 'b', at: null }]).points).to.deep.equal(plain.points);
    expect(route([{ ...rule, at: [at[0], at[1] + 1.5, at[2]] }]).points).not.to.deep.equal(plain.points);
  });
});
