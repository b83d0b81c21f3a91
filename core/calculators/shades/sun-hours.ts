import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { judge, onPane, pane, sin, site, sunAt } from './sun.ts';

export const sunHours = calculator({
  name: 'sun-hours',
  title: 'Hours of sun on a pane in a year',
  topic: 'shades',
  source: 'Clear-sky model without obstacles: more sun, the safe side',
  formulaIds: ['F14.11'],
  valid: 'steps of 10 minutes at their midpoints; a bound, not the weather',
  formulas: ['Σ step · unshaded', 'I = 1353·0.7^(AM^0.678)', 'heat = Σ I·cos i·unshaded·step'],
  input: z.strictObject({ ...site, ...pane, year: z.int().default(2026) }),
  example: { latitudeDeg: 40, longitudeDeg: -105, bearingDeg: 180 },
  run: ({ latitudeDeg, longitudeDeg, year, ...glass }) => {
    const judged = judge({ latitudeDeg, longitudeDeg }, year);
    if (!judged.ok) return judged;
    const leap = year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
    let [hours, openHours, heat] = [0, 0, 0];
    const step = 1 / 6;
    [31, leap ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31].forEach((days, month) => {
      for (let day = 1; day <= days; day++)
        for (let n = 0; n < 144; n++) {
          const sun = sunAt(latitudeDeg, longitudeDeg, { year, month: month + 1, day, hours: (n + 0.5) * step });
          if (sun.altitudeDeg <= 0) continue;
          const { lit, shadedShare, cosine } = onPane(sun, glass);
          if (!lit) continue;
          const open = 1 - shadedShare;
          const air = 1 / (sin(sun.altitudeDeg) + 0.50572 * (sun.altitudeDeg + 6.07995) ** -1.6364);
          openHours += step;
          hours += step * open;
          heat += (1353 * 0.7 ** (air ** 0.678) * cosine * open * step) / 1000;
        }
    });
    return ok({ openHours, hours, heatKwhPerM2: heat });
  },
  steps: (_, v) => [`${fig(v.openHours)} h open, ${fig(v.hours)} h under the overhang, ${fig(v.heatKwhPerM2)} kWh/m²`],
});
