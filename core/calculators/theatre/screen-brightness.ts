import { z } from 'zod';
import { atLeast, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { positive } from '../fields.ts';

export const screenBrightness = calculator({
  name: 'screen-brightness',
  title: 'Brightness of a projected picture',
  topic: 'theatre',
  source: 'SMPTE ST 431-1',
  formulaIds: ['F9.10', 'F9.11'],
  valid: 'lumens that land on the used picture; matte screens',
  formulas: ['L = Φ·g/(π·A)', 'Φ = π·A·L/(g·k)', 'contrast = (Lw + La)/(Lk + La), La = E·g/π'],
  input: z.strictObject({
    lumens: positive.nullable().default(null).describe('lm that land'),
    areaM2: positive,
    gain: positive.default(1),
    wantedCdM2: positive.default(48).describe('cd/m2'),
    shareLeft: z.number().gt(0).max(1).default(1).describe('k: age, calibration, zoom, screen'),
    ambientLx: z.number().min(0).default(0).describe('lx on the screen'),
    nativeContrast: positive.default(2000),
  }),
  example: { areaM2: 3, lumens: 2000 },
  run: ({ lumens, areaM2, gain, wantedCdM2, shareLeft, ambientLx, nativeContrast }) => {
    const neededLm = (Math.PI * areaM2 * wantedCdM2) / (gain * shareLeft);
    const cdM2 = lumens === null ? wantedCdM2 : (lumens * gain) / (Math.PI * areaM2);
    const ambientCdM2 = (ambientLx * gain) / Math.PI;
    return ok({
      cdM2,
      footLamberts: cdM2 / 3.42626,
      neededLm,
      ambientCdM2,
      contrast: (cdM2 + ambientCdM2) / (cdM2 / nativeContrast + ambientCdM2),
      ok: lumens === null ? null : atLeast(cdM2, wantedCdM2),
    });
  },
  steps: (_, v) => [`${fig(v.cdM2)} cd/m² (${fig(v.footLamberts)} fL); ${fig(v.neededLm)} lm wanted`],
});
