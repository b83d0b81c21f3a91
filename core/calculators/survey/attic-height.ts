import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

/** Heights that a person needs over the joists [practice], m. */
export const CRAWL_M = 0.6;
export const KNEEL_M = 1.2;
export const STAND_M = 1.8;

export const atticHeightInput = z.strictObject({
  pitchDeg: z.number().gt(0).lt(85).describe('degrees, pitch of the roof'),
  distanceFromEavesM: z.number().min(0).describe('m, level, from the inside of the wall plate'),
  eavesHeightM: z.number().min(0).default(0).describe('m, underside of the rafters above the ceiling joists at the plate'),
  ridgeHeightM: z.number().gt(0).optional().describe('m, underside of the ridge above the joists, where it caps the slope'),
  drillLengthM: z.number().gt(0).default(0.45).describe('m, drill with bit held upright over the plate'),
});

export interface AtticHeight {
  readonly heightM: number;
  readonly canCrawl: boolean;
  readonly canKneel: boolean;
  readonly canStand: boolean;
  /** Whether the drill fits upright over the plate at this place. */
  readonly drillFits: boolean;
  /** How far from the eaves one must stay to crawl, and for the drill to fit, m; null where the ridge is too low. */
  readonly crawlFromM: number | null;
  readonly drillFromM: number | null;
}

/**
 * Answers: how high is an attic at a distance from the eaves, can a person get there, does a drill fit at the plate?
 * Units: m, degrees. Formula: h = eaves + d tan(pitch), capped by the ridge [derived]. Valid: pitch above 0, below 85 degrees.
 * Problems: `ridge-below-eaves`.
 */
export function atticHeight(given: z.input<typeof atticHeightInput>): Outcome<AtticHeight> {
  const { pitchDeg, distanceFromEavesM, eavesHeightM, ridgeHeightM, drillLengthM } = atticHeightInput.parse(given);
  if (ridgeHeightM !== undefined && ridgeHeightM < eavesHeightM)
    return err('ridge-below-eaves', { kind: 'invalid', field: 'ridgeHeightM' });
  const rise = Math.tan((pitchDeg * Math.PI) / 180);
  const heightM = Math.min(eavesHeightM + distanceFromEavesM * rise, ridgeHeightM ?? Infinity);
  const from = (neededM: number) => (neededM > (ridgeHeightM ?? Infinity) ? null : Math.max(0, (neededM - eavesHeightM) / rise));
  const reaches = (neededM: number) => heightM >= neededM * (1 - 1e-9);
  return ok({
    heightM,
    canCrawl: reaches(CRAWL_M),
    canKneel: reaches(KNEEL_M),
    canStand: reaches(STAND_M),
    drillFits: reaches(drillLengthM),
    crawlFromM: from(CRAWL_M),
    drillFromM: from(drillLengthM),
  });
}

export const atticHeightCalculator = calculator({
  name: 'attic-height',
  title: 'Height of an attic, and where one can crawl and drill',
  topic: 'survey',
  source: 'Geometry, trade practice',
  valid: 'plain gables',
  formulas: ['h = tan(pitch)·distance from the eaves'],
  input: atticHeightInput,
  example: { pitchDeg: 35, distanceFromEavesM: 3 },
  run: atticHeight,
  steps: ({ pitchDeg, distanceFromEavesM, eavesHeightM }, v) => [
    `h = ${fig(eavesHeightM ?? 0)} m + tan(${fig(pitchDeg)}°) · ${fig(distanceFromEavesM)} m = ${fig(v.heightM)} m at the most`,
  ],
});
