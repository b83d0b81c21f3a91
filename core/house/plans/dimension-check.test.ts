import { expect } from 'chai';
import { dimensionCheck } from './dimension-check.ts';

const said = (...pairs: [number, string][]) => pairs.map(([measured, text]) => ({ measured, text }));

describe('the dimensions of a drawing', () => {
  it('agree with its unit, whatever unit they say or none', () => {
    const all = said([4200, '4.20 m'], [3600, '11\' 9 3/4"'], [900, '90 cm'], [6000, '6000'], [1500, '1500']);
    expect(dimensionCheck(all, 0.001)).to.deep.include({ count: 5, agreeing: 5, saidMetresPerUnit: 0.001 });
    expect(dimensionCheck(said([420, '420'], [210, '210,0']), 0.01)?.agreeing).to.equal(2);
    // The same numbers are no 42 m: by a unit ten times too large they disagree.
    expect(dimensionCheck(said([4200, '4200'], [6000, '6000']), 0.01)?.agreeing).to.equal(0);
    expect(dimensionCheck(said([4.2, '4.20'], [3, '3.00']), 1)?.agreeing).to.equal(2);
  });

  it('disagree by name, and say what the unit would be', () => {
    // Drawn on paper at 1:50 in mm: a unit is 0.05 m.
    const paper = said([84, '4.20 m'], [60, '3.00 m'], [100, '5.00 m'], [40, '2.10 m']);
    expect(dimensionCheck(paper, 0.001)).to.deep.equal({
      count: 4,
      agreeing: 0,
      farthest: { text: '2.10 m', saidM: 2.1, measuredM: 0.04 },
      saidMetresPerUnit: 0.05,
    });
    const right = dimensionCheck(paper, 0.05)!;
    expect([right.agreeing, right.farthest.text, right.farthest.measuredM]).to.deep.equal([3, '2.10 m', 2]);
  });

  it('that contradict each other say no unit, and words say nothing', () => {
    expect(dimensionCheck(said([100, '1 m'], [100, '2 m'], [100, '3 m']), 0.01)?.saidMetresPerUnit).to.equal(null);
    expect(dimensionCheck(said([100, 'verify on site'], [100, '']), 0.01)).to.equal(null);
    expect(dimensionCheck([], 1)).to.equal(null);
  });
});
