import { expect } from 'chai';
import { daysBefore, daysBetween } from './dates.ts';

describe('days', () => {
  it('before another day cross months, leap days and the change of clocks', () => {
    expect(daysBefore('2028-03-01', 1)).to.equal('2028-02-29');
    expect(daysBefore('2027-03-29', 2)).to.equal('2027-03-27');
    expect(daysBefore('2026-12-31', -1)).to.equal('2027-01-01');
  });

  it('between two days are what leads from one back to the other', () => {
    for (const days of [0, 1, 59, 366, 10_000]) {
      const to = daysBefore('2026-11-29', days);
      expect(daysBetween(to, '2026-11-29')).to.equal(days);
      expect(daysBetween('2026-11-29', to)).to.equal(-days || 0);
    }
  });
});
