import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { judgeMaterial } from '../wire/index.ts';
import { ALLOWED_DROP, feed, MIN_AT_12_V, loopOhmOf, wireOf } from './dc-feed.ts';

export const dcChain = calculator({
  name: 'dc-chain',
  title: 'Drop along a chain of devices',
  topic: 'power',
  source: 'Circuit theory',
  formulaIds: ['F3.9'],
  valid: 'constant currents; one cable from device to device',
  formulas: ['each piece carries the loads beyond it', 'ΔV = Σ I·2·L·r/n'],
  input: feed.omit({ lengthM: true }).extend({
    segments: z
      .array(z.strictObject({ lengthM: z.number().min(0), currentA: z.number().min(0) }))
      .max(200)
      .describe('from the supply outward: length of the piece, m, and current of the device at its end, A'),
  }),
  example: { gaugeAwg: 18, supplyV: 24, segments: [{ lengthM: 10, currentA: 0.2 }] },
  from: { use: 'conductorUse', supplyV: 'deviceV' },
  run: ({ segments, ...input }) => {
    const all = { ...input, lengthM: 0 };
    const metal = judgeMaterial(input.material, input.use);
    const loop = loopOhmOf(wireOf(all), 1, input.conductorsPerPole);
    if (!loop.ok) return loop;
    if (!metal.ok) return metal;
    let carriedA = segments.reduce((sum, one) => sum + one.currentA, 0);
    let voltsV = input.supplyV;
    const devicesV = segments.map(({ lengthM, currentA }) => {
      voltsV -= carriedA * loop.value.loopOhm * lengthM;
      carriedA -= currentA;
      return voltsV;
    });
    const allowedFraction = input.allowedFraction ?? ALLOWED_DROP[input.load];
    const dropV = input.supplyV - voltsV;
    if (voltsV <= 0) return err('feed-not-delivered', { kind: 'infeasible', field: 'segments', dropV, supplyV: input.supplyV });
    const isKeypadLow = input.load === 'keypad' && Math.abs(input.supplyV - 12) < 0.5 && !atLeast(voltsV, MIN_AT_12_V);
    return ok({
      ohmPerKm: loop.value.ohmPerKm,
      devicesV,
      dropV,
      loadV: voltsV,
      dropFraction: dropV / input.supplyV,
      allowedFraction,
      ok: atMost(dropV / input.supplyV, allowedFraction) && !isKeypadLow,
    });
  },
  steps: (_, v) => [`at the devices ${v.devicesV.map((one) => `${fig(one)} V`).join(', ')}`, `ΔV = ${fig(v.dropV)} V`],
});
