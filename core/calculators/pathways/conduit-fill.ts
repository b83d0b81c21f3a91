import { z } from 'zod';
import { ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { diameters, region } from './conduit-fields.ts';
import { conduitFill, type ConduitFill, jams } from './fill.ts';

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
export function fillOfConduit(given: z.input<typeof conduitFillInput>): Outcome<ConduitFill & { readonly jams: boolean }> {
  const { diametersM, insideM, jurisdiction, lengthM, moreOfM } = conduitFillInput.parse(given);
  const filled = conduitFill(diametersM, insideM, jurisdiction, lengthM, moreOfM);
  return filled.ok ? ok({ ...filled.value, jams: jams(diametersM, insideM) }) : filled;
}

export const conduitFillCalculator = calculator({
  name: 'conduit-fill',
  title: 'How full a conduit is, and its room',
  topic: 'ways',
  source: 'NEC chapter 9 table 1, ANSI/TIA-569',
  formulaIds: ['F6.1', 'F6.3'],
  valid: 'round cables; flat ones by their width',
  formulas: ['fill = Σd²/D²', 'limits 53, 31, 40 %; a nipple 60 %', 'three alike wedge at D/d 2.8 to 3.2'],
  input: conduitFillInput,
  example: { diametersM: [0.0061, 0.0061], insideM: 0.025 },
  run: fillOfConduit,
  steps: (_, v) => [`${fig(v.fill * 100)} % of ${fig(v.limit * 100)} %`, `room for ${v.roomFor} more`],
});
