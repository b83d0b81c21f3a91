import { z } from 'zod';
import { TRADE_GATES } from './brief-records.ts';
import { id, day as dayOrEmpty, lengthM, positiveM, words } from './fields.ts';

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
  firstMark: words(20).default('').describe('length mark printed on the jacket where it begins; empty where it was not read'),
  lastMark: words(20).default('').describe('length mark where it ends'),
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

const percent = z.number().min(0).max(100);

/** How an offer is priced. */
export const priceSettings = z.strictObject({
  marginPercent: z.number().min(0).max(95).describe('margin on the price, %: price = cost / (1 - margin)'),
  taxPercent: percent.describe('on the price of each line, %'),
  depositPercent: percent.describe('of the total, due on signing, %'),
  cleanupPercent: percent.describe('of the hours, for layout and cleanup, %'),
  contingencyPercent: percent.describe('of the hours, %'),
  validDays: z.int().min(1).max(365).describe('days for which an offer stands'),
});
export const USUAL_PRICE_SETTINGS: z.infer<typeof priceSettings> = {
  ...{ marginPercent: 30, taxPercent: 0, depositPercent: 40, cleanupPercent: 12, contingencyPercent: 10, validDays: 30 },
};

/** One line of a supplier's price list. */
export const price = z.strictObject({
  id,
  item: words(120, 1).describe('name of the thing as the bill of materials has it'),
  supplier: words(60),
  partNumber: words(60),
  priceCents: cents.describe('of one, without tax, in hundredths of the currency of the project'),
  taxPercent: percent.nullable().describe('null takes the rate of the project, %'),
  validFrom: dayOrEmpty.describe('first day of its validity; empty has none'),
  validTo: dayOrEmpty.describe('last day of its validity; empty has none'),
  leadDays: z.int().min(0).max(365).describe('working days from the order to the site'),
});

/** Where goods are. */
export const GOODS_PLACES = ['ordered', 'shop', 'staged', 'site', 'fitted'] as const;

/** Something that was ordered, and where it is. */
export const delivery = z.strictObject({
  id,
  item: words(120, 1).describe('name of the thing as the bill of materials has it'),
  count: z.int().min(1).max(100_000),
  supplier: words(60),
  orderedOn: dayOrEmpty,
  promisedOn: dayOrEmpty,
  receivedOn: dayOrEmpty,
  checkedOn: dayOrEmpty,
  damagedCount: z.int().min(0).max(100_000),
  place: z.enum(GOODS_PLACES),
  serials: z.array(words(60, 1)).max(500),
  terms: words(200).describe('purchase conditions'),
  preparedBy: words(60).describe('who builds or configures it in the shop'),
  preparedOn: dayOrEmpty,
  note: words(400),
});

/** What a locked baseline remembers of a line of the bill: its key, name, count and price of one, whole cents. */
const baselineLine = z.strictObject({
  key: words(200, 1),
  part: words(40, 1),
  name: words(160),
  count: z.number().min(0).max(1_000_000),
  priceCents: cents.describe('of the line with margin, without tax'),
  taxCents: cents,
});
const baselineRun = z.strictObject({
  id,
  number: words(60, 1),
  place: words(160),
  cable: words(120),
  lengthM: lengthM(8000).describe('as cut, m'),
});

/** The scope at one moment, which nobody changes afterwards: change orders are differences of two of them. */
export const baseline = z.strictObject({
  id,
  number: z.int().min(1).max(9999),
  name: words(80, 1),
  lockedOn: day,
  lockedBy: words(60, 1),
  lines: z.array(baselineLine).max(20_000),
  runs: z.array(baselineRun).max(20_000),
});

export const CHANGE_ANSWERS = ['proposed', 'signed', 'declined'] as const;

/** A change of the scope: what one baseline has over another. */
export const changeOrder = z
  .strictObject({
    id,
    number: z.int().min(1).max(9999),
    fromId: id.describe('baseline before the change'),
    toId: id.describe('baseline after it'),
    reason: words(400, 1),
    gate: z.enum(TRADE_GATES).describe('point of the job at which it came'),
    answer: z.enum(CHANGE_ANSWERS),
    signedBy: words(60),
    signedOn: dayOrEmpty,
  })
  .refine(({ answer, signedBy, signedOn }) => answer !== 'signed' || (signedBy !== '' && signedOn !== ''), {
    path: ['signedBy'],
    message: 'needs the name and the day of whoever signed',
  });

/** What a client may choose: the whole, or without systems, rooms or phases, or with other devices. */
export const offerOption = z.strictObject({
  id,
  order: z.int().min(0).max(99),
  name: words(60, 1),
  note: words(400),
  withoutSystems: z.array(words(40, 1)).max(20),
  withoutRoomIds: z.array(id).max(500),
  withoutPhaseIds: z.array(id).max(100),
  swaps: z
    .array(z.strictObject({ fromTypeId: id, toTypeId: id }))
    .max(200)
    .describe('device types that are replaced in it'),
});

/** For whom a rate card is. */
export const RATE_CARD_KINDS = ['client', 'builder', 'trade'] as const;

/** Rates agreed with one builder or trade, or usual with clients; applying it sets those of the project. */
export const rateCard = z.strictObject({
  id,
  name: words(60, 1),
  kind: z.enum(RATE_CARD_KINDS),
  labourRate: z.number().min(0).max(10_000).describe('price of a person-hour, in the currency of the project'),
  marginPercent: z.number().min(0).max(95).describe('margin on the price of materials, %'),
  outletPrice: z.number().min(0).max(10_000).nullable().describe('flat price of an outlet; null is by cable and hours'),
  windowPrice: z.number().min(0).max(10_000).nullable().describe('flat price of a window; null is by cable and hours'),
});

export const PERMIT_RESULTS = ['open', 'passed', 'failed'] as const;

/** A permit with its inspection: who grants it, how long that takes, and the work that waits for it. */
export const permit = z.strictObject({
  id,
  name: words(80, 1),
  authority: words(80),
  number: words(40),
  gate: z.enum(TRADE_GATES).describe('work that may not begin before the permit is granted'),
  leadDays: z.int().min(0).max(365).describe('working days from the application to the permit'),
  appliedOn: dayOrEmpty,
  grantedOn: dayOrEmpty,
  inspectedOn: dayOrEmpty,
  inspector: words(60),
  result: z.enum(PERMIT_RESULTS).describe('of its inspection'),
  note: words(400),
});

export const TASK_KINDS = ['work', 'unknown', 'protection', 'dust', 'patch', 'texture', 'paint', 'hire'] as const;
export const PERFORMERS = ['crew', 'electrician', 'owner', 'finisher', 'remote-planner'] as const;
export const RISKS = ['low', 'medium', 'high'] as const;

/** Work beside the cables: what a retrofit does not know yet, protection and patching, hired access, and who does it. */
export const siteTask = z.strictObject({
  id,
  name: words(120, 1),
  kind: z.enum(TASK_KINDS),
  roomId: id.nullable(),
  gate: z.enum(TRADE_GATES).nullable().describe('point of the job before which it is done'),
  hours: z.number().min(0).max(10_000).describe('person-hours that are allowed for it'),
  costCents: cents.describe('material or hire that is allowed for it'),
  fromOn: dayOrEmpty,
  toOn: dayOrEmpty.describe('last day, included'),
  choices: z
    .array(
      z.strictObject({
        by: z.enum(PERFORMERS),
        priceCents: cents,
        days: z.number().min(0).max(365),
        risk: z.enum(RISKS),
        note: words(200),
      }),
    )
    .max(5)
    .describe('who could do it instead, with price, working days and risk'),
  chosenBy: z.enum(PERFORMERS).nullable().describe('null is by the hours and cost above'),
  doneOn: dayOrEmpty,
  note: words(400),
});

export type SpoolSettings = z.infer<typeof spoolSettings>;
export type Spool = z.infer<typeof spool>;
export type SpoolCut = z.infer<typeof spoolCut>;
export type SpoolOfferRecord = z.infer<typeof spoolOffer>;
export type PriceSettings = z.infer<typeof priceSettings>;
export type Price = z.infer<typeof price>;
export type Delivery = z.infer<typeof delivery>;
export type GoodsPlace = (typeof GOODS_PLACES)[number];
export type Baseline = z.infer<typeof baseline>;
export type ChangeOrder = z.infer<typeof changeOrder>;
export type OfferOption = z.infer<typeof offerOption>;
export type RateCard = z.infer<typeof rateCard>;
export type Permit = z.infer<typeof permit>;
export type SiteTask = z.infer<typeof siteTask>;
export type TaskKind = (typeof TASK_KINDS)[number];
export type Performer = (typeof PERFORMERS)[number];
export type Risk = (typeof RISKS)[number];
