import { z } from 'zod';
import { atLeast, atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { err, INCH_M, ok } from '../../math/index.ts';
import { boreLimit, NAIL_PLATE_M } from './limits.ts';
import { common, DEFERRED } from './bored-members.ts';

export const boreCheck = calculator({
  name: 'bore-limit',
  title: 'A hole in a stud, joist or plate',
  topic: 'structure',
  source: 'IRC R502.8, R602.6, R602.6.1; BS 5268, Approved Document A; NEC 300.4',
  formulaIds: ['F7.2', 'F7.3', 'F7.4', 'F7.5', 'F7.6'],
  valid:
    'sawn timber by its actual depth; trusses, I-joists, engineered members and steel beyond knock-outs wait for the engineer',
  formulas: [
    'stud: d ≤ 0.40·D bearing, 0.60·D not; edge ≥ 15.875 mm',
    'joist: d ≤ D/3; 50.8 mm to edges and other holes',
    'UK, EU: d ≤ 0.25·D on the neutral axis, 0.25 to 0.40 of the span, 3·d apart',
    'plate: over half its width a tie of 1.37 mm',
    'nail plate where the edge of the hole is nearer than 31.75 mm',
  ],
  cautions: ['C3'],
  input: z.strictObject({
    ...common,
    holeM: z.number().gt(0).max(1).nullable().default(null).describe('m, diameter of the hole; null asks for the largest'),
    edgeM: z
      .number()
      .min(0)
      .nullable()
      .default(null)
      .describe('m, from the hole to the nearer edge of the member; null is centred'),
    spanM: z.number().gt(0).nullable().default(null).describe('m, span of the joist'),
    fromSupportM: z.number().min(0).nullable().default(null).describe('m, from the nearer support to the hole'),
    toNextHoleM: z.number().min(0).nullable().default(null).describe('m, edge to edge to the next hole or notch'),
    doubled: z.boolean().default(false).describe('doubled bearing stud, no more than two bored in a row'),
  }),
  example: { depthM: 0.0889 },
  run: ({ member, depthM, jurisdiction, bearing, holeM, edgeM, spanM, fromSupportM, toNextHoleM, doubled }) => {
    // Whatever else is given: engineered members are not ours to judge.
    if (DEFERRED.has(member)) return err('member-deferred', { kind: 'defer', field: 'member', member });
    if (depthM === null) return err('input-missing', { kind: 'incomplete', field: 'depthM' });
    const kind = member as 'stud' | 'joist' | 'plate';
    const limit = boreLimit(kind, depthM, jurisdiction, bearing && !doubled);
    const isUk = kind === 'joist' && limit.spanShares !== null;
    const hole = holeM ?? limit.mostM;
    const centredM = Math.max(0, (depthM - hole) / 2);
    if (edgeM !== null && !atMost(edgeM, centredM)) return outOfDomain('edgeM', edgeM, 0, centredM);
    if (spanM !== null && fromSupportM !== null && !atMost(fromSupportM, spanM))
      return outOfDomain('fromSupportM', fromSupportM, 0, spanM);
    const edge = edgeM ?? centredM;
    const nailPlates = edge < NAIL_PLATE_M - 1e-9;
    const tie = kind === 'plate' && hole > 0.5 * depthM + 1e-9;
    const figures = {
      mostM: limit.mostM,
      leastEdgeM: isUk ? null : limit.edgeM,
      edgeM: edge,
      nailPlates,
      bothFaces: edgeM === null && nailPlates,
      tie,
    };
    if (holeM === null) return ok({ ...figures, ok: true });
    if (kind === 'plate') return ok({ ...figures, ok: !tie });
    if (!atMost(holeM, limit.mostM)) return err('bore-over', { kind: 'prohibited', field: 'holeM', holeM, ...figures });
    if (!isUk && edgeM !== null && !atLeast(edgeM, limit.edgeM))
      return err('bore-near-edge', { kind: 'prohibited', field: 'edgeM', holeM, ...figures });
    // There a joist may be bored in one part of its span alone: without the place nobody can say.
    for (const [field, value] of isUk
      ? ([
          ['spanM', spanM],
          ['fromSupportM', fromSupportM],
        ] as const)
      : [])
      if (value === null) return err('input-missing', { kind: 'incomplete', field });
    if (isUk && spanM !== null && fromSupportM !== null) {
      const share = Math.min(fromSupportM, spanM - fromSupportM) / spanM;
      if (!atLeast(share, 0.25) || !atMost(share, 0.4))
        return err('bore-off-span', { kind: 'prohibited', field: 'fromSupportM', share, ...figures });
    }
    if (isUk && edgeM !== null && Math.abs(edgeM - (depthM - holeM) / 2) > 0.005)
      return err('bore-off-axis', { kind: 'prohibited', field: 'edgeM', holeM, ...figures });
    if (toNextHoleM !== null && kind === 'joist') {
      const minM = isUk ? 2 * holeM : 2 * INCH_M;
      if (!atLeast(toNextHoleM, minM))
        return err('bore-too-close', { kind: 'prohibited', field: 'toNextHoleM', toNextHoleM, leastM: minM, ...figures });
    }
    return ok({ ...figures, ok: true });
  },
  steps: (i, v) => [
    `largest hole ${fig(v.mostM * 1000)} mm of ${fig((i.depthM ?? 0) * 1000)} mm`,
    `edge ${fig(v.edgeM * 1000)} mm: ${v.nailPlates ? (v.bothFaces ? 'steel plates on both faces' : 'a steel plate') : 'no plate'}`,
    ...(v.tie ? ['metal tie of 1.37 mm over the plate'] : []),
  ],
});
