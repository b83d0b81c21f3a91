import { expect } from 'chai';
import { moveDevices, placeDevice, removeDevices, renumberTaken } from '../devices/index.ts';
import { runChecks } from '../checks/index.ts';
import { applyChange, type Operation, type ProjectDocument } from '../project/index.ts';
import { countingIds, smallHouse } from '../testing/index.ts';
import { bundleFor, cutLength, decideKept, formatRunNumber, planRuns, runState, waysOf } from './index.ts';
import type { Outcome } from '../outcome/index.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const apply = (document: ProjectDocument, operations: readonly Operation[]) => must(applyChange(document, { operations }));
const place = (
  document: ProjectDocument,
  ids: ReturnType<typeof countingIds>,
  at: [number, number],
  typeId = 'ceiling-speaker',
) => apply(document, must(placeDevice(document, { typeId, levelId: 'm', at }, ids())).operations);

describe('the length to cut', () => {
  it('is the route with waste, the slack at both ends, and rounding up (F16.1, worked by hand)', () => {
    // (0.4 + 16.2 + 1.8) * 1.10 + 1.0 + 2.0 = 23.24 -> 23.5 m
    const length = cutLength({ riseM: 0.4, runM: 16.2, dropM: 1.8 }, { deviceSlackM: 1, rackSlackM: 2 }, 1.1, 'metric');
    expect(length.cutLengthM).to.equal(23.5);
    expect(length.allowanceM).to.be.closeTo(23.5 - 18.4 - 3, 1e-9);
    // 23.24 m = 76.25 ft -> 77 ft
    expect(
      cutLength({ riseM: 0.4, runM: 16.2, dropM: 1.8 }, { deviceSlackM: 1, rackSlackM: 2 }, 1.1, 'imperial').cutLengthM / 0.3048,
    ).to.be.closeTo(77, 1e-9);
  });

  it('already on a whole step is not rounded further', () => {
    expect(cutLength({ riseM: 0, runM: 10, dropM: 0 }, { deviceSlackM: 0.5, rackSlackM: 0.5 }, 1, 'metric').cutLengthM).to.equal(
      11,
    );
  });
});

describe('run numbers', () => {
  it('follow the scheme of the project', () => {
    expect(formatRunNumber('{level}-{room}-{device}.{leg}', { level: 'M', room: 'GR', device: 3, leg: 1 })).to.equal('M-GR-03.1');
    expect(formatRunNumber('{room}{device}/{leg}', { level: 'M', room: 'GR', device: 12, leg: 2 })).to.equal('GR12/2');
  });

  it('are unique, fill gaps, and follow a drafted device into another room', () => {
    const ids = countingIds();
    let document = place(place(smallHouse(), ids, [1, 2]), ids, [2, 2]);
    expect(Object.values(document.runs).map((run) => run.number)).to.deep.equal(['M-AA-01.1', 'M-AA-02.1']);
    document = apply(document, must(moveDevices(document, [{ deviceId: 'd1', to: [7, 2] }])));
    expect(document.runs.r1x1.number).to.equal('M-BB-01.1');
    document = place(document, ids, [3, 2]);
    expect(document.runs.r3x1.number).to.equal('M-AA-01.1');
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
    const document = place(place(smallHouse(), ids, [1, 2]), ids, [7, 2]);
    expect([document.runs.r1x1.bundle, document.runs.r2x1.bundle]).to.deep.equal(['B-01', 'B-02']);
    expect(bundleFor(document, { roomId: 'b', levelId: 'm' }, 'rack')).to.equal('B-02');
  });
});

describe('a run', () => {
  it('still drafted follows its device at once', () => {
    const ids = countingIds();
    let document = place(smallHouse(), ids, [1, 2]);
    const before = planRuns(document)[0].length!;
    document = apply(document, must(moveDevices(document, [{ deviceId: 'd1', to: [3, 2] }])));
    expect(planRuns(document)[0].length!.runM).to.be.closeTo(before.runM - 2, 1e-9);
  });

  it('once issued keeps number, route and length, and shows the difference until a person decides', () => {
    const ids = countingIds();
    let document = place(smallHouse(), ids, [1, 2]);
    document = apply(document, must(runState(document, ['r1x1'], 'issued', waysOf(document))));
    const issued = planRuns(document)[0];
    expect(issued.kept).to.not.equal(null);
    document = apply(document, must(moveDevices(document, [{ deviceId: 'd1', to: [7, 2] }])));
    const moved = planRuns(document)[0];
    expect(moved.run.number).to.equal('M-AA-01.1');
    expect(moved.length).to.deep.equal(issued.length);
    expect(moved.points).to.deep.equal(issued.points);
    expect(moved.differs).to.equal(true);
    const finding = runChecks(document).find((f) => f.check === 'kept-route-differs')!;
    expect(finding.rank).to.equal('look');
    expect(finding.cures.map((cure) => cure.code)).to.deep.equal(['keep-built', 'move-back', 'pull-again']);

    expect(planRuns(apply(document, must(decideKept(document, 'r1x1', 'keep-built'))))[0].differs).to.equal(false);
    expect(planRuns(apply(document, must(decideKept(document, 'r1x1', 'move-back'))))[0].differs).to.equal(false);
    const again = planRuns(apply(document, must(decideKept(document, 'r1x1', 'pull-again'))))[0];
    expect(again.run).to.include({ state: 'drafted', number: 'M-BB-01.1' });
    expect(again.length!.cutLengthM).to.be.lessThan(issued.length!.cutLengthM);
  });

  it('once issued keeps its device from being deleted', () => {
    const ids = countingIds();
    let document = place(smallHouse(), ids, [1, 2]);
    document = apply(document, must(runState(document, ['r1x1'], 'pulled', waysOf(document))));
    const refused = removeDevices(document, ['d1']);
    expect(!refused.ok && refused.problem).to.include({ code: 'run-issued', number: 'M-AA-01.1' });
    document = apply(document, must(runState(document, ['r1x1'], 'drafted', waysOf(document))));
    document = apply(document, must(removeDevices(document, ['d1'])));
    expect([Object.keys(document.devices), Object.keys(document.runs), Object.keys(document.routes)]).to.deep.equal([[], [], []]);
  });

  it('without a way cannot be issued', () => {
    const ids = countingIds();
    const document = place(smallHouse(), ids, [40, 2]);
    expect(runState(document, ['r1x1'], 'issued', waysOf(document))).to.have.nested.property('problem.code', 'no-route-to-keep');
    expect(runChecks(document).find((f) => f.check === 'route-missing')!.rank).to.equal('stop');
  });

  it('of a wall device nudged along its wall stays on it and faces the same room', () => {
    const ids = countingIds();
    let document = place(smallHouse(), ids, [2, 0.2], 'wall-speaker');
    expect(document.devices.d1).to.include({ x: 2, y: 0, roomId: 'a' });
    document = apply(document, must(moveDevices(document, [{ deviceId: 'd1', to: [2.01, -0.01] }])));
    expect(document.devices.d1).to.include({ x: 2.01, y: 0, roomId: 'a' });
    expect(Math.sin(document.devices.d1.facingRad)).to.be.closeTo(1, 1e-9);
  });
});
