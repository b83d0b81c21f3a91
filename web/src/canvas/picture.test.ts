import { expect } from 'chai';
import fc from 'fast-check';
import { type Camera, MARGIN_PX, pictureOf } from './picture.ts';

const SIZE = [1000, 600] as const;
const camera = fc.record({
  k: fc.double({ min: 3, max: 700, noNaN: true }),
  tx: fc.double({ min: -3000, max: 3000, noNaN: true }),
  ty: fc.double({ min: -3000, max: 3000, noNaN: true }),
});
const screen = ({ k, tx, ty }: Camera, x: number, y: number) => [x * k + tx, ty - y * k];

describe('the picture of a plan', () => {
  it('moved for another camera shows every point where that camera sees it, and covers the sheet', () => {
    let served = 0;
    fc.assert(
      fc.property(
        camera,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.integer({ min: -400, max: 400 }),
        fc.integer({ min: -400, max: 400 }),
        (drawn, factor, px, py) => {
          const now = { k: drawn.k * factor, tx: drawn.tx * factor + px, ty: drawn.ty * factor + py };
          const moved = pictureOf(drawn, now, SIZE);
          if (!moved) return;
          served++;
          const [x, y] = [3.2, -1.7];
          const [was, is] = [screen(drawn, x, y), screen(now, x, y)];
          expect(was[0] * moved.scale + moved.dx).to.be.closeTo(is[0], 1e-6);
          expect(was[1] * moved.scale + moved.dy).to.be.closeTo(is[1], 1e-6);
          for (const [shift, length] of [
            [moved.dx, SIZE[0]],
            [moved.dy, SIZE[1]],
          ]) {
            expect(shift - MARGIN_PX * moved.scale).to.be.at.most(0);
            expect(shift + (length + MARGIN_PX) * moved.scale).to.be.at.least(length);
          }
        },
      ),
      { numRuns: 500 },
    );
    expect(served).to.be.above(50);
  });

  it('is drawn anew where its edge would show, or its letters would be too large or too small', () => {
    const drawn = { k: 40, tx: 100, ty: 500 };
    expect(pictureOf(drawn, { ...drawn, tx: 100 + MARGIN_PX }, SIZE)).to.deep.equal({ dx: MARGIN_PX, dy: 0, scale: 1 });
    expect(pictureOf(drawn, { ...drawn, tx: 101 + MARGIN_PX }, SIZE)).to.equal(null);
    expect(pictureOf(drawn, { ...drawn, ty: 499 - MARGIN_PX }, SIZE)).to.equal(null);
    expect(pictureOf(drawn, { k: 81, tx: -100, ty: 700 }, SIZE)).to.equal(null);
    expect(pictureOf(drawn, { k: 19, tx: 300, ty: 400 }, SIZE)).to.equal(null);
  });
});
