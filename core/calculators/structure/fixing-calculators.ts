import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { fine, GRAVITY, refuse } from '../../math/index.ts';
import { BOARD_SCREW_KG, bracketForces, lagWithdrawal, OVERHEAD_FACTOR, WALL_FACTOR, type Wood, WOODS } from './fasteners.ts';

/** Overhead no factor below this is accepted (F11.1). */
const LEAST_OVERHEAD_FACTOR = 5;

export const fixingLoad = calculator({
  name: 'fixing-load',
  title: 'What a fixing must bear',
  topic: 'structure',
  source: 'Trade practice',
  formulaIds: ['F11.1'],
  valid: 'overhead: ultimate against the factor; never from board alone',
  formulas: ['F = m·g·factor', 'overhead factor 10, least 5; wall 5'],
  cautions: ['C7', 'C8'],
  input: z.strictObject({
    massKg: z.number().min(0).describe('kg, with its mount'),
    overhead: z.boolean(),
    factor: z.number().gt(0).nullable().default(null).describe('null takes 10 overhead, 5 on a wall'),
    ratedN: z.number().gt(0).nullable().default(null).describe('N, ultimate rating of all fixings'),
    into: z.enum(['structure', 'board', 'masonry']).default('structure'),
  }),
  run: ({ massKg, overhead, factor, ratedN, into }) => {
    const by = factor ?? (overhead ? OVERHEAD_FACTOR : WALL_FACTOR);
    if (overhead && !atLeast(by, LEAST_OVERHEAD_FACTOR))
      return refuse('factor-too-low', { kind: 'prohibited', field: 'factor', factor: by, least: LEAST_OVERHEAD_FACTOR });
    if (overhead && into === 'board') return refuse('overhead-in-board', { kind: 'prohibited', field: 'into' });
    if (!overhead && into === 'board' && !atMost(massKg, BOARD_SCREW_KG))
      return refuse('board-overloaded', { kind: 'prohibited', field: 'massKg', massKg, mostKg: BOARD_SCREW_KG });
    const weightN = massKg * GRAVITY;
    const requiredN = weightN * by;
    return fine({ factor: by, weightN, requiredN, ok: ratedN === null ? null : atLeast(ratedN, requiredN) });
  },
  steps: (i, v) => [`${fig(i.massKg)} · ${GRAVITY} · ${fig(v.factor)} = ${fig(v.requiredN)} N`],
});

export const bracketLoad = calculator({
  name: 'bracket-load',
  title: 'Fasteners of a wall bracket or arm',
  topic: 'structure',
  source: 'Statics',
  formulaIds: ['F11.2'],
  valid: 'two rows of fasteners; plain loads against allowable values, or times the factor against ultimate ones',
  formulas: ['T = m·g·e/(h·n top)', 'V = m·g/n', 'T/T allow + V/V allow ≤ 1'],
  cautions: ['C8'],
  input: z.strictObject({
    massKg: z.number().min(0).describe('kg'),
    reachM: z.number().min(0).describe('m, centre of gravity from the wall; arm length and half the depth of the display'),
    rowsApartM: z.number().gt(0).describe('m, between the two rows'),
    topFasteners: z.int().min(1).max(100),
    fasteners: z.int().min(1).max(200),
    factor: z.number().gt(0).default(1).describe('1 against allowable values, 5 against ultimate ones'),
    tensionN: z.number().gt(0).nullable().default(null).describe('N, of one fastener'),
    shearN: z.number().gt(0).nullable().default(null).describe('N, of one fastener'),
  }),
  run: ({ massKg, reachM, rowsApartM, topFasteners, fasteners, factor, tensionN, shearN }) => {
    if (topFasteners > fasteners)
      return refuse('fasteners-few', { kind: 'invalid', field: 'fasteners', fasteners, topFasteners });
    const plain = bracketForces(massKg, reachM, rowsApartM, topFasteners, fasteners);
    const [eachTensionN, eachShearN] = [plain.tensionN * factor, plain.shearN * factor];
    const used = tensionN === null || shearN === null ? null : eachTensionN / tensionN + eachShearN / shearN;
    return fine({ eachTensionN, eachShearN, used, ok: used === null ? null : atMost(used, 1) });
  },
  steps: (_, v) => [
    `T = ${fig(v.eachTensionN)} N, V = ${fig(v.eachShearN)} N`,
    ...(v.used === null ? [] : [`${fig(v.used)} of 1`]),
  ],
});

const WOOD_NAMES = Object.keys(WOODS) as [Wood, ...Wood[]];

export const lagScrew = calculator({
  name: 'lag-screw',
  title: 'Withdrawal of a lag screw',
  topic: 'structure',
  source: 'ANSI/AWC NDS; allowable, about 5 to 1',
  formulaIds: ['F11.3'],
  valid: 'side grain of sawn timber, normal duration; thread at least 51 mm into the middle of the stud',
  formulas: ['W = 1800·G^1.5·D^0.75 lbf/in of thread'],
  cautions: ['C8'],
  input: z.strictObject({
    diameterM: z.number().gt(0).max(0.03).describe('m: 0.00635, 0.0079375 or 0.009525'),
    threadM: z.number().gt(0).max(0.5).describe('m of thread in the member, without its tip'),
    wood: z.enum(WOOD_NAMES).default('spruce-pine-fir'),
  }),
  run: ({ diameterM, threadM, wood }) => {
    const { lbfPerIn, nPerM } = lagWithdrawal(diameterM, wood);
    return fine({ lbfPerIn, nPerM, allowableN: nPerM * threadM, ok: atLeast(threadM, 0.0508) });
  },
  steps: (_, v) => [`${fig(v.lbfPerIn)} lbf/in`, `${fig(v.allowableN)} N allowable`],
});

export const seismicForce = calculator({
  name: 'seismic-force',
  title: 'Seismic force, for screening',
  topic: 'structure',
  source: 'ASCE/SEI 7-10 and 7-16; the design is the engineer’s',
  valid: 'screening only',
  formulas: ['Fp = 0.4·ap·SDS·Wp·(1 + 2·z/h)/(Rp/Ip)', '0.3·SDS·Ip·Wp ≤ Fp ≤ 1.6·SDS·Ip·Wp'],
  cautions: ['C7'],
  input: z.strictObject({
    massKg: z.number().min(0),
    sds: z.number().min(0).max(5).describe('design acceleration, g'),
    ap: z.number().min(1).max(2.5).default(2.5),
    rp: z.number().min(1).max(12).default(2.5),
    ip: z.number().min(1).max(1.5).default(1),
    heightShare: z.number().min(0).max(1).default(1).describe('z/h'),
  }),
  run: ({ massKg, sds, ap, rp, ip, heightShare }) => {
    const weightN = massKg * GRAVITY;
    const plainN = (0.4 * ap * sds * weightN * (1 + 2 * heightShare)) / (rp / ip);
    const [leastN, mostN] = [0.3 * sds * ip * weightN, 1.6 * sds * ip * weightN];
    return fine({ plainN, leastN, mostN, forceN: Math.min(mostN, Math.max(leastN, plainN)) });
  },
  steps: (_, v) => [`Fp = ${fig(v.forceN)} N (${fig(v.leastN)} to ${fig(v.mostN)} N)`],
});
