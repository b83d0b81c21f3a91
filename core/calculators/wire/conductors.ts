import { z } from 'zod';
import { atLeast, atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { fine, type Outcome, refuse } from '../../math/index.ts';
import { wireResistance, wireResistanceInput } from './wire-resistance.ts';

/** IEC 60228: greatest resistance at 20 C of plain annealed copper, ohm/km, by nominal area, mm2. */
const METRIC = [
  [0.5, 36.0, 39.0],
  [0.75, 24.5, 26.0],
  [1, 18.1, 19.5],
  [1.5, 12.1, 13.3],
  [2.5, 7.41, 7.98],
  [4, 4.61, 4.95],
  [6, 3.08, 3.3],
  [10, 1.83, 1.91],
] as const;

/** F1.1, F1.2. */
export const diameterMmOf = (gaugeAwg: number): number => 0.127 * 92 ** ((36 - gaugeAwg) / 39);
export const areaMm2Of = (gaugeAwg: number): number => (Math.PI / 4) * diameterMmOf(gaugeAwg) ** 2;

/** What copper-clad aluminium is refused for (ENGINEERING 1.1). */
export const CLAD_REFUSED = ['data', 'poe', 'security', 'lighting'] as const;
export const WIRE_USES = ['speaker', 'power', ...CLAD_REFUSED] as const;

/** Whether a conductor may be used so; `prohibited` where copper-clad aluminium is not. */
export const judgeMaterial = (material: string, use: (typeof WIRE_USES)[number]): Outcome<true> =>
  material === 'cca' && (CLAD_REFUSED as readonly string[]).includes(use)
    ? refuse('clad-aluminium-refused', { kind: 'prohibited', field: 'material', use })
    : fine(true);

export const wireSizes = calculator({
  name: 'wire-sizes',
  title: 'Gauge numbers and square millimetres',
  topic: 'wire',
  source: 'ASTM B258; IEC 60228',
  formulaIds: ['F1.1', 'F1.2', 'F1.6'],
  valid: 'AWG -3 to 40; metric sizes 0.5 to 10 mm2',
  formulas: ['d = 0.127 mm · 92^((36 − n)/39)', 'A = π/4 · d²', 'n = 36 − 39·log92(d/0.127 mm)'],
  input: z.strictObject({
    gaugeAwg: z.int().nullable().default(null).describe('AWG number; 0 = 1/0, -1 = 2/0. Give this or an area'),
    areaMm2: z.number().gt(0).nullable().default(null).describe('mm2, nominal area. Give this or a gauge'),
  }),
  run: ({ gaugeAwg, areaMm2 }) => {
    if (gaugeAwg === null && areaMm2 === null) return refuse('input-missing', { kind: 'incomplete', field: 'gaugeAwg' });
    if (gaugeAwg !== null && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const area = gaugeAwg === null ? areaMm2! : areaMm2Of(gaugeAwg);
    const diameterMm = Math.sqrt((4 * area) / Math.PI);
    const exactAwg = 36 - (39 * Math.log(diameterMm / 0.127)) / Math.log(92);
    if (exactAwg < -3.5 || exactAwg > 40.5) return outOfDomain('areaMm2', area, areaMm2Of(40), areaMm2Of(-3));
    const next = METRIC.find(([size]) => atLeast(size, area));
    return fine({
      gaugeAwg: gaugeAwg ?? Math.round(exactAwg),
      exactAwg,
      diameterMm,
      areaMm2: area,
      kcmil: area / 0.506707,
      nextMetricMm2: next?.[0] ?? null,
      solidMostOhmPerKm: next?.[1] ?? null,
      flexibleMostOhmPerKm: next?.[2] ?? null,
    });
  },
  steps: (_, { gaugeAwg, diameterMm, areaMm2 }) => [
    `d = 0.127 · 92^((36 − ${gaugeAwg})/39) = ${fig(diameterMm)} mm`,
    `A = π/4 · ${fig(diameterMm)}² = ${fig(areaMm2)} mm²`,
  ],
});

export const parallelConductors = calculator({
  name: 'parallel-conductors',
  title: 'Conductors joined in parallel',
  topic: 'wire',
  source: 'Circuit theory',
  formulaIds: ['F1.7'],
  valid: 'equal conductors, AWG -3 to 40',
  formulas: ['r = r1/n', 'gauge falls by 39·log10(n)/(2·log10(92))'],
  input: wireResistanceInput.extend({ count: z.int().min(1).max(100).describe('conductors joined') }),
  run: ({ count, ...wire }) => {
    const one = wireResistance(wire);
    if (!one.ok) return one;
    const fallsBy = (39 * Math.log10(count)) / (2 * Math.log10(92));
    return fine({ ohmPerKm: one.value.ohmPerKm / count, fallsBy, equivalentAwg: wire.gaugeAwg - fallsBy });
  },
  steps: ({ gaugeAwg, count }, { fallsBy, equivalentAwg, ohmPerKm }) => [
    `39·log10(${count})/(2·log10 92) = ${fig(fallsBy)}`,
    `${gaugeAwg} − ${fig(fallsBy)} = ${fig(equivalentAwg)} AWG, ${fig(ohmPerKm)} Ω/km`,
  ],
});

const BEND_KINDS = ['cat', 'cat-pulling', 'coax', 'speaker', 'control', 'fibre', 'fibre-pulling'] as const;
const BEND_TIMES: Readonly<Record<(typeof BEND_KINDS)[number], number>> = {
  cat: 4,
  'cat-pulling': 8,
  coax: 10,
  speaker: 5,
  control: 5,
  fibre: 10,
  'fibre-pulling': 20,
};

export const bendRadius = calculator({
  name: 'bend-radius',
  title: 'Least bend of a cable',
  topic: 'wire',
  source: 'ANSI/TIA-568, ISO/IEC 11801, EN 50174-2; coax, speaker and control by trade practice',
  formulaIds: ['F1.8'],
  valid: 'without a maker’s sheet; hdmi leads 10 times their diameter',
  formulas: ['R = k · OD', 'in boxes category cable: max(k · OD, 25 mm)'],
  input: z.strictObject({
    kind: z.enum(BEND_KINDS),
    outsideM: z.number().gt(0).describe('m, outside diameter'),
    availableM: z.number().min(0).nullable().default(null).describe('m, room for the radius; null only asks for the radius'),
    inBox: z.boolean().default(false).describe('bent in a box'),
  }),
  run: ({ kind, outsideM, availableM, inBox }) => {
    const times = BEND_TIMES[kind];
    const radiusM = inBox && kind.startsWith('cat') ? Math.max(times * outsideM, 0.025) : times * outsideM;
    return fine({ times, radiusM, ok: availableM === null ? null : atLeast(availableM, radiusM) });
  },
  steps: ({ outsideM }, { times, radiusM }) => [`${times} · ${fig(outsideM * 1000)} mm = ${fig(radiusM * 1000)} mm`],
});

export const pullLimit = calculator({
  name: 'pull-limit',
  title: 'Greatest pull on cables',
  topic: 'wire',
  source: 'Trade practice; four-pair cable 110 N (ANSI/TIA-568)',
  formulaIds: ['F1.9'],
  valid: 'copper cable without a maker’s sheet',
  formulas: ['T = 50 N/mm² · copper area pulled', 'four-pair: 110 N each'],
  input: z.strictObject({
    fourPair: z.boolean().default(false).describe('category cable of four pairs'),
    gaugeAwg: z.int().default(16).describe('AWG of each conductor; not needed for four pairs'),
    conductors: z.int().min(1).max(200).default(2).describe('conductors pulled in all'),
    pullN: z.number().min(0).nullable().default(null).describe('N, pull that is expected'),
  }),
  run: ({ fourPair, gaugeAwg, conductors, pullN }) => {
    if (!fourPair && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const copperMm2 = fourPair ? null : conductors * areaMm2Of(gaugeAwg);
    const mostN = copperMm2 === null ? 110 : 50 * copperMm2;
    return fine({ copperMm2, mostN, ok: pullN === null ? null : atMost(pullN, mostN) });
  },
  steps: (_, { copperMm2, mostN }) => [copperMm2 === null ? '110 N' : `50 · ${fig(copperMm2)} mm² = ${fig(mostN)} N`],
});

const MATERIALS = ['copper', 'cca', 'ccs'] as const;
export const materialAllowed = calculator({
  name: 'conductor-material',
  title: 'Whether a conductor may be of this metal',
  topic: 'wire',
  source: 'ANSI/TIA-568, ISO/IEC 11801: solid copper; 1.60 times, refused for data',
  valid: 'copper, copper-clad aluminium, copper-clad steel (coax centre for RF only)',
  formulas: ['copper-clad aluminium: 1.60 times the resistance of copper'],
  input: z.strictObject({ material: z.enum(MATERIALS), use: z.enum(WIRE_USES) }),
  run: ({ material, use }) => {
    const judged = judgeMaterial(material, use);
    if (!judged.ok) return judged;
    return fine({ times: material === 'cca' ? 1.6 : material === 'ccs' ? 1 / 0.21 : 1, ok: material === 'copper' });
  },
  steps: ({ material, use }, v) => [`${material} for ${use}: ${fig(v.times)} times the resistance of copper`],
});
