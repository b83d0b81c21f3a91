import { z } from 'zod';
import { id, lengthM, positiveM, words } from './fields.ts';

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a day such as 2026-12-01');
const cents = z.int().min(0).max(1_000_000_000);

/** What is least when spools are planned: money, or their number. */
export const SPOOL_AIMS = ['cost', 'count'] as const;

/** How spools are planned. */
export const spoolSettings = z.strictObject({
  confidence: z
    .number()
    .min(0.5)
    .max(1)
    .describe('probability that a spool lasts for its cuts; at 1 every run is at its longest'),
  aim: z.enum(SPOOL_AIMS),
  keepM: lengthM(500).describe('least remainder that is worth keeping, m'),
});
export const USUAL_SPOOL_SETTINGS: z.infer<typeof spoolSettings> = { confidence: 0.95, aim: 'cost', keepM: 10 };

/** A spool or box of cable that is there: of this order, or from an earlier job. */
export const spool = z.strictObject({
  id,
  code: words(20, 1).describe('written on it'),
  cableTypeId: id,
  lengthM: positiveM(5000).describe('on it when it came to this job, m'),
  jacketColour: words(20),
  make: words(60).describe('whose it is, where makes are mixed'),
  isBoxed: z.boolean().describe('in a box from which it is pulled; else bare'),
  needsStand: z.boolean().describe('it turns on a stand or axle'),
  note: words(200),
});

/** What was cut from a spool. */
export const spoolCut = z.strictObject({
  id,
  spoolId: id,
  runId: id.nullable().describe('null is waste or a cut for something else'),
  lengthM: positiveM(5000),
  on: day,
});

/** A size in which a cable can be bought. */
export const spoolOffer = z.strictObject({
  id,
  cableTypeId: id,
  name: words(60, 1),
  lengthM: positiveM(5000),
  priceCents: cents.describe('of one, in hundredths of the currency of the project'),
  supplier: words(60),
  leadDays: z.int().min(0).max(365).describe('working days from the order to the site'),
});

export type SpoolSettings = z.infer<typeof spoolSettings>;
export type Spool = z.infer<typeof spool>;
export type SpoolCut = z.infer<typeof spoolCut>;
export type SpoolOfferRecord = z.infer<typeof spoolOffer>;
