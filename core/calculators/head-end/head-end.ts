import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const positive = z.number().gt(0);

export const rackHeat = calculator({
  name: 'rack-heat',
  title: 'Heat of a rack and the air that takes it away',
  topic: 'head-end',
  source: 'Physics: heat balance',
  formulaIds: ['F15.3', 'F15.5'],
  valid: 'sea level; 1.2 times the air at 1500 m',
  formulas: ['BTU/h = 3.41214·W', 'q = W/(1206·ΔT) m³/s', 'closet: ΔT = Q/(U·A + 1206·q)'],
  cautions: ['C13'],
  input: z.strictObject({
    watts: z.number().min(0).describe('W'),
    riseK: positive.default(6).describe('K'),
    closetM2: z.number().min(0).nullable().default(null).describe('m2 of wall towards conditioned space'),
    wallWPerM2K: positive.default(2).describe('W/m2K: 2.0 board, 0.5 insulated, 2.5 door'),
    exhaustM3PerS: z.number().min(0).default(0).describe('m3/s'),
  }),
  run: ({ watts, riseK, closetM2, wallWPerM2K, exhaustM3PerS }) => {
    const airM3PerS = watts / (1206 * riseK);
    const takes = closetM2 === null ? null : wallWPerM2K * closetM2 + 1206 * exhaustM3PerS;
    if (takes === 0 && watts > 0) return refuse('closet-no-way', { kind: 'infeasible', field: 'exhaustM3PerS', watts });
    return fine({
      btuPerH: 3.41214 * watts,
      airM3PerS,
      cfm: airM3PerS * 2118.88,
      closetRiseK: takes === null ? null : watts === 0 ? 0 : watts / takes,
    });
  },
  steps: (_, v) => [`${fig(v.btuPerH)} BTU/h`, `${fig(v.airM3PerS)} m³/s, ${fig(v.cfm)} CFM`],
});

export const circuitLoad = calculator({
  name: 'circuit-load',
  title: 'Load of a circuit',
  topic: 'head-end',
  source: 'NEC 210.20; 0.8 elsewhere by trade practice',
  formulaIds: ['F15.6'],
  valid: 'continuous loads of 3 h and more',
  formulas: ['load ≤ 0.8·V·I', 'VA = W/PF'],
  cautions: ['C1'],
  input: z.strictObject({
    volts: positive.describe('V'),
    breakerA: positive.describe('A'),
    watts: z.number().min(0).describe('W'),
    powerFactor: z.number().gt(0).max(1).default(1),
  }),
  run: ({ volts, breakerA, watts, powerFactor }) => {
    const va = watts / powerFactor;
    const mostVa = 0.8 * volts * breakerA;
    return fine({ va, mostVa, circuits: countUp(va / mostVa), ok: atMost(va, mostVa) });
  },
  steps: (_, v) => [`${fig(v.va)} VA of ${fig(v.mostVa)} VA`],
});

export const upsTime = calculator({
  name: 'ups-time',
  title: 'How long a supply holds',
  topic: 'head-end',
  source: 'Trade practice',
  formulaIds: ['F15.8'],
  valid: 'inverter 0.85 to 0.9, usable share 0.7',
  formulas: ['t = Wh·η·k/W', '1.25·W ≤ rating, 1.25·VA ≤ rating'],
  cautions: ['C13'],
  input: z.strictObject({
    batteryWh: positive,
    loadW: positive,
    loadVa: positive.nullable().default(null),
    ratedW: positive.nullable().default(null),
    ratedVa: positive.nullable().default(null),
    efficiency: z.number().gt(0).max(1).default(0.85),
    usable: z.number().gt(0).max(1).default(0.7),
  }),
  run: ({ batteryWh, loadW, loadVa, ratedW, ratedVa, efficiency, usable }) =>
    fine({
      hours: (batteryWh * efficiency * usable) / loadW,
      minutes: (60 * batteryWh * efficiency * usable) / loadW,
      ok:
        (ratedW === null || atMost(1.25 * loadW, ratedW)) &&
        (ratedVa === null || loadVa === null || atMost(1.25 * loadVa, ratedVa)),
    }),
  steps: (_, v) => [`${fig(v.minutes)} min`],
});

export const patchPorts = calculator({
  name: 'patch-ports',
  title: 'Patch positions and rack units',
  topic: 'head-end',
  source: 'IEC 60297',
  formulaIds: ['F15.1', 'F15.2'],
  valid: 'boards of 24',
  formulas: ['ports = ⌈1.25·runs⌉', 'boards = ⌈ports/24⌉', 'U = ⌈(height + 6 mm)/44.45 mm⌉'],
  input: z.strictObject({
    runs: z.int().min(0).max(5000),
    looseHeightsM: z.array(positive).max(100).default([]).describe('m, devices on shelves with their feet'),
  }),
  run: ({ runs, looseHeightsM }) => {
    const ports = countUp(runs * 1.25);
    return fine({
      ports,
      boards: Math.ceil(ports / 24),
      looseUnits: looseHeightsM.map((h) => countUp((h + 0.006) / 0.04445)),
    });
  },
  steps: (_, v) => [`${v.ports} ports, ${v.boards} boards`],
});
