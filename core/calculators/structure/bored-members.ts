import { z } from 'zod';
import { JURISDICTIONS } from '../../model/index.ts';

export const MEMBERS = ['stud', 'joist', 'plate', 'truss', 'i-joist', 'engineered-beam', 'steel-stud'] as const;

export const DEFERRED: ReadonlySet<string> = new Set(['truss', 'i-joist', 'engineered-beam', 'steel-stud']);

export const common = {
  member: z.enum(MEMBERS).default('stud'),
  depthM: z.number().gt(0).max(2).nullable().default(null).describe('m, actual depth of the member'),
  jurisdiction: z.enum(JURISDICTIONS).default('NA'),
  bearing: z.boolean().default(true).describe('bearing or outer wall'),
};
