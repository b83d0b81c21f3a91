import { z } from 'zod';
import { atLeast, atMost, calculator, outOfDomain } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

const FINAL = 'final sizing: local code and licensed electrician';

export const bondingConductor = calculator({
  name: 'bonding-conductor',
  title: 'Bonding of masts and coax entries',
  topic: 'coax',
  source: 'NEC articles 810 and 820; EN 60728-11',
  valid: `10 AWG copper is the least that is suggested; ${FINAL}`,
  formulas: ['North America: mast 10 AWG, lead-in 14 to 6 AWG to 6 m', 'Europe: lightning 16 mm², bonding 4 mm²'],
  cautions: ['C5', 'C6'],
  input: z.strictObject({
    part: z.enum(['mast', 'lead-in', 'separate-rod', 'lightning', 'equipotential']),
    jurisdiction: z.enum(['NA', 'EU', 'UK', 'other']),
    gaugeAwg: z.int().nullable().default(null).describe('AWG that is planned; valid -3 to 40'),
    areaMm2: z.number().gt(0).nullable().default(null).describe('mm2 that is planned'),
    lengthM: z.number().min(0).nullable().default(null).describe('m'),
  }),
  example: { part: 'mast', jurisdiction: 'NA' },
  from: { gaugeAwg: 'bondGaugeAwg' },
  run: ({ part, jurisdiction, gaugeAwg, areaMm2, lengthM }) => {
    if (part === 'lightning' && jurisdiction === 'NA') return err('lightning-defer', { kind: 'defer', field: 'part' });
    if (gaugeAwg !== null && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const isNa = jurisdiction === 'NA';
    const minAwg = isNa ? (part === 'separate-rod' ? 6 : 10) : null;
    const minMm2 = isNa ? null : part === 'lightning' || part === 'mast' ? 16 : 4;
    const longestM = isNa && part === 'lead-in' ? 6 : null;
    const thick =
      (minAwg !== null && gaugeAwg !== null && gaugeAwg > minAwg) ||
      (minMm2 !== null && areaMm2 !== null && !atLeast(areaMm2, minMm2));
    if (thick)
      return err('bond-too-thin', {
        kind: 'prohibited',
        field: isNa ? 'gaugeAwg' : 'areaMm2',
        leastAwg: minAwg,
        leastMm2: minMm2,
      });
    return ok({
      leastAwg: minAwg,
      leastMm2: minMm2,
      longestM,
      ok: longestM === null || lengthM === null ? null : atMost(lengthM, longestM),
      note: FINAL,
    });
  },
  steps: (_, v) => [`${v.leastAwg === null ? `${v.leastMm2} mm²` : `${v.leastAwg} AWG copper`}; ${FINAL}`],
});
