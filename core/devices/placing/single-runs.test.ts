import { expect } from 'chai';
import type { Operation, ProjectDocument } from '../../model/index.ts';
import { planRuns, runState, proposedRoutes } from '../../runs/index.ts';
import { applied, checked, countedIds, smallHouse, twoStoreyHouse, withDevices } from '../../testing/index.ts';
import { scheduleOf } from '../../sheets/index.ts';
import { clipOfDevices, pasteDevices } from './copies.ts';
import { renumberTaken } from './renumber.ts';
import { addRuns, exchangeType, redirectRun, removeRuns, targetDevices, tickLeg } from './single-runs.ts';

let count = 0;
const newId = () => `new${++count}`;
const must = <V>(outcome: { ok: true; value: V } | { ok: false; problem: { code: string } }): V => {
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return outcome.value;
};
const problem = (outcome: { ok: boolean; problem?: { code: string } }) => outcome.problem?.code ?? 'done';
const runsOf = (project: ProjectDocument, deviceId: string) =>
  Object.values(project.runs).filter((run) => run.deviceId === deviceId);
const issue = (project: ProjectDocument, runId: string) =>
  applied(project, must(runState(project, [runId], 'issued', proposedRoutes(project))));

describe('one more cable', () => {
  const { project: house, devices } = withDevices(
    twoStoreyHouse(),
    [
      { typeId: 'network-drop', at: [1, 0.05] },
      { typeId: 'display', at: [3, 0.05] },
    ],
    countedIds(),
  );
  const [drop, display] = devices;

  it('goes home from a device behind the legs of its recipe, with reason and price, and no rule asks about it', () => {
    const { operations } = must(
      addRuns(house, [drop.id], { cableTypeId: 'rg6', reason: 'asked for at the walk', price: 140 }, newId),
    );
    const after = applied(house, operations);
    const added = runsOf(after, drop.id).find(({ recipeLeg }) => recipeLeg === null)!;
    // A network drop has two legs: the third place is free.
    expect(added).to.deep.include({ leg: 3, toDeviceId: null, rackId: 'rack', reason: 'asked for at the walk', price: 140 });
    expect(added.number).to.equal(runsOf(house, drop.id)[0].number.replace(/\.\d$/, '.3'));
    expect(added).to.deep.include({ deviceConnector: 'F plug', farConnector: 'F plug', deviceSlackM: 0.45 });
    expect(planRuns(after).find(({ run }) => run.id === added.id)!.length).to.not.equal(null);
    expect(
      scheduleOf(after, { outdoors: 'Outdoors' }, '2026-11-30').find(({ number }) => number === added.number),
    ).to.deep.include({
      reason: 'asked for at the walk',
      price: 140,
    });
    const about = checked(after).filter(({ check }) => check === 'cable-as-type' || check === 'legs-complete');
    expect(about).to.deep.equal([]);
  });

  it('is given to several devices at once, and ends at another device on any level', () => {
    const { operations, runs } = must(addRuns(house, [drop.id, display.id], { cableTypeId: 'cat6_utp' }, newId));
    expect(runs.map(({ deviceId }) => deviceId)).to.deep.equal([drop.id, display.id]);
    expect(new Set(Object.values(applied(house, operations).runs).map(({ number }) => number)).size).to.equal(
      Object.keys(house.runs).length + 2,
    );
    const { project: upstairs, devices: above } = withDevices(
      house,
      [{ typeId: 'network-drop', at: [3, 0.05] }],
      { device: newId, run: newId },
      'u',
    );
    const across = must(addRuns(upstairs, [drop.id], { cableTypeId: 'hdmi_fibre', to: { deviceId: above[0].id } }, newId));
    expect(across.runs[0]).to.deep.include({ toDeviceId: above[0].id, bundle: '' });
    const planned = planRuns(applied(upstairs, across.operations)).find(({ run }) => run.id === across.runs[0].id)!;
    // From 0.4 m on the ground up to 0.4 m on the level at 2.8 m: it rises 2.8 m at the least.
    expect(planned.length!.riseM).to.be.at.least(2.8 - 1e-9);
  });

  it('cannot lead to its own device or in a circle, and needs a head end', () => {
    const add = (project: ProjectDocument, to: { deviceId: string }, from = drop.id) =>
      addRuns(project, [from], { cableTypeId: 'cat6_utp', to }, newId);
    expect(problem(add(house, { deviceId: drop.id }))).to.equal('run-to-itself');
    const linked = applied(house, must(add(house, { deviceId: display.id })).operations);
    expect(problem(add(linked, { deviceId: drop.id }, display.id))).to.equal('run-circle');
    expect(targetDevices(linked, { deviceId: display.id }).map(({ id }) => id)).to.not.include(drop.id);
    expect(problem(addRuns({ ...house, racks: {} }, [drop.id], { cableTypeId: 'rg6' }, newId))).to.equal('no-head-end');
    expect(problem(addRuns(house, ['gone'], { cableTypeId: 'rg6' }, newId))).to.equal('record-gone');
  });

  it('is led elsewhere and back, but not once it is issued', () => {
    const [run] = runsOf(house, drop.id);
    const away = applied(house, must(redirectRun(house, run.id, { deviceId: display.id })));
    expect(away.runs[run.id]).to.deep.include({ toDeviceId: display.id, bundle: '', rackSlackM: run.deviceSlackM });
    const home = applied(away, must(redirectRun(away, run.id, { rackId: 'rack' })));
    expect(home.runs[run.id]).to.deep.include({ toDeviceId: null, rackId: 'rack', rackSlackM: run.rackSlackM });
    expect(problem(redirectRun(issue(house, run.id), run.id, { deviceId: display.id }))).to.equal('run-issued');
  });

  it('that two people add to one device without knowing of each other gets the next number, not a refusal', () => {
    const [mine, theirs] = [0, 1].map(() => must(addRuns(house, [drop.id], { cableTypeId: 'rg6' }, newId)));
    expect(mine.runs[0].number).to.equal(theirs.runs[0].number);
    const after = applied(house, theirs.operations);
    const both = applied(after, renumberTaken(after, { operations: mine.operations }));
    expect(both.runs[mine.runs[0].id]).to.deep.include({ leg: 4, number: theirs.runs[0].number.replace(/\.3$/, '.4') });
    expect(runsOf(both, drop.id)).to.have.length(4);
  });

  it('goes into a copy of the device too', () => {
    const { operations } = must(addRuns(house, [drop.id], { cableTypeId: 'rg6', reason: 'cable television' }, newId));
    const after = applied(house, operations);
    const clip = clipOfDevices(after, [drop.id]);
    const pasted = must(pasteDevices(after, clip, { kind: 'at', levelId: 'm', at: [7, 0.05] }, { device: newId, run: newId }));
    const copied = applied(after, pasted.operations);
    const runs = runsOf(copied, pasted.devices[0].id);
    expect(runs.map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['cat6_utp', 'cat6_utp', 'rg6']);
    expect(runs[2]).to.deep.include({ recipeLeg: null, reason: 'cable television' });
  });
});

describe('a leg of a recipe', () => {
  const { project: house, devices } = withDevices(
    smallHouse(),
    [
      { typeId: 'bedroom-display', at: [1, 0.05] },
      { typeId: 'bedroom-display', at: [3, 0.05] },
    ],
    countedIds(),
  );
  const ids = devices.map(({ id }) => id);
  const optional = house.deviceTypes['bedroom-display'].cables.findIndex((leg) => leg.optional) + 1;
  const legs = (project: ProjectDocument) => ids.map((id) => runsOf(project, id).map(({ recipeLeg }) => recipeLeg));
  const tick = (project: ProjectDocument, leg: number, isWanted: boolean): Operation[] =>
    must(tickLeg(project, ids, leg, isWanted, newId));

  it('that is optional is ticked for several devices, and taken away again', () => {
    expect(legs(house)).to.deep.equal([
      [1, 2],
      [1, 2],
    ]);
    const ticked = applied(house, tick(house, optional, true));
    expect(legs(ticked)).to.deep.equal([
      [1, 2, optional],
      [1, 2, optional],
    ]);
    expect(tick(ticked, optional, true)).to.deep.equal([]);
    expect(legs(applied(ticked, tick(ticked, optional, false)))).to.deep.equal([
      [1, 2],
      [1, 2],
    ]);
  });

  it('that is usual is left out on purpose: nobody is asked for it, until it is ticked again', () => {
    const asked = (project: ProjectDocument) => checked(project).filter(({ check }) => check === 'legs-complete').length;
    const without = applied(house, must(removeRuns(house, [runsOf(house, ids[0])[1].id])));
    expect(without.devices[ids[0]].leftOut).to.deep.equal([2]);
    expect(asked(without)).to.equal(0);
    // The same run deleted without the note is a cable that was forgotten.
    const forgotten = { ...without, devices: { ...without.devices, [ids[0]]: { ...without.devices[ids[0]], leftOut: [] } } };
    expect(asked(forgotten)).to.equal(1);
    const back = applied(without, tick(without, 2, true));
    expect(legs(back)).to.deep.equal([
      [1, 2],
      [1, 2],
    ]);
    expect(back.devices[ids[0]].leftOut).to.deep.equal([]);
  });

  it('stays where its run is issued', () => {
    const issued = issue(house, runsOf(house, ids[0])[1].id);
    expect(problem(tickLeg(issued, ids, 2, false, newId))).to.equal('run-issued');
  });
});

describe('another type', () => {
  const { project: house, devices } = withDevices(smallHouse(), [{ typeId: 'network-drop', at: [1, 0.05] }], countedIds());
  const [drop] = devices;
  const exchange = (project: ProjectDocument, typeId: string) => must(exchangeType(project, [drop.id], typeId, newId));

  it('keeps place, number and name; runs of the same kind go on, others go, and what is missing comes', () => {
    const named = { ...house, devices: { [drop.id]: { ...drop, name: 'Desk' } } };
    const change = exchange(named, 'display');
    const after = applied(named, change.operations);
    const { typeId, x, y, number, name, heightM } = after.devices[drop.id];
    expect({ typeId, x, y, number, name }).to.deep.equal({
      typeId: 'display',
      x: drop.x,
      y: drop.y,
      number: drop.number,
      name: 'Desk',
    });
    // Its height was the usual one of a drop, and is now that of a display.
    expect(heightM).to.equal(1.35);
    // Two category cables go on; the HDMI cable comes.
    expect(change.removed).to.deep.equal([]);
    expect(change.added.map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['hdmi_fibre']);
    expect(runsOf(after, drop.id).map(({ id }) => id)).to.include.members(runsOf(house, drop.id).map(({ id }) => id));
    const speaker = exchange(named, 'wall-speaker');
    expect(speaker.removed).to.have.length(2);
    expect(runsOf(applied(named, speaker.operations), drop.id).map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['spk_14_2']);
  });

  it('leaves issued runs and those that were added alone', () => {
    const [first, second] = runsOf(house, drop.id);
    const more = applied(house, must(addRuns(house, [drop.id], { cableTypeId: 'rg6' }, newId)).operations);
    const change = exchange(issue(more, first.id), 'wall-speaker');
    expect(change.removed.map(({ id }) => id)).to.deep.equal([second.id]);
    expect(change.kept.map(({ cableTypeId }) => cableTypeId).sort()).to.deep.equal(['cat6_utp', 'rg6']);
    const after = applied(issue(more, first.id), change.operations);
    expect(after.runs[first.id]).to.deep.include({ number: first.number, state: 'issued', recipeLeg: null });
    expect(runsOf(after, drop.id)).to.have.length(3);
    expect(checked(after).filter(({ check }) => check === 'legs-complete')).to.deep.equal([]);
  });

  it('keeps a height that somebody chose', () => {
    const set = { ...house, devices: { [drop.id]: { ...drop, heightM: 0.9 } } };
    expect(applied(set, exchange(set, 'display').operations).devices[drop.id].heightM).to.equal(0.9);
  });
});
