import { expect } from 'chai';
import { newUnderlay, type Underlay } from '@dusky-spool/core/project';
import { scaleUnderlay } from './set-scale.ts';

const underlay: Underlay = newUnderlay({
  id: 'u',
  levelId: 'm',
  pictureId: 'a'.repeat(64),
  name: '',
  originX: 2,
  originY: 1,
  metresPerPixel: 0.02,
  rotationRad: 0,
  opacity: 1,
  scaled: false,
});

describe('the scale of a plan picture', () => {
  it('makes two points as far apart as typed and leaves the first where it is', () => {
    // The clicks are 5 m apart at 0.02 m a pixel: 250 px. Typed 7.5 m: 0.03 m a pixel.
    const operation = scaleUnderlay(underlay, [3, 1], [3, 6], 7.5)!;
    expect(operation.op === 'update' && operation.after).to.deep.equal({
      metresPerPixel: 0.03,
      metresPerPixelY: 0.03,
      originX: 1.5,
      scaled: true,
    });
    // The first point was 50 px from the picture's edge and still is: (3 - 1.5) / 0.03.
    expect((3 - 1.5) / 0.03).to.be.closeTo((3 - 2) / 0.02, 1e-9);
  });

  it('is not set from one point or a length of nothing', () => {
    expect(scaleUnderlay(underlay, [3, 1], [3, 1], 5)).to.equal(null);
    expect(scaleUnderlay(underlay, [3, 1], [4, 1], 0)).to.equal(null);
  });
});
