import { expect } from 'chai';
import { newUnderlay, type Operation, type Underlay } from '@dusky-spool/core/model';
import { onPicture, rescaled, turned } from './place-picture.ts';

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
    expect(onPicture(underlay, fixed)).to.deep.equal([50, 150]);
    expect(onPicture(next, fixed).map((v) => Math.round(v * 1e6) / 1e6)).to.deep.equal([50, 150]);
  });

  it('turned by quarters comes back to where it was, its middle never moving', () => {
    const size = { widthPx: 400, heightPx: 300 };
    const middle = [2 + 4, 1 + 3] as const;
    const quarter = after(turned(underlay, size, Math.PI / 2));
    expect(onPicture(quarter, middle).map(Math.round)).to.deep.equal([200, 150]);
    let back: Underlay = underlay;
    for (let n = 0; n < 4; n++) {
      const operation = turned(back, size, Math.PI / 2)!;
      back = { ...back, ...(operation.op === 'update' ? operation.after : {}) } as Underlay;
    }
    expect(back.originX).to.be.closeTo(2, 1e-9);
    expect(Math.abs(Math.sin(back.rotationRad))).to.be.lessThan(1e-9);
  });
});
