import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

export const PATHS = ['passive', 'passive-24awg', 'active-copper', 'active-optical', 'extender', 'ip'] as const;
export type LinkPath = (typeof PATHS)[number];
export const LINK_CLASSES = ['10.2', '18', '24', '32', '40', '48'] as const;
type LinkClass = (typeof LINK_CLASSES)[number];

/** Planning lengths by path at 10.2, 18 and 40 to 48 Gb/s, m; null is the maker's to say (ENGINEERING 4, practice; the shorter ones). */
const PLAN_M: Readonly<Record<LinkPath, readonly [number, number, number | null]>> = {
  passive: [10, 5, 3],
  'passive-24awg': [10, 7.5, 5],
  'active-copper': [15, 10, 5],
  'active-optical': [100, 50, 30],
  extender: [100, 70, null],
  ip: [90, 90, 90],
};

/** How far a path carries a class of link in planning, m; null is the maker's to say. */
export const reachOf = (path: LinkPath, linkClass: LinkClass): number | null =>
  PLAN_M[path][linkClass === '10.2' ? 0 : linkClass === '18' ? 1 : 2];

export const pictureReach = calculator({
  name: 'picture-reach',
  title: 'Reach of a video cable',
  topic: 'pictures',
  source: 'Trade practice, the shorter length where sources differ; a certified label and a test outrank it',
  valid: 'planning lengths; 24 and 32 Gb/s as 40',
  formulas: ['length ≤ planning length of the path at its class'],
  cautions: ['C12'],
  input: z.strictObject({
    path: z.enum(PATHS),
    linkClassGbps: z.enum(LINK_CLASSES).default('18').describe('Gb/s'),
    lengthM: z.number().min(0).describe('m'),
  }),
  example: { path: 'passive', lengthM: 4 },
  from: { lengthM: 'cutLengthM' },
  run: ({ path, linkClassGbps, lengthM }) => {
    const longestM = reachOf(path, linkClassGbps);
    if (longestM === null) return err('reach-by-maker', { kind: 'defer', field: 'path', path, linkClassGbps });
    const advised = PATHS.filter((one) => {
      const far = reachOf(one, linkClassGbps);
      return far !== null && atMost(lengthM, far);
    });
    return ok({ longestM, advised, directional: path === 'active-optical', ok: atMost(lengthM, longestM) });
  },
  steps: (i, v) => [`${fig(i.lengthM)} m of ${fig(v.longestM)} m`, `paths that reach: ${v.advised.join(', ') || 'none'}`],
});
