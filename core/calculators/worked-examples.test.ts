import { expect } from 'chai';
import { answer } from '../testing/index.ts';

const near = (value: unknown, expected: number, within: number) => expect(value as number).to.be.closeTo(expected, within);

describe('the worked examples of section 20', () => {
  it('W1: 20 AWG', () => {
    const w = answer('wire-sizes', { gaugeAwg: 20 });
    near(w.diameterMm, 0.8118, 5e-5);
    near(w.areaMm2, 0.5176, 5e-5);
    near(answer('wire-resistance', { gaugeAwg: 20, stranded: false }).ohmPerKm, 33.31, 5e-3);
  });

  it('W2: 8 ohm over 25 m of 14 AWG', () => {
    const w = answer('speaker-cable-loss', { gaugeAwg: 14, lengthM: 25, loadOhm: 8 });
    near(w.loopOhm, 0.423, 5e-4);
    near(w.lossDb, 0.447, 5e-4);
  });

  it('W3: a line of 100 V and 150 W', () =>
    near(answer('constant-voltage', { lineV: 100, tapsW: [150], lengthM: 0, gaugeAwg: 14 }).loadOhm, 66.67, 5e-3));

  it('W4: class 8 over 12.5 ohm a pair set', () => {
    // 100 m of 0.125 ohm/m: 12.5 ohm for one pair set, half of that for both.
    near(answer('poe-link', { poeClass: 8, lengthM: 100, ohmPerM: 0.125 }).classDeviceW, 71.28, 5e-3);
    for (const [poeClass, watts] of [
      [1, 3.83],
      [2, 6.49],
      [3, 12.95],
      [4, 25.5],
      [5, 39.94],
      [6, 51],
      [7, 62],
      [8, 71.28],
    ])
      near(answer('poe-link', { poeClass, lengthM: 100, ohmPerM: poeClass < 4 ? 0.2 : 0.125 }).classDeviceW, watts, 6e-3);
  });

  it('W5: 24 V and 2 A over 20 m of solid 16 AWG', () =>
    near(answer('dc-drop', { gaugeAwg: 16, supplyV: 24, currentA: 2, lengthM: 20 }).dropV, 1.054, 5e-4));

  it('W6: RG6 over 30 m at 650 MHz', () =>
    near(answer('coax-loss', { kind: 'rg6', frequencyMhz: 650, lengthM: 30 }).lossDb, 5.21, 5e-3));

  it('W7: a dish at 45 N towards 13 E', () => {
    const w = answer('dish-aim', { latitudeDeg: 45, longitudeDeg: 0, slotDeg: 13 });
    near(w.azimuthDeg, 161.92, 5e-3);
    near(w.elevationDeg, 36.57, 5e-3);
    near(w.skewDeg, -12.68, 5e-3);
  });

  it('W8: five cables of 6.1 mm in 25 mm', () => {
    const w = answer('conduit-fill', { diametersM: Array(5).fill(0.0061), insideM: 0.025 });
    near(w.fill, 0.298, 5e-4);
    expect(w.fits).to.equal(true);
  });

  it('W9: a hole of 50.8 mm in a stud that bears nothing', () => {
    const w = answer('bore-limit', { member: 'stud', depthM: 0.0889, bearing: false, holeM: 0.0508 });
    near(w.mostM, 0.0533, 5e-5);
    near(w.edgeM, 0.0191, 6e-5);
    expect([w.nailPlates, w.bothFaces]).to.deep.equal([true, true]);
  });

  it('W10 and W11: a screen and its angle', () => {
    const w = answer('screen-size', { diagonalM: 110 * 0.0254, aspect: 2.35 });
    near(w.widthM, 2.571, 5e-4);
    near(w.heightM, 1.094, 5e-4);
    near(answer('viewing-angle', { widthM: 2.8, distanceM: 3.6 }).angleDeg, 42.5, 5e-3);
  });

  it('W12: the second row', () => {
    const w = answer('row-risers', { bottomM: 0.7, eyeM: 1.07, distancesM: [3, 4.8], clearanceM: 0.125 });
    near(w.eyesM[1], 1.492, 5e-4);
    near(w.risersM[1], 0.422, 5e-4);
  });

  it('W13: 4 ohm at 100 W over 4 m', () => {
    const w = answer('sound-level', { sensitivityDb: 88, impedanceOhm: 4, powerW: 100, distanceM: 4 });
    near(w.oneWattDb, 84.99, 5e-3);
    near(w.levelDb, 92.95, 5e-3);
  });

  it('W14: modes of 6.0 by 4.2 by 2.6 m', () => {
    const room = { lengthM: 6, widthM: 4.2, heightM: 2.6 };
    near(answer('room-mode', { ...room, order: [1, 0, 0] }).hz, 28.6, 5e-3);
    near(answer('room-mode', { ...room, order: [1, 1, 0] }).hz, 49.87, 5e-3);
  });

  it('W15: a lens of 3.6 mm over 4.8 mm', () => {
    const w = answer('camera-density', { sensorWidthMm: 4.8, focalMm: 3.6, pixelsAcross: 2560, distanceM: 10 });
    near(w.fieldDeg, 67.38, 5e-3);
    near(w.pxPerM, 192, 0.05);
    expect(w.band).to.equal('recognise');
  });

  it('W16: free space at 5500 MHz', () => near(answer('path-loss', { distanceM: 10, frequencyMhz: 5500 }).freeDb, 67.26, 5e-3));

  it('W17: a shade of 2.4 m on a tube of 50 mm', () =>
    near(answer('shade-roll', { tubeM: 0.05, fabricM: 0.0006, lengthM: 2.4 }).diameterM, 0.06583, 5e-6));

  it('W18: 600 W and 8 K', () => {
    const w = answer('rack-heat', { watts: 600, riseK: 8 });
    near(w.cfm, 131.8, 0.05);
    near(w.btuPerH, 2047, 0.5);
  });

  it('W19: a standby battery', () => {
    const w = answer('standby-battery', { standbyA: 0.08, standbyHours: 24, alarmA: 1.2, alarmMinutes: 5 });
    near(w.neededAh, 2.525, 5e-4);
    expect(w.batteryAh).to.equal(4);
  });

  describe('W20', () => {
    const pane = (input: object) => answer('sun-on-pane', input);

    it('S1 to S4: the sun', () => {
      const s1 = pane({
        latitudeDeg: 40,
        longitudeDeg: -105,
        at: '2026-06-21T18:00:00Z',
        bearingDeg: 180,
        overhangM: 0.6,
        gapM: 0.3,
        glassM: 1.5,
      });
      for (const [value, wanted] of [
        [s1.declinationDeg, 23.438],
        [s1.equationMin, -1.879],
        [s1.hourAngleDeg, -15.47],
        [s1.altitudeDeg, 68.915],
        [s1.azimuthDeg, 137.137],
        [s1.gammaDeg, -42.863],
        [s1.incidenceDeg, 74.711],
        [s1.profileDeg, 74.219],
        [s1.shadedShare, 1],
      ] as const)
        near(value, wanted, 2e-3);
      const s2 = pane({
        latitudeDeg: 51.5,
        longitudeDeg: -0.1,
        at: '2026-12-21T14:00:00Z',
        bearingDeg: 180,
        overhangM: 1.2,
        gapM: 0.2,
        glassM: 1.4,
      });
      near(s2.altitudeDeg, 10.457, 2e-3);
      near(s2.azimuthDeg, 208.145, 2e-3);
      near(s2.profileDeg, 11.822, 2e-3);
      near(s2.shadedShare, 0.0366, 1e-4);
      const s3 = pane({
        latitudeDeg: -33.87,
        longitudeDeg: 151.21,
        at: '2026-01-15T06:00:00Z',
        bearingDeg: 270,
        overhangM: 0.9,
        gapM: 0.2,
        glassM: 1.4,
      });
      near(s3.declinationDeg, -21.114, 2e-3);
      near(s3.equationMin, -9.318, 2e-3);
      near(s3.incidenceDeg, 37.002, 2e-3);
      near(s3.shadedShare, 0.341, 5e-4);
      const s4 = answer('sun-position', { latitudeDeg: 39.742476, longitudeDeg: -105.1786, at: '2003-10-17T19:30:30Z' });
      near(s4.altitudeDeg, 39.872, 2e-3);
      near(s4.azimuthDeg, 194.343, 2e-3);
    });

    it('S5: a year of sun', () => {
      const site = { latitudeDeg: 40, longitudeDeg: -105, year: 2026, overhangM: 0.6, gapM: 0.3, glassM: 1.5 };
      const south = answer('sun-hours', { ...site, bearingDeg: 180 });
      near(south.openHours, 3598, 0.6);
      near(south.hours, 2122, 0.6);
      near(south.heatKwhPerM2, 847.8, 0.3);
      const west = answer('sun-hours', { ...site, bearingDeg: 270 });
      near(west.openHours, 2199.3, 0.6);
      near(west.hours, 1533.1, 0.6);
    });

    it('section 14.2 and F14.10: light', () => {
      near(answer('light-at-point', { lumens: 800, distanceM: 2.4 }).lux, 44.2, 0.05);
      near(answer('room-light', { lamps: 6, lumens: 800, areaM2: 20 }).lux, 96, 1e-9);
      near(answer('sky-seen', { belowM: 1.2, overhangM: 0.6 }).skyShare, 0.447, 5e-4);
    });

    it('F10.15: a channel that one of two rows hears from the front', () => {
      const w = answer('layout-score', {
        channels: [
          {
            weight: 2,
            azimuthDeg: [85, 110],
            seats: [
              { azimuthDeg: -95, weight: 1, reference: true },
              { azimuthDeg: -56.31, weight: 0.4 },
            ],
          },
        ],
      });
      near((w.channels as unknown as { q: number[] }[])[0].q[1], 0.469, 5e-4);
      near(w.score, 86.6, 0.05);
    });

    it('F10.16: subwoofers in 6.0 by 4.4 by 2.5 m', () => {
      const room = { lengthM: 6, widthM: 4.4, heightM: 2.5, seat: [3.6, 2.2, 1], frequenciesHz: [20, 28.6, 40, 57.2, 80] };
      const one = answer('modal-response', { ...room, subs: [{ at: [0, 2.2, 0] }] });
      expect(one.modes).to.equal(556);
      [7.51, 9.12, -9.64, 11.15, 7.63].forEach((db, k) => near(one.levelsDb[k], db, 0.05));
      const two = answer('modal-response', { ...room, subs: [{ at: [0, 2.2, 0] }, { at: [6, 2.2, 0] }] });
      [10.41, 6.02, 4.13, 17.1, 15.41].forEach((db, k) => near(two.levelsDb[k], db, 0.05));
    });

    it('F10.17: a room behind a speaker', () => {
      const w = answer('sound-in-room', { sensitivityDb: 87, powerW: 10, distanceM: 3, roomConstantM2: 30, directivity: 5 });
      near(w.levelDb, 93.5, 0.05);
      near(w.directDb, 87.5, 0.05);
    });
  });
});
