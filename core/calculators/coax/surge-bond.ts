import { z } from 'zod';
import { atMost, calculator } from '../calculator.ts';
import { ok } from '../../math/index.ts';

export const surgeBond = calculator({
  name: 'surge-bond',
  title: 'Surge protection of outdoor copper',
  topic: 'coax',
  source: 'NEC articles 800 and 820; EN 62305',
  valid: 'copper that comes from outdoors; fibre needs none',
  formulas: ['arrester at the entry, bonded within 6 m'],
  cautions: ['C6'],
  input: z.strictObject({
    outdoorRuns: z.int().min(0).max(500),
    arresters: z.int().min(0).max(500),
    bondM: z.number().min(0).nullable().default(null).describe('m, from the arresters to the electrode of the building'),
  }),
  example: { outdoorRuns: 3, arresters: 3 },
  run: ({ outdoorRuns, arresters, bondM }) =>
    ok({ missing: Math.max(0, outdoorRuns - arresters), ok: arresters >= outdoorRuns && (bondM === null || atMost(bondM, 6)) }),
  steps: (_, v) => [`${v.missing} without an arrester`],
});
