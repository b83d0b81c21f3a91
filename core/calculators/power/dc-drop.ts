import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { dcFeed, feed } from './dc-feed.ts';

export const dcDrop = calculator({
  name: 'dc-drop',
  title: 'Drop of a direct-current feed',
  topic: 'power',
  source: 'Circuit theory; allowed shares by trade practice',
  formulaIds: ['F3.6', 'F3.8'],
  valid: 'constant current; AWG -3 to 40, -20 to 90 C',
  formulas: ['R = 2·L·r/n', 'ΔV = I·R', 'L = p·V·n/(2·r·I)'],
  input: feed.extend({ currentA: z.number().min(0).describe('A, at start or with infrared on where that is more') }),
  example: { gaugeAwg: 18, supplyV: 24, lengthM: 20, currentA: 1 },
  from: { lengthM: 'cutLengthM', use: 'conductorUse', supplyV: 'deviceV', currentA: 'deviceA' },
  run: ({ currentA, ...input }) => dcFeed(input, currentA),
  steps: (i, v) => [
    `R = 2 · ${fig(i.lengthM)} m · ${fig(v.ohmPerKm)} Ω/km / ${i.conductorsPerPole} = ${fig(v.loopOhm)} Ω`,
    `ΔV = ${fig(i.currentA)} A · ${fig(v.loopOhm)} Ω = ${fig(v.dropV)} V (${fig(v.dropFraction * 100)} % of ${fig(i.supplyV)} V, to ${fig(v.allowedFraction * 100)} %)`,
    `longest ${fig(v.longestM)} m`,
  ],
});
