import { z } from 'zod';
import { err, ok, type Outcome } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { areaMm2Of, diameterMmOf } from './conductors.ts';
import { nominalOhmPerKm } from './wire-sizes.ts';

/** What the lay of strands adds (F1.5). */
const STRANDED = 1.02;

export const wireResistanceInput = z.strictObject({
  gaugeAwg: z.int().describe('AWG number; 0 = 1/0, -1 = 2/0; valid -3 to 40'),
  stranded: z.boolean().default(true).describe('adds 2 % for lay'),
  material: z.enum(['copper', 'cca']).default('copper').describe('cca: copper-clad aluminium, 1.60 x copper'),
  temperatureC: z.number().default(20).describe('degrees C; valid -20 to 90'),
});
export type WireResistanceInput = z.input<typeof wireResistanceInput>;

export interface WireResistanceResult {
  readonly diameterMm: number;
  readonly areaMm2: number;
  /** Solid copper at 20 C, ohm/km. */
  readonly solid20OhmPerKm: number;
  /** As asked: lay, material and temperature included, ohm/km of one conductor. */
  readonly ohmPerKm: number;
}

/**
 * Answers: how much resistance has one conductor of this gauge?
 * Units: mm, mm2, ohm/km, degrees C.
 * Formula and source: d = 0.127 * 92^((36-n)/39) (ASTM B258); area; r20 = 1000*0.017241/A (IEC 60028);
 * F1.4 temperature 0.00393/C; F1.5 stranded x 1.02; copper-clad aluminium x 1.60.
 * Valid: AWG -3 to 40, -20 to 90 C.
 * Problems: `out_of_domain` for gauge or temperature.
 */
export function wireResistance(given: WireResistanceInput): Outcome<WireResistanceResult> {
  const { gaugeAwg, stranded, material, temperatureC } = wireResistanceInput.parse(given);
  if (gaugeAwg < -3 || gaugeAwg > 40)
    return err('gauge-out-of-domain', { kind: 'out_of_domain', field: 'gaugeAwg', value: gaugeAwg });
  if (temperatureC < -20 || temperatureC > 90) {
    return err('temperature-out-of-domain', { kind: 'out_of_domain', field: 'temperatureC', value: temperatureC });
  }
  const [diameterMm, areaMm2] = [diameterMmOf(gaugeAwg), areaMm2Of(gaugeAwg)];
  const solid20OhmPerKm = (1000 * 0.017241) / areaMm2;
  const ohmPerKm =
    solid20OhmPerKm * (stranded ? STRANDED : 1) * (material === 'cca' ? 1.6 : 1) * (1 + 0.00393 * (temperatureC - 20));
  return ok({ diameterMm, areaMm2, solid20OhmPerKm, ohmPerKm });
}

/**
 * The same for a conductor that is sold by its nominal area: IEC 60228 limits its resistance, solid and stranded alike or flexible, which
 * for the usual sizes is more than the area alone gives. Other sizes are worked out of their area.
 */
function ofNominalArea(areaMm2: number, { stranded, material, temperatureC }: Omit<WireResistanceInput, 'gaugeAwg'>) {
  const gaugeAwg = 20;
  const plain = wireResistance({ gaugeAwg, stranded, material, temperatureC });
  if (!plain.ok) return plain;
  const nominal = nominalOhmPerKm(areaMm2);
  const solid20OhmPerKm = nominal ?? (1000 * 0.017241) / areaMm2;
  // Metal and temperature act alike on every conductor; the lay is in the values of the standard.
  const lay = nominal === null || !stranded ? 1 : 1 / STRANDED;
  const ohmPerKm = (plain.value.ohmPerKm / plain.value.solid20OhmPerKm) * solid20OhmPerKm * lay;
  return ok({ diameterMm: Math.sqrt((4 * areaMm2) / Math.PI), areaMm2, solid20OhmPerKm, ohmPerKm });
}

export const wireResistanceCalculator = calculator({
  name: 'wire-resistance',
  title: 'Resistance of one conductor',
  topic: 'wire',
  source: 'ASTM B258, IEC 60028',
  formulaIds: ['F1.3', 'F1.4', 'F1.5'],
  valid: 'AWG -3 to 40, -20 to 90 C',
  formulas: ['d = 0.127 mm · 92^((36 − n)/39)', 'r20 = 1000·0.017241/A', 'r(T) = r20·(1 + 0.00393·(T − 20)); stranded × 1.02'],
  input: wireResistanceInput.extend({
    gaugeAwg: wireResistanceInput.shape.gaugeAwg.nullable().default(null),
    areaMm2: z.number().gt(0).max(120).nullable().default(null).describe('mm2, nominal area instead of a gauge'),
  }),
  example: { gaugeAwg: 16 },
  run: ({ areaMm2, gaugeAwg, ...wire }) => {
    if (areaMm2 !== null && gaugeAwg !== null)
      return err('input-twice', { kind: 'invalid', field: 'areaMm2', other: 'gaugeAwg' });
    if (areaMm2 !== null) return ofNominalArea(areaMm2, wire);
    return gaugeAwg === null
      ? err('input-missing', { kind: 'incomplete', field: 'gaugeAwg' })
      : wireResistance({ ...wire, gaugeAwg });
  },
  steps: (_, v) => [
    `d = ${fig(v.diameterMm)} mm, A = ${fig(v.areaMm2)} mm²`,
    `r20 = ${fig(v.solid20OhmPerKm)} Ω/km, as asked ${fig(v.ohmPerKm)} Ω/km`,
  ],
});
