import { z } from 'zod';
import { day as dayOrEmpty, coordinateM, id, lengthM, point2, positiveM, words } from './fields.ts';

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a day such as 2026-12-01');
const moment = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/, 'must be a moment such as 2026-12-01T14:05:00Z')
  .describe('UTC, corrected against the clock of the server');
const aboveFloorM = z.number().min(-5).max(60).nullable();
/** Name of a record, or of a bored place, which is no record: `wall-3:1.25`. */
const subjectId = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_:.,|/-]{0,199}$/, 'is not the name of a record or place');

export const PHOTO_KINDS = ['wall', 'device', 'penetration', 'hidden-framing', 'equipment', 'before', 'after', 'other'] as const;
export const PHOTO_MEDIA = ['photo', 'film'] as const;

/** A photo or film from the site, with where it was taken. Its file is uploaded apart, in parts. */
export const photo = z.strictObject({
  id,
  fileId: z
    .string()
    .regex(/^[0-9a-f]{64}$/, 'is not the SHA-256 of a file')
    .describe('SHA-256 of the file, hex'),
  media: z.enum(PHOTO_MEDIA),
  kind: z.enum(PHOTO_KINDS),
  takenAt: moment,
  by: words(60),
  roomId: id.nullable(),
  wallId: id.nullable(),
  deviceId: id.nullable(),
  penetration: words(200).describe('bored place that it shows, by its key; empty where it shows none'),
  fromCornerM: lengthM(500).nullable().describe('along the wall from its end a to the middle of what is shown, m'),
  widthM: positiveM(100).nullable().describe('length of wall that is shown, m'),
  heightM: aboveFloorM.describe('of what is shown, above finished floor, m'),
  bay: z.int().min(1).max(999).nullable().describe('stud bay, counted from end a of the wall'),
  hasTape: z.boolean().describe('a tape measure can be read in it'),
  marks: z
    .array(z.strictObject({ from: point2, to: point2, words: words(80) }))
    .max(40)
    .describe('arrows with words; from and to as shares of its width and height, 0 to 1'),
  isShared: z.boolean().describe('shown to the client and in documents, without place and camera data'),
  note: words(400),
});

export const INSPECTIONS = ['boards', 'pour'] as const;
export const INSPECTED = ['devices', 'runs', 'penetrations', 'features', 'rooms', 'walls'] as const;
export const INSPECTION_RESULTS = [
  'found',
  'missing',
  'extra',
  'moved',
  'unlabelled',
  'unsealed',
  'untested',
  'failed-test',
  'kinked',
  'crushed',
  'tight-staple',
  'ring-out-of-line',
  'other-trade-disturbed',
  'wrong-hole',
  'other',
] as const;

/** What the site inspection found of one device, run or bored place; what is not fine is a line of the punch list until it is fixed. */
export const inspectionItem = z.strictObject({
  id,
  inspection: z.enum(INSPECTIONS),
  subject: z.enum(INSPECTED),
  subjectId,
  result: z.enum(INSPECTION_RESULTS),
  levelId: id.nullable(),
  x: coordinateM.nullable().describe('measured place, where it was moved or was not planned, m'),
  y: coordinateM.nullable(),
  heightM: aboveFloorM.describe('measured height above finished floor, m'),
  by: words(60),
  on: day,
  owner: words(60).describe('who puts it right'),
  dueOn: dayOrEmpty,
  fixedOn: dayOrEmpty,
  fixedBy: words(60),
  note: words(400),
});

/** That an inspection ended, with what was open and who accepted that; nobody changes it afterwards. */
export const inspectionSignOff = z
  .strictObject({
    id,
    inspection: z.enum(INSPECTIONS),
    levelId: id.nullable().describe('null is the whole house'),
    signedBy: words(60, 1),
    signedOn: day,
    openErrors: z.int().min(0).max(100_000).describe('errors that were open when it was signed'),
    acceptedBy: words(60).describe('who accepted them; empty where none was open'),
    why: words(400),
    lines: z.array(words(300, 1)).max(2000).describe('what was open, a line each'),
  })
  .refine(({ openErrors, acceptedBy, why }) => openErrors === 0 || (acceptedBy.trim() !== '' && why.trim() !== ''), {
    path: ['acceptedBy'],
    message: 'needs the name of whoever accepts the open errors, and why',
  });

export const TEST_KINDS = ['raw', 'finished'] as const;
export const CABLE_FAULTS = [
  'open',
  'short',
  'split-pair',
  'reversed-pair',
  'crossed-pairs',
  'wrong-length',
  'wrong-end',
  'high-loss',
] as const;

/** One test of one run: what the tester read, what it was held against, and the result. Tests are added, never changed. */
export const cableTest = z.strictObject({
  id,
  runId: id,
  kind: z.enum(TEST_KINDS).describe('raw: the pulled cable before the walls close; finished: after termination'),
  on: day,
  by: words(60),
  tester: words(60).describe('instrument that read it; empty for by hand'),
  lengthM: lengthM(5000).nullable().describe('as the tester read it, m'),
  lossDb: z.number().min(0).max(200).nullable().describe('measured loss, dB'),
  passed: z.boolean(),
  faults: z
    .array(
      z.strictObject({
        fault: z.enum(CABLE_FAULTS),
        pair: words(20).describe('pair or conductor; empty for the whole cable'),
        atM: lengthM(5000).nullable().describe('distance from the tester, m'),
      }),
    )
    .max(20),
  limits: words(300).describe('what it was held against, in words'),
  reason: words(300).describe('why a length that does not fit the plan is right'),
  note: words(400),
});

export const FIELD_TASKS = [
  'pull',
  'bore',
  'label',
  'test',
  'seal',
  'mount',
  'terminate',
  'rack',
  'commission',
  'repair',
  'travel',
  'wait',
  'other',
] as const;

/** Hours that a task took, with what they were spent on beside the plan. */
export const taskTime = z.strictObject({
  id,
  task: z.enum(FIELD_TASKS),
  roomId: id.nullable(),
  count: z.int().min(0).max(100_000).describe('runs, holes or devices that were done'),
  estimateHours: z.number().min(0).max(10_000).describe('person-hours of the plan for that many'),
  hours: z.number().min(0).max(10_000).describe('person-hours that it took'),
  reason: words(200).describe('what made it longer or shorter'),
  isAttic: z.boolean().describe('worked in an attic or crawl space'),
  by: words(60),
  on: day,
});

/** A task handed to a colleague before it is done. */
export const crewHandover = z.strictObject({
  id,
  from: words(60, 1),
  to: words(60),
  on: day,
  roomId: id.nullable(),
  task: words(400, 1).describe('what is under way'),
  halfSorted: words(400).describe('what lies half sorted, and where'),
  takenBy: words(60).describe('who took it over; empty until then'),
  takenOn: dayOrEmpty,
});

/** Steps of one kind of work as the firm does it, instead of the ones that come with the app. */
export const stepCard = z.strictObject({
  id,
  key: z.string().regex(/^[a-z0-9-]{1,40}$/, 'is not the name of a step card'),
  title: words(80, 1),
  tool: words(120),
  stripMm: z.number().min(0).max(500).nullable().describe('jacket stripped, mm'),
  steps: z.array(words(200, 1)).min(1).max(30),
  polarity: words(200),
  proof: words(200).describe('how one sees that it is right'),
});

export const FOUND_HOW = [
  'as-recorded',
  'next-bay',
  'behind-insulation',
  'behind-board-above',
  'other-stub',
  'pulled-back',
  'not-found',
] as const;
export const WALL_STAGES = ['open', 'boarded', 'mudded', 'painted'] as const;

/** Where the lead of a device was found after the walls closed; what is learned from it ranks the places of the next one. */
export const cableFind = z.strictObject({
  id,
  deviceId: id,
  how: z.enum(FOUND_HOW),
  alongM: z.number().min(-50).max(50).nullable().describe('from the recorded place along the wall, m'),
  upM: z.number().min(-20).max(20).nullable().describe('from the recorded height, m'),
  stage: z.enum(WALL_STAGES),
  by: words(60),
  on: day,
  note: words(400),
});

export const SITE_CHANGE_KINDS = ['device-added', 'run-added', 'substitution', 'obstacle', 'hidden-framing', 'left-out'] as const;
export const SITE_CHANGE_DECISIONS = ['open', 'go', 'stop'] as const;

/** What the site changed of the plan: done at once, priced, and shown to the office until somebody there has seen it. */
export const siteChange = z.strictObject({
  id,
  kind: z.enum(SITE_CHANGE_KINDS),
  subject: z.enum(['devices', 'runs', 'features', 'equipment']),
  subjectId: id,
  what: words(200, 1),
  reason: words(200),
  priceCents: z.int().min(-1_000_000_000).max(1_000_000_000).describe('change of the price, in hundredths of the currency'),
  decision: z.enum(SITE_CHANGE_DECISIONS).describe('whether the work goes on'),
  by: words(60),
  on: day,
  seenBy: words(60).describe('who in the office has seen it; empty until then'),
  seenOn: dayOrEmpty,
});

export const ADJUSTMENT_KINDS = [
  'projector-alignment',
  'speaker-polarity',
  'speaker-distance',
  'speaker-level',
  'antenna-aim',
  'camera-aim',
  'shade-limits',
  'shade-group',
  'settings-backup',
  'power-on',
] as const;

/** One entry of the commissioning log: what was set on a device or piece of equipment, before and after. */
export const adjustment = z.strictObject({
  id,
  kind: z.enum(ADJUSTMENT_KINDS),
  deviceId: id.nullable(),
  equipmentId: id.nullable(),
  before: words(120),
  after: words(120),
  passed: z.boolean(),
  by: words(60),
  on: day,
  note: words(400).describe('no passwords'),
});

export const NAMEPLATE_RESULTS = ['as-quoted', 'differs', 'accepted'] as const;

/** Model, rating and serial number as they were read from the nameplate, held against the quote. */
export const nameplate = z
  .strictObject({
    id,
    subject: z.enum(['devices', 'equipment']),
    subjectId: id,
    model: words(80, 1),
    rating: words(80),
    serial: words(60),
    result: z.enum(NAMEPLATE_RESULTS),
    why: words(200).describe('why another model is accepted'),
    by: words(60),
    on: day,
  })
  .refine(({ result, why }) => result !== 'accepted' || why.trim() !== '', {
    path: ['why'],
    message: 'is needed where another model is accepted',
  });

/** Whether a tool or a pre-made part is packed for the site. */
export const packedItem = z.strictObject({
  id,
  key: words(80, 1).describe('name of the tool or part as the list has it'),
  isPacked: z.boolean(),
  by: words(60),
  on: day,
});

export type Photo = z.infer<typeof photo>;
export type PhotoKind = (typeof PHOTO_KINDS)[number];
export type Inspection = (typeof INSPECTIONS)[number];
export type InspectionResult = (typeof INSPECTION_RESULTS)[number];
export type InspectionItem = z.infer<typeof inspectionItem>;
export type InspectionSignOff = z.infer<typeof inspectionSignOff>;
export type TestKind = (typeof TEST_KINDS)[number];
export type CableFault = (typeof CABLE_FAULTS)[number];
export type CableTest = z.infer<typeof cableTest>;
export type FieldTask = (typeof FIELD_TASKS)[number];
export type TaskTime = z.infer<typeof taskTime>;
export type CrewHandover = z.infer<typeof crewHandover>;
export type StepCard = z.infer<typeof stepCard>;
export type FoundHow = (typeof FOUND_HOW)[number];
export type WallStage = (typeof WALL_STAGES)[number];
export type CableFind = z.infer<typeof cableFind>;
export type SiteChange = z.infer<typeof siteChange>;
export type SiteChangeKind = (typeof SITE_CHANGE_KINDS)[number];
export type Adjustment = z.infer<typeof adjustment>;
export type AdjustmentKind = (typeof ADJUSTMENT_KINDS)[number];
export type Nameplate = z.infer<typeof nameplate>;
export type PackedItem = z.infer<typeof packedItem>;
