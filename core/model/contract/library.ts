// What web and server say to each other about the firm's library: device types, conductor maps, rules.
import { z } from 'zod';
import { cableType, conductorMap, deviceType, projectHeader, RANKS } from '../project/index.ts';
import { words } from './people.ts';

export const keepTypesRequest = z.strictObject({ types: z.array(deviceType).min(1).max(5000) });
export const keepCablesRequest = z.strictObject({ cables: z.array(cableType).min(1).max(2000) });
/** Settings of the job that a firm starts its projects with. */
export const projectDefaults = projectHeader
  .pick({
    labourRate: true,
    speakerColours: true,
    speakerPairs: true,
    dataCable: true,
    roomDataCables: true,
    deskDataCables: true,
    outletPrice: true,
    windowPrice: true,
    wasteFactor: true,
    tracedFactor: true,
    reserveM: true,
    slackStyle: true,
    rackSlackM: true,
    numberPattern: true,
    siteRates: true,
    labour: true,
    labelling: true,
    fixingFactors: true,
    spoolSettings: true,
    priceSettings: true,
  })
  .partial();
export type ProjectDefaults = z.infer<typeof projectDefaults>;
export const PROJECT_DEFAULTS = Object.keys(projectDefaults.shape) as (keyof ProjectDefaults)[];
export const keepDefaultsRequest = z.strictObject({ settings: projectDefaults });
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
/** Tables of which the firm remembers what each column holds. */
export const TABLE_KINDS = ['house', 'devices', 'equipment', 'lengths', 'prices'] as const;
export type TableKind = (typeof TABLE_KINDS)[number];

/** What the columns of a table with this head hold, by their places. */
export const tableColumns = z.strictObject({
  kind: z.enum(TABLE_KINDS),
  head: z.array(z.string().max(200)).min(1).max(60),
  columns: z.record(z.string().max(30), z.int().min(0).max(59)),
});
export type KnownColumns = z.infer<typeof tableColumns>;
export const keepColumnsRequest = tableColumns;

export const keepRulesRequest = z.strictObject({ rules: z.array(firmRule).max(200) });
