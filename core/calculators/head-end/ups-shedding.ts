import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const upsShedding = calculator({
  name: 'ups-shedding',
  title: 'How long a UPS holds that switches loads off',
  topic: 'head-end',
  source: 'Physics: energy balance',
  formulaIds: ['F22.4'],
  valid: 'loads that stay as they are until they are switched off',
  formulas: ['t = Σ(E_k / P_k)', 'E = Wh · η · usable'],
  cautions: ['C13'],
  input: z.strictObject({
    batteryWh: positive.max(1e6),
    loads: z
      .array(z.strictObject({ watts: z.number().min(0).max(100_000), offAfterMin: z.number().min(0).max(1440).nullable() }))
      .min(1)
      .max(200)
      .describe('W of each, and after how many minutes it is switched off; null stays on'),
    efficiency: z.number().gt(0).max(1).default(0.85),
    usable: z.number().gt(0).max(1).default(0.7),
  }),
  example: {
    batteryWh: 220,
    loads: [
      { watts: 150, offAfterMin: 10 },
      { watts: 60, offAfterMin: null },
    ],
  },
  run: ({ batteryWh, loads, efficiency, usable }) => {
    const usableWh = batteryWh * efficiency * usable;
    const minutes = sheddingMinutes(loads, usableWh);
    if (!Number.isFinite(minutes)) return err('ups-no-load', { kind: 'invalid', field: 'loads' });
    return ok({ usableWh, minutes });
  },
  steps: (_, v) => [`${fig(v.usableWh)} Wh usable`, `${fig(v.minutes)} min`],
});

/** Minutes until a battery is empty whose loads are switched off one after the other; endless where nothing stays on. */
function sheddingMinutes(
  loads: readonly { readonly watts: number; readonly offAfterMin: number | null }[],
  usableWh: number,
): number {
  const steps = [...new Set(loads.flatMap(({ offAfterMin }) => offAfterMin ?? []))].sort((a, b) => a - b);
  const loadAfter = (minute: number) =>
    loads.reduce((sum, { watts, offAfterMin }) => sum + (offAfterMin === null || offAfterMin > minute ? watts : 0), 0);
  let [leftWh, at] = [usableWh, 0];
  for (const step of steps) {
    const watts = loadAfter(at);
    const neededWh = (watts * (step - at)) / 60;
    if (neededWh >= leftWh) return at + (60 * leftWh) / watts;
    [leftWh, at] = [leftWh - neededWh, step];
  }
  const watts = loadAfter(at);
  return watts === 0 ? Infinity : at + (60 * leftWh) / watts;
}
