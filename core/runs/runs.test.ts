import { expect } from 'chai';
import fc from 'fast-check';
import { moveDevices, placeDevice, removeDevices, renumberTaken } from '../devices/index.ts';
import { distance3, type Outcome } from '../math/index.ts';
import { applyChange, create, type Operation, type ProjectDocument, type Rack, update } from '../model/index.ts';
import { checked, countingIds, smallHouse } from '../testing/index.ts';
import { bundleFor } from './bundling.ts';
import { cutLength } from '../calculators/index.ts';
import { decideKept, runState, proposedRoutes } from './run-state.ts';
import { formatRunNumber } from './numbering.ts';
import { planRuns } from './plan-runs.ts';
import { setRackSlack, slackStyleOf, usualRackSlackM } from './allowance.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const apply = (project: ProjectDocument, operations: readonly Operation[]) => must(applyChange(project, { operations }));
const place = (project: ProjectDocument, ids: ReturnType<typeof countingIds>, at: [number, number], typeId = 'ceiling-speaker') =>
  apply(project, must(placeDevice(project, { typeId, levelId: 'm', at }, ids())).operations);

describe('the length to cut', () => {
  const estimated = { factor: 1.1, reserveM: 0, traced: false };

  it('is the way and the slack at both ends, times the factor, rounded up (worked by hand)', () => {
    // (0.4 + 16.2 + 1.8 + 1.0 + 2.0) * 1.10 = 23.54 -> 24.0 m; 21.4 m, 10 % less or more
    const length = cutLength({ riseM: 0.4, runM: 16.2, dropM: 1.8 }, { deviceSlackM: 1, rackSlackM: 2 }, estimated, 'metric');
    expect(length.cutLengthM).to.equal(24);
    expect(length.allowanceM).to.be.closeTo(24 - 18.4 - 3, 1e-9);
    expect([length.leastM, length.mostM].map((value) => Number(value.toFixed(3)))).to.deep.equal([19.26, 23.54]);
    // 21.4 * 1.03 + 0.5 = 22.542 -> 23.0 m
    const traced = cutLength(length, length, { factor: 1.03, reserveM: 0.5, traced: true }, 'metric');
    expect(traced).to.include({ cutLengthM: 23, traced: true });
    // 23.54 m = 77.23 ft -> 78 ft
    expect(
      cutLength({ riseM: 0.4, runM: 16.2, dropM: 1.8 }, { deviceSlackM: 1, rackSlackM: 2 }, estimated, 'imperial').cutLengthM /
        0.3048,
    ).to.be.closeTo(78, 1e-9);
  });

  it('already on a whole step is not rounded further', () => {
    expect(
      cutLength({ riseM: 0, runM: 10, dropM: 0 }, { deviceSlackM: 0.5, rackSlackM: 0.5 }, { ...estimated, factor: 1 }, 'metric')
        .cutLengthM,
    ).to.equal(11);
  });
});

describe('a planned length', () => {
  const ids = countingIds();
  const house = place(smallHouse(), ids, [1, 2]);
  const measured = (project: ProjectDocument): ProjectDocument =>
    apply(project, [
      create('facts', {
        id: 'f1',
        subject: 'levels',
        subjectId: 'm',
        field: 'ceilingHeightM',
        state: 'measured',
        by: 'Kim',
        on: '2026-11-26',
        note: '',
      }),
    ]);

  it('is estimated until the heights on its way are measured', () => {
    const [before, after] = [planRuns(house)[0].length!, planRuns(measured(house))[0].length!];
    expect([before.traced, after.traced]).to.deep.equal([false, true]);
    // 0.1 + 9.2 + 0.6 + 0.8 + 3 = 13.7: * 1.10 = 15.07 -> 15.5; * 1.03 = 14.11 -> 14.5
    expect([before.cutLengthM, after.cutLengthM]).to.deep.equal([15.5, 14.5]);
    expect(after.mostM - after.leastM).to.be.lessThan(before.mostM - before.leastM);
  });

  it('of a run without slack has none, but keeps the tail that waits for joinery', () => {
    const bare = apply(house, [update('runs', house.runs.r1x1, { slackStyle: 'none' })!]);
    expect(planRuns(bare)[0].length!.deviceSlackM).to.equal(0);
    const waiting = apply(bare, [update('devices', bare.devices.d1, { tailM: 2.5 })!]);
    expect(planRuns(waiting)[0].length!.deviceSlackM).to.equal(2.5);
    expect(slackStyleOf(house.project, house.runs.r1x1, { ...house.devices.d1, tailM: 1 })).to.equal('zigzag');
  });

  it('leaves at a rack what its kind needs: 3 m to a unit, 24 units and 1.5 m to slide out, 1.5 m into a panel', () => {
    const rack = (style: Rack['slackStyle']) => usualRackSlackM(house.project, { ...house.racks.rack, slackStyle: style });
    expect([rack('to-unit'), rack('panel')]).to.deep.equal([3, 1.5]);
    // 24 * 0.04445 + 1.5 = 2.57 m, but not less than the project's 3 m; 42 units: 3.37 -> 3.4 m
    expect(rack('slide-out')).to.equal(3);
    expect(usualRackSlackM(house.project, { ...house.racks.rack, units: 42, slackStyle: 'slide-out' })).to.equal(3.4);
  });

  it('follows its rack to another way of leaving cables, unless somebody has set its slack', () => {
    const two = apply(place(house, ids, [2, 2]), [update('runs', house.runs.r1x1, { rackSlackM: 4.2 })!]);
    const after = apply(two, setRackSlack(two, two.racks.rack, 'panel'));
    expect([after.runs.r1x1.rackSlackM, after.runs.r2x1.rackSlackM]).to.deep.equal([4.2, 1.5]);
    expect(after.racks.rack.slackStyle).to.equal('panel');
    expect(setRackSlack(after, after.racks.rack, 'panel')).to.deep.equal([]);
  });

  it('is the polyline and the slack, whatever the house (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 4.8, noNaN: true }), fc.double({ min: 0.3, max: 3.8, noNaN: true }), (x, y) => {
        const [planned] = planRuns(place(smallHouse(), countingIds(), [x, y]));
        const polylineM = planned.points.slice(1).reduce((sum, p, k) => sum + distance3(p, planned.points[k]), 0);
        const { riseM, runM, dropM, deviceSlackM, rackSlackM, allowanceM, cutLengthM } = planned.length!;
        expect(riseM + runM + dropM).to.be.closeTo(polylineM, 1e-9);
        expect(polylineM + deviceSlackM + rackSlackM + allowanceM).to.be.closeTo(cutLengthM, 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('run numbers', () => {
  const parts = { level: 'M', room: 'GR', system: 'S', type: 'CS', device: 3, leg: 1, rack: 'A', port: 7 };

  it('follow the scheme of the project', () => {
    expect(formatRunNumber('{level}-{room}-{device}.{leg}', parts)).to.equal('M-GR-03.1');
    expect(formatRunNumber('{room}{device}/{leg}', { ...parts, device: 12, leg: 2 })).to.equal('GR12/2');
  });

  it('are unique, fill gaps, and follow a drafted device into another room', () => {
    const ids = countingIds();
    let project = place(place(smallHouse(), ids, [1, 2]), ids, [2, 2]);
    expect(Object.values(project.runs).map((run) => run.number)).to.deep.equal(['M-AA-01.1', 'M-AA-02.1']);
    project = apply(project, must(moveDevices(project, [{ deviceId: 'd1', to: [7, 2] }])));
    expect(project.runs.r1x1.number).to.equal('M-BB-01.1');
    project = place(project, ids, [3, 2]);
    expect(project.runs.r3x1.number).to.equal('M-AA-01.1');
  });

  it('taken by another person meanwhile are given anew', () => {
    const ids = countingIds();
    const mine = must(placeDevice(smallHouse(), { typeId: 'display', levelId: 'm', at: [1, 0.1] }, ids())).operations;
    const theirs = place(smallHouse(), ids, [2, 2]);
    const renumbered = renumberTaken(theirs, { operations: mine });
    const merged = apply(theirs, renumbered);
    expect(merged.devices.d1.number).to.equal(2);
    expect(['r1x1', 'r1x2', 'r1x3'].map((id) => merged.runs[id].number)).to.deep.equal(['M-AA-02.1', 'M-AA-02.2', 'M-AA-02.3']);
  });

  it('are bundled by room', () => {
    const ids = countingIds();
    const project = place(place(smallHouse(), ids, [1, 2]), ids, [7, 2]);
    expect([project.runs.r1x1.bundle, project.runs.r2x1.bundle]).to.deep.equal(['B-01', 'B-02']);
    expect(bundleFor(project, { roomId: 'b', levelId: 'm' }, 'rack')).to.equal('B-02');
  });
});

describe('a link between racks', () => {
  it('goes from the rack it stands at to the other one, and nowhere where there is only one', () => {
    const house = smallHouse();
    const two = {
      ...house,
      racks: { ...house.racks, other: { ...house.racks.rack, id: 'other', code: 'B', x: 0.4, facingRad: 0 } },
    };
    const linked = place(two, countingIds(), [0.5, 2], 'rack-link');
    const runs = planRuns(linked);
    expect(runs.map(({ run }) => run.rackId)).to.deep.equal(['rack', 'rack', 'rack']);
    expect(runs.every(({ proposedRoute }) => proposedRoute.ok)).to.equal(true);
    expect(Object.keys(place(house, countingIds(), [9.7, 2], 'rack-link').runs)).to.deep.equal([]);
  });
});

describe('a run', () => {
  it('still drafted follows its device at once', () => {
    const ids = countingIds();
    let project = place(smallHouse(), ids, [1, 2]);
    const before = planRuns(project)[0].length!;
    project = apply(project, must(moveDevices(project, [{ deviceId: 'd1', to: [3, 2] }])));
    expect(planRuns(project)[0].length!.runM).to.be.closeTo(before.runM - 2, 1e-9);
  });

  it('once issued keeps number, route and length, and shows the difference until a person decides', () => {
    const ids = countingIds();
    let project = place(smallHouse(), ids, [1, 2]);
    project = apply(project, must(runState(project, ['r1x1'], 'issued', proposedRoutes(project))));
    const issued = planRuns(project)[0];
    expect(issued.issuedRoute).to.not.equal(null);
    project = apply(project, must(moveDevices(project, [{ deviceId: 'd1', to: [7, 2] }])));
    const moved = planRuns(project)[0];
    expect(moved.run.number).to.equal('M-AA-01.1');
    expect(moved.length).to.deep.equal(issued.length);
    expect(moved.points).to.deep.equal(issued.points);
    expect(moved.differs).to.equal(true);
    const finding = checked(project).find((f) => f.check === 'kept-route-differs')!;
    expect(finding.rank).to.equal('look');
    expect(finding.cures.map((cure) => cure.code)).to.deep.equal(['keep-built', 'move-back', 'pull-again']);

    expect(planRuns(apply(project, must(decideKept(project, 'r1x1', 'keep-built'))))[0].differs).to.equal(false);
    expect(planRuns(apply(project, must(decideKept(project, 'r1x1', 'move-back'))))[0].differs).to.equal(false);
    const again = planRuns(apply(project, must(decideKept(project, 'r1x1', 'pull-again'))))[0];
    expect(again.run).to.include({ state: 'drafted', number: 'M-BB-01.1' });
    expect(again.length!.cutLengthM).to.be.lessThan(issued.length!.cutLengthM);
  });

  it('once issued keeps its device from being deleted', () => {
    const ids = countingIds();
    let project = place(smallHouse(), ids, [1, 2]);
    project = apply(project, must(runState(project, ['r1x1'], 'pulled', proposedRoutes(project))));
    const refused = removeDevices(project, ['d1']);
    expect(!refused.ok && refused.problem).to.include({ code: 'run-issued', number: 'M-AA-01.1' });
    project = apply(project, must(runState(project, ['r1x1'], 'drafted', proposedRoutes(project))));
    project = apply(project, must(removeDevices(project, ['d1'])));
    expect([Object.keys(project.devices), Object.keys(project.runs), Object.keys(project.routes)]).to.deep.equal([[], [], []]);
  });

  it('without a way cannot be issued', () => {
    const ids = countingIds();
    const project = place(smallHouse(), ids, [40, 2]);
    expect(runState(project, ['r1x1'], 'issued', proposedRoutes(project))).to.have.nested.property(
      'problem.code',
      'no-route-to-keep',
    );
    expect(checked(project).find((f) => f.check === 'route-missing')!.rank).to.equal('stop');
  });

  it('of a wall device nudged along its wall stays on it and faces the same room', () => {
    const ids = countingIds();
    let project = place(smallHouse(), ids, [2, 0.2], 'wall-speaker');
    expect(project.devices.d1).to.include({ x: 2, y: 0, roomId: 'a' });
    project = apply(project, must(moveDevices(project, [{ deviceId: 'd1', to: [2.01, -0.01] }])));
    expect(project.devices.d1).to.include({ x: 2.01, y: 0, roomId: 'a' });
    expect(Math.sin(project.devices.d1.facingRad)).to.be.closeTo(1, 1e-9);
  });
});
