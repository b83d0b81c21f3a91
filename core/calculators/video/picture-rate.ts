import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

const CHROMA = ['444', '422', '420'] as const;
/** Link classes, Gb/s: the first two carry TMDS, all others a fixed rate. */
const FIXED = [9, 18, 24, 32, 40, 48] as const;

export const pictureRate = calculator({
  name: 'picture-rate',
  title: 'Data rate of a picture format',
  topic: 'pictures',
  source: 'Arithmetic of video formats',
  formulaIds: ['F4.1', 'F4.2'],
  valid: '8, 10 or 12 bit; TMDS to 18 Gb/s, else a fixed rate; 2 % over a class still fits by compressed blanking',
  formulas: [
    'clock = Htotal·Vtotal·fps',
    'TMDS = clock·30·(bits/8)/1000; 4:2:2 counts as 8 bit, 4:2:0 half',
    'fixed rate = clock·bits per pixel·18/16/1000',
  ],
  input: z.strictObject({
    pixelClockMhz: z.number().gt(0).nullable().default(null).describe('MHz; or give totals and frames'),
    horizontalTotal: z.int().gt(0).nullable().default(null).describe('pixels with blanking, 4400 for 3840 wide at 60'),
    verticalTotal: z.int().gt(0).nullable().default(null).describe('lines with blanking, 2250 for 2160 at 60'),
    framesPerS: z.number().gt(0).nullable().default(null),
    bits: z.union([z.literal(8), z.literal(10), z.literal(12)]).default(8),
    chroma: z.enum(CHROMA).default('444'),
  }),
  example: { pixelClockMhz: 594 },
  run: ({ pixelClockMhz, horizontalTotal, verticalTotal, framesPerS, bits, chroma }) => {
    if (pixelClockMhz === null)
      for (const [field, value] of Object.entries({ horizontalTotal, verticalTotal, framesPerS }))
        if (value === null) return err('input-missing', { kind: 'incomplete', field });
    const clockMhz = pixelClockMhz ?? (horizontalTotal! * verticalTotal! * framesPerS!) / 1e6;
    const tmdsFull = (clockMhz * 30 * (chroma === '422' ? 1 : bits / 8)) / 1000;
    const tmdsGbps = chroma === '420' ? tmdsFull / 2 : tmdsFull;
    const bitsPerPixel = chroma === '444' ? 3 * bits : chroma === '422' ? 24 : 1.5 * bits;
    const payloadGbps = (clockMhz * bitsPerPixel) / 1000;
    const fixedGbps = (payloadGbps * 18) / 16;
    const isTmds = atMost(tmdsGbps, 18);
    const linkClass = isTmds
      ? atMost(tmdsGbps, 10.2)
        ? 10.2
        : 18
      : (FIXED.find((one) => one > 18 && atMost(fixedGbps, one * 1.02)) ?? null);
    if (linkClass === null) return err('picture-rate-none', { kind: 'infeasible', field: 'bits', fixedGbps, mostGbps: 48 });
    return ok({
      clockMhz,
      tmdsGbps,
      payloadGbps,
      fixedGbps,
      signalling: isTmds ? 'tmds' : 'fixed-rate',
      linkClassGbps: linkClass,
    });
  },
  steps: (_, v) => [
    `clock ${fig(v.clockMhz)} MHz`,
    `TMDS ${fig(v.tmdsGbps)} Gb/s; fixed rate ${fig(v.fixedGbps)} Gb/s`,
    `class ${v.linkClassGbps} Gb/s`,
  ],
});
