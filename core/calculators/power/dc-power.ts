import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { judgeMaterial } from '../wire/index.ts';
import { ALLOWED_DROP, constantPower, feed, loopOhmOf, wireOf } from './dc-feed.ts';

export const dcPower = calculator({
  name: 'dc-power',
  title: 'Feed of a load of constant power',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.7'],
  valid: 'regulated loads; AWG -3 to 40, -20 to 90 C',
  formulas: ['R = 2·L·r/n', 'I = (V − √(V² − 4·R·P))/(2·R)', 'Vload = (V + √(V² − 4·R·P))/2'],
  input: feed.extend({ powerW: z.number().min(0).describe('W, drawn at the load') }),
  example: { gaugeAwg: 18, supplyV: 24, lengthM: 20, powerW: 10 },
  from: { lengthM: 'cutLengthM', use: 'conductorUse', supplyV: 'deviceV', powerW: 'deviceW' },
  run: ({ powerW, ...input }) => {
    const metal = judgeMaterial(input.material, input.use);
    const loop = loopOhmOf(wireOf(input), input.lengthM, input.conductorsPerPole);
    if (!loop.ok) return loop;
    if (!metal.ok) return metal;
    const { loopOhm, ohmPerKm } = loop.value;
    const delivered = constantPower(input.supplyV, loopOhm, powerW);
    if (!delivered.ok) return delivered;
    const { currentA, loadV } = delivered.value;
    const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
    const dropV = input.supplyV - loadV;
    const dropFraction = dropV / input.supplyV;
    return ok({
      ohmPerKm,
      loopOhm,
      currentA,
      dropV,
      loadV,
      lossW: currentA ** 2 * loopOhm,
      supplyW: input.supplyV * currentA,
      dropFraction,
      allowedFraction,
      ok: atMost(dropFraction, allowedFraction),
    });
  },
  steps: (i, v) => [
    `R = ${fig(v.loopOhm)} Ω`,
    `I = (${fig(i.supplyV)} − √(${fig(i.supplyV)}² − 4 · ${fig(v.loopOhm)} · ${fig(i.powerW)}))/(2R) = ${fig(v.currentA)} A`,
    `Vload = ${fig(v.loadV)} V`,
  ],
});
