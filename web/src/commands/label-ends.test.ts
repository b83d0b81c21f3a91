import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { labelEnds } from './label-ends.ts';

describe('marking ends as labelled', () => {
  const house = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds()).project;
  const [runId] = Object.keys(house.runs);

  it('is one end, then the other, or both in one step', () => {
    const one = applied(house, labelEnds(house, [{ runId, end: 'rack' }]));
    expect(one.runs[runId].labelledEnds).to.equal('rack');
    expect(applied(one, labelEnds(one, [{ runId, end: 'device' }])).runs[runId].labelledEnds).to.equal('both');
    const both = labelEnds(house, [
      { runId, end: 'device' },
      { runId, end: 'rack' },
    ]);
    expect(both).to.have.length(1);
    expect(applied(house, both).runs[runId].labelledEnds).to.equal('both');
  });

  it('says nothing of runs that are gone or marked already', () => {
    expect(labelEnds(house, [{ runId: 'gone', end: 'rack' }])).to.deep.equal([]);
    const marked = applied(house, labelEnds(house, [{ runId, end: 'rack' }]));
    expect(labelEnds(marked, [{ runId, end: 'rack' }])).to.deep.equal([]);
  });
});
