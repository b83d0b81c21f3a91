import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

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
    wallWPerM2K: positive.default(2).describe('W/m2K: 2.0 drywall, 0.5 insulated, 2.5 door'),
    exhaustM3PerS: z.number().min(0).default(0).describe('m3/s'),
  }),
  example: { watts: 600, riseK: 8 },
  run: ({ watts, riseK, closetM2, wallWPerM2K, exhaustM3PerS }) => {
    const airM3PerS = watts / (1206 * riseK);
    const takes = closetM2 === null ? null : wallWPerM2K * closetM2 + 1206 * exhaustM3PerS;
    if (takes === 0 && watts > 0) return err('closet-no-way', { kind: 'infeasible', field: 'exhaustM3PerS', watts });
    return ok({
      btuPerH: 3.41214 * watts,
      airM3PerS,
      cfm: airM3PerS * 2118.88,
      closetRiseK: takes === null ? null : watts === 0 ? 0 : watts / takes,
    });
  },
  steps: (_, v) => [`${fig(v.btuPerH)} BTU/h`, `${fig(v.airM3PerS)} m³/s, ${fig(v.cfm)} CFM`],
});
