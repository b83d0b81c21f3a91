import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { instant, instantOf, judge, onPane, pane, site, sunAt } from './sun.ts';

export const sunOnPane = calculator({
  name: 'sun-on-pane',
  title: 'Sun on a pane under an overhang',
  topic: 'shades',
  source: 'Low-precision series for the position of the sun',
  formulaIds: ['F14.8', 'F14.9'],
  valid: 'upright panes under a long overhang; neighbours and trees want a visit',
  formulas: ['cos i = sin alt·cos β + cos alt·sin β·cos γ', 'Ω = atan2(tan alt, cos γ)', 'shaded = clamp(P·tan Ω − G, 0, Hg)'],
  input: z.strictObject({ ...site, ...pane, at: instant }),
  example: { latitudeDeg: 40, longitudeDeg: -105, at: '2026-06-21T18:00:00Z', bearingDeg: 180 },
  run: ({ at, latitudeDeg, longitudeDeg, ...glass }) => {
    const when = instantOf(at);
    if (!when) return err('instant-invalid', { kind: 'invalid', field: 'at' });
    const judged = judge({ latitudeDeg, longitudeDeg }, when.year);
    if (!judged.ok) return judged;
    const sun = sunAt(latitudeDeg, longitudeDeg, when);
    return ok({ ...sun, ...onPane(sun, glass) });
  },
  steps: (_, v) => [
    `γ ${fig(v.gammaDeg)}°, i ${fig(v.incidenceDeg)}°, Ω ${fig(v.profileDeg)}°`,
    `shaded ${fig(v.shadedShare * 100)} %`,
  ],
});
