import { expect } from 'chai';
import fc from 'fast-check';
import { placeDevice } from '../devices/index.ts';
import type { Outcome } from '../math/index.ts';
import { applyChange, type ProjectDocument } from '../model/index.ts';
import { countingIds, smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { bundleByRoute, bundlesOf, sharedM } from './bundles.ts';
import { planRuns } from './plan-runs.ts';
import { runState, proposedRoutes } from './run-state.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
type At = [number, number];
function houseWith(places: readonly At[], typeId = 'ceiling-speaker', start: ProjectDocument = smallHouse()): ProjectDocument {
  const ids = countingIds();
  return places.reduce(
    (project, at) => must(applyChange(project, must(placeDevice(project, { typeId, levelId: 'm', at }, ids())))),
    start,
  );
}
const bundled = (project: ProjectDocument) =>
  must(applyChange(project, { operations: bundleByRoute(planRuns(project), project.cableTypes) }));
const codes = (project: ProjectDocument) => planRuns(project).map(({ run }) => `${run.deviceId} ${run.bundle}`);

describe('bundles by way', () => {
  it('gather runs that go along together from the rack for half of their way', () => {
    // Rack in the east wall at y 2: two speakers far west side by side, and one beside the rack on the other hand.
    const project = bundled(
      houseWith([
        [1, 2],
        [1.2, 2],
        [9, 3.6],
      ]),
    );
    const byDevice = new Map(planRuns(project).map(({ run }) => [run.deviceId, run.bundle]));
    expect(byDevice.get('d1')).to.equal(byDevice.get('d2'));
    expect(byDevice.get('d3')).to.not.equal(byDevice.get('d1'));
  });

  it('know their head, their order from the rack, their diameter and their hole (by hand)', () => {
    const project = bundled(
      houseWith([
        [1, 2],
        [3, 2],
        [2, 2],
      ]),
    );
    const [bundle] = bundlesOf(project);
    expect(bundle.members.map(({ run }) => run.deviceId)).to.deep.equal(['d2', 'd3', 'd1']);
    // The nearest one is at x 3; its route ends in the ceiling there: 0.6 down, 7.2 along.
    expect(bundle.head![0]).to.be.within(3, 3.5);
    expect(bundle.sharedM).to.be.within(7.3, 7.8);
    // Three of 7.2 mm: 2.155 diameters (F4.3).
    expect(bundle.diameterM).to.be.closeTo(2.155 * 0.0072, 1e-9);
    expect(bundle.holeM).to.be.closeTo(Math.max(2.155 * 0.0072 + 0.003, Math.sqrt((3 * 0.0072 ** 2) / 0.4)), 1e-9);
  });

  it('keep their codes when looked for again, and leave issued runs where they are', () => {
    const first = bundled(
      houseWith([
        [1, 2],
        [1.2, 2],
        [9, 3.6],
      ]),
    );
    expect(bundleByRoute(planRuns(first), first.cableTypes)).to.deep.equal([]);
    const issued = must(applyChange(first, { operations: must(runState(first, ['r1x1'], 'issued', proposedRoutes(first))) }));
    const again = bundled(issued);
    expect(again.runs.r1x1.bundle).to.equal(first.runs.r1x1.bundle);
  });

  it('are never larger than 24 cables, and hold every run that has a way (property)', () => {
    const place = fc.tuple(fc.double({ min: 0.3, max: 9.8, noNaN: true }), fc.double({ min: 0.3, max: 3.8, noNaN: true }));
    fc.assert(
      fc.property(fc.array(place, { minLength: 1, maxLength: 40 }), (places) => {
        const project = bundled(houseWith(places as At[], 'ceiling-speaker', twoStoreyHouse()));
        const bundles = bundlesOf(project);
        expect(bundles.reduce((sum, { members }) => sum + members.length, 0)).to.equal(places.length);
        for (const { members } of bundles) {
          expect(members.length).to.be.at.most(24);
          for (const { points, length } of members)
            if (members.length > 1)
              expect(Math.max(...members.map((other) => sharedM(points, other.points)))).to.be.at.least(
                0.5 * (length!.riseM + length!.runM + length!.dropM) - 1.01,
              );
        }
      }),
      { numRuns: 15 },
    );
  });

  it('of runs that lead nowhere are left as they are', () => {
    const project = houseWith([[40, 2]]);
    expect(codes(bundled(project))).to.deep.equal(codes(project));
  });
});
