import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { plainSchedule } from '@dusky-spool/core/sheets';
import { expect } from 'chai';
import { finderTargets } from './finder-targets.ts';

const { project } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 1] },
  ],
  countedIds(),
);
const rows = plainSchedule(project, { outdoors: 'Outdoors' });
const targetsFor = (mayPlan: boolean) =>
  finderTargets(project, rows, { projectId: 'p1', stage: 'devices', levelId: 'm', mayPlan });
const go = (label: string | RegExp, mayPlan = true) =>
  targetsFor(mayPlan).find((one) => (typeof label === 'string' ? one.label === label : label.test(one.label)))?.go;

describe('what the find box finds', () => {
  it('has names that people read, and no two alike: also two speakers of one room', () => {
    const labels = targetsFor(true).map(({ label }) => label);
    expect(new Set(labels).size).to.equal(labels.length);
    expect(labels).to.include('Ceiling speaker · Room AA, AA-01').and.include('Ceiling speaker · Room AA, AA-02');
    for (const label of labels) expect(label).to.not.match(/\/p\/|sel=|undefined/);
  });

  it('does things: places, draws, exports, prints, undoes', () => {
    expect(go('Place: access point')).to.deep.equal({ to: '/p/p1/devices?level=m&place=access-point' });
    expect(go('Place: rack')).to.deep.equal({ to: '/p/p1/devices?level=m&place=rack' });
    expect(go('Place: sofa')).to.deep.equal({ to: '/p/p1/survey?level=m&tool=thing-sofa' });
    expect(go('Draw walls')).to.deep.equal({ to: '/p/p1/survey?level=m&tool=walls' });
    expect(go(/print the plan/)).to.deep.equal({ to: '/p/p1/cabling?level=m&view=schedule&export=plan' });
    expect(go('Undo')).to.deep.equal({ act: 'undo' });
  });

  it('goes to a run where it is planned, and to every stage and level', () => {
    const [run] = rows;
    expect(go(new RegExp(`^${run.number} ·`))).to.deep.equal({ to: `/p/p1/devices?level=m&sel=run:${run.runId}` });
    expect(go('Go to Survey')).to.deep.equal({ to: '/p/p1/survey' });
    expect(go('Theatre')).to.deep.equal({ to: '/p/p1/devices?view=theatre' });
    expect(go('Show level Main')).to.deep.equal({ to: '/p/p1/devices?level=m' });
  });

  it('offers nothing to place to who may not plan', () => {
    expect(go('Place: access point', false)).to.equal(undefined);
    expect(go('Undo', false)).to.deep.equal({ act: 'undo' });
  });
});
