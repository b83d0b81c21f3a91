// What web and server say to each other about the firm's library: device types, conductor maps, rules.
import { z } from 'zod';
import { conductorMap, deviceType, RANKS } from '../project/index.ts';
import { words } from './people.ts';

export const keepTypesRequest = z.strictObject({ types: z.array(deviceType).min(1).max(5000) });
export const keepMapsRequest = z.strictObject({ maps: z.array(conductorMap).min(1).max(500) });

/** How a firm sets a rule of its checks. */
export const firmRule = z.strictObject({
  ruleId: z.string().regex(/^[a-z0-9-]{1,60}$/, 'is not the name of a rule'),
  off: z.boolean(),
  rank: z.enum(RANKS).nullable(),
  limits: z.record(z.string().regex(/^[A-Za-z0-9]{1,40}$/), z.number()),
  reason: words(400, 0),
  by: words(60, 0),
});
export type FirmRule = z.infer<typeof firmRule>;
export const keepRulesRequest = z.strictObject({ rules: z.array(firmRule).max(200) });
