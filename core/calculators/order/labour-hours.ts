import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { HOURS, hoursBand, type WorkKind } from './hours.ts';

export const labourHours = calculator({
  name: 'labour-hours',
  title: 'Hours of work',
  topic: 'order',
  source: 'Trade practice, ±40 %',
  formulaIds: ['F18.1'],
  valid: 'a band, not a quotation; cleanup and contingency are lines of their own',
  formulas: ['hours = Σ pulls·difficulty + holes + floors + ends + fixed', 'elapsed = hours/2 for two'],
  cautions: ['C21', 'C18'],
  input: z.strictObject({
    construction: z.enum(['new', 'retrofit']).default('new'),
    pulls: z.number().min(0).default(0).describe('first cables of a path'),
    furtherCables: z.number().min(0).default(0).describe('on the same path'),
    difficulty: z.number().min(1).max(5).default(1).describe('1 open frame, 1.15 high, 1.3 vault, 2 to 3 finished wall'),
    holes: z.number().min(0).default(0),
    floors: z.number().min(0).default(0).describe('floors and plates crossed'),
    boxes: z.number().min(0).default(0),
    nailPlates: z.number().min(0).default(0),
    conduitM: z.number().min(0).default(0),
    catEnds: z.number().min(0).default(0),
    coaxEnds: z.number().min(0).default(0),
    fireStops: z.number().min(0).default(0),
    labels: z.number().min(0).default(0).describe('pairs of labels'),
    fixedHours: z.number().min(0).default(0).describe('h, everything else'),
  }),
  example: {},
  run: (i) => {
    const { construction } = i;
    const of = (kind: WorkKind, count: number) => count * HOURS[kind][construction];
    const pullHours = (of('pull', i.pulls) + of('additionalCable', i.furtherCables)) * i.difficulty;
    const otherHours =
      of('hole', i.holes) +
      of('floorCrossing', i.floors) +
      of('box', i.boxes) +
      of('nailPlate', i.nailPlates) +
      of('conduitM', i.conduitM) +
      of('categoryEnd', i.catEnds) +
      of('coaxEnd', i.coaxEnds) +
      of('fireStop', i.fireStops) +
      of('labelPair', i.labels) +
      i.fixedHours;
    const hours = pullHours + otherHours;
    return ok({ pullHours, otherHours, hours, elapsedHours: hours / 2, ...hoursBand(hours) });
  },
  steps: (_, v) => [
    `${fig(v.pullHours)} h of pulling + ${fig(v.otherHours)} h`,
    `${fig(v.hours)} h, ${fig(v.leastHours)} to ${fig(v.mostHours)} h`,
  ],
});
