import { expect } from 'chai';
import { create, type OpenDecision, type ProjectDocument, update } from '../model/index.ts';
import { checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { applied } from '../testing/steps.ts';
import { planRuns } from '../runs/index.ts';
import { prepareDecision, preparedState, reopenDecision, takeOption } from './prepared-decisions.ts';

const decision: OpenDecision = {
  id: 'x',
  roomId: 'a',
  areaId: null,
  subject: 'Keypad or touch panel',
  options: [
    { name: 'Keypad', typeId: 'keypad' },
    { name: 'Touch panel', typeId: 'touch-panel' },
    { name: 'Nothing', typeId: null },
  ],
  gate: 'board',
  leadDays: 10,
  owner: 'the client',
  chosen: '',
  decidedOn: '',
  note: '',
};
const undecided = (more: Partial<OpenDecision> = {}, house = smallHouse()) =>
  applied(house, [create('decisions', { ...decision, ...more })]);
function prepared(project: ProjectDocument): ProjectDocument {
  const result = prepareDecision(project, 'x', countedIds());
  if (!result.ok) throw new Error(result.problem.code);
  return applied(project, result.value);
}
function taken(project: ProjectDocument, option: string): ProjectDocument {
  let n = 0;
  const result = takeOption(project, 'x', option, '2026-11-30', () => `t${++n}`);
  if (!result.ok) throw new Error(result.problem.code);
  return applied(project, result.value);
}
const cablesOf = (project: ProjectDocument) =>
  Object.values(project.runs)
    .map(({ cableTypeId, stored }) => `${cableTypeId}${stored ? ' stored' : ''}`)
    .sort();
const pulled = (project: ProjectDocument) =>
  applied(
    project,
    Object.values(project.runs).flatMap((run) => update('runs', run, { state: 'pulled' }) ?? []),
  );
const wantedOf = (project: ProjectDocument, typeId: string) =>
  project.deviceTypes[typeId].cables.flatMap(({ optional, cableTypeId }) => (optional ? [] : [cableTypeId]));

describe('the cables of an open decision', () => {
  it('are prepared runs on the plan: the superset of the options at one place, numbered, routed and measured', () => {
    const project = prepared(undecided());
    const [device] = Object.values(project.devices);
    expect(device).to.include({ decisionId: 'x', fitting: 'prepared', roomId: 'a' });
    const [keypad, panel] = [wantedOf(project, 'keypad'), wantedOf(project, 'touch-panel')];
    const all = new Set([...keypad, ...panel]);
    const count = (list: string[], id: string) => list.filter((one) => one === id).length;
    expect(cablesOf(project)).to.deep.equal(
      [...all].flatMap((id) => Array.from({ length: Math.max(count(keypad, id), count(panel, id)) }, () => id)).sort(),
    );
    for (const { run, length } of planRuns(project)) {
      expect(run.reason).to.equal('Open decision: Keypad or touch panel');
      expect(length!.cutLengthM).to.be.greaterThan(0);
    }
    expect(preparedState(project, project.decisions.x)).to.deep.include({ missing: [] });
    // Once more changes nothing.
    expect(cablesOf(prepared(project))).to.deep.equal(cablesOf(project));
  });

  it('are those of each kind of place where the options hang at different ones', () => {
    const project = prepared(
      undecided({
        options: [
          { name: 'Wall', typeId: 'wall-speaker' },
          { name: 'Ceiling', typeId: 'ceiling-speaker' },
        ],
      }),
    );
    expect(
      Object.values(project.devices)
        .map(({ typeId }) => typeId)
        .sort(),
    ).to.deep.equal(['ceiling-speaker', 'wall-speaker']);
  });

  it('use a device that stands there for one of the options', () => {
    const drawn = withDevices(smallHouse(), [{ typeId: 'keypad', at: [1, 0.05] }], countedIds('k')).project;
    const project = prepared(undecided({}, drawn));
    expect(Object.keys(project.devices)).to.deep.equal(['kd1']);
    expect(project.devices.kd1).to.include({ decisionId: 'x', fitting: 'prepared' });
  });

  it('need an option of the library, and a place', () => {
    const problemOf = (project: ProjectDocument) => {
      const result = prepareDecision(project, 'x', countedIds());
      return result.ok ? '' : result.problem.code;
    };
    expect(problemOf(undecided({ options: [{ name: 'later', typeId: null }] }))).to.equal('decision-no-type');
    expect(problemOf(undecided({ roomId: null }))).to.equal('decision-no-place');
    expect(problemOf(smallHouse())).to.equal('record-gone');
  });

  it('are dropped when the decision falls, down to those of the option; its device keeps its place and number', () => {
    const before = prepared(undecided());
    const [device] = Object.values(before.devices);
    const after = taken(before, 'Keypad');
    expect(after.devices[device.id]).to.include({ typeId: 'keypad', fitting: 'fitted', x: device.x, number: device.number });
    expect(cablesOf(after)).to.deep.equal(wantedOf(after, 'keypad').sort());
    expect(after.decisions.x).to.include({ chosen: 'Keypad', decidedOn: '2026-11-30' });
    // Against all options with a device: nothing is left.
    expect(taken(before, 'Nothing').devices).to.deep.equal({});
  });

  it('are stored where they are pulled: nothing that lies in the wall is forgotten', () => {
    const before = pulled(prepared(undecided()));
    const after = taken(before, 'Keypad');
    expect(Object.keys(after.runs)).to.deep.equal(Object.keys(before.runs));
    const inUse = Object.values(after.runs).filter(({ stored }) => !stored);
    expect(inUse.map(({ cableTypeId }) => cableTypeId).sort()).to.deep.equal(wantedOf(after, 'keypad').sort());
    const none = taken(before, 'Nothing');
    expect(Object.values(none.devices)[0].fitting).to.equal('spare');
    expect(Object.values(none.runs).every(({ stored }) => stored)).to.equal(true);
    // Opened again, they are prepared as they were.
    const again = reopenDecision(none, 'x', countedIds('z'));
    if (!again.ok) throw new Error(again.problem.code);
    expect(cablesOf(applied(none, again.value))).to.deep.equal(cablesOf(before));
  });

  it('are asked for by a check, whose cure puts them on the plan', () => {
    const project = undecided();
    const found = () => checked(project).filter(({ code }) => code === 'decision-not-prepared');
    expect(found().map(({ rank }) => rank)).to.deep.equal(['look']);
    const cured = applied(project, found()[0].cures[0].operations);
    expect(checked(cured).filter(({ code }) => code === 'decision-not-prepared')).to.deep.equal([]);
  });
});
