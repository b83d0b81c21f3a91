import { expect } from 'chai';
import { runCalculator } from '../list.ts';

describe('calculators of conduits', () => {
  it('fill: five cables of 6.1 mm in 25 mm (worked example W8)', () => {
    const found = runCalculator('conduit-fill', { diametersM: Array(5).fill(0.0061), insideM: 0.025 });
    expect(found).to.have.nested.property('value.fits', true);
    expect((found as { value: { fill: number } }).value.fill).to.be.closeTo(0.298, 5e-4);
    expect(runCalculator('conduit-fill', { diametersM: [], insideM: 0.025 })).to.have.nested.property(
      'problem.field',
      'diametersM',
    );
  });

  it('size: refuses what no listed conduit takes', () => {
    expect(runCalculator('conduit-size', { diametersM: [0.0061], jurisdiction: 'EU' })).to.have.nested.property(
      'value.key',
      'corr-20',
    );
    expect(runCalculator('conduit-size', { diametersM: Array(90).fill(0.0078) })).to.have.nested.property(
      'problem.code',
      'conduit-none-fits',
    );
  });

  it('pull: ten metres on the level, 0.5 x 0.045 x 9.80665 x 10 = 2.206 N', () => {
    const found = runCalculator('conduit-pull', {
      corners: [
        [0, 0, 0],
        [10, 0, 0],
      ],
      weightKgPerM: 0.045,
    });
    expect((found as { value: { tensionN: number } }).value.tensionN).to.be.closeTo(2.2065, 1e-3);
    expect(runCalculator('conduit-pull', { corners: [[0, 0, 0]], weightKgPerM: 0.045 })).to.have.nested.property(
      'problem.field',
      'corners',
    );
  });
});
