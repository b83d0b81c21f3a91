import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { speakerCableLoss, speakerCableLossInput } from './speaker-cable-loss.ts';

export const damping = calculator({
  name: 'speaker-damping',
  title: 'Damping at the speaker',
  topic: 'speakers',
  source: 'Circuit theory; 20 at bass by trade practice',
  formulaIds: ['F2.5'],
  valid: 'resistive model',
  formulas: ['DF = Z/(R + Zrated/DFamp)'],
  input: speakerCableLossInput
    .omit({ amplifierDampingFactor: true })
    .extend({ amplifierDampingFactor: z.number().gt(0).describe('as the amplifier is rated') }),
  example: { gaugeAwg: 14, lengthM: 10, loadOhm: 8, amplifierDampingFactor: 200 },
  from: { lengthM: 'routedLengthM' },
  run: (input) => {
    const found = speakerCableLoss(input);
    if (!found.ok) return found;
    const dampingFactor = found.value.dampingFactor!;
    return ok({ loopOhm: found.value.loopOhm, dampingFactor, wanted: 20, ok: atLeast(dampingFactor, 20) });
  },
  steps: ({ loadOhm, dampingRatedOhm, amplifierDampingFactor }, v) => [
    `${fig(loadOhm)}/(${fig(v.loopOhm)} + ${fig(dampingRatedOhm)}/${fig(amplifierDampingFactor)}) = ${fig(v.dampingFactor)}`,
  ],
});
