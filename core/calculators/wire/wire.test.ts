import { expect } from 'chai';
import fc from 'fast-check';
import { CALCULATORS, listCalculators, runCalculator } from '../list.ts';
import { LOSS_TARGET_DB, speakerCableGauge, speakerCableLoss, speakerLoad } from '../speakers/index.ts';
import { wireResistanceCalculator, wireResistance } from './wire-resistance.ts';

const value = <T>(outcome: { ok: true; value: T } | { ok: false }): T => {
  if (!outcome.ok) throw new Error('refused');
  return outcome.value;
};

describe('wire resistance', () => {
  it('agrees with the worked example W1 and with rows of the table', () => {
    const w1 = value(wireResistance({ gaugeAwg: 20, stranded: false }));
    expect(w1.diameterMm).to.be.closeTo(0.8118, 5e-5);
    expect(w1.areaMm2).to.be.closeTo(0.5176, 5e-5);
    expect(w1.ohmPerKm).to.be.closeTo(33.31, 5e-3);
    expect(value(wireResistance({ gaugeAwg: 16 })).ohmPerKm).to.be.closeTo(13.44, 6e-3);
    expect(value(wireResistance({ gaugeAwg: 14, stranded: false, temperatureC: 50 })).ohmPerKm).to.be.closeTo(9.26, 6e-3);
    expect(value(wireResistance({ gaugeAwg: 16, material: 'cca' })).ohmPerKm).to.be.closeTo(13.44 * 1.6, 1e-2);
  });

  it('doubles in area every three numbers', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), (gauge) => {
        const ratio = value(wireResistance({ gaugeAwg: gauge - 3 })).areaMm2 / value(wireResistance({ gaugeAwg: gauge })).areaMm2;
        expect(ratio).to.be.closeTo(2.005, 1e-3);
      }),
    );
  });

  it('outside its limits is refused by field', () => {
    expect(wireResistance({ gaugeAwg: 60 })).to.have.nested.property('problem.field', 'gaugeAwg');
    expect(wireResistance({ gaugeAwg: 16, temperatureC: 120 })).to.have.nested.property('problem.kind', 'out_of_domain');
  });
});

describe('speaker cable', () => {
  it('agrees with the worked example W2', () => {
    const w2 = value(speakerCableLoss({ lengthM: 25, gaugeAwg: 14, loadOhm: 8 }));
    expect(w2.loopOhm).to.be.closeTo(0.423, 5e-4);
    expect(w2.lossDb).to.be.closeTo(0.447, 5e-4);
  });

  it('reaches as far as the table says', () => {
    const five = value(speakerCableGauge({ lengthM: 0, loadOhm: 8, use: 'distributed' })).longestM;
    expect([five[12], five[14], five[16], five[18]].map((m) => Math.round(m * 10) / 10)).to.deep.equal([37.6, 23.7, 14.9, 9.4]);
    const theatre = value(speakerCableGauge({ lengthM: 0, loadOhm: 4, use: 'theatre' })).longestM;
    expect([theatre[12], theatre[14], theatre[16]].map((m) => Math.round(m * 10) / 10)).to.deep.equal([13.2, 8.3, 5.2]);
  });

  it('at its longest length has exactly the limit and the thinnest gauge is chosen', () => {
    const { longestM } = value(speakerCableGauge({ lengthM: 0, loadOhm: 8 }));
    expect(value(speakerCableLoss({ lengthM: longestM[16], gaugeAwg: 16, loadOhm: 8 })).lossDb).to.be.closeTo(
      LOSS_TARGET_DB,
      1e-9,
    );
    expect(value(speakerCableGauge({ lengthM: longestM[16], loadOhm: 8 })).gaugeAwg).to.equal(16);
    expect(value(speakerCableGauge({ lengthM: longestM[16] + 0.01, loadOhm: 8 })).gaugeAwg).to.equal(14);
    expect(speakerCableGauge({ lengthM: 500, loadOhm: 4 })).to.have.nested.property('problem.kind', 'infeasible');
  });

  it('splits the power between cable and load', () => {
    const { loopOhm, powerLostFraction, loadPowerFraction, dampingFactor } = value(
      speakerCableLoss({ lengthM: 10, gaugeAwg: 16, loadOhm: 8, amplifierDampingFactor: 100 }),
    );
    expect(powerLostFraction).to.be.closeTo(loopOhm / (8 + loopOhm), 1e-12);
    expect(Math.sqrt(loadPowerFraction)).to.be.closeTo(1 - powerLostFraction, 1e-12);
    expect(dampingFactor).to.be.closeTo(8 / (loopOhm + 0.08), 1e-9);
    expect(value(speakerCableLoss({ lengthM: 0, gaugeAwg: 16, loadOhm: 8 })).lossDb).to.equal(0);
  });

  it('loads of several speakers join, and an overload is prohibited', () => {
    expect(value(speakerLoad({ loadsOhm: [8, 8], wiring: 'parallel', amplifierLeastOhm: 4 })).loadOhm).to.be.closeTo(4, 1e-12);
    expect(value(speakerLoad({ loadsOhm: [], wiring: 'parallel', amplifierLeastOhm: 4 })).loadOhm).to.equal(null);
    expect(speakerLoad({ loadsOhm: [4, 4], wiring: 'parallel', amplifierLeastOhm: 4 })).to.have.nested.property(
      'problem.kind',
      'prohibited',
    );
  });
});

describe('every calculator', () => {
  it('is listed with an input schema that names units', () => {
    const listed = listCalculators() as { name: string; input: { properties: Record<string, { description?: string }> } }[];
    expect(listed.map((c) => c.name)).to.deep.equal(CALCULATORS.map((c) => c.name));
    expect(listed.find(({ name }) => name === 'speaker-cable-loss')!.input.properties.lengthM.description).to.contain(
      'm, one way',
    );
  });

  it('tells a missing field from a wrong one', () => {
    expect(runCalculator('speaker-cable-loss', { gaugeAwg: 14, loadOhm: 8 })).to.have.nested.property(
      'problem.kind',
      'incomplete',
    );
    expect(runCalculator('speaker-cable-loss', { gaugeAwg: 14, loadOhm: 8 })).to.have.nested.property('problem.field', 'lengthM');
    expect(runCalculator('speaker-cable-loss', { lengthM: -1, gaugeAwg: 14, loadOhm: 8 })).to.have.nested.property(
      'problem.field',
      'lengthM',
    );
    expect(runCalculator('speaker-cable-loss', { lengthM: 1, gaugeAwg: 14, loadOhm: 8, colour: 1 })).to.have.nested.property(
      'problem.field',
      'colour',
    );
    expect(runCalculator('nothing', {})).to.have.nested.property('problem.code', 'calculator-unknown');
    expect(runCalculator('cut-length', [])).to.have.nested.property('problem.code', 'input-not-object');
    expect(
      runCalculator('cut-length', { riseM: 0.4, runM: 16.2, dropM: 1.8, deviceSlackM: 1, rackSlackM: 2 }),
    ).to.have.nested.property('value.cutLengthM', 24);
  });

  it('of a nominal area has what IEC 60228 allows, not what its area alone gives', () => {
    const ohmPerKm = (given: object) => {
      const outcome = wireResistanceCalculator.run({ ...wireResistanceCalculator.input.parse(given) } as never);
      if (!outcome.ok) throw new Error(outcome.problem.code);
      return (outcome.value as { ohmPerKm: number }).ohmPerKm;
    };
    // ENGINEERING 1.1, class 1 and 2: 1.5 mm2 has 12.1, 2.5 mm2 has 7.41 ohm/km; by area alone 11.49 and 6.90.
    expect(ohmPerKm({ areaMm2: 1.5 })).to.be.closeTo(12.1, 1e-9);
    expect(ohmPerKm({ areaMm2: 2.5, stranded: false })).to.be.closeTo(7.41, 1e-9);
    expect(ohmPerKm({ areaMm2: 2.5, material: 'cca', temperatureC: 40 })).to.be.closeTo(7.41 * 1.6 * (1 + 0.00393 * 20), 1e-9);
    // No usual size: of its area, and 2 % for the lay.
    expect(ohmPerKm({ areaMm2: 2, stranded: true })).to.be.closeTo((17.241 / 2) * 1.02, 1e-9);
    expect(() => ohmPerKm({})).to.throw('input-missing');
    expect(() => ohmPerKm({ areaMm2: 2, gaugeAwg: 14 })).to.throw('input-twice');
  });
});
