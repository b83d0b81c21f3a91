import { z } from 'zod';
import { atMost, calculator, countUp, fig } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';
import { constantPower } from '../power/index.ts';

/** IEEE 802.3 classes: W at the source, W guaranteed at the device, least V, pair sets, channel ohm for each, A for each. */
export interface PoeClass {
  readonly type: 1 | 2 | 3 | 4;
  readonly sourceW: number;
  readonly deviceW: number;
  readonly sourceV: number;
  readonly pairSets: 1 | 2;
  readonly channelOhm: number;
  readonly pairSetA: number;
}
const poeClass = (
  type: PoeClass['type'],
  sourceW: number,
  deviceW: number,
  sourceV: number,
  pairSets: 1 | 2,
  channelOhm: number,
  pairSetA: number,
): PoeClass => ({ type, sourceW, deviceW, sourceV, pairSets, channelOhm, pairSetA });

export const POE_CLASSES: Readonly<Record<number, PoeClass>> = {
  0: poeClass(1, 15.4, 12.95, 44, 1, 20, 0.35),
  1: poeClass(1, 4, 3.84, 44, 1, 20, 0.35),
  2: poeClass(1, 7, 6.49, 44, 1, 20, 0.35),
  3: poeClass(1, 15.4, 12.95, 44, 1, 20, 0.35),
  4: poeClass(2, 30, 25.5, 50, 1, 12.5, 0.6),
  5: poeClass(3, 45, 40, 50, 2, 12.5, 0.6),
  6: poeClass(3, 60, 51, 50, 2, 12.5, 0.6),
  7: poeClass(4, 75, 62, 52, 2, 12.5, 0.96),
  8: poeClass(4, 90, 71.3, 52, 2, 12.5, 0.96),
};

/** One conductor at most, ohm/m (ANSI/TIA-568). */
const OHM_PER_M = 0.0938;

export interface PoeDelivered {
  readonly pathOhm: number;
  readonly currentA: number;
  readonly lossW: number;
  readonly sourceW: number;
  readonly deviceV: number;
}

/** F3.3, F3.4: what a device of so many watts takes from its source. `infeasible` where it cannot be delivered. */
export function poeDelivered(
  deviceW: number,
  { sourceV, pairSets }: PoeClass,
  lengthM: number,
  ohmPerM = OHM_PER_M,
): Outcome<PoeDelivered> {
  const pathOhm = (ohmPerM * lengthM) / pairSets;
  const found = constantPower(sourceV, pathOhm, deviceW);
  if (!found.ok) return found;
  const { currentA, loadV } = found.value;
  return fine({ pathOhm, currentA, lossW: currentA ** 2 * pathOhm, sourceW: sourceV * currentA, deviceV: loadV });
}

const classOf = z.int().min(0).max(8).describe('IEEE 802.3 class, 0 to 8');

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
    material: z.enum(['copper', 'cca']).default('copper'),
    standards: z.boolean().default(true).describe('negotiated; false is a passive injector'),
  }),
  run: ({ poeClass: number, lengthM, deviceW, ohmPerM, material, standards }) => {
    const of = POE_CLASSES[number];
    if (lengthM > 100)
      return refuse('out-of-domain', { kind: 'out_of_domain', field: 'lengthM', value: lengthM, least: 0, most: 100 });
    if (material === 'cca') return refuse('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use: 'poe' });
    if (!standards) return refuse('injector-passive', { kind: 'prohibited', field: 'standards' });
    const watts = deviceW ?? of.deviceW;
    if (!atMost(watts, of.deviceW))
      return refuse('poe-class-exceeded', { kind: 'infeasible', field: 'deviceW', deviceW: watts, mostW: of.deviceW });
    const found = poeDelivered(watts, of, lengthM, ohmPerM);
    if (!found.ok) return found;
    const { sourceW, pathOhm } = found.value;
    return fine({
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

export const poeBudget = calculator({
  name: 'poe-budget',
  title: 'Power budget of a switch',
  topic: 'data',
  source: 'Arithmetic; 0.8 and 25 % spare ports by trade practice',
  formulaIds: ['F3.5'],
  valid: 'class watts at the source where nothing is measured',
  formulas: ['need = Σ W at the source', 'need ≤ 0.8 · budget', 'ports = ⌈1.25 · devices⌉'],
  input: z.strictObject({
    classes: z.array(classOf).max(500).default([]).describe('class of each device that is not measured'),
    measuredW: z.array(z.number().min(0)).max(500).default([]).describe('W at the source of each measured device'),
    budgetW: z.number().gt(0).describe('W, of the switch'),
    ports: z.int().min(0).nullable().default(null).describe('ports of the switch'),
  }),
  run: ({ classes, measuredW, budgetW, ports }) => {
    const needW = classes.reduce((sum, one) => sum + POE_CLASSES[one].sourceW, 0) + measuredW.reduce((sum, w) => sum + w, 0);
    const wantedPorts = countUp((classes.length + measuredW.length) * 1.25);
    if (!atMost(needW, budgetW)) return refuse('poe-budget-over', { kind: 'infeasible', field: 'budgetW', needW, budgetW });
    return fine({
      needW,
      plannedMostW: 0.8 * budgetW,
      leftW: budgetW - needW,
      wantedPorts,
      ok: atMost(needW, 0.8 * budgetW) && (ports === null || ports >= wantedPorts),
    });
  },
  steps: (i, v) => [`${fig(v.needW)} W of ${fig(i.budgetW)} W, planned to ${fig(v.plannedMostW)} W`, `${v.wantedPorts} ports`],
});

export const poeBundle = calculator({
  name: 'poe-bundle',
  title: 'Bundles of powered network cable',
  topic: 'data',
  source: 'ISO/IEC TS 29125, TIA TSB-184; NEC 725.144, 722',
  valid: 'tight bundles; classes 5 to 8',
  formulas: ['classes 5 to 8: 24 cables in a bundle', 'above 60 W a cable in North America: ampacity tables'],
  cautions: ['C11'],
  input: z.strictObject({
    cables: z.int().min(0).max(1000),
    poeClass: classOf,
    jurisdiction: z.enum(['NA', 'EU', 'UK', 'other']).default('NA'),
  }),
  run: ({ cables, poeClass: number, jurisdiction }) => {
    if (jurisdiction === 'NA' && POE_CLASSES[number].sourceW > 60 && cables > 1)
      return refuse('poe-ampacity', { kind: 'defer', field: 'poeClass', cables, sourceW: POE_CLASSES[number].sourceW });
    const most = number >= 5 ? 24 : null;
    return fine({
      most,
      bundles: most === null ? (cables > 0 ? 1 : 0) : Math.ceil(cables / most),
      ok: most === null || cables <= most,
    });
  },
  steps: (_, v) => [v.most === null ? 'no limit for this class' : `${v.most} cables a bundle: ${v.bundles}`],
});
