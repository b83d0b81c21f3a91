import { expect } from 'chai';
import { parseScale } from './stated-scale.ts';

describe('the scale that a sheet states', () => {
  const read = (typed: string) => {
    const scale = parseScale(typed, 'metric');
    return scale.ok ? Math.round(scale.value * 1e6) / 1e6 : scale.problem.code;
  };

  it('is read as a ratio, as its second number, or as two lengths', () => {
    expect(['1:50', '1 : 100', '1/20', '75', '2:1', '1 to 200'].map(read)).to.deep.equal([50, 100, 20, 75, 0.5, 200]);
    // A quarter of an inch for a foot of 12 inches; a centimetre for half a metre.
    expect(['1/4" = 1\'', '1 cm = 0.5 m', '1mm=1mm'].map(read)).to.deep.equal([48, 50, 1]);
  });

  it('is refused where it is none, nothing, or no scale of a house', () => {
    for (const typed of [
      '',
      '1:',
      '0',
      '1:0',
      '0:50',
      '-50',
      '1:50:2',
      '1 m = 1 m = 1 m',
      '0 mm = 1 m',
      '1:1e9',
      'NaN',
      '1:999999',
    ])
      expect(read(typed), typed).to.equal('scale-not-read');
  });
});
