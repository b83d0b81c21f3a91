import { z } from 'zod';
import type { Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { diameters, region } from './conduit-fields.ts';
import { conduitSize, type ConduitSize } from './fill.ts';

export const conduitSizeInput = z.strictObject({
  diametersM: diameters,
  jurisdiction: region,
  spare: z.number().min(0).max(1).default(0.25).describe('share of area kept for later'),
});

/**
 * Answers: which listed conduit takes these cables with room to spare?
 * Units: m. Formula and source: F6.2, table of section 6. Problems: `conduit-none-fits`.
 */
export function sizeOfConduit(given: z.input<typeof conduitSizeInput>): Outcome<ConduitSize> {
  const { diametersM, jurisdiction, spare } = conduitSizeInput.parse(given);
  return conduitSize(diametersM, jurisdiction, spare);
}

export const conduitSizeCalculator = calculator({
  name: 'conduit-size',
  title: 'Smallest conduit for cables',
  topic: 'ways',
  source: 'Trade practice',
  formulaIds: ['F6.2'],
  valid: 'listed conduits by their typical inside: check the product',
  formulas: ['ΣA ≤ limit·A, with 25 % spare'],
  input: conduitSizeInput,
  example: { diametersM: [0.0061, 0.0061] },
  run: sizeOfConduit,
  steps: (_, v) => [`${v.name}: ${fig(v.insideM * 1000)} mm inside`],
});
