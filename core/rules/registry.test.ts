import { expect } from 'chai';
import { applyChange, newOpening, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { checked, smallHouse } from '../testing/index.ts';
import { CHECKS } from './registry.ts';

const house = smallHouse({
  rooms: [{ ceilingHeightM: 2 }],
  openings: [newOpening({ id: 'w', wallId: 'south1', kind: 'window', offsetM: 2, widthM: 1.2, sillM: 0.9, headM: 2.1 })],
});

describe('a check', () => {
  it('names a standard or trade practice as its source, not a formula alone', () => {
    for (const { id, source } of CHECKS) {
      expect(source, id).to.match(/^[A-Z]/);
      expect(source, id).to.not.match(/F\d+\.\d/);
    }
  });

  it('says the same again without being run, and something else as soon as one of them changes', () => {
    const codes = (project: ProjectDocument) => checked(project).flatMap(({ code, rank }) => (rank === 'fine' ? [] : [code]));
    expect(codes(house)).to.deep.equal(['ceiling-below-head']);
    expect(codes({ ...house, devices: {} })).to.deep.equal(['ceiling-below-head']);
    const [room] = listOf(house, 'rooms');
    const raised = applyChange(house, { operations: [update('rooms', room, { ceilingHeightM: 2.6 })!] });
    if (!raised.ok) throw new Error(raised.problem.code);
    expect(codes(raised.value)).to.deep.equal([]);
    expect(codes(house)).to.deep.equal(['ceiling-below-head']);
  });
});
