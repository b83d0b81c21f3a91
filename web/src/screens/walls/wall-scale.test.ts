import { expect } from 'chai';
import { wallScale } from './wall-scale.ts';

describe('the scale of a wall', () => {
  const sheet = { width: 900, height: 500 };
  const view = { lengthM: 4, heightM: 2.5, floorBuildUpM: 0 };

  it('puts the start on the left where the wall is seen from its right, and the other way round', () => {
    const right = wallScale(view, 'right', sheet);
    const left = wallScale(view, 'left', sheet);
    expect(right.X(0)).to.be.below(right.X(4));
    expect(left.X(0)).to.be.closeTo(right.X(4), 1e-9);
    expect(right.Y(0)).to.be.above(right.Y(2.5));
  });

  it('reads a place back as it was drawn', () => {
    for (const side of ['left', 'right'] as const) {
      const { X, Y, placeAt, box } = wallScale(view, side, sheet);
      const back = placeAt(X(1.3), Y(0.45));
      expect(back.offsetM).to.be.closeTo(1.3, 1e-9);
      expect(back.heightM).to.be.closeTo(0.45, 1e-9);
      expect(box(1, 2, 0, 1)).to.deep.include({ x: Math.min(X(1), X(2)), y: Y(1) });
    }
  });
});
