import { z } from 'zod';
import { ok } from '../../math/index.ts';
import { atMost, calculator, fig } from '../calculator.ts';
import { positive } from '../fields.ts';

/** Speeds of air that stay unheard, m/s, and noise criteria. */
const TERMINAL_M_PER_S = 2;
const QUIET_TERMINAL_M_PER_S = 1.3;
const DUCT_M_PER_S = 2.5;
const TARGET_NC = 20;
const MOST_NC = 25;

export const roomAir = calculator({
  name: 'room-air',
  title: 'Air, heat and noise of a theatre',
  topic: 'theatre',
  source: 'Trade practice; noise criteria of ITU-R BS.1116 as the aim',
  valid: 'planning figures; the mechanical engineer sizes the plant',
  formulas: ['speed = flow/area', 'changes = flow/volume', 'heat = people·W + gear'],
  input: z.strictObject({
    volumeM3: positive.max(100_000).describe('m3'),
    people: z.int().min(0).max(1000).default(6),
    personW: z.number().min(50).max(200).default(100).describe('W of a person'),
    gearW: z.number().min(0).max(100_000).default(0).describe('W in the room'),
    supplyM3PerH: z.number().min(0).max(100_000).describe('m3/h'),
    terminalsM2: positive.max(100).describe('m2, free area of all terminals'),
    ductM2: positive.max(100).describe('m2, of the main duct'),
    noiseNc: z.number().min(0).max(100).nullable().default(null).describe('NC, stated or measured'),
  }),
  example: { volumeM3: 66, supplyM3PerH: 450, terminalsM2: 0.08, ductM2: 0.06, gearW: 400 },
  run: ({ volumeM3, people, personW, gearW, supplyM3PerH, terminalsM2, ductM2, noiseNc }) => {
    const flow = supplyM3PerH / 3600;
    const [terminalMPerS, ductMPerS] = [flow / terminalsM2, flow / ductM2];
    return ok({
      terminalMPerS,
      ductMPerS,
      changesPerH: supplyM3PerH / volumeM3,
      heatW: people * personW + gearW,
      isQuiet: atMost(terminalMPerS, QUIET_TERMINAL_M_PER_S),
      meetsTarget: noiseNc === null ? null : atMost(noiseNc, TARGET_NC),
      ok:
        atMost(terminalMPerS, TERMINAL_M_PER_S) &&
        atMost(ductMPerS, DUCT_M_PER_S) &&
        (noiseNc === null || atMost(noiseNc, MOST_NC)),
    });
  },
  steps: (_, v) => [`${fig(v.terminalMPerS)} m/s at the terminals, ${fig(v.changesPerH)} changes an hour, ${fig(v.heatW)} W`],
});
