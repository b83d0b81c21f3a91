import { z } from 'zod';

export const side = z.number().gt(0).max(100).describe('m');
