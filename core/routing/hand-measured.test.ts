import { expect } from 'chai';
import { buildingOf } from '../house/index.ts';
import { type FramingMember, newFeature, newOpening, type ProjectDocument } from '../model/index.ts';
import { smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice } from './route-device.ts';
import type { EndPlace } from './ends.ts';
import type { HoleMember } from './holes.ts';

/** A run measured with a ruler on the drawing, and its holes counted by hand. */
interface ByHand {
  readonly what: string;
  readonly end: Partial<EndPlace>;
  /** Rise + level run + drop, m. */
  readonly lengthM: number;
  readonly holes: Readonly<Partial<Record<HoleMember, number>>>;
}

/** Bungalow: joists along x over the west room, along y over the east one, every 0.4 m from the corner; a window in the west wall. */
const bungalow: ProjectDocument = smallHouse({
  rooms: [{}, { joistAngleRad: Math.PI / 2 }],
  openings: [newOpening({ id: 'w', wallId: 'west', kind: 'window', offsetM: 2.6, widthM: 1, sillM: 0.9, headM: 2.1 })],
});

/** Two storeys with a crawl space under the lower one and a riser in its north-east corner. */
const house: ProjectDocument = {
  ...twoStoreyHouse(),
  features: {
    crawl: newFeature({
      id: 'crawl',
      levelId: 'm',
      kind: 'crawl-space',
      area: true,
      points: [
        [0, 0],
        [10.2, 0],
        [10.2, 4.1],
        [0, 4.1],
      ],
      bottomM: -0.8,
      topM: -0.3,
    }),
  },
};

/** The rack's cables come down the east wall, 10.2 m from the west wall, 2 m from the south one, to 2 m above the floor. */
const IN_BUNGALOW: readonly ByHand[] = [
  {
    what: 'a ceiling speaker in the line of the rack: 0.1 up, 9.2 along, 0.6 down; 13 joists of the east room, the plate of its wall',
    end: { x: 1, y: 2 },
    lengthM: 9.9,
    holes: { joist: 13, 'top-plate': 1 },
  },
  {
    what: 'a keypad: 1.4 up its wall, 10.2 along and 1 aside where the joists run that way, 0.6 down; two plates',
    end: { mount: 'wall', x: 0, y: 1, heightM: 1.2 },
    lengthM: 13.2,
    holes: { joist: 13, 'top-plate': 2 },
  },
  {
    what: 'a drop under the window: 0.6 aside to beside its south jamb, through the stud at 2.4 m, then up to the line of the rack',
    end: { mount: 'wall', x: 0, y: 2.6, heightM: 0.4 },
    lengthM: 0.6 + 2.2 + 10.2 + 0.6,
    holes: { stud: 1, joist: 13, 'top-plate': 2 },
  },
  {
    what: 'a speaker of the east room: 1.9 aside with its joists, 2.1 across five of them',
    end: { x: 8.1, y: 3.9 },
    lengthM: 0.1 + 1.9 + 2.1 + 0.6,
    holes: { joist: 5, 'top-plate': 1 },
  },
];

const IN_HOUSE: readonly ByHand[] = [
  {
    what: 'an upper speaker by the riser: 0.1 up, 7.6 to the riser, 2.7 down it, 0.7 and 1.5 to the rack wall, 0.6 down',
    end: { levelId: 'u', x: 2, y: 3.4 },
    lengthM: 0.1 + 7.6 + 2.7 + 2.2 + 0.6,
    holes: { floor: 1, joist: 3, 'top-plate': 1 },
  },
  {
    what: 'a lower speaker along its joists',
    end: { x: 5, y: 2.1 },
    lengthM: 0.1 + 5.2 + 0.1 + 0.6,
    holes: { 'top-plate': 1 },
  },
];

function countOf(members: readonly { readonly member: HoleMember }[]): Partial<Record<HoleMember, number>> {
  const count: Partial<Record<HoleMember, number>> = {};
  for (const { member } of members) count[member] = (count[member] ?? 0) + 1;
  return count;
}

function expectByHand(project: ProjectDocument, { end, lengthM, holes }: ByHand): void {
  const building = buildingOf(project);
  const routed = routeDevice(
    networkOf(building),
    { levelId: 'm', x: 0, y: 0, heightM: null, mount: 'ceiling', ...end },
    project.racks.rack,
  );
  if (!routed.ok) throw new Error(JSON.stringify(routed.problem));
  const { riseM, runM, dropM, points, media } = routed.value;
  expect(openAirSegments(building, points, media)).to.deep.equal([]);
  expect(countOf(routed.value.holes)).to.deep.equal(holes);
  expect((riseM + runM + dropM) / lengthM).to.be.within(0.95, 1.05);
}

describe('in a bungalow measured by hand', () => {
  for (const run of IN_BUNGALOW) it(run.what, () => expectByHand(bungalow, run));

  it('a joist that was found elsewhere is bored there, and one that is missing is not', () => {
    const member = (id: string, offsetM: number, present: boolean): FramingMember => ({
      id,
      wallId: null,
      roomId: 'b',
      kind: 'joist',
      offsetM,
      widthM: 0.045,
      bottomM: 0,
      topM: 0,
      present,
      note: '',
    });
    // Across the joists of the east room offsets run to the west: the one at 8.0 m is not there.
    const surveyed = { ...bungalow, framingMembers: { gone: member('gone', -8, false) } };
    expectByHand(surveyed, { what: '', end: { x: 1, y: 2 }, lengthM: 9.9, holes: { joist: 12, 'top-plate': 1 } });
  });
});

describe('in a house of two storeys measured by hand', () => {
  for (const run of IN_HOUSE) it(run.what, () => expectByHand(house, run));

  it('a floor box goes down through the floor into the crawl space and comes up the rack wall', () => {
    const building = buildingOf(house);
    const routed = routeDevice(networkOf(building), { levelId: 'm', x: 4, y: 2, heightM: 0, mount: 'floor' }, house.racks.rack);
    if (!routed.ok) throw new Error(JSON.stringify(routed.problem));
    const { points, media, holes, riseM, runM, dropM } = routed.value;
    expect(openAirSegments(building, points, media)).to.deep.equal([]);
    expect(media).to.include('crawl');
    // 0.35 down, 6.2 along, 2.35 up the wall behind the rack to its entry.
    expect(dropM).to.be.closeTo(0.35, 1e-6);
    expect(runM).to.be.closeTo(6.2, 0.31);
    expect(riseM).to.be.closeTo(2.35, 1e-6);
    expect(countOf(holes)).to.deep.equal({ 'sole-plate': 2 });
  });
});
