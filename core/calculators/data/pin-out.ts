import { z } from 'zod';
import { calculator } from '../calculator.ts';
import { ok } from '../../math/index.ts';

/** Conductors of pins 1 to 8 (ANSI/TIA-568), by scheme. */
const SCHEMES = {
  T568A: ['white-green', 'green', 'white-orange', 'blue', 'white-blue', 'orange', 'white-brown', 'brown'],
  T568B: ['white-orange', 'orange', 'white-green', 'blue', 'white-blue', 'green', 'white-brown', 'brown'],
} as const;
/** Pins of the pairs of an 8P8C jack: 4-5, 3-6, 1-2, 7-8. */
const PAIRS = [
  [4, 5],
  [3, 6],
  [1, 2],
  [7, 8],
] as const;
/** Nine-pin serial port (TIA-574): what a computer sends on and hears on. */
const SERIAL: Readonly<Record<number, string>> = { 2: 'receive', 3: 'send', 5: '0 V', 7: 'ready to send', 8: 'clear to send' };
const CROSSED: Readonly<Record<number, number>> = { 2: 3, 3: 2, 5: 5, 7: 8, 8: 7 };

export const pinOut = calculator({
  name: 'pin-out',
  title: 'Pins of a network or serial lead',
  topic: 'data',
  source: 'ANSI/TIA-568 for 8P8C jacks; TIA-574 for nine-pin serial ports',
  valid: 'both ends seen from the contact side; a link of today crosses by itself, so both ends are alike',
  formulas: ['pairs: 4-5, 3-6, 1-2, 7-8', 'serial between two of a kind: 2 to 3, 3 to 2, 7 to 8, 8 to 7, 5 to 5'],
  input: z.strictObject({
    kind: z.enum(['network', 'serial']).default('network'),
    near: z.enum(['T568A', 'T568B']).default('T568B').describe('network: scheme at this end'),
    far: z.enum(['T568A', 'T568B']).default('T568B').describe('network: scheme at the other end'),
    isCrossed: z.boolean().default(true).describe('serial: between two devices of one kind'),
  }),
  example: { kind: 'network' },
  run: ({ kind, near, far, isCrossed }) => {
    if (kind === 'serial') {
      const pins = Object.keys(SERIAL).map(Number);
      const lines = pins.map((pin) => `${pin} ${SERIAL[pin]} → ${isCrossed ? CROSSED[pin] : pin}`);
      return ok({ pins: lines, pairs: [] as string[], straight: !isCrossed, ok: true });
    }
    const other = (pin: number) => SCHEMES[far].indexOf(SCHEMES[near][pin - 1] as never) + 1;
    const lines = SCHEMES[near].map((conductor, n) => `${n + 1} ${conductor} → ${other(n + 1)}`);
    const pairs = PAIRS.map(([a, b], n) => `pair ${n + 1}: ${a}-${b}, ${SCHEMES[near][a - 1]} and ${SCHEMES[near][b - 1]}`);
    return ok({ pins: lines, pairs, straight: near === far, ok: near === far });
  },
  steps: (_, v) => [...v.pins, ...v.pairs],
});
