import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { closestOnSegment, distance3, type Outcome } from '../math/index.ts';
import { applyChange, type ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { countingIds, smallHouse } from '../testing/index.ts';
import { planRuns } from './plan-runs.ts';
import { throughPoint } from './by-hand.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const start = must(
  applyChange(
    smallHouse(),
    must(placeDevice(smallHouse(), { typeId: 'ceiling-speaker', levelId: 'm', at: [1, 2] }, countingIds()())),
  ),
);
const led = (project: ProjectDocument, x: number, y: number) =>
  must(applyChange(project, { operations: must(throughPoint(project, 'r1x1', 'm', [x, y])) }));

describe('a way led by hand', () => {
  it('passes the places in the order in which they were set, and is longer for it', () => {
    const [before] = planRuns(start);
    const project = led(led(start, 3, 3.6), 7, 0.6);
    const [after] = planRuns(project);
    expect(listOf(project, 'routeRules').map(({ at }) => at!.slice(0, 2))).to.deep.equal([
      [3, 3.6],
      [7, 0.6],
    ]);
    expect(after.proposedRoute.ok && after.proposedRoute.value.broken).to.deep.equal([]);
    /** How far along the route, m, it passes a place within half a bay; -1 where it does not. */
    const passes = (x: number, y: number): number => {
      let soFarM = 0;
      for (let k = 1; k < after.points.length; k++) {
        const [a, b] = [after.points[k - 1], after.points[k]];
        const { t, distanceM } = closestOnSegment([x, y], [a[0], a[1]], [b[0], b[1]]);
        const lengthM = distance3(a, b);
        if (distanceM < 0.45) return soFarM + t * lengthM;
        soFarM += lengthM;
      }
      return -1;
    };
    expect(passes(3, 3.6)).to.be.greaterThan(0);
    expect(passes(7, 0.6)).to.be.greaterThan(passes(3, 3.6));
    expect(after.length!.runM).to.be.greaterThan(before.length!.runM + 3);
  });

  it('is refused where there is no room, no hollow, or no run', () => {
    const problem = (project: ProjectDocument, runId: string, at: [number, number]) => {
      const outcome = throughPoint(project, runId, 'm', at);
      return outcome.ok ? null : outcome.problem.code;
    };
    expect(problem(start, 'r1x1', [40, 2])).to.equal('outside-rooms');
    expect(problem(start, 'gone', [1, 2])).to.equal('record-gone');
    const slab = { ...start, rooms: { ...start.rooms, b: { ...start.rooms.b, framing: 'slab' as const } } };
    expect(problem(slab, 'r1x1', [7, 2])).to.equal('no-cavity');
  });
});
