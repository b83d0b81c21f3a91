import { positive } from '../fields.ts';
import { atMost, calculator, fig } from '../calculator.ts';
import { GRAVITY, ok } from '../../math/index.ts';
import { z } from 'zod';

export const shadeRoll = calculator({
  name: 'shade-roll',
  title: 'Rolled diameter and torque of a shade',
  topic: 'shades',
  source: 'Geometry and statics',
  formulaIds: ['F14.1', 'F14.2', 'F14.3'],
  valid: 'one fabric on a round tube; drop, two wraps and hem on the tube',
  formulas: ['D = √(d² + 4·t·L/π)', 'turns = (D − d)/(2t)', 'torque: worst of down, up and between; motor ≥ 1.4·T'],
  cautions: ['C22'],
  input: z.strictObject({
    tubeM: positive.describe('m, outside of the tube'),
    fabricM: positive.describe('m, thickness of the fabric'),
    lengthM: z.number().min(0).describe('m of fabric on the tube'),
    lined: z.boolean().default(false).describe('lined and loosely wound: 5 % thicker'),
    barKg: z.number().min(0).nullable().default(null).describe('kg, bottom bar'),
    fabricKgPerM2: z.number().min(0).default(0),
    widthM: positive.default(1).describe('m'),
    dropM: z.number().min(0).nullable().default(null).describe('m, hanging; null takes the length'),
    friction: z.boolean().default(false).describe('side channels or zip: twice'),
    pocketM: positive.nullable().default(null).describe('m, clear inside of the pocket'),
  }),
  example: { tubeM: 0.05, fabricM: 0.0006, lengthM: 2.4 },
  run: ({ tubeM, fabricM, lengthM, lined, barKg, fabricKgPerM2, widthM, dropM, friction, pocketM }) => {
    const t = lined ? fabricM * 1.05 : fabricM;
    const diameterM = Math.sqrt(tubeM ** 2 + (4 * t * lengthM) / Math.PI);
    const drop = dropM ?? lengthM;
    const perM = fabricKgPerM2 * widthM;
    let torqueNm: number | null = null;
    if (barKg !== null) {
      const all = barKg + perM * drop;
      const r0 = tubeM / 2;
      const at = (x: number) => (all - perM * x) * GRAVITY * Math.sqrt(r0 ** 2 + (t * x) / Math.PI);
      torqueNm = Math.max(all * GRAVITY * (r0 + t), (barKg * GRAVITY * diameterM) / 2);
      const peak = perM === 0 ? -1 : all / (3 * perM) - (2 * Math.PI * r0 ** 2) / (3 * t);
      if (peak > 0 && peak < drop) torqueNm = Math.max(torqueNm, at(peak));
    }
    return ok({
      diameterM,
      turns: (diameterM - tubeM) / (2 * t),
      torqueNm,
      motorNm: torqueNm === null ? null : torqueNm * (friction ? 2 : 1.4),
      pocketNeedsM: diameterM + 0.025,
      ok: pocketM === null ? null : atMost(diameterM + 0.025, pocketM),
    });
  },
  steps: (i, v) => [
    `√(${fig(i.tubeM * 1000)}² + 4 · ${fig(i.fabricM * 1000)} · ${fig(i.lengthM * 1000)}/π) = ${fig(v.diameterM * 1000)} mm`,
    ...(v.torqueNm === null ? [] : [`torque ${fig(v.torqueNm)} Nm, motor ${fig(v.motorNm!)} Nm`]),
  ],
});
