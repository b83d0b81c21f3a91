import { z } from 'zod';
import { calculator } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { classOf, POE_CLASSES } from './poe.ts';

export const poeBundle = calculator({
  name: 'poe-bundle',
  title: 'Bundles of powered network cable',
  topic: 'data',
  source: 'ISO/IEC TS 29125, TIA TSB-184; NEC 725.144, 722',
  valid: 'tight bundles; classes 5 to 8',
  formulas: ['classes 5 to 8: 24 cables in a bundle', 'above 60 W a cable in North America: ampacity tables'],
  cautions: ['C11'],
  input: z.strictObject({
    cables: z.int().min(0).max(1000),
    poeClass: classOf,
    jurisdiction: z.enum(['NA', 'EU', 'UK', 'other']).default('NA'),
  }),
  example: { cables: 20, poeClass: 5 },
  run: ({ cables, poeClass: number, jurisdiction }) => {
    if (jurisdiction === 'NA' && POE_CLASSES[number].sourceW > 60 && cables > 1)
      return err('poe-ampacity', { kind: 'defer', field: 'poeClass', cables, sourceW: POE_CLASSES[number].sourceW });
    const max = number >= 5 ? 24 : null;
    return ok({
      most: max,
      bundles: max === null ? (cables > 0 ? 1 : 0) : Math.ceil(cables / max),
      ok: max === null || cables <= max,
    });
  },
  steps: (_, v) => [v.most === null ? 'no limit for this class' : `${v.most} cables a bundle: ${v.bundles}`],
});
