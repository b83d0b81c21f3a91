import { expect } from 'chai';
import { newUnderlay, type Operation, type Underlay } from '@dusky-spool/core/model';
import { planToPicture } from '@dusky-spool/core/house';
import { atRatio, mirrored, rescaled, turned } from './place-picture.ts';

const underlay = newUnderlay({
  id: 'u',
  levelId: 'm',
  pictureId: 'a'.repeat(64),
  name: '',
  originX: 2,
  originY: 1,
  metresPerPixel: 0.02,
  rotationRad: 0,
  opacity: 1,
  scaled: true,
});
const after = (operation: Operation | null): Underlay =>
  ({ ...underlay, ...(operation?.op === 'update' ? operation.after : {}) }) as Underlay;

describe('a picture on the plan', () => {
  it('keeps the point it was measured from when its two axes get scales of their own', () => {
    const fixed = [3, 4] as const;
    const next = after(rescaled(underlay, fixed, 0.03, 0.01));
    expect(planToPicture(underlay, fixed)).to.deep.equal([50, 150]);
    expect(planToPicture(next, fixed).map((v) => Math.round(v * 1e6) / 1e6)).to.deep.equal([50, 150]);
  });

  it('turned by quarters comes back to where it was, its middle never moving', () => {
    const size = { widthPx: 400, heightPx: 300 };
    const middle = [2 + 4, 1 + 3] as const;
    const quarter = after(turned(underlay, size, Math.PI / 2));
    expect(planToPicture(quarter, middle).map(Math.round)).to.deep.equal([200, 150]);
    let back: Underlay = underlay;
    for (let n = 0; n < 4; n++) {
      const operation = turned(back, size, Math.PI / 2)!;
      back = { ...back, ...(operation.op === 'update' ? operation.after : {}) } as Underlay;
    }
    expect(back.originX).to.be.closeTo(2, 1e-9);
    expect(Math.abs(Math.sin(back.rotationRad))).to.be.lessThan(1e-9);
  });

  it('drawn at 1:50 is fifty times its paper, about its middle; one that knows no paper has no such scale', () => {
    // 400 px of a 96th of an inch are 4 1/6 in of paper: 5.2917 m at 1:50.
    const picture = { widthPx: 400, heightPx: 300, paperMetresPerPixel: 0.0254 / 96 };
    const next = after(atRatio(underlay, picture, 50));
    expect(next.metresPerPixel * 400).to.be.closeTo(5.2917, 1e-4);
    expect([next.metresPerPixelY, next.scaled]).to.deep.equal([next.metresPerPixel, true]);
    expect(planToPicture(next, [6, 4]).map(Math.round)).to.deep.equal([200, 150]);
    expect(atRatio(underlay, { ...picture, paperMetresPerPixel: null }, 50)).to.equal(null);
  });

  it('mirrored has left and right exchanged about its middle, also when it is turned, and twice mirrored lies as before', () => {
    const size = { widthPx: 400, heightPx: 300 };
    const once = after(mirrored(underlay, size));
    // The middle is at (6, 4): what was 2 m to its right is 2 m to its left.
    expect(planToPicture(underlay, [8, 4]).map(Math.round)).to.deep.equal([300, 150]);
    expect(planToPicture(once, [4, 4]).map(Math.round)).to.deep.equal([300, 150]);
    const tilted = { ...underlay, rotationRad: 0.3 };
    const change = (from: Underlay) => ({ ...from, ...(mirrored(from, size) as { after: object }).after }) as Underlay;
    expect(change(change(tilted)).originX).to.be.closeTo(tilted.originX, 1e-9);
  });
});
