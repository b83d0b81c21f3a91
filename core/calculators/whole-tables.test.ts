import { expect } from 'chai';
import { answer, printed } from '../testing/index.ts';
import { runCalculator } from './list.ts';

const FOOT_M = 0.3048;

describe('the tables of the reference, cell by cell', () => {
  describe('1.1 wires', () => {
    const WIRES: readonly (readonly number[])[] = [
      // AWG, d mm, d in, area mm2, kcmil, ohm/km, ohm/1000 ft, loop ohm/100 ft, stranded ohm/km, at 50 C ohm/km
      [10, 2.588, 0.1019, 5.261, 10.383, 3.28, 0.999, 0.1998, 3.34, 3.66],
      [11, 2.305, 0.0907, 4.172, 8.234, 4.13, 1.26, 0.2519, 4.21, 4.62],
      [12, 2.053, 0.0808, 3.309, 6.53, 5.21, 1.588, 0.3176, 5.31, 5.83],
      [13, 1.828, 0.072, 2.624, 5.178, 6.57, 2.003, 0.4005, 6.7, 7.35],
      [14, 1.628, 0.0641, 2.081, 4.107, 8.29, 2.525, 0.5051, 8.45, 9.26],
      [15, 1.45, 0.0571, 1.65, 3.257, 10.45, 3.184, 0.6369, 10.66, 11.68],
      [16, 1.291, 0.0508, 1.309, 2.583, 13.17, 4.015, 0.8031, 13.44, 14.73],
      [17, 1.15, 0.0453, 1.038, 2.048, 16.61, 5.063, 1.0127, 16.94, 18.57],
      [18, 1.024, 0.0403, 0.823, 1.624, 20.95, 6.385, 1.277, 21.37, 23.42],
      [19, 0.912, 0.0359, 0.653, 1.288, 26.41, 8.051, 1.6102, 26.94, 29.53],
      [20, 0.812, 0.032, 0.518, 1.022, 33.31, 10.152, 2.0305, 33.97, 37.24],
      [21, 0.723, 0.0285, 0.41, 0.81, 42.0, 12.802, 2.5604, 42.84, 46.95],
      [22, 0.644, 0.0253, 0.326, 0.642, 52.96, 16.143, 3.2286, 54.02, 59.21],
      [23, 0.573, 0.0226, 0.258, 0.509, 66.78, 20.356, 4.0712, 68.12, 74.66],
      [24, 0.511, 0.0201, 0.205, 0.404, 84.21, 25.668, 5.1336, 85.9, 94.14],
      [25, 0.455, 0.0179, 0.162, 0.32, 106.19, 32.367, 6.4734, 108.31, 118.71],
      [26, 0.405, 0.0159, 0.129, 0.254, 133.9, 40.814, 8.1628, 136.58, 149.69],
    ];
    for (const [gaugeAwg, mm, inch, mm2, kcmil, perKm, perKft, loop, lay, hot] of WIRES)
      it(`${gaugeAwg} AWG`, () => {
        const size = answer('wire-sizes', { gaugeAwg });
        const solid = answer('wire-resistance', { gaugeAwg, stranded: false }).ohmPerKm;
        expect(printed(size.diameterMm, 3)).to.equal(mm);
        expect(printed(size.diameterMm / 25.4, 4)).to.equal(inch);
        expect(printed(size.areaMm2, 3)).to.equal(mm2);
        expect(printed(size.kcmil, 3)).to.equal(kcmil);
        expect(printed(solid, 2)).to.equal(perKm);
        expect(printed(solid * FOOT_M, 3)).to.equal(perKft);
        expect(printed((solid * FOOT_M) / 5, 4)).to.equal(loop);
        expect(printed(answer('wire-resistance', { gaugeAwg }).ohmPerKm, 2)).to.equal(lay);
        // Of the hot ones the table was made from rounded figures: the last digit may differ.
        expect(answer('wire-resistance', { gaugeAwg, stranded: false, temperatureC: 50 }).ohmPerKm).to.be.closeTo(hot, 0.0051);
      });

    it('metric conductors at their greatest resistance', () => {
      for (const [areaMm2, solid, flexible] of [
        [0.5, 36.0, 39.0],
        [0.75, 24.5, 26.0],
        [1.0, 18.1, 19.5],
        [1.5, 12.1, 13.3],
        [2.5, 7.41, 7.98],
        [4, 4.61, 4.95],
        [6, 3.08, 3.3],
        [10, 1.83, 1.91],
      ])
        expect(answer('wire-sizes', { areaMm2 }), `${areaMm2} mm2`).to.include({
          nextMetricMm2: areaMm2,
          solidMostOhmPerKm: solid,
          flexibleMostOhmPerKm: flexible,
        });
    });

    it('gauges in the mains of Europe: the next larger (2.1)', () => {
      for (const [gaugeAwg, mm2] of [
        [16, 1.5],
        [14, 2.5],
        [12, 4],
      ])
        expect(answer('wire-sizes', { gaugeAwg }).nextMetricMm2).to.equal(mm2);
    });
  });

  describe('1.2 bend and pull', () => {
    it('of every kind of cable', () => {
      for (const [kind, outsideMm, radiusMm] of [
        ['speaker', 7.2, 36],
        ['speaker', 8.4, 42],
        ['speaker', 10.2, 51],
        ['speaker', 8.6, 43],
        ['cat', 7.8, 31.2],
        ['cat', 7.4, 29.6],
        ['cat-pulling', 6.1, 48.8],
        ['coax', 6.1, 61],
        ['coax', 6.9, 69],
        ['coax', 7.6, 76],
        ['coax', 10.3, 103],
        ['control', 5.6, 28],
        ['control', 6.4, 32],
        ['control', 3.6, 18],
        ['fibre', 4.0, 40],
        ['fibre-pulling', 4.0, 80],
      ] as const)
        expect(
          printed(answer('bend-radius', { kind, outsideM: outsideMm / 1000 }).radiusM * 1000, 4),
          `${kind} ${outsideMm}`,
        ).to.equal(radiusMm);
      expect(answer('bend-radius', { kind: 'cat', outsideM: 0.0052, inBox: true }).radiusM).to.equal(0.025);
    });

    it('fifty newtons for each square millimetre of copper', () => {
      for (const [gaugeAwg, conductors, newtons] of [
        [16, 2, 131],
        [14, 2, 208],
        [12, 2, 331],
        [16, 4, 262],
        [14, 4, 416],
        [18, 2, 82],
        [18, 4, 165],
        [22, 2, 33],
        [22, 4, 65],
        [16, 6, 393],
      ])
        expect(printed(answer('pull-limit', { gaugeAwg, conductors }).mostN, 0), `${conductors} x ${gaugeAwg}`).to.equal(newtons);
      expect(answer('pull-limit', { fourPair: true }).mostN).to.equal(110);
    });
  });

  describe('2.1 speaker cable', () => {
    const LOADS = [4, 6, 8];
    for (const [gaugeAwg, loopPerM, ...lengths] of [
      [12, 0.01063, 18.8, 13.2, 28.2, 19.8, 37.6, 26.4],
      [14, 0.0169, 11.8, 8.3, 17.7, 12.5, 23.7, 16.6],
      [16, 0.02688, 7.4, 5.2, 11.2, 7.8, 14.9, 10.5],
      [18, 0.04273, 4.7, 3.3, 7.0, 4.9, 9.4, 6.6],
    ])
      it(`${gaugeAwg} AWG reaches as far as the table says, for 5 % and for 0.3 dB`, () => {
        const loss = (lengthM: number) => answer('speaker-cable-loss', { gaugeAwg, lengthM, loadOhm: 8 }).loopOhm;
        expect(printed(loss(1), 5)).to.equal(loopPerM);
        LOADS.forEach((loadOhm, n) => {
          const longest = (lossLimitDb: number) =>
            answer('speaker-cable-gauge', { lengthM: 1, loadOhm, lossLimitDb }).longestM[gaugeAwg];
          expect(printed(longest(20 * Math.log10(1.05)), 1), `${loadOhm} ohm, 5 %`).to.equal(lengths[2 * n]);
          expect(printed(longest(0.3), 1), `${loadOhm} ohm, 0.3 dB`).to.equal(lengths[2 * n + 1]);
          // What reaches just so far is the thinnest there, and loses just what it may.
          const at = longest(0.3);
          expect(answer('speaker-cable-loss', { gaugeAwg, lengthM: at, loadOhm }).lossDb).to.be.closeTo(0.3, 1e-9);
          expect(answer('speaker-cable-gauge', { lengthM: at, loadOhm, lossLimitDb: 0.3 }).gaugeAwg).to.equal(gaugeAwg);
        });
      });
  });

  describe('2.2 lines of constant voltage', () => {
    for (const [gaugeAwg, ...lengths] of [
      [12, 557, 279, 139, 1115, 557, 279],
      [14, 350, 175, 88, 701, 351, 175],
      [16, 220, 110, 55, 441, 220, 110],
      [18, 139, 69, 35, 277, 139, 69],
    ])
      it(`${gaugeAwg} AWG`, () => {
        [70.7, 100].forEach((lineV, row) =>
          [50, 100, 200].forEach((watts, column) =>
            expect(
              answer('constant-voltage', { gaugeAwg, lineV, tapsW: [watts], lengthM: 0 }).longestM,
              `${lineV} V ${watts} W`,
            ).to.be.closeTo(lengths[3 * row + column], 0.6),
          ),
        );
      });
  });

  describe('3 data, power over it, direct current', () => {
    it('3.1: how far each category carries each rate', () => {
      const reach = (category: string, rateGbps: string) => {
        const outcome = runCalculator('data-link', { category, rateGbps, lengthM: 1 });
        return outcome.ok ? (outcome.value as { channelM: number }).channelM : outcome.problem.kind;
      };
      for (const [category, ...lengths] of [
        ['5e', 100, 100, 50, 'infeasible', 'infeasible'],
        ['6', 100, 100, 100, 37, 'infeasible'],
        ['6a', 100, 100, 100, 100, 'infeasible'],
        ['7', 100, 100, 100, 100, 'infeasible'],
        ['7a', 100, 100, 100, 100, 'infeasible'],
        ['8', 100, 100, 100, 100, 30],
      ] as const)
        ['1', '2.5', '5', '10', '25'].forEach((rate, n) =>
          expect(reach(category, rate), `${category} at ${rate}`).to.equal(lengths[n]),
        );
      expect(reach('om3', '10')).to.equal(300);
      expect(reach('om4', '10')).to.equal(400);
      expect(reach('os2', '10')).to.equal(10_000);
    });

    it('3.1: a warm link is shorter', () => {
      for (const [temperatureC, screened, longestM] of [
        [20, false, 90],
        [30, false, 90 / 1.04],
        [40, false, 90 / 1.08],
        [50, false, 90 / 1.14],
        [60, false, 90 / 1.2],
        [40, true, 90 / 1.04],
        [60, true, 90 / 1.08],
        [0, false, 90],
      ] as const)
        expect(
          answer('data-link', { category: '6', lengthM: 1, temperatureC, screened }).longestM,
          `${temperatureC} C`,
        ).to.be.closeTo(longestM, 1e-9);
    });

    it('3.2: classes of power', () => {
      for (const [poeClass, sourceW, deviceW, ohm, checkW] of [
        [1, 4, 3.84, 20, 3.83],
        [2, 7, 6.49, 20, 6.49],
        [3, 15.4, 12.95, 20, 12.95],
        [0, 15.4, 12.95, 20, 12.95],
        [4, 30, 25.5, 12.5, 25.5],
        [5, 45, 40, 12.5, 39.94],
        [6, 60, 51, 12.5, 51],
        [7, 75, 62, 12.5, 62],
        [8, 90, 71.3, 12.5, 71.28],
      ]) {
        const at = answer('poe-link', { poeClass, lengthM: 100, ohmPerM: ohm / 100 });
        expect(at, `class ${poeClass}`).to.include({ classSourceW: sourceW, guaranteedW: deviceW });
        expect(at.classDeviceW, `class ${poeClass}`).to.be.closeTo(checkW, 0.006);
      }
    });

    it('3.3: the longest feeds', () => {
      const FEEDS = [
        [12, 0.3, 0.1],
        [12, 1, 0.05],
        [15, 0.3, 0.1],
        [24, 2, 0.1],
        [24, 3, 0.05],
        [24, 4, 0.03],
      ];
      for (const [gaugeAwg, ...lengths] of [
        [12, 383.8, 57.6, 479.8, 115.1, 38.4, 17.3],
        [14, 241.4, 36.2, 301.7, 72.4, 24.1, 10.9],
        [16, 151.8, 22.8, 189.8, 45.5, 15.2, 6.8],
        [18, 95.5, 14.3, 119.3, 28.6, 9.5, 4.3],
        [22, 37.8, 5.7, 47.2, 11.3, 3.8, 1.7],
        [23, 29.9, 4.5, 37.4, 9.0, 3.0, 1.3],
        [24, 23.7, 3.6, 29.7, 7.1, 2.4, 1.1],
      ])
        FEEDS.forEach(([supplyV, currentA, allowedFraction], n) =>
          expect(
            printed(answer('dc-drop', { gaugeAwg, supplyV, currentA, allowedFraction, lengthM: 0 }).longestM, 1),
            `${gaugeAwg} AWG at ${supplyV} V ${currentA} A`,
          ).to.be.closeTo(lengths[n], 0.051),
        );
    });

    it('3.3: the drop that each kind of load may have', () => {
      for (const [load, share] of [
        ['camera', 0.1],
        ['camera-ir', 0.05],
        ['keypad', 0.1],
        ['shade', 0.1],
        ['led', 0.03],
        ['panel', 0.1],
      ] as const) {
        const longestM = answer('dc-drop', { gaugeAwg: 18, supplyV: 24, currentA: 1, load, lengthM: 0 }).longestM;
        const allowed = answer('dc-drop', {
          gaugeAwg: 18,
          supplyV: 24,
          currentA: 1,
          allowedFraction: share,
          lengthM: 0,
        }).longestM;
        expect(longestM, load).to.be.closeTo(allowed, 1e-9);
      }
    });
  });

  describe('4 pictures', () => {
    it('what each format needs', () => {
      for (const [what, input, gbps, linkClass] of [
        ['1080p60', { pixelClockMhz: 148.5 }, 4.455, 10.2],
        ['4K30', { pixelClockMhz: 297 }, 8.91, 10.2],
        ['4K60 4:2:0 8', { pixelClockMhz: 594, chroma: '420' }, 8.91, 10.2],
        ['4K60 4:2:0 10', { pixelClockMhz: 594, chroma: '420', bits: 10 }, 11.1375, 18],
        ['4K60 8', { pixelClockMhz: 594 }, 17.82, 18],
        ['4K60 4:2:2 12', { pixelClockMhz: 594, chroma: '422', bits: 12 }, 17.82, 18],
        ['4K60 10', { pixelClockMhz: 594, bits: 10 }, 22.275, 24],
      ] as const) {
        const at = answer('picture-rate', input);
        expect(at.tmdsGbps, what).to.be.closeTo(gbps, 1e-9);
        expect(at.linkClassGbps, what).to.equal(linkClass);
      }
    });

    it('how far each path carries them', () => {
      const longest = (path: string, linkClassGbps: string) => {
        const outcome = runCalculator('picture-reach', { path, linkClassGbps, lengthM: 1 });
        return outcome.ok ? (outcome.value as { longestM: number }).longestM : outcome.problem.kind;
      };
      for (const [path, ten, eighteen, fortyEight] of [
        ['passive', 10, 5, 3],
        ['passive-24awg', 10, 7.5, 5],
        ['active-copper', 15, 10, 5],
        ['active-optical', 100, 50, 30],
        ['extender', 100, 70, 'defer'],
      ] as const)
        expect([longest(path, '10.2'), longest(path, '18'), longest(path, '48')], path).to.deep.equal([
          ten,
          eighteen,
          fortyEight,
        ]);
    });
  });

  describe('5 coax', () => {
    const MHZ = [55, 211, 400, 550, 750, 1000, 1450, 2150];
    for (const [kind, per100Ft, per30M] of [
      ['rg59', [2.05, 3.8, 5.1, 5.95, 6.97, 8.12, 9.9, 12.2], [2.02, 3.74, 5.02, 5.86, 6.86, 7.99, 9.74, 12.01]],
      ['rg6', [1.6, 3.05, 4.15, 4.9, 5.65, 6.55, 8.0, 9.9], [1.57, 3.0, 4.08, 4.82, 5.56, 6.45, 7.87, 9.74]],
      ['rg11', [0.96, 1.9, 2.6, 3.04, 3.65, 4.35, 5.4, 6.7], [0.94, 1.87, 2.56, 2.99, 3.59, 4.28, 5.31, 6.59]],
    ] as const)
      it(`${kind} at every frequency of the table`, () => {
        MHZ.forEach((frequencyMhz, n) => {
          expect(answer('coax-loss', { kind, frequencyMhz, lengthM: 100 * FOOT_M }).lossDb, `${frequencyMhz}`).to.be.closeTo(
            per100Ft[n],
            1e-9,
          );
          expect(answer('coax-loss', { kind, frequencyMhz, lengthM: 30 }).lossDb, `${frequencyMhz}`).to.be.closeTo(
            per30M[n],
            0.0051,
          );
        });
      });

    it('5.1: between two of them on a straight line of logarithms, and lower than 55 MHz as there', () => {
      const loss = (frequencyMhz: number) => answer('coax-loss', { kind: 'rg6', frequencyMhz, lengthM: 30 }).lossDb;
      const middle = Math.sqrt(211 * 400);
      expect(loss(middle)).to.be.closeTo(Math.sqrt(loss(211) * loss(400)), 1e-9);
      expect(loss(5)).to.equal(loss(55));
      for (const frequencyMhz of [4.9, 2151])
        expect(runCalculator('coax-loss', { kind: 'rg6', frequencyMhz, lengthM: 1 }).ok).to.equal(false);
    });

    it('5.2: what splitters are planned at', () => {
      for (const [outputs, ideal, low, high] of [
        [2, 3.01, 4.0, 5.0],
        [4, 6.02, 7.5, 9.5],
        [8, 9.03, 11.5, 14],
      ]) {
        expect(printed(answer('splitter-loss', { outputs, frequencyMhz: 500 }).idealDb, 2)).to.equal(ideal);
        expect(answer('splitter-loss', { outputs, frequencyMhz: 500 }).plannedDb).to.equal(low);
        expect(answer('splitter-loss', { outputs, frequencyMhz: 1500 }).plannedDb).to.equal(high);
      }
    });

    it('5.3: windows at the outlet, on the limit and beyond it', () => {
      for (const [service, minDbuv, maxDbuv] of [
        ['cable-modem', 45, 75],
        ['analogue-catv', 60, 75],
        ['off-air-8vsb', 26, 100],
        ['off-air-cofdm', 47, 74],
        ['dvb-c', 54, 74],
        ['fm', 50, 70],
        ['satellite-if', 47, 77],
      ] as const) {
        const highestMhz = service === 'satellite-if' ? 2150 : 500;
        const fits = (sourceDbuv: number) => answer('outlet-level', { service, sourceDbuv, lowestMhz: 100, highestMhz }).ok;
        expect([minDbuv - 0.1, minDbuv, maxDbuv, maxDbuv + 0.1].map(fits), service).to.deep.equal([false, true, true, false]);
      }
    });

    it('units of level at 75 ohm', () => {
      for (const [level, unit, dbuv, dbmv, dbm] of [
        [60, 'dBuV', 60, 0, -48.75],
        [-7, 'dBmV', 53, -7, -55.75],
        [-83, 'dBm', 25.75, -34.25, -83],
      ] as const) {
        const at = answer('level-units', { level, unit });
        expect([at.dbuv, at.dbmv, at.dbm].map((value) => printed(value, 6))).to.deep.equal([dbuv, dbmv, dbm]);
      }
    });
  });

  describe('6 conduits', () => {
    const CONDUITS: readonly (readonly number[])[] = [
      // inside mm, area mm2, 53 %, 31 %, 40 %, Category 6 at most, Category 6A at most
      [19.0, 284, 150, 88, 113, 3, 1],
      [25.0, 491, 260, 152, 196, 6, 4],
      [33.5, 881, 467, 273, 353, 12, 7],
      [39.5, 1225, 649, 380, 490, 16, 10],
      [51.0, 2043, 1083, 633, 817, 27, 17],
      [15.8, 196, 104, 61, 78, 2, 1],
      [20.9, 344, 182, 107, 138, 4, 2],
      [26.6, 557, 295, 173, 223, 7, 4],
      [35.0, 965, 511, 299, 386, 13, 8],
      [40.9, 1313, 696, 407, 525, 17, 10],
      [52.5, 2165, 1147, 671, 866, 29, 18],
      [14.1, 156, 83, 48, 62, 1, 1],
      [18.3, 263, 139, 82, 105, 3, 1],
      [24.3, 464, 246, 144, 186, 6, 3],
      [31.2, 765, 405, 237, 306, 10, 6],
      [39.6, 1232, 653, 382, 493, 16, 10],
      [50.6, 2011, 1066, 623, 804, 27, 16],
    ];
    for (const [insideMm, area, one, two, more, cat6, cat6a] of CONDUITS)
      it(`of ${insideMm} mm`, () => {
        const insideM = insideMm / 1000;
        const areaMm2 = (Math.PI / 4) * insideMm ** 2;
        // Areas of steel conduit come from inches.
        expect(areaMm2).to.be.closeTo(area, 3.2);
        const limit = (count: number) =>
          answer('conduit-fill', { diametersM: Array(count).fill(0.001), insideM }).limit * areaMm2;
        // Shares of rounded areas: the last digit may differ.
        expect(limit(1)).to.be.closeTo(one, 1.8);
        expect(limit(2)).to.be.closeTo(two, 1.8);
        expect(limit(3)).to.be.closeTo(more, 1.8);
        for (const [diameterM, max] of [
          [0.0061, cat6],
          [0.0078, cat6a],
        ]) {
          const fits = (count: number) => answer('conduit-fill', { diametersM: Array(count).fill(diameterM), insideM }).fits;
          expect(fits(max), `${max} of ${diameterM}`).to.equal(true);
          expect(fits(max + 1), `${max + 1} of ${diameterM}`).to.equal(false);
          expect(answer('conduit-fill', { diametersM: [diameterM], insideM, moreOfM: diameterM }).roomFor).to.equal(max - 1);
        }
      });

    it('4: bundles of equal cables, and the conduit for a plug beside them', () => {
      for (const [count, times] of [
        [1, 1],
        [2, 2],
        [3, 2.155],
        [4, 2.414],
        [5, 2.701],
        [6, 3],
        [7, 3],
        [8, 1.21 * Math.sqrt(8)],
        [25, 6.05],
      ])
        expect(answer('bundle-diameter', { diametersM: Array(count).fill(0.01) }).diameterM, `${count}`).to.be.closeTo(
          times * 0.01,
          1e-9,
        );
    });
  });

  describe('7.1 separation', () => {
    const SHARES = [
      ['none', [300, 100, 50, 10]],
      ['open-metal', [225, 75, 38, 8]],
      ['perforated-metal', [150, 50, 25, 5]],
      ['solid-metal', [0, 0, 0, 0]],
    ] as const;
    const CIRCUITS = [
      [1, 3, 0.2],
      [4, 6, 0.4],
      [7, 9, 0.6],
      [10, 12, 0.8],
      [13, 15, 1],
      [16, 30, 2],
      [31, 45, 3],
      [46, 60, 4],
      [61, 75, 5],
      [76, 200, 6],
    ];
    for (const [divider, distances] of SHARES)
      it(`with ${divider} between, for every class and count of circuits`, () => {
        (['a', 'b', 'c', 'd'] as const).forEach((cableClass, n) => {
          for (const [from, to, factor] of CIRCUITS)
            for (const circuits of [from, to])
              expect(
                answer('separation', { jurisdiction: 'EU', cableClass, divider, circuits }).computedM,
                `${cableClass} ${circuits}`,
              ).to.be.closeTo((distances[n] * factor) / 1000, 1e-12);
        });
      });
  });

  describe('7.2 boring and notching', () => {
    const inch = 0.0254;
    it('studs of 2x4 and 2x6', () => {
      for (const [depthIn, bearing, plain, notch, plainNotch, unplated] of [
        [3.5, 1.4, 2.1, 0.875, 1.4, 1.0],
        [5.5, 2.2, 3.3, 1.375, 2.2, 3.0],
      ]) {
        const depthM = depthIn * inch;
        expect(answer('bore-limit', { depthM }).mostM / inch).to.be.closeTo(bearing, 1e-9);
        expect(answer('bore-limit', { depthM, bearing: false }).mostM / inch).to.be.closeTo(plain, 1e-9);
        const notchOf = (isBearing: boolean) =>
          answer('notch-limit', { member: 'stud', depthM, notchM: 0.001, bearing: isBearing }).mostM / inch;
        expect(notchOf(true)).to.be.closeTo(notch, 1e-9);
        expect(notchOf(false)).to.be.closeTo(plainNotch, 1e-9);
        const plates = (holeIn: number) => answer('bore-limit', { depthM, bearing: false, holeM: holeIn * inch }).nailPlates;
        expect([plates(unplated), plates(unplated + 0.01)]).to.deep.equal([false, true]);
      }
    });

    it('joists of 2x6 to 2x12', () => {
      for (const [depthIn, bore, notch, end] of [
        [5.5, 1.5, 5.5 / 6, 5.5 / 4],
        [7.25, 7.25 / 3, 7.25 / 6, 7.25 / 4],
        [9.25, 9.25 / 3, 9.25 / 6, 9.25 / 4],
        [11.25, 11.25 / 3, 11.25 / 6, 11.25 / 4],
      ]) {
        const depthM = depthIn * inch;
        expect(answer('bore-limit', { member: 'joist', depthM }).mostM / inch, `${depthIn}`).to.be.closeTo(bore, 1e-9);
        const notchAt = (fromSupportM: number) =>
          answer('notch-limit', { depthM, notchM: 0.001, spanM: 4, fromSupportM }).mostM / inch;
        expect(notchAt(0.5), `${depthIn}`).to.be.closeTo(notch, 1e-9);
        expect(notchAt(0), `${depthIn}`).to.be.closeTo(end, 1e-9);
      }
    });

    it('a hole of one inch holds six of Category 6', () => {
      const fits = (count: number) => answer('hole-fill', { diametersM: Array(count).fill(0.0061), holeM: inch }).ok;
      expect([fits(6), fits(7)]).to.deep.equal([true, false]);
    });
  });

  describe('8 places of devices', () => {
    it('8.1: heights by kind and region, on their limits', () => {
      for (const [kind, jurisdiction, minM, maxM] of [
        ['keypad', 'NA', 1.067, 1.22],
        ['keypad', 'EU', 0.9, 1.2],
        ['outlet', 'NA', 0.3, 0.45],
        ['display', 'NA', 1.07, 1.2],
        ['bedroom-display', 'NA', 1.35, 1.5],
        ['kitchen-display', 'NA', 1.45, 1.6],
        ['outdoor-camera', 'NA', 2.4, 3.0],
        ['indoor-camera', 'NA', 2.1, 2.4],
        ['motion', 'NA', 2.1, 2.3],
        ['surround', 'NA', 1.1, 1.6],
        ['surround-wide', 'NA', 1.7, 2.0],
      ] as const) {
        const at = (heightM: number) => answer('device-height', { kind, jurisdiction, heightM });
        expect(at(minM), `${kind} ${jurisdiction}`).to.include({ leastM: minM, mostM: maxM, ok: true });
        expect([at(minM - 0.01).ok, at(maxM).ok, at(maxM + 0.01).ok], `${kind} ${jurisdiction}`).to.deep.equal([
          false,
          true,
          false,
        ]);
      }
    });

    it('8.3: discs of ceiling speakers', () => {
      for (const [ceilingM, seated, seatedPitch, standing, standingPitch] of [
        [2.44, 2.88, 2.04, 1.68, 1.19],
        [2.74, 3.48, 2.46, 2.28, 1.61],
        [3.05, 4.1, 2.9, 2.9, 2.05],
        [3.66, 5.32, 3.76, 4.12, 2.91],
        [4.27, 6.54, 4.62, 5.34, 3.78],
      ]) {
        const sitting = answer('ceiling-coverage', { ceilingM });
        const upright = answer('ceiling-coverage', { ceilingM, earM: 1.6 });
        expect([sitting.discM, sitting.pitchM, upright.discM, upright.pitchM].map((value) => printed(value, 2))).to.deep.equal([
          seated,
          seatedPitch,
          standing,
          standingPitch,
        ]);
      }
    });
  });
});
