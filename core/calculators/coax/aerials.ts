import { z } from 'zod';
import { atLeast, atMost, calculator, fig, outOfDomain } from '../calculator.ts';
import { fine, refuse } from '../../math/index.ts';

const FINAL = 'final sizing: local code and licensed electrician';

export const fieldStrength = calculator({
  name: 'field-strength',
  title: 'Field strength to level at the aerial',
  topic: 'coax',
  source: 'Physics: antenna terminal voltage',
  formulaIds: ['F5.7'],
  valid: 'matched load',
  formulas: ['V = E + G − 20·log10(f) + 31.54 (75 Ω; 50 Ω: 29.78)', 'G dBi = G dBd + 2.15'],
  cautions: ['C5'],
  input: z.strictObject({
    fieldDbuvPerM: z.number().describe('dBuV/m'),
    gainDbi: z.number().describe('dBi'),
    frequencyMhz: z.number().gt(0),
    ohm: z.union([z.literal(75), z.literal(50)]).default(75),
  }),
  run: ({ fieldDbuvPerM, gainDbi, frequencyMhz, ohm }) =>
    fine({ levelDbuv: fieldDbuvPerM + gainDbi - 20 * Math.log10(frequencyMhz) + (ohm === 75 ? 31.54 : 29.78) }),
  steps: (_, v) => [`${fig(v.levelDbuv)} dBµV`],
});

export const horizon = calculator({
  name: 'radio-horizon',
  title: 'Radio horizon and loss of free space',
  topic: 'coax',
  source: 'Physics: radio horizon over 4/3 of the radius of the earth',
  formulaIds: ['F5.8'],
  valid: 'smooth ground',
  formulas: ['d = 4.12·(√h1 + √h2) km', 'L = 20·log10(d km) + 20·log10(f MHz) + 32.45'],
  input: z.strictObject({
    height1M: z.number().min(0).describe('m'),
    height2M: z.number().min(0).describe('m'),
    distanceKm: z.number().gt(0).nullable().default(null),
    frequencyMhz: z.number().gt(0).nullable().default(null),
  }),
  run: ({ height1M, height2M, distanceKm, frequencyMhz }) => {
    const horizonKm = 4.12 * (Math.sqrt(height1M) + Math.sqrt(height2M));
    return fine({
      horizonKm,
      lossDb:
        distanceKm === null || frequencyMhz === null ? null : 20 * Math.log10(distanceKm) + 20 * Math.log10(frequencyMhz) + 32.45,
      ok: distanceKm === null ? null : atMost(distanceKm, horizonKm),
    });
  },
  steps: (_, v) => [`${fig(v.horizonKm)} km`],
});

export const mastSpacing = calculator({
  name: 'aerial-spacing',
  title: 'Distance between aerials, and from power lines',
  topic: 'coax',
  source: 'Trade practice',
  valid: 'aerials on the same band; a mast that may fall',
  formulas: ['λ = 300/f m; one wavelength of the lowest frequency, half at the least', 'power lines: mast + aerial + 3 m'],
  cautions: ['C5', 'C6', 'C18'],
  input: z.strictObject({
    lowestMhz: z.number().gt(0).describe('MHz'),
    apartM: z.number().min(0).nullable().default(null).describe('m, between the aerials'),
    mastM: z.number().min(0).default(0).describe('m, mast with its aerial'),
    lineDistanceM: z.number().min(0).nullable().default(null).describe('m, to the nearest power line'),
  }),
  run: ({ lowestMhz, apartM, mastM, lineDistanceM }) => {
    const wavelengthM = 300 / lowestMhz;
    const fallM = mastM + 3;
    if (lineDistanceM !== null && !atLeast(lineDistanceM, fallM))
      return refuse('mast-near-line', { kind: 'prohibited', field: 'lineDistanceM', lineDistanceM, fallM });
    return fine({ wavelengthM, leastM: wavelengthM / 2, fallM, ok: apartM === null ? null : atLeast(apartM, wavelengthM) });
  },
  steps: ({ lowestMhz }, v) => [`λ = 300/${fig(lowestMhz)} = ${fig(v.wavelengthM)} m`, `clear of lines by ${fig(v.fallM)} m`],
});

export const bondingConductor = calculator({
  name: 'bonding-conductor',
  title: 'Bonding of masts and coax entries',
  topic: 'coax',
  source: 'NEC 810, 820 style; EN 60728-11',
  valid: `10 AWG copper is the least that is suggested; ${FINAL}`,
  formulas: ['North America: mast 10 AWG, lead-in 14 to 6 AWG to 6 m', 'Europe: lightning 16 mm², bonding 4 mm²'],
  cautions: ['C5', 'C6'],
  input: z.strictObject({
    part: z.enum(['mast', 'lead-in', 'separate-rod', 'lightning', 'equipotential']),
    jurisdiction: z.enum(['NA', 'EU', 'UK', 'other']),
    gaugeAwg: z.int().nullable().default(null).describe('AWG that is planned; valid -3 to 40'),
    areaMm2: z.number().gt(0).nullable().default(null).describe('mm2 that is planned'),
    lengthM: z.number().min(0).nullable().default(null).describe('m'),
  }),
  run: ({ part, jurisdiction, gaugeAwg, areaMm2, lengthM }) => {
    if (part === 'lightning' && jurisdiction === 'NA') return refuse('lightning-defer', { kind: 'defer', field: 'part' });
    if (gaugeAwg !== null && (gaugeAwg < -3 || gaugeAwg > 40)) return outOfDomain('gaugeAwg', gaugeAwg, -3, 40);
    const isNa = jurisdiction === 'NA';
    const leastAwg = isNa ? (part === 'separate-rod' ? 6 : 10) : null;
    const leastMm2 = isNa ? null : part === 'lightning' || part === 'mast' ? 16 : 4;
    const longestM = isNa && part === 'lead-in' ? 6 : null;
    const thick =
      (leastAwg !== null && gaugeAwg !== null && gaugeAwg > leastAwg) ||
      (leastMm2 !== null && areaMm2 !== null && !atLeast(areaMm2, leastMm2));
    if (thick) return refuse('bond-too-thin', { kind: 'prohibited', field: isNa ? 'gaugeAwg' : 'areaMm2', leastAwg, leastMm2 });
    return fine({
      leastAwg,
      leastMm2,
      longestM,
      ok: longestM === null || lengthM === null ? null : atMost(lengthM, longestM),
      note: FINAL,
    });
  },
  steps: (_, v) => [`${v.leastAwg === null ? `${v.leastMm2} mm²` : `${v.leastAwg} AWG copper`}; ${FINAL}`],
});

export const surgeBond = calculator({
  name: 'surge-bond',
  title: 'Surge protection of outdoor copper',
  topic: 'coax',
  source: 'NEC 800, 820 style; EN 62305 direction',
  valid: 'copper that comes from outdoors; fibre needs none',
  formulas: ['arrester at the entry, bonded within 6 m'],
  cautions: ['C6'],
  input: z.strictObject({
    outdoorRuns: z.int().min(0).max(500),
    arresters: z.int().min(0).max(500),
    bondM: z.number().min(0).nullable().default(null).describe('m, from the arresters to the electrode of the building'),
  }),
  run: ({ outdoorRuns, arresters, bondM }) =>
    fine({ missing: Math.max(0, outdoorRuns - arresters), ok: arresters >= outdoorRuns && (bondM === null || atMost(bondM, 6)) }),
  steps: (_, v) => [`${v.missing} without an arrester`],
});
