import { z } from 'zod';
import { calculator } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const contactZones = calculator({
  name: 'contact-zones',
  title: 'Zones for contacts',
  topic: 'security',
  source: 'Trade practice',
  formulaIds: ['F17.1'],
  valid: 'openings of one façade may share a zone, four at most',
  formulas: ['zones = Σ ⌈openings of a façade/4⌉'],
  input: z.strictObject({
    facades: z.array(z.int().min(0).max(200)).max(100).describe('openings of each façade'),
    perZone: z.int().min(1).max(4).default(4),
  }),
  example: { facades: [4, 2] },
  run: ({ facades, perZone }) => ok({ zones: facades.reduce((sum, n) => sum + Math.ceil(n / perZone), 0) }),
  steps: (_, v) => [`${v.zones} zones`],
});
