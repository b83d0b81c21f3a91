import { expect } from 'chai';
import { ceilingView, readSurface, wallView } from './views.ts';

describe('the view in the address', () => {
  it('names a wall with the side it is seen from, or a ceiling, and nothing else', () => {
    expect(readSurface(wallView('w_1-a', 'left'))).to.deep.equal({ kind: 'wall', wallId: 'w_1-a', side: 'left' });
    expect(readSurface('wall-w1')).to.deep.equal({ kind: 'wall', wallId: 'w1', side: 'right' });
    expect(readSurface(ceilingView('r1'))).to.deep.equal({ kind: 'ceiling', roomId: 'r1' });
    for (const other of [null, '3d', 'walk', 'wall-', 'wall-w1:up']) expect(readSurface(other)).to.equal(null);
  });
});
