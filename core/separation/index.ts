// Here: the distance that low voltage keeps from mains and other services.
// Not here: where runs lie beside mains (routing) and findings (checks).
// Start with `separation`.
import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculation/index.ts';
import { fine, refuse } from '../outcome/index.ts';
import { JURISDICTIONS } from '../project/index.ts';

const CLASSES = ['a', 'b', 'c', 'd'] as const;
const DIVIDERS = ['none', 'open-metal', 'perforated-metal', 'solid-metal'] as const;
/** EN 50174-2, mm, by class of cable and divider. */
const S_MM: Readonly<Record<(typeof CLASSES)[number], readonly [number, number, number, number]>> = {
  a: [300, 225, 150, 0],
  b: [100, 75, 50, 0],
  c: [50, 38, 25, 0],
  d: [10, 8, 5, 0],
};
/** Factor by number of 20 A, 230 V circuits. */
const P: readonly (readonly [upTo: number, factor: number])[] = [
  [3, 0.2],
  [6, 0.4],
  [9, 0.6],
  [12, 0.8],
  [15, 1],
  [30, 2],
  [45, 3],
  [60, 4],
  [75, 5],
  [Infinity, 6],
];
const SOURCES = ['branch-circuit', 'lamp-driver', 'motor', 'panelboard', 'dimmer-rack', 'gas', 'water', 'flue'] as const;
const LEAST_M: Readonly<Record<(typeof SOURCES)[number], number>> = {
  'branch-circuit': 0.3,
  'lamp-driver': 0.13,
  motor: 1.2,
  panelboard: 1.2,
  'dimmer-rack': 1.2,
  gas: 0.15,
  water: 0.15,
  flue: 0.15,
};

export const separation = calculator({
  name: 'separation',
  title: 'Distance from mains and other services',
  topic: 'ways',
  source: 'F7.1 (EN 50174-2); NEC 725, 800; 300 mm by practice; BS 6701',
  valid: 'parallel runs; crossings at right angles are excluded',
  formulas: ['EU, UK: d = S·P', 'North America: 50.8 mm to open circuits, 300 mm where parallel beyond 2 m'],
  cautions: ['C1'],
  input: z.strictObject({
    jurisdiction: z.enum(JURISDICTIONS).default('NA'),
    beside: z.enum(SOURCES).default('branch-circuit'),
    cableClass: z.enum(CLASSES).default('a').describe('EN 50174-2: d S/FTP, c F/UTP, b UTP 5e and 6, a all else and unknown'),
    divider: z.enum(DIVIDERS).default('none'),
    circuits: z.int().min(0).max(1000).default(1).describe('20 A, 230 V circuits beside it'),
    parallelM: z.number().min(0).default(10).describe('m, length beside each other'),
    enclosed: z.boolean().default(false).describe('either in raceway, metal-sheathed or NM cable'),
    sameBox: z.boolean().default(false).describe('in one box or bore with mains'),
    barrier: z.boolean().default(false).describe('a listed divider between them'),
    distanceM: z.number().min(0).nullable().default(null).describe('m, as planned'),
  }),
  run: ({ jurisdiction, beside, cableClass, divider, circuits, parallelM, enclosed, sameBox, barrier, distanceM }) => {
    if (sameBox && !barrier) return refuse('mains-same-box', { kind: 'prohibited', field: 'sameBox' });
    let computedM: number | null = null;
    let leastM = LEAST_M[beside];
    if (beside === 'branch-circuit') {
      if (jurisdiction === 'EU' || jurisdiction === 'UK') {
        const factor = circuits === 0 ? 0 : P.find(([upTo]) => circuits <= upTo)![1];
        computedM = (S_MM[cableClass][DIVIDERS.indexOf(divider)] * factor) / 1000;
        leastM = jurisdiction === 'UK' && divider === 'none' && circuits > 0 ? Math.max(computedM, 0.05) : computedM;
      } else leastM = parallelM > 2 ? 0.3 : enclosed ? 0 : 0.0508;
    }
    if (distanceM !== null && beside === 'branch-circuit' && jurisdiction === 'NA' && !enclosed && !atLeast(distanceM, 0.0508))
      return refuse('mains-too-near', { kind: 'prohibited', field: 'distanceM', distanceM, leastM: 0.0508 });
    return fine({ computedM, leastM, ok: distanceM === null ? null : atLeast(distanceM, leastM) });
  },
  steps: (_, v) => [
    ...(v.computedM === null ? [] : [`d = S·P = ${fig(v.computedM * 1000)} mm`]),
    `keep ${fig(v.leastM * 1000)} mm`,
  ],
});
