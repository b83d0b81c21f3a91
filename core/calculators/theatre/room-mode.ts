import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { side } from './room-sides.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

export const roomMode = calculator({
  name: 'room-mode',
  title: 'A mode of a room',
  topic: 'theatre',
  source: 'Room acoustics',
  formulaIds: ['F10.7', 'F10.9'],
  valid: 'rectangular rooms with hard walls',
  formulas: ['f = c/2·√((nx/L)² + (ny/W)² + (nz/H)²)', 'fs = 2000·√(RT60/V)'],
  input: z.strictObject({
    lengthM: side,
    widthM: side,
    heightM: side,
    order: z.tuple([z.int().min(0).max(200), z.int().min(0).max(200), z.int().min(0).max(200)]).describe('nx, ny, nz'),
    rt60S: z.number().gt(0).default(0.3).describe('s'),
  }),
  example: { lengthM: 6, widthM: 4.2, heightM: 2.6, order: [1, 0, 0] },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM, order: [nx, ny, nz], rt60S }) => {
    const hz = (SOUND_M_PER_S / 2) * Math.hypot(nx / lengthM, ny / widthM, nz / heightM);
    const kinds = ['none', 'axial', 'tangential', 'oblique'];
    return ok({
      hz,
      kind: kinds[[nx, ny, nz].filter((n) => n > 0).length],
      transitionHz: 2000 * Math.sqrt(rt60S / (lengthM * widthM * heightM)),
    });
  },
  steps: (i, v) => [`(${i.order.join(', ')}): ${fig(v.hz)} Hz, ${v.kind}`],
});
