import { expect } from 'chai';
import { z } from 'zod';
import { CALCULATORS, runCalculator, stepsOf } from './list.ts';

interface Field {
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Field[];
  readonly default?: unknown;
}

/** For every calculator something that it answers. */
const GOOD: Readonly<Record<string, object>> = {
  'wire-resistance': { gaugeAwg: 16 },
  'wire-sizes': { gaugeAwg: 16 },
  'parallel-conductors': { gaugeAwg: 16, count: 2 },
  'bend-radius': { kind: 'cat', outsideM: 0.0061 },
  'pull-limit': {},
  'conductor-material': { material: 'copper', use: 'data' },
  'speaker-cable-loss': { gaugeAwg: 14, lengthM: 25, loadOhm: 8 },
  'speaker-cable-gauge': { lengthM: 10, loadOhm: 8 },
  'speaker-load': { loadsOhm: [8, 8], wiring: 'parallel', amplifierLeastOhm: 4 },
  'speaker-network': { stringsOhm: [[8, 8], [8]], amplifierLeastOhm: 4 },
  'speaker-damping': { gaugeAwg: 14, lengthM: 10, loadOhm: 8, amplifierDampingFactor: 200 },
  'speaker-response': { loopOhm: 0.2, leastOhm: 6.4, greatestOhm: 30 },
  'volume-control': { loadsOhm: [8, 8, 8], amplifierLeastOhm: 8 },
  'constant-voltage': { gaugeAwg: 14, tapsW: [10, 20], lengthM: 60 },
  'dc-drop': { gaugeAwg: 18, supplyV: 24, lengthM: 20, currentA: 1 },
  'dc-power': { gaugeAwg: 18, supplyV: 24, lengthM: 20, powerW: 10 },
  'dc-chain': { gaugeAwg: 18, supplyV: 24, segments: [{ lengthM: 10, currentA: 0.2 }] },
  'led-feed': { wattsPerM: 14.4, lengthM: 5 },
  'led-strip': { ampsPerM: 0.6, stripOhmPerM: 0.05, lengthM: 5 },
  'led-channels': { gaugeAwg: 16, lengthM: 5, channelsA: [1, 1, 1, 1], commonConductors: 2 },
  'class-two-source': { volts: 24 },
  'data-link': { category: '6', lengthM: 60 },
  'patch-cords': { horizontalM: 80 },
  'poe-link': { poeClass: 4, lengthM: 60 },
  'poe-budget': { classes: [3, 4], budgetW: 120 },
  'poe-bundle': { cables: 20, poeClass: 5 },
  'picture-rate': { pixelClockMhz: 594 },
  'picture-reach': { path: 'passive', lengthM: 4 },
  'coax-loss': { kind: 'rg6', frequencyMhz: 750, lengthM: 30 },
  'splitter-loss': { outputs: 4 },
  'outlet-level': { service: 'fm', sourceDbuv: 65, lowestMhz: 88, highestMhz: 108 },
  'amplifier-output': { ratedDbuv: 110, channels: 20 },
  'thermal-noise': { bandwidthHz: 8e6 },
  'cascade-noise': { stages: [{ gainDb: 20, noiseFigureDb: 3 }] },
  'level-units': { level: 60, unit: 'dBuV' },
  'field-strength': { fieldDbuvPerM: 60, gainDbi: 8, frequencyMhz: 600 },
  'radio-horizon': { height1M: 100, height2M: 9 },
  'aerial-spacing': { lowestMhz: 470 },
  'bonding-conductor': { part: 'mast', jurisdiction: 'NA' },
  'surge-bond': { outdoorRuns: 3, arresters: 3 },
  'lnb-drop': { lengthM: 20 },
  'dish-aim': { latitudeDeg: 45, longitudeDeg: 0, slotDeg: 13 },
  'magnetic-bearing': { trueDeg: 162, declinationDeg: 2 },
  'dish-gap': { frontTopM: 1, rearBottomM: 0.5, elevationDeg: 35 },
  'conduit-fill': { diametersM: [0.0061, 0.0061], insideM: 0.025 },
  'conduit-size': { diametersM: [0.0061, 0.0061] },
  'conduit-pull': {
    corners: [
      [0, 0, 0],
      [10, 0, 0],
      [10, 5, 0],
    ],
    weightKgPerM: 0.1,
  },
  'bundle-diameter': { diametersM: [0.0061, 0.0061] },
  'plug-conduit': {},
  'rigid-in-bend': { lengthM: 0.05, widthM: 0.021, bendRadiusM: 0.3, insideM: 0.04 },
  'hole-fill': { diametersM: [0.0061] },
  separation: {},
  'bore-limit': { depthM: 0.0889 },
  'notch-limit': { depthM: 0.235, notchM: 0.02 },
  'fixing-load': { massKg: 10, overhead: true },
  'bracket-load': { massKg: 30, reachM: 0.5, rowsApartM: 0.3, topFasteners: 2, fasteners: 4 },
  'lag-screw': { diameterM: 0.00635, threadM: 0.0508 },
  'seismic-force': { massKg: 30, sds: 1 },
  'device-height': { kind: 'keypad' },
  'ceiling-coverage': { ceilingM: 2.74 },
  'stereo-pair': { distanceM: 3 },
  'frame-fit': { spacingM: 0.4, memberM: 0.045, studM: 0.089, frameM: 0.25, depthM: 0.09 },
  'contact-loop': {},
  'end-of-line': { kind: 'double', state: 'normal' },
  'standby-battery': { standbyA: 0.08, standbyHours: 24 },
  'contact-zones': { facades: [4, 2] },
  'cut-length': { riseM: 1, runM: 10, dropM: 2 },
  'order-length': { cutM: [20, 30] },
  'spool-plan': { lengthsM: [20, 30], spoolM: 152 },
  'cable-supports': { lengthM: 20 },
  'labour-hours': {},
  price: { lines: [{ quantity: 2, unitCost: 50 }], marginFraction: 0.2 },
  'screen-size': { diagonalM: 2.79 },
  'viewing-angle': { widthM: 2.8, distanceM: 3.6 },
  'row-risers': { bottomM: 0.7, distancesM: [3, 4.8] },
  'throw-window': { widthM: 2.5, throwM: 4, leastRatio: 1.3, mostRatio: 2 },
  'screen-brightness': { areaM2: 3, lumens: 2000 },
  'sound-level': { sensitivityDb: 88, powerW: 100, distanceM: 4 },
  'speaker-power': { sensitivityDb: 88, targetDb: 95, distanceM: 4 },
  'sound-in-room': { sensitivityDb: 87, powerW: 10, distanceM: 3, roomConstantM2: 30 },
  'speaker-delays': { distancesM: [3, 2.5] },
  'layout-score': {
    channels: [{ weight: 2, azimuthDeg: [85, 110], seats: [{ azimuthDeg: -95, weight: 1, reference: true }] }],
  },
  'room-mode': { lengthM: 6, widthM: 4.2, heightM: 2.6, order: [1, 0, 0] },
  'modal-response': {
    lengthM: 6,
    widthM: 4.4,
    heightM: 2.5,
    seat: [3.6, 2.2, 1],
    subs: [{ at: [0, 2.2, 0] }],
    frequenciesHz: [40],
  },
  'camera-density': { sensorWidthMm: 4.8, focalMm: 3.6, pixelsAcross: 2560, distanceM: 10 },
  'path-loss': { distanceM: 10, frequencyMhz: 5500 },
  'shade-roll': { tubeM: 0.05, fabricM: 0.0006, lengthM: 2.4 },
  'sun-position': { latitudeDeg: 40, longitudeDeg: -105, at: '2026-06-21T18:00:00Z' },
  'sun-on-pane': { latitudeDeg: 40, longitudeDeg: -105, at: '2026-06-21T18:00:00Z', bearingDeg: 180 },
  'sun-hours': { latitudeDeg: 40, longitudeDeg: -105, bearingDeg: 180 },
  'sky-seen': { belowM: 1.2, overhangM: 0.6 },
  'light-at-point': { lumens: 800, distanceM: 2.4 },
  'room-light': { lamps: 6, lumens: 800, areaM2: 20 },
  'rack-heat': { watts: 600, riseK: 8 },
  'circuit-load': { volts: 230, breakerA: 16, watts: 800 },
  'ups-time': { batteryWh: 200, loadW: 100 },
  'patch-ports': { runs: 40 },
  'plan-scale': { first: { dxPx: 400, dyPx: 0, lengthM: 8 }, second: { dxPx: 0, dyPx: 300, lengthM: 6.03 } },
  'level-alignment': {
    points: [
      { name: 'chimney', x: 1, y: 1, movingX: 0, movingY: 0 },
      { name: 'stair', x: 5, y: 1, movingX: 4, movingY: 0 },
    ],
  },
  'attic-height': { pitchDeg: 35, distanceFromEavesM: 3 },
};
const fieldsOf = (name: string): Readonly<Record<string, Field>> => {
  const { input } = CALCULATORS.find((one) => one.name === name)!;
  return (z.toJSONSchema(input, { io: 'input' }) as { properties?: Record<string, Field> }).properties ?? {};
};
const isNumber = (field: Field): boolean =>
  field.type === 'number' || field.type === 'integer' || (field.anyOf ?? []).some(isNumber);
const refusal = (name: string, input: object) => {
  const outcome = runCalculator(name, input);
  return outcome.ok ? null : outcome.problem;
};

describe('every field of every calculator', () => {
  it('has an example here', () => {
    expect(Object.keys(GOOD).sort()).to.deep.equal(CALCULATORS.map(({ name }) => name).sort());
  });

  for (const { name } of CALCULATORS) {
    const good = GOOD[name];

    it(`${name} answers with numbers, and its steps hold nothing that is not one`, () => {
      const problem = refusal(name, good);
      expect(problem, JSON.stringify(problem)).to.equal(null);
      const outcome = runCalculator(name, good);
      const text = JSON.stringify(outcome.ok && outcome.value, (_, value: unknown) =>
        typeof value === 'number' && Number.isNaN(value) ? 'NOT A NUMBER' : value,
      );
      expect(text).not.to.include('NOT A NUMBER').and.not.to.equal('{}');
      expect(stepsOf(name, good), name).not.to.deep.equal([]);
      for (const step of stepsOf(name, good)) expect(step).not.to.match(/NaN|undefined|null|\[object/);
    });

    it(`${name} refuses what is missing, no number or unknown, by its field`, () => {
      for (const [field, schema] of Object.entries(fieldsOf(name))) {
        if (schema.default === undefined && field in good) {
          const { [field]: _, ...rest } = good as Record<string, unknown>;
          const missing = refusal(name, rest);
          // Where another field may stand in its place, that one is asked for.
          if (missing) expect(missing.kind, `${name} without ${field}`).to.be.oneOf(['incomplete', 'invalid']);
        }
        if (!isNumber(schema)) continue;
        for (const wrong of [Number.NaN, Number.POSITIVE_INFINITY, 'ten', [1]]) {
          const problem = refusal(name, { ...good, [field]: wrong });
          expect(problem?.kind, `${name}.${field} = ${String(wrong)}`).to.equal('invalid');
          expect(String(problem?.field), `${name}.${field} = ${String(wrong)}`).to.match(new RegExp(`^${field}`));
        }
      }
      const unknown = refusal(name, { ...good, nobodyKnows: 1 });
      expect(unknown?.kind, name).to.equal('invalid');
      expect(String(unknown?.field)).to.include('nobodyKnows');
    });

    it(`${name} does not clamp in silence: what is far too large is refused or answered as it is`, () => {
      for (const [field, schema] of Object.entries(fieldsOf(name))) {
        if (!isNumber(schema) || schema.enum) continue;
        const outcome = runCalculator(name, { ...good, [field]: -1e12 });
        if (!outcome.ok) {
          expect(outcome.problem.kind, `${name}.${field}`).to.be.oneOf([
            'incomplete',
            'invalid',
            'out_of_domain',
            'prohibited',
            'infeasible',
            'defer',
          ]);
          continue;
        }
        // Only fields that may be negative are answered, and the answer depends on them.
        const usual = runCalculator(name, good);
        if (usual.ok && JSON.stringify(usual.value) === JSON.stringify(outcome.value))
          expect.fail(`${name}.${field} = -1e12 changed nothing`);
      }
    });
  }
});
