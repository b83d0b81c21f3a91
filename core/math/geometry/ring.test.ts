import { expect } from 'chai';
import fc from 'fast-check';
import { alongRing, placeOnRing, pointOnRing, ringLength } from './ring.ts';
import { distance2, type Point2 } from './vector.ts';

const box: Point2[] = [
  [0, 0],
  [4, 0],
  [4, 3],
  [0, 3],
];

describe('an outline', () => {
  it('has places along it, counted from its first corner', () => {
    expect(ringLength(box)).to.equal(14);
    expect(placeOnRing(box, [4.2, 1])).to.equal(5);
    expect(pointOnRing(box, 5)).to.deep.equal([4, 1]);
    expect(pointOnRing(box, -1)).to.deep.equal([0, 1]);
  });

  it('is followed on and back, round its corners', () => {
    expect(alongRing(box, 3, 3)).to.deep.equal([
      [3, 0],
      [4, 0],
      [4, 2],
    ]);
    expect(alongRing(box, 1, -3)).to.deep.equal([
      [1, 0],
      [0, 0],
      [0, 2],
    ]);
    expect(alongRing(box, 13, 3)).to.deep.equal([
      [0, 1],
      [0, 0],
      [2, 0],
    ]);
  });

  it('followed by a length is that long (property)', () => {
    const place = fc.double({ min: 0, max: 14, noNaN: true });
    fc.assert(
      fc.property(place, fc.double({ min: -13.9, max: 13.9, noNaN: true }), (start, byM) => {
        const points = alongRing(box, start, byM);
        const lengthM = points.slice(1).reduce((sum, p, k) => sum + distance2(points[k], p), 0);
        expect(lengthM).to.be.closeTo(Math.abs(byM), 1e-5);
      }),
    );
  });
});
