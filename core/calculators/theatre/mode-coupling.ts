import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { place } from './direction.ts';
import { side } from './room-sides.ts';

export const modeCoupling = calculator({
  name: 'mode-coupling',
  title: 'How subwoofers drive a mode, and whether a seat hears it',
  topic: 'theatre',
  source: 'Room acoustics',
  formulaIds: ['F10.8'],
  valid: 'rectangular rooms with hard walls; subwoofers of equal level, in step',
  formulas: ['p = cos(nx·π·x/L)·cos(ny·π·y/W)·cos(nz·π·z/H)', 'coupling = |Σ p(sub)|/M'],
  input: z.strictObject({
    lengthM: side,
    widthM: side,
    heightM: side,
    order: z.tuple([z.int().min(0).max(50), z.int().min(0).max(50), z.int().min(0).max(50)]).describe('nx, ny, nz'),
    subwoofers: z.array(place).min(1).max(16),
    seat: place,
  }),
  example: {
    lengthM: 6,
    widthM: 4.4,
    heightM: 2.5,
    order: [1, 0, 0],
    subwoofers: [
      [0, 2.2, 0],
      [6, 2.2, 0],
    ],
    seat: [3.6, 2.2, 1],
  },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM, order, subwoofers, seat }) => {
    const sides = [lengthM, widthM, heightM];
    for (const [n, p] of [seat, ...subwoofers].entries())
      if (p.some((value, axis) => value < 0 || value > sides[axis]))
        return err('outside-room', { kind: 'invalid', field: n === 0 ? 'seat' : `subwoofers.${n - 1}` });
    const shape = (p: readonly number[]) =>
      order.reduce((product, n, axis) => product * Math.cos((n * Math.PI * p[axis]) / sides[axis]), 1);
    const driven = subwoofers.map(shape);
    const sum = driven.reduce((total, one) => total + one, 0);
    const heard = shape(seat);
    return ok({ driven, coupling: Math.abs(sum) / subwoofers.length, heard, response: sum * heard });
  },
  steps: (_, v) => [`coupling ${fig(v.coupling)}, at the seat ${fig(v.heard)}`],
});
