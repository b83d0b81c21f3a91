import { expect } from 'chai';
import { pullingFactors, pullingHours, pullingHoursCalculator } from './pulling-hours.ts';

describe('hours of boring and pulling', () => {
  it('count each bundle once and each place once, as by hand', () => {
    // One cable alone 0.30; five together 0.30 + 4 × 0.08 = 0.62; ten places, twelve members: 10 × 0.05 + 12 × 0.03 = 0.86.
    const { pullHours, boreHours } = pullingHours(
      pullingFactors('new'),
      [1, 5].map((cables) => ({ cables, difficulty: 1 })),
      [2, 2, ...Array<number>(8).fill(1)],
    );
    expect(pullHours).to.be.closeTo(0.92, 1e-9);
    expect(boreHours).to.be.closeTo(0.86, 1e-9);
    const worked = pullingHoursCalculator.run({
      construction: 'new',
      bundles: 2,
      cables: 6,
      places: 10,
      members: 12,
      difficulty: 1,
    });
    expect(worked.ok && worked.value.hours).to.be.closeTo(1.78, 1e-9);
  });

  it('make the pull harder, not the boring', () => {
    const hours = (difficulty: number) =>
      pullingHours({ ...pullingFactors('retrofit'), difficulty }, [{ cables: 2, difficulty: 1.15 }], [1]);
    expect(hours(2).pullHours).to.be.closeTo(2 * 1.15 * 1.25, 1e-9);
    expect(hours(2).boreHours).to.equal(hours(1).boreHours);
  });
});
