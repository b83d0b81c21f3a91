import { expect } from 'chai';
import fc from 'fast-check';
import { formatFeetInches, formatLength, formatLengthFine } from './format-length.ts';
import { parseLength } from './parse-length.ts';

const metres = (text: string, system: 'metric' | 'imperial' = 'metric') => {
  const parsed = parseLength(text, system);
  return parsed.ok ? Math.round(parsed.value * 1e6) / 1e6 : parsed.problem.code;
};

describe('a typed length', () => {
  it('is read in metric, in feet and inches, and with fractions', () => {
    expect(metres('1.68 m')).to.equal(1.68);
    expect(metres('168cm')).to.equal(1.68);
    expect(metres('1680 mm')).to.equal(1.68);
    expect(metres('1,68')).to.equal(1.68);
    expect(metres(`5' 6 1/2"`)).to.equal(1.6891);
    expect(metres(`5'6.5"`)).to.equal(1.6891);
    expect(metres('5ft 6 1/2in')).to.equal(1.6891);
    expect(metres('66 in')).to.equal(1.6764);
    expect(metres('3/4"')).to.equal(0.01905);
    expect(metres('5’')).to.equal(1.524);
    expect(metres('-2 ft')).to.equal(-0.6096);
  });

  it('without a unit takes that of the project', () => {
    expect(metres('3', 'metric')).to.equal(3);
    expect(metres('10', 'imperial')).to.equal(3.048);
  });

  it('is refused with a reason when it cannot be read', () => {
    expect(metres('')).to.equal('length-empty');
    expect(metres('six feet')).to.equal('length-not-read');
    expect(metres('1,680')).to.equal('length-comma-ambiguous');
    expect(metres('1/0"')).to.equal('length-zero-divisor');
    expect(metres('NaN')).to.equal('length-not-read');
  });

  it('shown in feet and inches and read again is the same to 1/16 in', () => {
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), (lengthM) => {
        const back = parseLength(formatFeetInches(lengthM), 'imperial');
        expect(back.ok && Math.abs(back.value - lengthM)).to.be.at.most(0.0254 / 16 + 1e-9);
      }),
    );
  });

  it('is shown to the nearest 1/8 in, carrying over to feet', () => {
    expect(formatFeetInches(1.6891)).to.equal(`5' 6 1/2"`);
    expect(formatFeetInches(0.3047)).to.equal(`1'`);
    expect(formatFeetInches(0)).to.equal(`0"`);
    expect(formatFeetInches(0.003175)).to.equal(`1/8"`);
    expect(formatLength(2.741, 'metric')).to.equal('2.74 m');
    expect([2.7, 2.745, 3.2004, 0.0125, -0.05, 0].map((m) => formatLengthFine(m, 'metric'))).to.deep.equal([
      '2.70 m',
      '2.745 m',
      '3.20 m',
      '0.0125 m',
      '-0.05 m',
      '0.00 m',
    ]);
    expect(formatLengthFine(0.0127, 'imperial')).to.equal('1/2"');
    expect(formatLengthFine(0.3064, 'imperial')).to.equal('1\' 1/16"');
  });
});
