import { z } from 'zod';
import { atMost, calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';

/** Sealed batteries as they are sold, Ah. */
const BATTERIES_AH = [1.2, 4, 5, 7, 12, 18, 26] as const;

export const standbyBattery = calculator({
  name: 'standby-battery',
  title: 'Standby battery',
  topic: 'security',
  source: 'UL 1023, EN 50131, NFPA 72; 1.25 for aging',
  formulaIds: ['F17.4'],
  valid: 'sealed batteries; below 10 C 20 % more; fire systems are designed by licensed people',
  formulas: ['Ah = 1.25·(I standby·T + I alarm·T)'],
  cautions: ['C9', 'C13'],
  input: z.strictObject({
    standbyA: z.number().min(0).describe('A'),
    standbyHours: z.number().min(0).default(4).describe('h: 4 residential North America, 12 EN 50131 grade 1 and 2, 24 fire'),
    alarmA: z.number().min(0).default(0).describe('A'),
    alarmMinutes: z.number().min(0).default(5).describe('min'),
    temperatureC: z.number().min(-40).max(60).default(20).describe('degrees C'),
    chargeA: z.number().gt(0).nullable().default(null).describe('A, of the charger'),
  }),
  example: { standbyA: 0.08, standbyHours: 24 },
  from: { temperatureC: null },
  run: ({ standbyA, standbyHours, alarmA, alarmMinutes, temperatureC, chargeA }) => {
    const neededAh = 1.25 * (standbyA * standbyHours + (alarmA * alarmMinutes) / 60);
    const coldAh = temperatureC < 10 ? neededAh * 1.2 : neededAh;
    const batteryAh = BATTERIES_AH.find((one) => atMost(coldAh, one));
    if (batteryAh === undefined)
      return err('battery-none', { kind: 'infeasible', field: 'standbyHours', neededAh: coldAh, mostAh: 26 });
    return ok({ neededAh, coldAh, batteryAh, chargeHours: chargeA === null ? null : (batteryAh * 1.4) / chargeA });
  },
  steps: (i, v) => [
    `1.25 · (${fig(i.standbyA)} · ${fig(i.standbyHours)} + ${fig(i.alarmA)} · ${fig(i.alarmMinutes)}/60) = ${fig(v.neededAh)} Ah`,
    `battery ${v.batteryAh} Ah`,
  ],
});
