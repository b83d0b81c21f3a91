import { expect } from 'chai';
import fc from 'fast-check';
import { buildingOf } from '../house/index.ts';
import { newRiser, type RouteRule } from '../model/index.ts';
import { randomHouse, smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { type EndPlace, entriesFrom } from './ends.ts';
import { networkOf } from './network.ts';
import { routeOptions } from './route-options.ts';
import { NOT_SHARED, rackPlace, routeBetween, routeDevice } from './route-device.ts';
import { type Loads, priceBelow, priceFor } from './share.ts';
import { sharedRouteBound } from './shared-route-bound.ts';
import { linesOf, loadsOf } from './shared-route-lines.ts';
import { type Demand, findSharedRoutes, workWith } from './shared-routes.ts';
import { NEW_FRAMING, WEIGHTS, weightsOf } from './weights.ts';
import { openAirSegments } from './open-air.ts';

const numbers = fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true }));

/** A drawn house and the demand of a dozen ceiling speakers. */
function drawn(draw: () => number) {
  const project = randomHouse(draw);
  const network = networkOf(buildingOf(project));
  const ends = entriesFrom(network, rackPlace(project.racks.rack));
  const { x } = project.racks.rack;
  const starts = Array.from({ length: 12 }, () =>
    entriesFrom(network, { levelId: 'm', mount: 'ceiling', heightM: null, x: draw() * x, y: 0.2 + draw() * 3 }),
  ).flatMap((routes) => (routes.ok ? [routes.value] : []));
  const demands: Demand[] = ends.ok ? [{ ends: ends.value, starts }] : [];
  return { document: project, network, demands };
}

describe('ways that runs share', () => {
  it('never come to more work than each run on its own cheapest way, and the same house gives the same', () => {
    let [apart, together] = [0, 0];
    fc.assert(
      fc.property(numbers, (stream) => {
        const { network, demands } = drawn(() => stream.next().value as number);
        const found = findSharedRoutes(network, demands);
        expect(found.work.totalM).to.be.at.most(found.apart.totalM + 1e-6);
        expect(found.work.totalM).to.be.closeTo(workWith(network, demands, found.prices).totalM, 1e-6);
        expect(findSharedRoutes(network, demands).work).to.deep.equal(found.work);
        apart += found.apart.totalM;
        together += found.work.totalM;
      }),
      // The same houses each time, since how much they share is no property of every house.
      { numRuns: 6, seed: 20 },
    );
    // Over all of them holes are shared: a search that finds nothing would leave the sums alike.
    expect(together).to.be.lessThan(0.99 * apart);
  });

  it('never come to less than the bound, which is near for one run alone and below the price of any number of cables', () => {
    const weights = NEW_FRAMING;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        (n, usual, holes) => {
          const { fixedM, eachM } = priceBelow(weights, 3, holes, usual);
          expect(fixedM + n * eachM).to.be.at.most(priceFor(weights, 3, holes, n) + 1e-9);
        },
      ),
    );
    fc.assert(
      fc.property(numbers, (stream) => {
        const { network, demands } = drawn(() => stream.next().value as number);
        const found = findSharedRoutes(network, demands);
        const bound = sharedRouteBound(network, demands, found.prices.counts, 12);
        expect(bound).to.be.at.most(found.work.totalM + 1e-6);
        expect(bound).to.be.at.least(0.4 * found.work.totalM);
        const [{ ends, starts }] = demands;
        const alone = [{ ends, starts: starts.slice(0, 1) }];
        const one = findSharedRoutes(network, alone);
        const near = sharedRouteBound(network, alone, one.prices.counts, 30);
        expect(near).to.be.within(0.6 * one.work.totalM, one.work.totalM + 1e-6);
      }),
      { numRuns: 4, seed: 7 },
    );
  });

  it('are kept as straight pieces that give the same ways again', () => {
    fc.assert(
      fc.property(numbers, (stream) => {
        const { network, demands } = drawn(() => stream.next().value as number);
        const { prices } = findSharedRoutes(network, demands);
        const shared = new Map([...prices.counts].sort(([a], [b]) => a - b));
        const segments = linesOf(network, prices.counts);
        const again: Loads = loadsOf(network, [{ segments }]);
        expect(new Map([...again].sort(([a], [b]) => a - b))).to.deep.equal(shared);
      }),
      { numRuns: 20 },
    );
  });

  it('cost a pull for six cables, a further cable at 0.6, a hole for five, and each place once', () => {
    // Seven cables over 10 m and three holes: two pulls, five further cables, two bores at each place, and 0.05 h beside 0.03 h.
    expect(priceFor(NEW_FRAMING, 10, 3, 7)).to.be.closeTo(10 * (2 + 5 * 0.6) + 3 * 2 + (3 * 5) / 3, 1e-9);
  });
});

describe('what a way costs', () => {
  const speaker: EndPlace = { levelId: 'm', mount: 'ceiling', heightM: null, x: 1, y: 1 };

  it('never rises when a way is added', () => {
    const above: EndPlace = { ...speaker, levelId: 'u' };
    const withOne = twoStoreyHouse();
    const without = { ...withOne, risers: {} };
    const cost = (project: typeof withOne) => {
      const routed = routeDevice(networkOf(buildingOf(project)), above, project.racks.rack);
      return routed.ok ? routed.value.costM : Infinity;
    };
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 9.7, noNaN: true }), fc.double({ min: 0.5, max: 3.6, noNaN: true }), (x, y) => {
        const more = newRiser({ ...withOne.risers.shaft, id: 'more', name: 'More', x, y });
        const added = { ...withOne, risers: { ...withOne.risers, more } };
        expect(cost(added)).to.be.at.most(cost(withOne) + 1e-9);
      }),
      { numRuns: 20 },
    );
    expect(cost(withOne)).to.be.at.most(cost(without));
    expect(cost(without)).to.be.lessThan(Infinity);
  });

  it('depends on the construction: where nothing may be cut, joists are not bored', () => {
    const across = smallHouse({ rooms: [{ joistAngleRad: Math.PI / 2 }, { joistAngleRad: Math.PI / 2 }] });
    const building = buildingOf(across);
    const heritage = routeDevice(networkOf(building, WEIGHTS.heritage), speaker, across.racks.rack);
    expect(heritage.ok ? '' : heritage.problem.code).to.equal('no-route');
    expect(weightsOf({ construction: 'retrofit', jurisdiction: 'NA', routeWeights: { turnM: 9 } }).turnM).to.equal(9);
    expect(weightsOf({ construction: 'retrofit', jurisdiction: 'NA', routeWeights: {} })).to.equal(WEIGHTS.retrofit);
  });
});

describe('a rule for a way', () => {
  const project = twoStoreyHouse();
  const building = buildingOf(project);
  const network = networkOf(building);
  const above: EndPlace = { levelId: 'u', mount: 'ceiling', heightM: null, x: 2, y: 3.4 };
  const rule = (more: Partial<RouteRule>): RouteRule => ({
    id: 'rule',
    runId: null,
    kind: 'avoid',
    target: 'riser',
    targetId: 'shaft',
    at: null,
    note: '',
    ...more,
  });
  const route = (rules: readonly RouteRule[]) => {
    const routed = routeDevice(network, above, project.racks.rack, NOT_SHARED, rules);
    if (!routed.ok) throw new Error(routed.problem.code);
    expect(openAirSegments(building, routed.value.points, routed.value.media)).to.deep.equal([]);
    return routed.value;
  };

  it('keeps a run away from a riser, or leads it through a room or a point', () => {
    expect(route([]).media).to.include('riser');
    const avoided = route([rule({})]);
    expect(avoided.media).not.to.include('riser');
    expect(avoided.costM).to.be.greaterThan(route([]).costM);
    const point: [number, number, number] = [6.2, 1, 5.3];
    const led = route([rule({ kind: 'through', target: 'point', targetId: '', at: point })]);
    const along = led.points
      .slice(1)
      .flatMap((b, k) =>
        Array.from({ length: 51 }, (_, n) => led.points[k].map((value, axis) => value + ((b[axis] - value) * n) / 50)),
      );
    expect(Math.min(...along.map(([x, y, z]) => Math.hypot(x - 6.2, y - 1, z - 5.3)))).to.be.at.most(0.5);
    expect(led.broken).to.deep.equal([]);
  });

  it('that cannot be kept says so, and the run has its way without it', () => {
    const gone = route([rule({ kind: 'through', targetId: 'no-such-riser' })]);
    expect(gone.broken).to.deep.equal(['rule']);
    expect(gone.points).to.deep.equal(route([]).points);
  });

  it('can be made of another way, which is then the one that the run takes', () => {
    const choices = routeOptions(network, above, rackPlace(project.racks.rack), NOT_SHARED, []);
    if (!choices.ok) throw new Error(choices.problem.code);
    const { taken, others } = choices.value;
    expect(taken.costM).to.be.closeTo(route([]).costM, 1e-9);
    expect(others.length).to.be.at.least(1);
    for (const { way } of others) expect(way.costM).to.be.at.least(taken.costM - 1e-6);
    const [{ way, via }] = others;
    const rules = via.map(([x, y, z], n) =>
      rule({ id: `rule${n}`, kind: 'through', target: 'point', targetId: '', at: [x, y, z] }),
    );
    expect(rules.length).to.be.at.least(1);
    const led = routeBetween(network, above, rackPlace(project.racks.rack), '', NOT_SHARED, rules);
    if (!led.ok) throw new Error(led.problem.code);
    expect(led.value.broken).to.deep.equal([]);
    expect(led.value.costM).to.be.at.most(way.costM + 3);
    expect(led.value.costM).to.be.at.least(taken.costM - 1e-6);
  });
});
