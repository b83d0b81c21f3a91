import { expect } from 'chai';
import { figureName, figureValue } from './figure-names.ts';

describe('the name of a figure', () => {
  it('is its words with the unit from its end', () => {
    expect(
      ['longestM', 'ohmPerKm', 'lossDb', 'supplyV', 'areaMm2', 'dropFraction', 'count', 'gaugeAwg', 'ok'].map(figureName),
    ).to.deep.equal([
      'Longest (m)',
      'Resistance (Ω/km)',
      'Loss (dB)',
      'Supply (V)',
      'Area (mm²)',
      'Drop share',
      'Count',
      'Gauge (AWG)',
      'Within its limits',
    ]);
  });

  it('comes with a value of four digits that count', () => {
    expect([0.123456, 1234567, true, null, [1, 2.00001], Infinity].map(figureValue)).to.deep.equal([
      '0.1235',
      '1235000',
      'yes',
      '–',
      '1, 2',
      'without end',
    ]);
  });
});
