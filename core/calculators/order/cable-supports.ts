import { z } from 'zod';
import { calculator } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { hooksFor, staplesFor, tiesFor } from './spools.ts';

export const cableSupports = calculator({
  name: 'cable-supports',
  title: 'Staples, hooks and ties',
  topic: 'order',
  source: 'TIA-569 type; trade practice',
  formulaIds: ['F16.6'],
  valid: 'one run',
  formulas: ['staples = ⌈L/1.4⌉ + 2 per end', 'hooks = ⌈L/1.5⌉', 'ties = ⌈L/1.2⌉'],
  input: z.strictObject({ lengthM: z.number().min(0).describe('m') }),
  example: { lengthM: 20 },
  from: { lengthM: 'cutLengthM' },
  run: ({ lengthM }) => ok({ staples: staplesFor(lengthM), hooks: hooksFor(lengthM), ties: tiesFor(lengthM) }),
  steps: (_, v) => [`${v.staples} staples, ${v.hooks} hooks, ${v.ties} ties`],
});
