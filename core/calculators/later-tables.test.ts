import { expect } from 'chai';
import { answer, printed } from '../testing/index.ts';
import { runCalculator } from './list.ts';

const kindOf = (name: string, input: object) => {
  const outcome = runCalculator(name, input);
  return outcome.ok ? 'answered' : outcome.problem.kind;
};

describe('the tables of the later sections, cell by cell', () => {
  describe('9.1 screens', () => {
    const ANGLES = [30, 36, 40, 45, 50, 55, 60];
    for (const [aspect, width, height, ...distances] of [
      [16 / 9, 0.8716, 0.4903, 1.626, 1.341, 1.197, 1.052, 0.935, 0.837, 0.755],
      [1.85, 0.8797, 0.4755, 1.642, 1.354, 1.208, 1.062, 0.943, 0.845, 0.762],
      [2.35, 0.9202, 0.3916, 1.717, 1.416, 1.264, 1.111, 0.987, 0.884, 0.797],
      [2.37, 0.9213, 0.3888, 1.719, 1.418, 1.266, 1.112, 0.988, 0.885, 0.798],
      [2.4, 0.9231, 0.3846, 1.722, 1.42, 1.268, 1.114, 0.99, 0.887, 0.799],
    ])
      it(`of ${aspect.toFixed(2)} to 1, for each angle`, () => {
        const { widthM, heightM } = answer('screen-size', { diagonalM: 1, aspect });
        expect(printed(widthM, 4)).to.equal(width);
        expect(printed(heightM, 4)).to.equal(height);
        ANGLES.forEach((wantedDeg, n) =>
          expect(answer('viewing-angle', { widthM, distanceM: 1, wantedDeg }).distanceForM, `${wantedDeg}`).to.be.closeTo(
            distances[n],
            0.00051,
          ),
        );
      });

    it('the distance over the width does not depend on the shape', () => {
      for (const [wantedDeg, ratio] of [
        [30, 1.866],
        [36, 1.539],
        [40, 1.374],
        [45, 1.207],
        [50, 1.072],
        [55, 0.96],
        [60, 0.866],
      ])
        expect(printed(answer('viewing-angle', { widthM: 1, distanceM: 1, wantedDeg }).distanceForM, 3)).to.equal(ratio);
    });

    it('F9.3: where pixels are no longer seen', () => {
      for (const [pixelsAcross, times] of [
        [1920, 1.79],
        [3840, 0.895],
        [7680, 0.448],
      ])
        expect(answer('viewing-angle', { widthM: 1, distanceM: 1, pixelsAcross }).acuityM).to.be.closeTo(times, 0.0006);
    });
  });

  describe('10 sound', () => {
    it('F10.2: a metre is 2.914 ms at 20 degrees, and farther speakers wait for none', () => {
      const { delaysMs, trimsDb } = answer('speaker-delays', { distancesM: [4, 3, 2] }) as unknown as {
        delaysMs: number[];
        trimsDb: number[];
      };
      expect(delaysMs.map((ms) => printed(ms, 3))).to.deep.equal([0, 2.914, 5.828]);
      expect(trimsDb.map((db) => printed(db, 2))).to.deep.equal([0, -2.5, -6.02]);
    });

    it('F10.7: the first modes of a room by hand', () => {
      const room = { lengthM: 6, widthM: 4.4, heightM: 2.5 };
      for (const [order, hz, kind] of [
        [[1, 0, 0], 343.2 / 12, 'axial'],
        [[0, 1, 0], 343.2 / 8.8, 'axial'],
        [[0, 0, 1], 343.2 / 5, 'axial'],
        [[1, 1, 0], 171.6 * Math.hypot(1 / 6, 1 / 4.4), 'tangential'],
        [[2, 0, 0], 343.2 / 6, 'axial'],
        [[1, 1, 1], 171.6 * Math.hypot(1 / 6, 1 / 4.4, 1 / 2.5), 'oblique'],
      ] as const) {
        const at = answer('room-mode', { ...room, order });
        expect(at.hz, order.join()).to.be.closeTo(hz, 1e-9);
        expect(at.kind, order.join()).to.equal(kind);
      }
    });
  });

  describe('11 fixings', () => {
    it('overhead tenfold, on a wall fivefold, on the limit and beyond it', () => {
      for (const [massKg, overhead, newtons] of [
        [1, true, 98.0665],
        [12, true, 1176.798],
        [12, false, 588.399],
        [45, false, 2206.49625],
      ] as const) {
        expect(answer('fixing-load', { massKg, overhead }).requiredN).to.be.closeTo(newtons, 1e-6);
        expect(answer('fixing-load', { massKg, overhead, ratedN: newtons }).ok).to.equal(true);
        const below = runCalculator('fixing-load', { massKg, overhead, ratedN: newtons * 0.99 });
        expect(below.ok ? below.value : { ok: false }).to.include({ ok: false });
      }
      expect(kindOf('fixing-load', { massKg: 5, overhead: true, factor: 4.99 })).to.equal('prohibited');
      expect(kindOf('fixing-load', { massKg: 5, overhead: true, factor: 5 })).to.equal('answered');
    });

    it('lag screws in every wood', () => {
      for (const [wood, gravity] of [
        ['spruce-pine-fir', 0.42],
        ['douglas-fir-larch', 0.5],
        ['southern-pine', 0.55],
      ] as const)
        for (const inches of [0.25, 0.3125, 0.375])
          expect(
            answer('lag-screw', { diameterM: inches * 0.0254, threadM: 0.0508, wood }).lbfPerIn,
            `${wood} ${inches}`,
          ).to.be.closeTo(1800 * gravity ** 1.5 * inches ** 0.75, 1e-9);
    });
  });

  describe('12 cameras', () => {
    it('bands, whose least density belongs to them', () => {
      // N·f/(w·d) with f/w = 1: so many pixels at one metre are so many a metre.
      const band = (pxPerM: number) =>
        answer('camera-density', { sensorWidthMm: 4, focalMm: 4, pixelsAcross: 4000, distanceM: 4000 / pxPerM }).band;
      for (const [name, min] of [
        ['monitor', 12.5],
        ['detect', 25],
        ['observe', 62.5],
        ['recognise', 125],
        ['identify', 250],
        ['inspect', 1000],
      ] as const) {
        expect(band(min), name).to.equal(name);
        expect(band(min * 0.99), name).not.to.equal(name);
      }
      expect(band(12)).to.equal('none');
    });

    it('sensors by their format, by hand', () => {
      for (const [widthMm, focalMm, fieldDeg] of [
        [3.6, 2.8, 65.47],
        [4.8, 2.8, 81.2],
        [5.57, 4, 69.69],
        [5.37, 3.6, 73.42],
        [6.4, 8, 43.6],
        [7.68, 12, 35.49],
        [8.8, 16, 30.75],
      ])
        expect(
          printed(answer('camera-density', { sensorWidthMm: widthMm, focalMm, pixelsAcross: 2560, distanceM: 10 }).fieldDeg, 2),
        ).to.be.closeTo(fieldDeg, 0.011);
    });

    it('F12.3: what lies below it is not seen', () => {
      const at = (tiltDeg: number) =>
        answer('camera-density', { fieldDeg: 80, verticalDeg: 45, tiltDeg, mountM: 3, pixelsAcross: 2560, distanceM: 10 });
      expect(at(30).deadZoneM).to.be.closeTo(3 / Math.tan((52.5 * Math.PI) / 180), 1e-9);
      expect(at(30).farthestM).to.be.closeTo(3 / Math.tan((7.5 * Math.PI) / 180), 1e-9);
      expect(at(70).deadZoneM).to.equal(0);
    });
  });

  describe('13 radio', () => {
    it('F13.6: what a channel of each width hears of heat', () => {
      for (const [bandwidthMhz, dbm] of [
        [20, -94],
        [40, -91],
        [80, -88],
        [160, -85],
        [320, -82],
      ])
        expect(answer('path-loss', { distanceM: 1, frequencyMhz: 5500, bandwidthMhz }).noiseDbm, `${bandwidthMhz}`).to.be.closeTo(
          dbm,
          0.06,
        );
    });

    it('F13.3: floors, the second one counting less than twice', () => {
      const floors = (count: number) =>
        answer('path-loss', { distanceM: 10, frequencyMhz: 2450, floors: count, floorDb: 5 }).floorsDb;
      expect(floors(0)).to.equal(0);
      expect(floors(1)).to.be.closeTo(5 * 1, 1e-9);
      expect(floors(2)).to.be.closeTo(5 * 2 ** (4 / 3 - 0.46), 1e-9);
    });

    it('F13.2: by hand at 10 m and 2.4 GHz', () => {
      const at = answer('path-loss', { distanceM: 10, frequencyMhz: 2400, coefficient: 28, floors: 1, floorDb: 5 });
      expect(at.p1238Db).to.be.closeTo(20 * Math.log10(2400) + 28 + 5 - 28, 1e-9);
      const walls = answer('path-loss', { distanceM: 10, frequencyMhz: 5500, wallsDb: [4, 10] });
      expect(walls.wallsDb - walls.freeDb).to.be.closeTo(14, 1e-9);
    });
  });

  describe('14 shades', () => {
    it('F14.6: how far a motor may stand', () => {
      for (const [gaugeAwg, ...lengths] of [
        [12, 151, 113, 75, 75],
        [14, 95, 71, 47, 47],
        [16, 60, 45, 30, 30],
        [18, 37, 28, 19, 19],
      ])
        [
          [24, 1.5],
          [24, 2],
          [24, 3],
          [12, 1.5],
        ].forEach(([supplyV, currentA], n) =>
          expect(
            answer('dc-drop', { gaugeAwg, stranded: true, supplyV, currentA, load: 'shade', lengthM: 0 }).longestM,
            `${gaugeAwg} AWG ${supplyV} V ${currentA} A`,
          ).to.be.closeTo(lengths[n], 0.9),
        );
    });

    it('F14.1: a roll by hand, lined ones a twentieth thicker', () => {
      for (const [tubeM, fabricM, lengthM] of [
        [0.038, 0.0004, 2],
        [0.05, 0.0006, 3],
        [0.063, 0.0009, 4],
      ]) {
        expect(answer('shade-roll', { tubeM, fabricM, lengthM }).diameterM).to.be.closeTo(
          Math.sqrt(tubeM ** 2 + (4 * fabricM * lengthM) / Math.PI),
          1e-12,
        );
        expect(answer('shade-roll', { tubeM, fabricM, lengthM, lined: true }).diameterM).to.be.closeTo(
          Math.sqrt(tubeM ** 2 + (4 * 1.05 * fabricM * lengthM) / Math.PI),
          1e-12,
        );
      }
    });
  });

  describe('15 rack', () => {
    it('F15.6: what circuits bear all the time', () => {
      for (const [volts, breakerA, va] of [
        [120, 15, 1440],
        [120, 20, 1920],
        [240, 20, 3840],
        [230, 16, 2944],
      ])
        expect(answer('circuit-load', { volts, breakerA, watts: 100 }).mostVa).to.be.closeTo(va, 1e-9);
      expect(answer('circuit-load', { volts: 120, breakerA: 15, watts: 1440 }).ok).to.equal(true);
      expect(answer('circuit-load', { volts: 120, breakerA: 15, watts: 1200, powerFactor: 0.8 }).va).to.equal(1500);
    });

    it('F15.2: a quarter more positions, in boards of 24', () => {
      for (const [runs, ports, boards] of [
        [0, 0, 0],
        [1, 2, 1],
        [19, 24, 1],
        [20, 25, 2],
        [38, 48, 2],
        [100, 125, 6],
      ])
        expect(answer('patch-ports', { runs }), `${runs}`).to.deep.include({ ports, boards });
    });

    it('F15.3 and F15.5: heat that air takes away', () => {
      for (const [watts, riseK] of [
        [300, 6],
        [600, 8],
        [1200, 10],
      ]) {
        const at = answer('rack-heat', { watts, riseK });
        expect(at.btuPerH).to.be.closeTo(3.41214 * watts, 1e-9);
        expect(at.airM3PerS).to.be.closeTo(watts / (1206 * riseK), 1e-12);
        expect(at.cfm).to.be.closeTo((1.757 * watts) / riseK, 0.02 * riseK);
      }
      expect(answer('rack-heat', { watts: 100, closetM2: 10, wallWPerM2K: 2, exhaustM3PerS: 0.02 }).closetRiseK).to.be.closeTo(
        100 / (20 + 24.12),
        1e-9,
      );
      expect(kindOf('rack-heat', { watts: 100, closetM2: 0 })).to.equal('infeasible');
    });

    it('F15.8: minutes of a battery', () => {
      expect(answer('ups-time', { batteryWh: 400, loadW: 150 }).minutes).to.be.closeTo((400 * 0.85 * 0.7 * 60) / 150, 1e-9);
      expect(answer('ups-time', { batteryWh: 400, loadW: 400, ratedW: 500 }).ok).to.equal(true);
      expect(answer('ups-time', { batteryWh: 400, loadW: 401, ratedW: 500 }).ok).to.equal(false);
    });
  });

  describe('16 and 18 lengths, spools, hours', () => {
    it('F16.6: staples, hooks and ties', () => {
      for (const [lengthM, staples, hooks, ties] of [
        [0, 4, 0, 0],
        [1.4, 5, 1, 2],
        [20, 19, 14, 17],
        [42, 34, 28, 35],
      ])
        expect(answer('cable-supports', { lengthM }), `${lengthM} m`).to.deep.equal({ staples, hooks, ties });
    });

    it('F16.2: three hundredths for the ends of reels, once', () => {
      expect(answer('order-length', { cutM: [10, 20, 30] })).to.deep.include({ sumM: 60 });
      expect(answer('order-length', { cutM: [10, 20, 30] }).orderM).to.be.closeTo(61.8, 1e-9);
    });

    it('F18.1: hours of every item in new work and in finished walls', () => {
      for (const [item, fresh, retrofit] of [
        ['pulls', 0.3, 1],
        ['furtherCables', 0.08, 0.25],
        ['holes', 0.03, 0.12],
        ['floors', 0.15, 0.75],
        ['boxes', 0.1, 0.35],
        ['nailPlates', 0.03, 0.05],
        ['conduitM', 0.08, 0.3],
        ['catEnds', 0.2, 0.2],
        ['coaxEnds', 0.1, 0.1],
        ['fireStops', 0.25, 0.35],
        ['labels', 0.03, 0.03],
      ] as const)
        for (const [construction, hours] of [
          ['new', fresh],
          ['retrofit', retrofit],
        ] as const)
          expect(answer('labour-hours', { construction, [item]: 10 }).hours, `${construction} ${item}`).to.be.closeTo(
            10 * hours,
            1e-9,
          );
      const some = answer('labour-hours', { pulls: 10, holes: 10, difficulty: 1.3 });
      // Difficulty on the pulls only; two people; a band of 40 %.
      expect(some.hours).to.be.closeTo(10 * 0.3 * 1.3 + 10 * 0.03, 1e-9);
      expect(some.elapsedHours).to.be.closeTo(some.hours / 2, 1e-9);
      expect([some.leastHours, some.mostHours].map((hours) => printed(hours / some.hours, 6))).to.deep.equal([0.6, 1.4]);
    });

    it('F18.2: margin and markup are two things', () => {
      const lines = [{ quantity: 4, unitCost: 25 }];
      expect(answer('price', { lines, marginFraction: 0.5 }).price).to.equal(200);
      expect(answer('price', { lines, markupFraction: 0.5 }).price).to.equal(150);
      expect(answer('price', { lines, markupFraction: 0.25 }).marginFraction).to.be.closeTo(0.2, 1e-12);
    });
  });

  describe('17 security', () => {
    it('F17.2: the longest loops of each gauge', () => {
      for (const gaugeAwg of [18, 20, 22, 24]) {
        const ohmPerM = answer('wire-resistance', { gaugeAwg, stranded: false }).ohmPerKm / 1000;
        expect(answer('contact-loop', { gaugeAwg }).longestM).to.be.closeTo(100 / (2 * ohmPerM), 1e-6);
        expect(answer('contact-loop', { gaugeAwg, limitOhm: 50 }).longestM).to.be.closeTo(25 / ohmPerM, 1e-6);
      }
    });

    it('F17.3: what a supervised loop reads', () => {
      for (const [kind, state, ohm, read] of [
        ['single', 'normal', 1000, 'normal'],
        ['single', 'short', 0, 'fault'],
        ['double', 'normal', 1000, 'normal'],
        ['double', 'alarm', 2000, 'alarm'],
      ] as const)
        expect(answer('end-of-line', { kind, state }), `${kind} ${state}`).to.include({ ohm, read });
      expect(answer('end-of-line', { kind: 'single', state: 'alarm' }).read).to.equal('alarm');
    });

    it('F17.4: ampere-hours with a quarter for age', () => {
      for (const [standbyA, standbyHours, alarmA, alarmMinutes] of [
        [0.08, 24, 1.2, 5],
        [0.15, 4, 0.8, 15],
        [0.05, 12, 0, 5],
      ])
        expect(answer('standby-battery', { standbyA, standbyHours, alarmA, alarmMinutes }).neededAh).to.be.closeTo(
          1.25 * (standbyA * standbyHours + (alarmA * alarmMinutes) / 60),
          1e-12,
        );
    });
  });
});
