import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';

const BEND_KINDS = ['cat', 'cat-pulling', 'coax', 'speaker', 'control', 'fibre', 'fibre-pulling'] as const;

const BEND_TIMES: Readonly<Record<(typeof BEND_KINDS)[number], number>> = {
  cat: 4,
  'cat-pulling': 8,
  coax: 10,
  speaker: 5,
  control: 5,
  fibre: 10,
  'fibre-pulling': 20,
};

export const bendRadius = calculator({
  name: 'bend-radius',
  title: 'Least bend of a cable',
  topic: 'wire',
  source: 'ANSI/TIA-568, ISO/IEC 11801, EN 50174-2; coax, speaker and control by trade practice',
  formulaIds: ['F1.8'],
  valid: 'without a maker’s sheet; hdmi leads 10 times their diameter',
  formulas: ['R = k · OD', 'in boxes category cable: max(k · OD, 25 mm)'],
  input: z.strictObject({
    kind: z.enum(BEND_KINDS),
    outsideM: z.number().gt(0).describe('m, outside diameter'),
    availableM: z.number().min(0).nullable().default(null).describe('m, room for the radius; null only asks for the radius'),
    inBox: z.boolean().default(false).describe('bent in a box'),
  }),
  example: { kind: 'cat', outsideM: 0.0061 },
  from: { kind: 'bendKind' },
  run: ({ kind, outsideM, availableM, inBox }) => {
    const times = BEND_TIMES[kind];
    const radiusM = inBox && kind.startsWith('cat') ? Math.max(times * outsideM, 0.025) : times * outsideM;
    return ok({ times, radiusM, ok: availableM === null ? null : atLeast(availableM, radiusM) });
  },
  steps: ({ outsideM }, { times, radiusM }) => [`${times} · ${fig(outsideM * 1000)} mm = ${fig(radiusM * 1000)} mm`],
});
