import { expect } from 'chai';
import { create, newRack, type ProjectDocument, type Rack } from '../../model/index.ts';
import { planRuns, proposedRoutes, runState } from '../../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { followHeadEndRules, headEndFor, nearestRack, setHeadEndRule } from './head-ends.ts';

/** The small house with an audio rack and a security panel in its western room, and its rack in the eastern one. */
const more = (id: string, code: string, kind: Rack['kind'], y: number): Rack =>
  newRack({
    id,
    levelId: 'm',
    code,
    name: id,
    kind,
    x: 0.36,
    y,
    facingRad: 0,
    widthM: 0.6,
    depthM: 0.6,
    units: 12,
    entryHeightM: 1.2,
  });
const base = applied(smallHouse(), [
  create('racks', more('audio', 'B', 'audio-rack', 1)),
  create('racks', more('alarm', 'C', 'security-panel', 3)),
]);
const WANTED = [
  { typeId: 'ceiling-speaker', at: [9, 2] as const },
  { typeId: 'network-drop', at: [1, 0.05] as const },
  { typeId: 'network-drop', at: [9, 0.05] as const },
];
const endsOf = (project: ProjectDocument) => Object.values(project.runs).map(({ rackId }) => rackId);

describe('head ends by system', () => {
  it('the nearest takes what no rule names; the family of the cable counts before the system', () => {
    const { project: house, devices } = withDevices(base, WANTED, countedIds());
    expect(endsOf(house)).to.deep.equal(['rack', 'audio', 'audio', 'rack', 'rack']);
    expect(nearestRack(house, devices[1])!.id).to.equal('audio');
    const rules = {
      one: { id: 'one', family: '', system: 'data' as const, rackId: 'rack' },
      two: { id: 'two', family: 'cat', system: null, rackId: 'alarm' },
    };
    const speaker = house.cableTypes.spk_16_2;
    const category = house.cableTypes.cat6_utp;
    const coax = house.cableTypes.rg6;
    const ruled = { ...house, headEndRules: rules };
    expect(headEndFor(ruled, devices[0], speaker)!.id).to.equal('rack');
    expect(headEndFor(ruled, devices[1], category)!.id).to.equal('alarm');
    expect(headEndFor(ruled, devices[1], coax)!.id).to.equal('rack');
  });

  it('a rule moves the drafted runs of its kind at once and says which; issued ones stay; taken away they go back', () => {
    const { project: house } = withDevices(base, WANTED, countedIds());
    const data = Object.values(house.runs).filter(({ cableTypeId }) => cableTypeId === 'cat6_utp');
    const issued = runState(house, [data[0].id], 'issued', proposedRoutes(house));
    const before = applied(house, issued.ok ? issued.value : []);
    const change = setHeadEndRule(before, { family: '', system: 'data' }, 'rack', 'rule');
    expect(change.moved.map(({ run, from, to }) => [run.id, from.id, to.id])).to.deep.equal([[data[1].id, 'audio', 'rack']]);
    expect(change.kept.map(({ id }) => id)).to.deep.equal([data[0].id]);
    const after = applied(before, change.operations);
    expect(after.headEndRules.rule).to.deep.equal({ id: 'rule', family: '', system: 'data', rackId: 'rack' });
    // Its slack is that of the rack, and it is pulled with what goes there.
    expect(after.runs[data[1].id]).to.deep.include({ rackId: 'rack', toDeviceId: null });
    expect(planRuns(after).every(({ length }) => length !== null)).to.equal(true);
    expect(followHeadEndRules(after).operations).to.deep.equal([]);
    const back = setHeadEndRule(after, { family: '', system: 'data' }, null, '');
    expect(back.moved.map(({ run, to }) => [run.id, to.id])).to.deep.equal([[data[1].id, 'audio']]);
    expect(applied(after, back.operations).headEndRules).to.deep.equal({});
  });

  it('devices placed afterwards follow the rules, and leave what goes to another device alone', () => {
    const { operations } = setHeadEndRule(base, { family: '', system: 'sound' }, 'audio', 'rule');
    const { project } = withDevices(
      applied(base, operations),
      [
        { typeId: 'volume-control', at: [9, 0.05] },
        { typeId: 'controlled-speaker', at: [9, 2] },
      ],
      countedIds(),
    );
    const [control, speaker] = Object.values(project.runs);
    expect([control.rackId, control.toDeviceId]).to.deep.equal(['audio', null]);
    expect(speaker.toDeviceId).to.equal(control.deviceId);
    const moved = setHeadEndRule(project, { family: '', system: 'sound' }, 'rack', 'rule').moved;
    expect(moved.map(({ run }) => run.id)).to.deep.equal([control.id]);
  });

  it('numbers that name the head end follow it', () => {
    const scheme = { ...base, project: { ...base.project, numberPattern: '{rack}-{room}-{device}.{leg}' } };
    const { project } = withDevices(scheme, [{ typeId: 'network-drop', at: [1, 0.05] }], countedIds());
    const { operations } = setHeadEndRule(project, { family: 'cat', system: null }, 'alarm', 'rule');
    const numbers = (house: ProjectDocument) => Object.values(house.runs).map(({ number }) => number);
    expect(numbers(project)).to.deep.equal(['B-AA-01.1', 'B-AA-01.2']);
    expect(numbers(applied(project, operations))).to.deep.equal(['C-AA-01.1', 'C-AA-01.2']);
  });

  it('every leg of a device has a number of its own where numbers count ports', () => {
    const scheme = { ...base, project: { ...base.project, numberPattern: '{rack}{port}' } };
    const { project } = withDevices(scheme, [{ typeId: 'desk-drop', at: [1, 0.05] }], countedIds());
    expect(Object.values(project.runs).map(({ number }) => number)).to.deep.equal(['B001', 'B002', 'B003', 'B004']);
  });
});
