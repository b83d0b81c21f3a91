import { expect } from 'chai';
import { firstFree } from './first-free.ts';

describe('the first free number', () => {
  it('is the first from where the search begins whose name nothing has', () => {
    const taken = new Set(['S1', 'S2', 'S4']);
    expect(firstFree((n) => `S${n}`, taken)).to.deep.equal({ number: 3, name: 'S3' });
    expect(firstFree((n) => `S${n}`, taken, 4)).to.deep.equal({ number: 5, name: 'S5' });
    expect(firstFree((n) => `T${n}`, taken).number).to.equal(1);
  });
});
