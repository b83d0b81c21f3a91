import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, countUp, fig } from '../calculator.ts';
import { positive } from '../fields.ts';
import { side } from './room-sides.ts';

/** Shares of the walls that are treated by trade practice. */
const LEAST_SHARE = 0.15;
const MOST_SHARE = 0.3;

export const panelArea = calculator({
  name: 'panel-area',
  title: 'Panels on the walls of a listening room',
  topic: 'theatre',
  source: 'Trade practice: 15 to 30 % of the walls',
  valid: 'rectangular rooms; first reflections first',
  formulas: ['walls = 2·(L + W)·H − openings', 'panels = 15 to 30 % of the walls'],
  input: z.strictObject({
    lengthM: side,
    widthM: side,
    heightM: side,
    openingsM2: z.number().min(0).max(10_000).default(0).describe('m2, doors, windows and screen'),
    panelM2: positive.max(100).default(0.72).describe('m2, of one panel'),
  }),
  example: { lengthM: 6, widthM: 4.4, heightM: 2.5, openingsM2: 6 },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM, openingsM2, panelM2 }) => {
    const wallsM2 = 2 * (lengthM + widthM) * heightM - openingsM2;
    if (!(wallsM2 > 0))
      return err('out-of-domain', {
        kind: 'invalid',
        field: 'openingsM2',
        value: openingsM2,
        least: 0,
        most: wallsM2 + openingsM2,
      });
    const [leastM2, mostM2] = [LEAST_SHARE * wallsM2, MOST_SHARE * wallsM2];
    return ok({
      wallsM2,
      leastM2,
      mostM2,
      leastPanels: countUp(leastM2 / panelM2),
      mostPanels: Math.floor(mostM2 / panelM2 + 1e-9),
    });
  },
  steps: (_, v) => [`${fig(v.leastM2)} to ${fig(v.mostM2)} m² of ${fig(v.wallsM2)} m²`],
});
