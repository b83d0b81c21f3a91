import { expect } from 'chai';
import fc from 'fast-check';
import { problemSentence } from '../../texts/index.ts';
import { CALCULATORS, runCalculator } from './index.ts';

type Path = readonly (string | number)[];

/** Paths to every number of an input. */
function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) => numbersIn(one, [...path, key]));
}

function withNumber(input: object, path: Path, value: number): object {
  const copy = structuredClone(input) as Record<string | number, unknown>;
  let at = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path[path.length - 1]] = value;
  return copy;
}

const hostile = fc.oneof(
  fc.constantFrom(
    0,
    -0,
    1,
    -1,
    1e-300,
    5e-324,
    -5e-324,
    1e300,
    Number.MAX_VALUE,
    -Number.MAX_VALUE,
    NaN,
    Infinity,
    -Infinity,
    90,
    180,
  ),
  fc.double({ noNaN: true }),
  fc.double({ min: -1e7, max: 1e7, noNaN: true }),
  fc.double({ min: 0, max: 1e-6, noNaN: true }),
);
/** Figures that are never below nothing: volts, watts, amperes, ohms, counts. */
const NEVER_NEGATIVE = /(?:^|[a-z])(?:loadV|deviceW|bayM|currentA|Ohm|count|zones|bays|outputs)$/;

describe('hostile numbers in every field of every calculator', () => {
  for (const { name, input, example } of CALCULATORS)
    it(`give ${name} an answer of finite figures, or a refusal that names a field`, () => {
      const whole = { ...(input.parse(example) as object), ...example };
      for (const path of numbersIn(whole))
        fc.assert(
          fc.property(hostile, (value) => {
            const result = runCalculator(name, withNumber(whole, path, value));
            if (!result.ok) {
              expect(result.problem.field, JSON.stringify(result.problem)).to.be.a('string').and.not.equal('');
              for (const found of numbersIn(result.problem)) {
                const figure = found.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], result.problem) as number;
                if (found[0] !== 'value')
                  expect(Number.isFinite(figure), `${found.join('.')} of ${result.problem.code}`).to.equal(true);
              }
              return;
            }
            for (const found of numbersIn(result.value)) {
              const figure = found.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], result.value) as number;
              expect(Number.isFinite(figure), `${found.join('.')} = ${figure}`).to.equal(true);
              if (NEVER_NEGATIVE.test(found.join('.'))) expect(figure, found.join('.')).to.be.at.least(0);
            }
          }),
          { numRuns: 200 },
        );
    }).timeout(180_000);
});

describe('what no calculator answers', () => {
  const refused = (name: string, input: object) => {
    const result = runCalculator(name, input);
    return result.ok ? null : { code: result.problem.code, field: result.problem.field };
  };

  it('is a figure that no house has, or one that spoils the answer: the field is named', () => {
    expect(refused('constant-voltage', { gaugeAwg: 14, lineV: 1e-300, tapsW: [10], lengthM: 20 })).to.deep.include({
      field: 'lineV',
    });
    expect(refused('dc-drop', { gaugeAwg: 18, supplyV: 24, lengthM: 20, currentA: 0 })).to.deep.equal({
      code: 'no-answer',
      field: 'currentA',
    });
    expect(refused('lnb-drop', { lengthM: 1e6 })).to.deep.equal({ code: 'feed-not-delivered', field: 'lengthM' });
    expect(refused('frame-fit', { spacingM: 0.04, memberM: 0.045, studM: 0.089, frameM: 0.25, depthM: 0.09 })).to.deep.equal({
      code: 'out-of-domain',
      field: 'spacingM',
    });
  });

  it('is a hole or notch at a place that its member does not have', () => {
    expect(refused('bore-limit', { depthM: 0.0889, holeM: 0.02, edgeM: 0.06 })).to.include({ field: 'edgeM' });
    expect(refused('bore-limit', { member: 'joist', jurisdiction: 'UK', depthM: 0.22, holeM: 0.02 })).to.deep.equal({
      code: 'input-missing',
      field: 'spanM',
    });
    expect(refused('notch-limit', { depthM: 0.235, notchM: 0.02, lengthM: 0.05, spanM: 3, fromSupportM: 4 })).to.include({
      field: 'fromSupportM',
    });
  });

  it('is said in the unit of its own field, and never as a size of files', () => {
    const result = runCalculator('bore-limit', { depthM: 0.0889, holeM: 0.02, edgeM: 0.06 });
    if (result.ok) throw new Error('answered');
    expect(problemSentence(result.problem)).to.match(/0\.06 m .*0\.034 m|60 mm .*34/);
    expect(problemSentence(result.problem)).to.not.include('MB');
  });
});

describe('a level received over radio', () => {
  it('is the sender less what is lost, and what it stands above the noise (by hand)', () => {
    // 10 m at 5500 MHz: 20 + 74.81 - 27.55 = 67.26 dB; 20 dBm + 3 dB - 67.26 = -44.26 dBm; noise -174 + 73.01 + 7 = -93.99 dBm.
    const result = runCalculator('path-loss', { distanceM: 10, frequencyMhz: 5500, transmitDbm: 20, antennasDb: 3 });
    if (!result.ok) throw new Error(result.problem.code);
    const { rssiDbm, snrDb } = result.value as { rssiDbm: number; snrDb: number };
    expect(rssiDbm).to.be.closeTo(-44.26, 0.01);
    expect(snrDb).to.be.closeTo(49.73, 0.01);
  });
});
