import { z } from 'zod';
import { atLeast, calculator, fig, outOfDomain } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { areaMm2Of, gaugeOf } from './conductors.ts';

/** IEC 60228: greatest resistance at 20 C of plain annealed copper, ohm/km, by nominal area, mm2. */
const METRIC = [
  [0.5, 36.0, 39.0],
  [0.75, 24.5, 26.0],
  [1, 18.1, 19.5],
  [1.5, 12.1, 13.3],
  [2.5, 7.41, 7.98],
  [4, 4.61, 4.95],
  [6, 3.08, 3.3],
  [10, 1.83, 1.91],
] as const;

/** Greatest resistance at 20 C of solid or stranded copper of a nominal area, ohm/km; null for an area that is no usual size. */
export const nominalOhmPerKm = (areaMm2: number): number | null =>
  METRIC.find(([size]) => Math.abs(size - areaMm2) < 1e-9)?.[1] ?? null;

export const wireSizes = calculator({
  name: 'wire-sizes',
  title: 'Gauge numbers and square millimetres',
  topic: 'wire',
  source: 'ASTM B258; IEC 60228',
  formulaIds: ['F1.1', 'F1.2', 'F1.6'],
  valid: 'AWG -3 to 40; metric sizes 0.5 to 10 mm2',
  formulas: ['d = 0.127 mm · 92^((36 − n)/39)', 'A = π/4 · d²', 'n = 36 − 39·log92(d/0.127 mm)'],
  input: z.strictObject({
    gaugeAwg: z.int().nullable().default(null).describe('AWG number; 0 = 1/0, -1 = 2/0. Give this or an area'),
    areaMm2: z.number().gt(0).nullable().default(null).describe('mm2, nominal area. Give this or a gauge'),
  }),
  example: { gaugeAwg: 16 },
  run: ({ gaugeAwg, areaMm2 }) => {
    if (gaugeAwg === null && areaMm2 === null) return err('input-missing', { kind: 'incomplete', field: 'gaugeAwg' });
    if (gaugeAwg !== null && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const area = gaugeAwg === null ? areaMm2! : areaMm2Of(gaugeAwg);
    const diameterMm = Math.sqrt((4 * area) / Math.PI);
    const exactAwg = gaugeOf(diameterMm);
    if (exactAwg < -3.5 || exactAwg > 40.5) return outOfDomain('areaMm2', area, areaMm2Of(40), areaMm2Of(-3));
    const next = METRIC.find(([size]) => atLeast(size, area));
    return ok({
      gaugeAwg: gaugeAwg ?? Math.round(exactAwg),
      exactAwg,
      diameterMm,
      areaMm2: area,
      kcmil: area / 0.506707,
      nextMetricMm2: next?.[0] ?? null,
      solidMostOhmPerKm: next?.[1] ?? null,
      flexibleMostOhmPerKm: next?.[2] ?? null,
    });
  },
  steps: (_, { gaugeAwg, diameterMm, areaMm2 }) => [
    `d = 0.127 · 92^((36 − ${gaugeAwg})/39) = ${fig(diameterMm)} mm`,
    `A = π/4 · ${fig(diameterMm)}² = ${fig(areaMm2)} mm²`,
  ],
});
