import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { bracketForces } from './fasteners.ts';

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
  example: { massKg: 30, reachM: 0.5, rowsApartM: 0.3, topFasteners: 2, fasteners: 4 },
  run: ({ massKg, reachM, rowsApartM, topFasteners, fasteners, factor, tensionN, shearN }) => {
    if (topFasteners > fasteners) return err('fasteners-few', { kind: 'invalid', field: 'fasteners', fasteners, topFasteners });
    const plain = bracketForces(massKg, reachM, rowsApartM, topFasteners, fasteners);
    const [eachTensionN, eachShearN] = [plain.tensionN * factor, plain.shearN * factor];
    const used = tensionN === null || shearN === null ? null : eachTensionN / tensionN + eachShearN / shearN;
    return ok({ eachTensionN, eachShearN, used, ok: used === null ? null : atMost(used, 1) });
  },
  steps: (_, v) => [
    `T = ${fig(v.eachTensionN)} N, V = ${fig(v.eachShearN)} N`,
    ...(v.used === null ? [] : [`${fig(v.used)} of 1`]),
  ],
});
