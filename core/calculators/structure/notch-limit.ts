import { z } from 'zod';
import { calculator, fig, outOfDomain } from '../calculator.ts';
import { err } from '../../math/index.ts';
import { type Notch, notchLimit } from './notch.ts';
import { common, DEFERRED, MEMBERS } from './bored-members.ts';

export const notchCheck = calculator({
  name: 'notch-limit',
  title: 'A notch in a stud or joist',
  topic: 'structure',
  source: 'IRC R502.8, R602.6; BS 5268; Approved Document A',
  valid: 'sawn timber; masonry chases of one face',
  formulas: [
    'stud: ≤ 0.25·D bearing, 0.40·D not',
    'joist: ≤ D/6 deep, D/3 long, none in the middle third; D/4 at the ends',
    'UK, EU joist: top only, ≤ 0.125·D, 0.07 to 0.25 of the span, D to 250 mm',
    'masonry: upright ≤ t/3, level ≤ t/6',
  ],
  cautions: ['C3'],
  input: z.strictObject({
    ...common,
    member: z.enum([...MEMBERS, 'masonry']).default('joist'),
    notchM: z.number().gt(0).max(1).describe('m, depth of the notch or chase'),
    lengthM: z.number().gt(0).nullable().default(null).describe('m, along the member'),
    spanM: z.number().gt(0).nullable().default(null).describe('m'),
    fromSupportM: z
      .number()
      .min(0)
      .nullable()
      .default(null)
      .describe('m, from the nearer support to the nearer end of the notch'),
    face: z.enum(['top', 'bottom']).default('top'),
    level: z.boolean().default(false).describe('a level chase in masonry'),
  }),
  example: { depthM: 0.235, notchM: 0.02 },
  from: { depthM: 'solidJoistM' },
  run: ({ member, depthM, ...notch }) => {
    if (DEFERRED.has(member)) return err('member-deferred', { kind: 'defer', field: 'member', member });
    if (depthM === null) return err('input-missing', { kind: 'incomplete', field: 'depthM' });
    const { spanM, fromSupportM, lengthM } = notch;
    if (spanM !== null && fromSupportM !== null && fromSupportM + (lengthM ?? 0) > spanM * (1 + 1e-9))
      return outOfDomain('fromSupportM', fromSupportM, 0, Math.max(0, spanM - (lengthM ?? 0)));
    return notchLimit({ ...notch, member: member as Notch['member'], depthM });
  },
  steps: (i, v) => [`${fig(i.notchM * 1000)} mm of ${fig(v.mostM * 1000)} mm`],
});
