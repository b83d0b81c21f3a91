import { z } from 'zod';

/** Inputs that many calculators have. */
export const positive = z.number().gt(0);
