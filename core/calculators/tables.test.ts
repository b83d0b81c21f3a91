import { expect } from 'chai';
import { z } from 'zod';
import { answer } from '../testing/index.ts';
import { CALCULATORS, runCalculator, stepsOf } from './list.ts';
import { CALCULATOR_TOPICS } from './calculator.ts';

const near = (value: unknown, expected: number, within: number) => expect(value as number).to.be.closeTo(expected, within);
const refused = (name: string, input: object) => {
  const outcome = runCalculator(name, input);
  return outcome.ok ? 'answered' : `${outcome.problem.kind} ${outcome.problem.field}`;
};

describe('calculators against the tables of the reference', () => {
  it('direct current: the longest lengths of table 3.3', () => {
    const table: [gaugeAwg: number, supplyV: number, currentA: number, allowedFraction: number, longestM: number][] = [
      [12, 12, 0.3, 0.1, 383.8],
      [14, 12, 1, 0.05, 36.2],
      [16, 15, 0.3, 0.1, 189.8],
      [18, 24, 2, 0.1, 28.6],
      [22, 24, 3, 0.05, 3.8],
      [24, 24, 4, 0.03, 1.1],
    ];
    for (const [gaugeAwg, supplyV, currentA, allowedFraction, longestM] of table)
      near(answer('dc-drop', { gaugeAwg, supplyV, currentA, allowedFraction, lengthM: 0 }).longestM, longestM, 0.06);
    // Shades, table 14: stranded.
    near(
      answer('dc-drop', { gaugeAwg: 16, stranded: true, supplyV: 24, currentA: 2, load: 'shade', lengthM: 0 }).longestM,
      45,
      0.5,
    );
    // Bonded pairs halve and quarter the drop (F3.8).
    const pair = (n: number) =>
      answer('dc-drop', { gaugeAwg: 24, supplyV: 12, currentA: 0.3, lengthM: 30, conductorsPerPole: n }).dropV;
    near(pair(1) / pair(2), 2, 1e-9);
    near(pair(1) / pair(4), 4, 1e-9);
  });

  it('a load of constant power draws more over a longer cable, to where nothing more arrives (F3.4)', () => {
    const at = answer('dc-power', { gaugeAwg: 18, supplyV: 24, lengthM: 50, powerW: 20 });
    // Power at the load is what was asked, and the supply gives that and the loss.
    near(at.loadV * at.currentA, 20, 1e-9);
    near(at.supplyW, 20 + at.lossW, 1e-9);
    expect(refused('dc-power', { gaugeAwg: 24, supplyV: 12, lengthM: 200, powerW: 20 })).to.equal('infeasible powerW');
    // On a chain the far end has the sum of all pieces (F3.9), by hand: 0.2 A over 10 m, 0.1 A over 10 m more.
    const one = answer('wire-resistance', { gaugeAwg: 18, stranded: false }).ohmPerKm / 1000;
    const chain = answer('dc-chain', {
      gaugeAwg: 18,
      supplyV: 12,
      load: 'keypad',
      segments: [
        { lengthM: 10, currentA: 0.1 },
        { lengthM: 10, currentA: 0.1 },
      ],
    });
    near(chain.dropV, 0.2 * 20 * one + 0.1 * 20 * one, 1e-12);
  });

  it('constant voltage: table 2.2', () => {
    for (const [gaugeAwg, lineV, watts, longestM] of [
      [12, 70.7, 50, 557],
      [14, 70.7, 100, 175],
      [16, 100, 100, 220],
      [18, 100, 200, 69],
    ])
      near(answer('constant-voltage', { gaugeAwg, lineV, tapsW: [watts], lengthM: 0 }).longestM, longestM, 0.6);
    expect(answer('constant-voltage', { gaugeAwg: 14, tapsW: [50, 50], amplifierW: 120, lengthM: 10 }).ok).to.equal(false);
    expect(answer('constant-voltage', { gaugeAwg: 14, tapsW: [50, 46], amplifierW: 120, lengthM: 10 }).ok).to.equal(true);
  });

  it('volume controls take the smallest setting, the same on each (2.2)', () => {
    expect(answer('volume-control', { loadsOhm: [8, 8, 8], amplifierLeastOhm: 8 }).setting).to.equal(4);
    near(answer('volume-control', { loadsOhm: [8, 8, 8], amplifierLeastOhm: 8 }).loadOhm, 10.667, 1e-3);
    expect(refused('volume-control', { loadsOhm: Array(40).fill(4), amplifierLeastOhm: 8 })).to.equal('infeasible loadsOhm');
    expect(answer('volume-control', { loadsOhm: [], amplifierLeastOhm: 8 }).loadOhm).to.equal(null);
  });

  it('two 16 AWG conductors are about 13 AWG (F1.7), and areas double every three numbers', () => {
    near(answer('parallel-conductors', { gaugeAwg: 16, count: 2 }).equivalentAwg, 13, 0.02);
    expect(answer('wire-sizes', { areaMm2: 2.5 })).to.include({ gaugeAwg: 13, nextMetricMm2: 2.5, solidMostOhmPerKm: 7.41 });
    expect(answer('wire-sizes', { gaugeAwg: 16 })).to.include({ nextMetricMm2: 1.5 });
  });

  it('network links: temperature (F3.2), rates (3.1) and cords (F3.1)', () => {
    near(answer('data-link', { category: '6', lengthM: 80, temperatureC: 40 }).longestM, 83.33, 5e-3);
    near(answer('data-link', { category: '6a', lengthM: 80, temperatureC: 40, screened: true }).longestM, 90 / 1.04, 1e-6);
    near(answer('data-link', { category: '6', lengthM: 70, temperatureC: 60 }).longestM, 90 / 1.2, 1e-6);
    expect(answer('data-link', { category: '6', lengthM: 90 }).longestM).to.equal(90);
    expect(answer('data-link', { category: '6', lengthM: 86 }).ok).to.equal(false);
    expect(refused('data-link', { category: '6', lengthM: 90.1 })).to.equal('prohibited lengthM');
    expect(refused('data-link', { category: '5e', rateGbps: '10', lengthM: 10 })).to.equal('infeasible category');
    expect(refused('data-link', { category: '6', lengthM: 10, temperatureC: 61 })).to.equal('out_of_domain temperatureC');
    near(answer('patch-cords', { horizontalM: 80 }).cordsM, 22 / 1.2, 1e-9);
    near(answer('patch-cords', { horizontalM: 80 }).workAreaM, 22 / 1.2 - 5, 1e-9);
    expect(refused('patch-cords', { horizontalM: 91 })).to.equal('prohibited horizontalM');
  });

  it('power over them: budgets and bundles (F3.5, 3.2)', () => {
    expect(answer('poe-budget', { classes: [4, 4, 3], budgetW: 100 })).to.include({ needW: 75.4, wantedPorts: 4, ok: true });
    expect(answer('poe-budget', { classes: [4, 4, 3], budgetW: 90 }).ok).to.equal(false);
    expect(refused('poe-budget', { classes: [4, 4, 3], budgetW: 75 })).to.equal('infeasible budgetW');
    expect(refused('poe-link', { poeClass: 4, lengthM: 20, material: 'cca' })).to.equal('prohibited material');
    expect(refused('poe-bundle', { cables: 10, poeClass: 8 })).to.equal('defer poeClass');
    expect(answer('poe-bundle', { cables: 25, poeClass: 6 })).to.include({ bundles: 2, ok: false });
  });

  it('picture formats: table 4', () => {
    const rate = (input: object) => answer('picture-rate', input);
    near(rate({ pixelClockMhz: 148.5 }).tmdsGbps, 4.455, 1e-9);
    near(rate({ horizontalTotal: 4400, verticalTotal: 2250, framesPerS: 60 }).tmdsGbps, 17.82, 1e-9);
    near(rate({ pixelClockMhz: 594, bits: 10, chroma: '420' }).tmdsGbps, 11.1375, 1e-9);
    expect(rate({ pixelClockMhz: 594, bits: 12, chroma: '422' }).linkClassGbps).to.equal(18);
    expect(rate({ pixelClockMhz: 594, bits: 10 })).to.include({ signalling: 'fixed-rate', linkClassGbps: 24 });
    near(rate({ pixelClockMhz: 1188, bits: 10 }).fixedGbps, 40.1, 0.05);
    expect(rate({ pixelClockMhz: 1188, bits: 10 }).linkClassGbps).to.equal(40);
    expect(rate({ pixelClockMhz: 1188, bits: 12 }).linkClassGbps).to.equal(48);
    expect(answer('picture-reach', { path: 'passive', linkClassGbps: '18', lengthM: 6 })).to.include({ longestM: 5, ok: false });
    expect(refused('picture-reach', { path: 'extender', linkClassGbps: '48', lengthM: 6 })).to.equal('defer path');
    near(answer('plug-conduit', {}).leastM, 0.0302, 5e-5);
  });

  it('coax: every column of table 5.1, and levels in windows (5.3)', () => {
    for (const [kind, frequencyMhz, per30] of [
      ['rg59', 55, 2.02],
      ['rg6', 750, 5.56],
      ['rg6', 2150, 9.74],
      ['rg11', 1450, 5.31],
      ['rg6', 20, 1.57],
    ] as const)
      near(answer('coax-loss', { kind, frequencyMhz, lengthM: 30 }).lossDb, per30, 6e-3);
    near(answer('coax-loss', { kind: 'rg6', frequencyMhz: 1000, lengthM: 30, temperatureC: 45 }).lossDb, 6.45 * 1.05, 6e-3);
    expect(refused('coax-loss', { kind: 'rg6', frequencyMhz: 40_000, lengthM: 1 })).to.equal('out_of_domain frequencyMhz');
    near(answer('splitter-loss', { outputs: 4 }).idealDb, 6.02, 5e-3);
    const level = { service: 'cable-modem', lowestMhz: 55, highestMhz: 1000, cables: [{ kind: 'rg6', lengthM: 30 }] };
    const at = answer('outlet-level', { ...level, sourceDbuv: 70, passives: ['splitter-2'] });
    near(at.atHighestDbuv, 70 - 4 - 6.45, 6e-3);
    near(at.atLowestDbuv, 70 - 4 - 1.57, 6e-3);
    expect([at.ok, answer('outlet-level', { ...level, sourceDbuv: 90 }).ok]).to.deep.equal([true, false]);
    near(answer('thermal-noise', { bandwidthHz: 8e6 }).noiseDbmv, -56.2, 0.06);
    near(answer('thermal-noise', { bandwidthHz: 4e6 }).noiseDbmv, -59.2, 0.06);
    // F5.6 by hand: a preamplifier of 3 dB noise and 20 dB gain before 10 dB of loss.
    near(
      answer('cascade-noise', {
        stages: [
          { gainDb: 20, noiseFigureDb: 3 },
          { gainDb: -10, noiseFigureDb: 10 },
        ],
      }).noiseFactor,
      10 ** 0.3 + 9 / 100,
      1e-12,
    );
    expect(refused('dish-aim', { latitudeDeg: 60, longitudeDeg: 0, slotDeg: 90 })).to.equal('infeasible slotDeg');
    expect(refused('dish-aim', { latitudeDeg: 95, longitudeDeg: 0, slotDeg: 10 })).to.equal('out_of_domain latitudeDeg');
    expect(answer('dish-aim', { latitudeDeg: 0, longitudeDeg: 10, slotDeg: 10 })).to.include({
      azimuthDeg: null,
      elevationDeg: 90,
    });
  });

  it('separation: F7.1', () => {
    const eu = (input: object) => answer('separation', { jurisdiction: 'EU', ...input }).leastM;
    near(eu({ cableClass: 'b', circuits: 3 }), 0.02, 1e-12);
    near(eu({ cableClass: 'b', circuits: 15 }), 0.1, 1e-12);
    near(eu({ cableClass: 'a', circuits: 76, divider: 'perforated-metal' }), 0.9, 1e-12);
    expect(eu({ circuits: 0 })).to.equal(0);
    near(eu({ circuits: 1 }), 0.06, 1e-12);
    near(answer('separation', { jurisdiction: 'UK', cableClass: 'd', circuits: 3 }).leastM, 0.05, 1e-12);
    expect(answer('separation', { parallelM: 3 }).leastM).to.equal(0.3);
    expect(refused('separation', { sameBox: true })).to.equal('prohibited sameBox');
    expect(answer('separation', { beside: 'lamp-driver', distanceM: 0.13 }).ok).to.equal(true);
  });

  it('boring and notching: table 7.2, on the limit and beyond it', () => {
    const bore = (input: object) => answer('bore-limit', input);
    near(bore({ depthM: 0.0889 }).mostM, 0.03556, 1e-6);
    near(bore({ depthM: 0.1397, bearing: false }).mostM, 0.08382, 1e-6);
    near(bore({ member: 'joist', depthM: 0.1397 }).mostM, 0.0381, 1e-6);
    near(bore({ member: 'joist', depthM: 0.23495 }).mostM, 0.0783, 5e-5);
    expect(refused('bore-limit', { depthM: 0.0889, holeM: 0.03556 })).to.equal('answered');
    expect(refused('bore-limit', { depthM: 0.0889, holeM: 0.0356 })).to.equal('prohibited holeM');
    expect(refused('bore-limit', { member: 'i-joist' })).to.equal('defer member');
    expect(refused('bore-limit', { member: 'joist' })).to.equal('incomplete depthM');
    const uk = { member: 'joist', depthM: 0.22, jurisdiction: 'UK', holeM: 0.05, spanM: 4 };
    expect(refused('bore-limit', { ...uk, fromSupportM: 1.2 })).to.equal('answered');
    expect(refused('bore-limit', { ...uk, fromSupportM: 2 })).to.equal('prohibited fromSupportM');
    expect(refused('bore-limit', { ...uk, fromSupportM: 2.6 })).to.equal('answered');
    expect(refused('bore-limit', { ...uk, holeM: 0.056, fromSupportM: 1.2 })).to.equal('prohibited holeM');
    expect(refused('notch-limit', { depthM: 0.23495, notchM: 0.03, spanM: 4, fromSupportM: 1.8 })).to.equal(
      'prohibited fromSupportM',
    );
    expect(refused('notch-limit', { depthM: 0.23495, notchM: 0.039, spanM: 4, fromSupportM: 0.5 })).to.equal('answered');
    near(answer('notch-limit', { depthM: 0.23495, notchM: 0.05, fromSupportM: 0 }).mostM, 0.0587, 5e-5);
    near(answer('hole-fill', { diametersM: Array(6).fill(0.0061) }).leastM, 0.0236, 5e-5);
  });

  it('fixing: F11.1 to F11.3', () => {
    near(answer('fixing-load', { massKg: 10, overhead: true }).requiredN, 980.665, 1e-6);
    expect(refused('fixing-load', { massKg: 10, overhead: true, factor: 4.9 })).to.equal('prohibited factor');
    expect(refused('fixing-load', { massKg: 1, overhead: true, into: 'board' })).to.equal('prohibited into');
    const arm = answer('bracket-load', {
      massKg: 30,
      reachM: 0.5,
      rowsApartM: 0.3,
      topFasteners: 2,
      fasteners: 4,
      tensionN: 600,
      shearN: 900,
    });
    near(arm.eachTensionN, (30 * 9.80665 * 0.5) / 0.6, 1e-9);
    near(arm.used, arm.eachTensionN / 600 + (30 * 9.80665) / 4 / 900, 1e-12);
    for (const [inch, lbf] of [
      [0.25, 173],
      [0.3125, 205],
      [0.375, 235],
    ])
      near(answer('lag-screw', { diameterM: inch * 0.0254, threadM: 0.0508 }).lbfPerIn, lbf, 0.6);
  });

  it('ceiling speakers: table 8.3; loops and batteries: 17', () => {
    near(answer('ceiling-coverage', { ceilingM: 2.44 }).discM, 2.88, 1e-9);
    near(answer('ceiling-coverage', { ceilingM: 2.44 }).pitchM, 2.04, 4e-3);
    near(answer('ceiling-coverage', { ceilingM: 3.66, earM: 1.6 }).pitchM, 2.91, 4e-3);
    expect(answer('ceiling-coverage', { ceilingM: 2.74, lengthM: 7, widthM: 4 }).speakers).to.equal(6);
    expect(refused('ceiling-coverage', { ceilingM: 1, earM: 1.6 })).to.equal('invalid ceilingM');
    expect(refused('ceiling-coverage', { ceilingM: 3, angleDeg: 180 })).to.equal('out_of_domain angleDeg');
    near(answer('contact-loop', {}).longestM, 944, 0.5);
    expect(refused('contact-loop', { material: 'cca' })).to.equal('prohibited material');
    expect(answer('end-of-line', { kind: 'double', state: 'alarm' }).ohm).to.equal(2000);
    expect(answer('end-of-line', { kind: 'single', state: 'short' }).read).to.equal('fault');
    expect(refused('standby-battery', { standbyA: 1, standbyHours: 24 })).to.equal('infeasible standbyHours');
  });

  it('spools: first fit between its bounds, and as many as pulls at once', () => {
    const plan = answer('spool-plan', { lengthsM: [100, 60, 60, 50, 40, 40], spoolM: 152, parallel: 2 });
    expect([plan.lowerBound, plan.firstFit, plan.buy]).to.deep.equal([3, 3, 3]);
    expect(answer('spool-plan', { lengthsM: [20, 20, 20], spoolM: 152, parallel: 3 }).buy).to.equal(3);
    expect(refused('spool-plan', { lengthsM: [160], spoolM: 152 })).to.equal('infeasible lengthsM');
    near(answer('price', { lines: [{ quantity: 2, unitCost: 50 }], marginFraction: 0.2 }).price, 125, 1e-9);
    expect(refused('price', { lines: [], marginFraction: 1 })).to.equal('invalid marginFraction');
  });

  it('each has a name of its own, a topic, a formula, and steps that hold no nonsense', () => {
    expect(new Set(CALCULATORS.map(({ name }) => name)).size).to.equal(CALCULATORS.length);
    for (const { name, topic, formulas, valid, source, input } of CALCULATORS) {
      expect(CALCULATOR_TOPICS, name).to.include(topic);
      expect(formulas.length, name).to.be.greaterThan(0);
      expect(
        [valid, source].every((words) => words.length > 3),
        name,
      ).to.equal(true);
      expect(source, name).to.match(/^[A-Z]/);
      expect(source, name).to.not.match(/F\d+\.\d/);
      expect(() => z.toJSONSchema(input, { io: 'input' }), name).not.to.throw();
    }
    const steps = stepsOf('dc-drop', { gaugeAwg: 16, supplyV: 24, currentA: 2, lengthM: 20 });
    expect(steps[1]).to.equal('ΔV = 2 A · 0.527 Ω = 1.054 V (4.391 % of 24 V, to 10 %)');
    expect(stepsOf('dc-drop', { gaugeAwg: 99, supplyV: 24, currentA: 2, lengthM: 20 })).to.deep.equal([]);
  });
});
