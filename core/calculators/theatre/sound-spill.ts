import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

export const soundSpill = calculator({
  name: 'sound-spill',
  title: 'Sound in the next room or the garden',
  topic: 'theatre',
  source: 'Building acoustics; insulation by trade practice, ±10 dB',
  formulaIds: ['F10.18'],
  valid: 'mid frequencies; 15 dB less insulation below 125 Hz; noise rules are local',
  formulas: [
    'insulation = −10·log10(Σ S·10^(−R/10)/S wall)',
    'next room: L − R + 10·log10(S/A)',
    'garden: L − 6 − R + 10·log10(S) − 20·log10(d) − 5',
  ],
  cautions: ['C14'],
  input: z.strictObject({
    levelDb: z.number().min(0).max(140).describe('dB in the room'),
    parts: z
      .array(z.strictObject({ areaM2: positive.max(10_000), insulationDb: z.number().min(0).max(100).describe('dB') }))
      .min(1)
      .max(50)
      .describe('wall, doors and windows between'),
    to: z.enum(['room', 'garden']).default('room'),
    absorptionM2: positive.max(10_000).default(10).describe('m2, of the room that hears it'),
    distanceM: positive.max(1000).default(5).describe('m from the facade'),
    isBass: z.boolean().default(false).describe('below 125 Hz'),
  }),
  example: {
    levelDb: 95,
    parts: [
      { areaM2: 10, insulationDb: 38 },
      { areaM2: 1.7, insulationDb: 15 },
    ],
  },
  run: ({ levelDb, parts, to, absorptionM2, distanceM, isBass }) => {
    const wallM2 = parts.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    if (!Number.isFinite(wallM2))
      return err('out-of-domain', { kind: 'invalid', field: 'parts', value: wallM2, least: 0, most: 10_000 });
    const through = parts.reduce((sum, { areaM2, insulationDb }) => sum + areaM2 * 10 ** (-insulationDb / 10), 0) / wallM2;
    const insulationDb = Math.max(0, -10 * Math.log10(through) - (isBass ? 15 : 0));
    const wallDb = 10 * Math.log10(wallM2);
    const heardDb =
      to === 'room'
        ? levelDb - insulationDb + wallDb - 10 * Math.log10(absorptionM2)
        : levelDb - 6 - insulationDb + wallDb - 20 * Math.log10(distanceM) - 5;
    return ok({ insulationDb, heardDb });
  },
  steps: (_, v) => [`insulation ${fig(v.insulationDb)} dB: ${fig(v.heardDb)} dB there`],
});
