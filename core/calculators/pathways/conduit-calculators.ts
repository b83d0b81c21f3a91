import { z } from 'zod';
import { conduitFill, type ConduitFill, conduitSize, type ConduitSize, jams } from './fill.ts';
import { pullTension, type PullTension } from './pull.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';
import { JURISDICTIONS } from '../../model/index.ts';

const diameters = z
  .array(z.number().gt(0).max(0.2))
  .min(1)
  .max(200)
  .describe('m, outside diameter of each cable; flat ones by their width');
const region = z.enum(JURISDICTIONS).default('NA').describe('NA: 53, 31, 40 % for one, two, three and more; others 40 %');

export const conduitFillInput = z.strictObject({
  diametersM: diameters,
  insideM: z.number().gt(0).max(1).describe('m, clear inside of the conduit'),
  jurisdiction: region,
  lengthM: z.number().gt(0).default(30).describe('m; a nipple up to 0.6 m may be filled to 60 %'),
  moreOfM: z.number().gt(0).max(0.2).default(0.0061).describe('m, diameter of the cable whose room is asked for'),
});

/**
 * Answers: how full is a conduit, do its cables fit, may they wedge, and how many more go in?
 * Units: m, shares of area. Formula and source: F6.1, F6.3. Valid for round cables. Problems: none beyond invalid input.
 */
export function conduitFillCalculator(
  given: z.input<typeof conduitFillInput>,
): Outcome<ConduitFill & { readonly jams: boolean }> {
  const { diametersM, insideM, jurisdiction, lengthM, moreOfM } = conduitFillInput.parse(given);
  const filled = conduitFill(diametersM, insideM, jurisdiction, lengthM, moreOfM);
  return filled.ok ? fine({ ...filled.value, jams: jams(diametersM, insideM) }) : filled;
}

export const conduitSizeInput = z.strictObject({
  diametersM: diameters,
  jurisdiction: region,
  spare: z.number().min(0).max(1).default(0.25).describe('share of area kept for later'),
});

/**
 * Answers: which listed conduit takes these cables with room to spare?
 * Units: m. Formula and source: F6.2, table of section 6. Problems: `conduit-none-fits`.
 */
export function conduitSizeCalculator(given: z.input<typeof conduitSizeInput>): Outcome<ConduitSize> {
  const { diametersM, jurisdiction, spare } = conduitSizeInput.parse(given);
  return conduitSize(diametersM, jurisdiction, spare);
}

export const conduitPullInput = z.strictObject({
  corners: z
    .array(z.tuple([z.number(), z.number(), z.number()]))
    .min(2)
    .max(100)
    .describe('m, [x, y, z] of each corner from the start of the conduit to its end'),
  weightKgPerM: z.number().gt(0).max(10).describe('kg/m of all cables together'),
  friction: z.number().min(0.05).max(1).default(0.5).describe('0.5 dry, 0.35 polyethylene or lubricated'),
});

/**
 * Answers: how hard is the pull, and from which end is it easier?
 * Units: m, kg/m, N, rad. Formula and source: F6.4. Valid for one pull between open ends. Problems: `bends-over`.
 */
export function conduitPullCalculator(given: z.input<typeof conduitPullInput>): Outcome<PullTension> {
  const { corners, weightKgPerM, friction } = conduitPullInput.parse(given);
  const pull = pullTension(corners, weightKgPerM, friction);
  // No more than 360 degrees between pull points (ENGINEERING 6).
  if (pull.bendsRad > 2 * Math.PI * (1 + 1e-9))
    return refuse('bends-over', { kind: 'prohibited', field: 'corners', degrees: Math.round((pull.bendsRad * 180) / Math.PI) });
  return fine(pull);
}
