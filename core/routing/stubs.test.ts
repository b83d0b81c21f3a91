import { expect } from 'chai';
import { buildingOf } from '../house/index.ts';
import { type Feature, newFeature, type ProjectDocument, tableFrom } from '../model/index.ts';
import { smallHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice } from './route-device.ts';
import type { EndPlace } from './ends.ts';

/** Concrete above and below: there is no cavity anywhere. */
const slab = (features: Feature[]): ProjectDocument => ({
  ...smallHouse({ rooms: [{ framing: 'slab' }, { framing: 'slab' }] }),
  features: tableFrom(features),
});
const duct = (id: string, points: [number, number][], kind: Feature['kind'] = 'screed-way') =>
  newFeature({ id, levelId: 'm', kind, points, widthM: 0.025, bottomM: -0.1, topM: -0.07 });

function routed(project: ProjectDocument, end: Partial<EndPlace>) {
  const building = buildingOf(project);
  const place: EndPlace = { levelId: 'm', x: 2, y: 0, heightM: 0.3, mount: 'wall', ...end };
  const path = routeDevice(networkOf(building), place, project.racks.rack);
  if (path.ok) expect(openAirSegments(building, path.value.points, path.value.media)).to.deep.equal([]);
  return path;
}
function measured(project: ProjectDocument, end: Partial<EndPlace> = {}) {
  const path = routed(project, end);
  if (!path.ok) throw new Error(JSON.stringify(path.problem));
  const { riseM, runM, dropM, holes, media } = path.value;
  return { riseM, runM, dropM, holes: holes.map(({ member }) => member), media: [...new Set(media)] };
}

describe('a house of concrete', () => {
  it('has no way without a duct', () => {
    expect(routed(slab([]), {}).ok).to.equal(false);
  });

  it('leads a wall box down into the duct in the screed and up to the rack (measured by hand)', () => {
    // 0.3 + 0.085 down, 2 + 8.2 along, 0.085 + 2 up to the entry; through the sole plates of both walls.
    const route = measured(
      slab([
        duct('d', [
          [2, 0],
          [2, 2],
          [10.2, 2],
        ]),
      ]),
    );
    expect(route.dropM).to.be.closeTo(0.385, 1e-6);
    expect(route.runM).to.be.closeTo(10.2, 1e-6);
    expect(route.riseM).to.be.closeTo(2.085, 1e-6);
    expect(route.holes).to.deep.equal(['sole-plate', 'sole-plate']);
    expect(route.media).to.have.members(['wall', 'screed']);
  });

  it('goes along in the wall, above its sole plate, where the duct comes up beside the box', () => {
    // The stub is at x 1.2: 0.8 m aside through the studs at 1.2 (not counted: it stands there), 1.6.
    const route = measured(
      slab([
        duct('d', [
          [1.3, 0],
          [1.3, 2],
          [10.2, 2],
        ]),
      ]),
    );
    expect(route.runM).to.be.closeTo(0.7 + 2 + 8.9, 1e-6);
    expect(route.holes.filter((member) => member === 'stud')).to.have.length(1);
  });

  it('joins ducts that meet in one place', () => {
    const route = measured(
      slab([
        duct('d', [
          [2, 0],
          [2, 2],
        ]),
        duct('e', [
          [2, 2],
          [10.2, 2],
        ]),
      ]),
    );
    expect(route.runM).to.be.closeTo(10.2, 1e-6);
  });

  it('lets nothing rise through the room where a duct comes up in its middle, but serves a floor box there', () => {
    const framed = {
      ...smallHouse(),
      features: tableFrom([
        duct('d', [
          [2, 2],
          [10.2, 2],
        ]),
      ]),
    };
    const network = networkOf(buildingOf(framed));
    // A ceiling speaker over the end of the duct goes its way above the ceiling.
    const above = measured(framed, { x: 2, y: 2, heightM: null, mount: 'ceiling' });
    expect(above.media).to.not.include('screed');
    expect(network.mouths).to.have.length(1);
    const box = measured(framed, { x: 1.9, y: 2, heightM: 0, mount: 'floor' });
    expect(box.media).to.include('screed');
    expect(box.runM).to.be.closeTo(0.1 + 8.2, 1e-6);
  });

  it('does not pass a doorway in the wall on the way to the duct', () => {
    const project = slab([
      duct('d', [
        [1.3, 0],
        [1.3, 2],
        [10.2, 2],
      ]),
    ]);
    const door = { wallId: 'south1', kind: 'door', offsetM: 1.7, widthM: 0.4, sillM: 0, headM: 2 } as const;
    const barred = { ...project, openings: { o: { ...smallDoor, ...door, id: 'o' } } };
    expect(routed(barred, { x: 2.2 }).ok).to.equal(false);
  });

  it('leads what stands beside a channel into it, even in a wall that is closed', () => {
    const project: ProjectDocument = {
      ...smallHouse({
        rooms: [{ framing: 'slab' }, { framing: 'slab' }],
        walls: Object.fromEntries(
          ['south1', 'south2', 'east', 'middle'].map((id) => [id, { cableMayRun: false, kind: 'concrete' }]),
        ),
      }),
      features: {
        c: newFeature({
          id: 'c',
          levelId: 'm',
          kind: 'surface-channel',
          points: [
            [1, 0.1],
            [10.1, 0.1],
            [10.1, 2],
          ],
          bottomM: 0.1,
          topM: 0.12,
        }),
      },
    };
    // 0.19 down, 0.1 into it, 8.1 + 1.9 along, 0.3 out of it, 1.89 up.
    const route = measured(project, {});
    expect(route.media).to.deep.equal(['surface']);
    expect(route.holes).to.deep.equal([]);
    expect(route.runM).to.be.closeTo(0.1 + 8.1 + 1.9 + 0.3, 0.02);
    expect(route.dropM).to.be.closeTo(0.19, 1e-6);
    expect(route.riseM).to.be.closeTo(1.89, 1e-6);
  });
});

const smallDoor = { hinge: null, swing: null, casingWidthM: 0.07, casingDepthM: 0, pocket: false, hardware: '' };
