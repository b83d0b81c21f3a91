import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { classOf, OHM_PER_M, POE_CLASSES, poeDelivered } from './poe.ts';

export const poeLink = calculator({
  name: 'poe-link',
  title: 'Power over a network cable',
  topic: 'data',
  source: 'IEEE 802.3 af, at, bt',
  formulaIds: ['F3.3', 'F3.4'],
  valid: 'solid copper of four pairs to 100 m; 0.125 ohm/m for a hot or unknown channel',
  formulas: ['R = r·L (one pair set), r·L/2 (two)', 'I = (V − √(V² − 4·R·P))/(2·R)', 'loss = I²·R'],
  cautions: ['C11'],
  input: z.strictObject({
    poeClass: classOf,
    lengthM: z.number().min(0).describe('m, whole channel'),
    deviceW: z.number().min(0).nullable().default(null).describe('W at the device; null takes what its class guarantees'),
    ohmPerM: z.number().gt(0).max(10).default(OHM_PER_M).describe('ohm/m of one conductor at its temperature'),
    sourceV: z.number().min(37).max(57).nullable().default(null).describe('V at the source; null takes the least of its class'),
    material: z.enum(['copper', 'cca']).default('copper'),
    standards: z.boolean().default(true).describe('negotiated; false is a passive injector'),
  }),
  example: { poeClass: 4, lengthM: 60 },
  from: { lengthM: 'cutLengthM' },
  run: ({ poeClass: number, lengthM, deviceW, ohmPerM, sourceV, material, standards }) => {
    const of = { ...POE_CLASSES[number], sourceV: sourceV ?? POE_CLASSES[number].sourceV };
    if (lengthM > 100)
      return err('out-of-domain', { kind: 'out_of_domain', field: 'lengthM', value: lengthM, least: 0, most: 100 });
    if (material === 'cca') return err('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use: 'poe' });
    if (!standards) return err('injector-passive', { kind: 'prohibited', field: 'standards' });
    const watts = deviceW ?? of.deviceW;
    if (!atMost(watts, of.deviceW))
      return err('poe-class-exceeded', { kind: 'infeasible', field: 'deviceW', deviceW: watts, mostW: of.deviceW });
    const found = poeDelivered(watts, of, lengthM, ohmPerM);
    if (!found.ok) return found;
    const { sourceW, pathOhm } = found.value;
    return ok({
      type: of.type,
      guaranteedW: of.deviceW,
      classSourceW: of.sourceW,
      ...found.value,
      // What its class leaves over this cable at full power and least voltage.
      classDeviceW: of.sourceW - (of.sourceW / of.sourceV) ** 2 * pathOhm,
      ok: atMost(sourceW, of.sourceW * (1 + 1e-3)),
    });
  },
  steps: (i, v) => [
    `R = ${fig(v.pathOhm)} Ω over ${fig(i.lengthM)} m`,
    `I = ${fig(v.currentA)} A, loss ${fig(v.lossW)} W, source ${fig(v.sourceW)} W of ${fig(v.classSourceW)} W`,
  ],
});
