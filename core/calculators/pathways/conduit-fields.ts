import { z } from 'zod';
import { JURISDICTIONS } from '../../model/index.ts';

export const diameters = z
  .array(z.number().gt(0).max(0.2))
  .min(1)
  .max(200)
  .describe('m, outside diameter of each cable; flat ones by their width');
export const region = z.enum(JURISDICTIONS).default('NA').describe('NA: 53, 31, 40 % for one, two, three and more; others 40 %');
