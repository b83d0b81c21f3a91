import { expect } from 'chai';
import fc from 'fast-check';
import { centroidOf, isSimplePolygon, pointInPolygon, polygonArea } from './polygon.ts';
import { crossingParameters } from './segment.ts';
import { type Point2, rotate2 } from './vector.ts';

const ELL: Point2[] = [
  [0, 0],
  [4, 0],
  [4, 1],
  [1, 1],
  [1, 3],
  [0, 3],
];

describe('a polygon', () => {
  it('has the area and centre of an L worked by hand', () => {
    expect(polygonArea(ELL)).to.equal(6);
    // 4x1 at (2, .5) and 1x2 at (.5, 2): (4*2 + 2*.5)/6, (4*.5 + 2*2)/6
    expect(centroidOf(ELL)[0]).to.be.closeTo(1.5, 1e-12);
    expect(centroidOf(ELL)[1]).to.be.closeTo(1, 1e-12);
  });

  it('contains what is inside however it is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -0.5, max: 4.5, noNaN: true }),
        fc.double({ min: -0.5, max: 3.5, noNaN: true }),
        (turn, x, y) => {
          const nearEdge = [0, 1, 4].some((v) => Math.abs(x - v) < 1e-6) || [0, 1, 3].some((v) => Math.abs(y - v) < 1e-6);
          if (nearEdge) return;
          const inside = (x > 0 && x < 4 && y > 0 && y < 1) || (x > 0 && x < 1 && y > 0 && y < 3);
          expect(
            pointInPolygon(
              rotate2([x, y], turn),
              ELL.map((p) => rotate2(p, turn)),
            ),
          ).to.equal(inside);
        },
      ),
    );
  });

  it('that crosses itself or repeats a corner is not simple', () => {
    expect(isSimplePolygon(ELL)).to.equal(true);
    expect(
      isSimplePolygon([
        [0, 0],
        [2, 2],
        [2, 0],
        [0, 2],
      ]),
    ).to.equal(false);
    expect(
      isSimplePolygon([
        [0, 0],
        [1, 0],
        [1, 0],
        [0, 1],
      ]),
    ).to.equal(false);
  });

  it('lets parallel lines meet nowhere', () => {
    expect(crossingParameters([0, 0], [1, 0], [0, 1], [5, 1])).to.equal(null);
    expect(crossingParameters([0, 0], [2, 0], [1, -1], [1, 3])).to.deep.equal({ t: 0.5, u: 0.25 });
  });
});
