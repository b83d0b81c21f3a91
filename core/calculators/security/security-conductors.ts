import { z } from 'zod';
import { calculator } from '../calculator.ts';
import { ok } from '../../math/index.ts';

/** Conductors of a zone loop, of a supply, and of a tamper loop. */
const PAIR = 2;

export const securityConductors = calculator({
  name: 'security-conductors',
  title: 'Conductors of a security device',
  topic: 'security',
  source: 'Trade practice',
  valid: 'wired sensors with loops of their own; fire devices by their code',
  formulas: ['n = 2 (zone) + 2 (supply) + 2 (tamper)', 'cable: the next of 2, 4, 6, 8'],
  cautions: ['C9'],
  input: z.strictObject({
    zones: z.int().min(0).max(8).default(1).describe('zone loops: a contact has one'),
    isFed: z.boolean().default(false).describe('it needs 12 V'),
    hasTamper: z.boolean().default(false).describe('a loop of its own for the cover'),
    spare: z.int().min(0).max(8).default(0),
  }),
  example: { zones: 1, isFed: true, hasTamper: true },
  run: ({ zones, isFed, hasTamper, spare }) => {
    const conductors = PAIR * zones + (isFed ? PAIR : 0) + (hasTamper ? PAIR : 0) + spare;
    return ok({ conductors, cable: Math.max(PAIR, PAIR * Math.ceil(conductors / PAIR)) });
  },
  steps: (_, v) => [`${v.conductors} conductors: cable with ${v.cable}`],
});
