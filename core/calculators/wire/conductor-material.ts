import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { judgeMaterial, WIRE_USES } from './conductors.ts';

const MATERIALS = ['copper', 'cca', 'ccs'] as const;

export const materialAllowed = calculator({
  name: 'conductor-material',
  title: 'Whether a conductor may be of this metal',
  topic: 'wire',
  source: 'ANSI/TIA-568, ISO/IEC 11801: solid copper; 1.60 times, refused for data',
  valid: 'copper, copper-clad aluminium, copper-clad steel (coax centre for RF only)',
  formulas: ['copper-clad aluminium: 1.60 times the resistance of copper'],
  input: z.strictObject({ material: z.enum(MATERIALS), use: z.enum(WIRE_USES) }),
  example: { material: 'copper', use: 'data' },
  from: { material: 'anyMaterial', use: 'conductorUse' },
  run: ({ material, use }) => {
    const judged = judgeMaterial(material, use);
    if (!judged.ok) return judged;
    return ok({ times: material === 'cca' ? 1.6 : material === 'ccs' ? 1 / 0.21 : 1, ok: material === 'copper' });
  },
  steps: ({ material, use }, v) => [`${material} for ${use}: ${fig(v.times)} times the resistance of copper`],
});
