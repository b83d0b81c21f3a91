import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { JURISDICTIONS } from '../../model/index.ts';
import { CABLE_CLASSES, DIVIDERS, mainsSeparation, OPEN_CONDUCTORS_M } from './mains.ts';

const SOURCES = ['branch-circuit', 'lamp-driver', 'motor', 'panelboard', 'dimmer-rack', 'gas', 'water', 'flue'] as const;
/** What a cable keeps from other services than branch circuits, m (F7.1). */
export const SERVICE_KEEP_M: Readonly<Record<Exclude<(typeof SOURCES)[number], 'branch-circuit'>, number>> = {
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
  source: 'EN 50174-2; NEC 725, 800; BS 6701; 300 mm by trade practice',
  formulaIds: ['F7.1'],
  valid: 'parallel runs; crossings at right angles are excluded',
  formulas: ['EU, UK: d = S·P', 'North America: 50.8 mm to open circuits, 300 mm where parallel beyond 2 m'],
  cautions: ['C1'],
  input: z.strictObject({
    jurisdiction: z.enum(JURISDICTIONS).default('NA'),
    beside: z.enum(SOURCES).default('branch-circuit'),
    cableClass: z
      .enum(CABLE_CLASSES)
      .default('a')
      .describe('EN 50174-2: d S/FTP, c F/UTP, b UTP 5e and 6, a all else and unknown'),
    divider: z.enum(DIVIDERS).default('none'),
    circuits: z.int().min(0).max(1000).default(1).describe('20 A, 230 V circuits beside it'),
    parallelM: z.number().min(0).default(10).describe('m, length beside each other'),
    enclosed: z.boolean().default(false).describe('either in raceway, metal-sheathed or NM cable'),
    sameBox: z.boolean().default(false).describe('in one box or bore with mains'),
    barrier: z.boolean().default(false).describe('a listed divider between them'),
    distanceM: z.number().min(0).nullable().default(null).describe('m, as planned'),
  }),
  example: {},
  run: ({ jurisdiction, beside, cableClass, divider, circuits, parallelM, enclosed, sameBox, barrier, distanceM }) => {
    if (sameBox && !barrier) return err('mains-same-box', { kind: 'prohibited', field: 'sameBox' });
    const { computedM, leastM: minM } =
      beside === 'branch-circuit'
        ? mainsSeparation({ jurisdiction, cableClass, divider, circuits, parallelM, enclosed })
        : { computedM: null, leastM: SERVICE_KEEP_M[beside] };
    const isOpen = beside === 'branch-circuit' && jurisdiction === 'NA' && !enclosed;
    if (distanceM !== null && isOpen && !atLeast(distanceM, OPEN_CONDUCTORS_M))
      return err('mains-too-near', { kind: 'prohibited', field: 'distanceM', distanceM, leastM: OPEN_CONDUCTORS_M });
    return ok({ computedM, leastM: minM, ok: distanceM === null ? null : atLeast(distanceM, minM) });
  },
  steps: (_, v) => [
    ...(v.computedM === null ? [] : [`d = S·P = ${fig(v.computedM * 1000)} mm`]),
    `keep ${fig(v.leastM * 1000)} mm`,
  ],
});
