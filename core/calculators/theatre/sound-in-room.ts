import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { level, oneWatt } from './levels.ts';
import { positive } from '../fields.ts';

export const soundInRoom = calculator({
  name: 'sound-in-room',
  title: 'Level with a simple room',
  topic: 'theatre',
  source: 'Room acoustics',
  formulaIds: ['F10.17'],
  valid: 'mid band, diffuse field; for headroom the direct part alone',
  formulas: ['SPL = S1W + 10·log10(P) + 10·log10(10^(−loss/10)/r² + 16π/(Q·R))', 'critical distance √(Q·R/(16π))'],
  cautions: ['C14'],
  input: z.strictObject({
    ...level,
    powerW: positive.describe('W'),
    distanceM: z.number().min(0.3).describe('m'),
    roomConstantM2: positive.describe('m2, R'),
    directivity: positive.default(5).describe('Q: 2, 5 or 10'),
    offAxisDb: z.number().min(0).default(0).describe('dB'),
  }),
  example: { sensitivityDb: 87, powerW: 10, distanceM: 3, roomConstantM2: 30 },
  run: ({ sensitivityDb, impedanceOhm, gainDb, powerW, distanceM, roomConstantM2, directivity, offAxisDb }) => {
    const base = oneWatt(sensitivityDb, impedanceOhm) + 10 * Math.log10(powerW) + gainDb;
    const direct = 10 ** (-offAxisDb / 10) / distanceM ** 2;
    return ok({
      directDb: base + 10 * Math.log10(direct),
      levelDb: base + 10 * Math.log10(direct + (16 * Math.PI) / (directivity * roomConstantM2)),
      criticalM: Math.sqrt((directivity * roomConstantM2) / (16 * Math.PI)),
    });
  },
  steps: (_, v) => [`direct ${fig(v.directDb)} dB, with the room ${fig(v.levelDb)} dB`],
});
