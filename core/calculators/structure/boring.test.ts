import { expect } from 'chai';
import fc from 'fast-check';
import { bitFor, holeForM, holesFor } from './hole-size.ts';
import { boreLimit, needsNailPlates } from './limits.ts';

const INCH = 0.0254;

describe('boring', () => {
  it('of a 2x4 that bears nothing: 50.8 mm is within 53.3 mm and needs plates on both faces (worked example W9)', () => {
    const { mostM: maxM } = boreLimit('stud', 3.5 * INCH, 'NA', false);
    expect(maxM).to.be.closeTo(0.05334, 1e-5);
    expect((3.5 * INCH - 0.0508) / 2).to.be.closeTo(0.0191, 1e-4);
    expect(needsNailPlates(3.5 * INCH, 0.0508)).to.equal(true);
  });

  it('of studs and joists is limited as in the table of section 7.2', () => {
    const inch = (value: number) => Number((value / INCH).toFixed(2));
    expect(inch(boreLimit('stud', 3.5 * INCH, 'NA').mostM)).to.equal(1.4);
    expect(inch(boreLimit('stud', 5.5 * INCH, 'NA').mostM)).to.equal(2.2);
    expect([5.5, 7.25, 9.25, 11.25].map((depth) => inch(boreLimit('joist', depth * INCH, 'NA').mostM))).to.deep.equal([
      1.5, 2.42, 3.08, 3.75,
    ]);
    expect(boreLimit('joist', 0.22, 'UK')).to.deep.include({ mostM: 0.055, spanShares: [0.25, 0.4] });
  });

  it('leaves the face of a 2x4 without a plate up to 25 mm', () => {
    expect(needsNailPlates(3.5 * INCH, 1 * INCH)).to.equal(false);
    expect(needsNailPlates(3.5 * INCH, 0.028)).to.equal(true);
  });

  it('for six Category 6 cables takes one inch by the area rule', () => {
    expect(Math.sqrt((6 * 0.0061 ** 2) / 0.4)).to.be.lessThan(INCH);
    expect([1, 3, 6].map((n) => bitFor(holeForM(Array.from({ length: n }, () => 0.0061))))).to.deep.equal([0.012, 0.02, 0.025]);
    expect(holeForM([0.0061])).to.be.closeTo(Math.max(0.0061 / Math.sqrt(0.4), 0.0091), 1e-9);
  });

  it('spreads cables over holes that each keep the limit, and takes none where one cable is too wide', () => {
    const cable = fc.double({ min: 0.003, max: 0.011, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(cable, { minLength: 1, maxLength: 30 }),
        fc.double({ min: 0.02, max: 0.06, noNaN: true }),
        (all, max) => {
          const holes = holesFor(all, max)!;
          expect(holes.reduce((sum, { cables }) => sum + cables, 0)).to.equal(all.length);
          for (const { bitM } of holes) expect(bitM).to.be.at.most(max + 1e-9);
        },
      ),
    );
    expect(holesFor([0.02], 0.016)).to.equal(null);
  });
});
