import { z } from 'zod';
import { BRIEF_TOPICS } from './brief-topics.ts';
import { angleRad, coordinateM, id, lengthM, words } from './fields.ts';
import { BOX_KINDS } from './library-records.ts';

/** Answers of the brief. A topic without a cell is not discussed. */
export const ANSWERS = ['wanted', 'prepared', 'later', 'nothing'] as const;
/** Points of the job after which something is closed (ENGINEERING 18, sequence). */
export const TRADE_GATES = [
  'framing',
  'mains-rough-in',
  'low-voltage-rough-in',
  'firestop',
  'inspection',
  'slab-pour',
  'insulation',
  'board',
  'mud',
  'texture',
  'stucco',
  'tile',
  'paint',
  'floor',
  'joinery',
  'trim-out',
] as const;
/** Zones by system; an option is a set of devices that one house of a plan takes and another does not. */
export const GROUP_KINDS = ['audio', 'security', 'light', 'shade', 'control', 'option'] as const;
export const PLATE_OPENINGS = ['inserts', 'brush', 'wide-mouth'] as const;
export const HABIT_USE = ['', 'daily', 'weekly', 'seldom'] as const;
export const WALK_RESULTS = ['there', 'missing', 'different'] as const;

const day = z
  .string()
  .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'must be a day as YYYY-MM-DD, or empty')
  .describe('YYYY-MM-DD, or empty');

/** A part of the job with its own time: what is not in the first one is prepared. */
export const phase = z.strictObject({ id, order: z.int().min(0).max(99), name: words(60, 1), on: day });

/** A room or an outdoor area: at most one of the two. */
const place = {
  roomId: id.nullable(),
  areaId: id.nullable().default(null).describe('outdoor area, where it is not a room'),
};
const isOnePlace = (record: { roomId: string | null; areaId: string | null }) =>
  (record.roomId === null) !== (record.areaId === null);
const NOT_ONE_PLACE = { path: ['roomId'], message: 'must name a room, or areaId an outdoor area, and not both' };

/** What one room or outdoor area gets of one system. */
export const briefCell = z
  .strictObject({
    id,
    ...place,
    topic: z.enum(BRIEF_TOPICS),
    answer: z.enum(ANSWERS),
    count: z.int().min(0).max(99).describe('devices that answer it'),
    threshold: z
      .number()
      .min(0)
      .max(100_000)
      .nullable()
      .describe('least value that a later check asks for, in the unit of the topic'),
    typeId: id.nullable().describe('library type that answers it; null takes any that can'),
    phaseId: id.nullable(),
    layout: z
      .string()
      .regex(/^(\d{1,2}\.\d{1,2}(\.\d{1,2})?)?$/, 'must be channels as 5.1 or 7.1.4, or empty')
      .default('')
      .describe('surround: floor, subwoofer and overhead channels; empty goes by the count'),
    preWired: z.boolean().default(true).describe('later: its cables are pulled and priced now'),
    note: words(400),
  })
  .refine(isOnePlace, NOT_ONE_PLACE);

/** Who uses a room and how, and who has signed what it gets. */
export const roomBrief = z
  .strictObject({
    id,
    ...place,
    who: words(120).describe('who sits where'),
    used: z.enum(HABIT_USE),
    noise: words(120).describe('what is loud in it, or must not be disturbed'),
    overflowSeats: z.int().min(0).max(200).describe('seats beyond the usual ones, now and then'),
    useGroups: z
      .array(z.strictObject({ name: words(60, 1), people: z.int().min(1).max(60), used: z.enum(HABIT_USE) }))
      .max(12)
      .default([])
      .describe('who watches together and how often; seats of a theatre count by it'),
    walkOrder: z.int().min(0).max(10_000),
    signedBy: words(60),
    signedOn: day,
    asksToSign: words(60).default('').describe('a second person who is asked to sign; empty where nobody is'),
    alsoSignedOn: day.default('').describe('day on which that person signed'),
    pastSignatures: z
      .array(z.strictObject({ by: words(60), on: day }))
      .max(40)
      .default([])
      .describe('signatures that a change of the answers took back, the oldest first'),
  })
  .refine(isOnePlace, NOT_ONE_PLACE);

/** Something undecided, and until when. */
export const decision = z.strictObject({
  id,
  ...place,
  subject: words(160, 1),
  options: z.array(z.strictObject({ name: words(80, 1), typeId: id.nullable() })).max(12),
  gate: z.enum(TRADE_GATES).describe('point of the job that closes it'),
  leadDays: z.int().min(0).max(365).describe('days before the gate by which it must be known'),
  owner: words(60).describe('who must decide'),
  chosen: words(80).describe('name of the option taken; empty while open'),
  decidedOn: day,
  note: words(1000),
});

export const tradeDate = z.strictObject({
  id,
  gate: z.enum(TRADE_GATES),
  on: day,
  from: day.default('').describe('first day of its work; empty where only its end is known'),
});

/** When a gate is reached in one room, where that is another day than in the rest of the house. */
export const roomDate = z.strictObject({ id, roomId: id, gate: z.enum(TRADE_GATES), from: day, on: day });

/** Something less than good that the client has accepted. */
export const compromise = z.strictObject({
  id,
  ...place,
  deviceId: id.nullable(),
  what: words(200, 1),
  reason: words(400),
  effect: words(400),
  on: day,
  acceptedBy: words(60),
  signedOn: day,
});

/** Parts of a thing that a builder's package can hold one by one. */
export const PACKAGE_PARTS = ['all', 'cable', 'box', 'plate', 'device', 'power'] as const;
/** Who supplies, fits or programs. */
export const PARTIES = ['builder', 'integrator', 'other', 'nobody'] as const;

/** One line of what the builder's package holds. */
export const packageLine = z.strictObject({
  id,
  ...place,
  topic: z.enum(BRIEF_TOPICS).nullable(),
  count: z.int().min(0).max(999),
  part: z.enum(PACKAGE_PARTS).default('all').describe('part of the thing that the line is about'),
  suppliedBy: z.enum(PARTIES).default('builder'),
  fittedBy: z.enum(PARTIES).default('builder'),
  programmedBy: z.enum(PARTIES).default('nobody'),
  words: words(200, 1),
});

/** What somebody signed as missing from the builder's package; nobody changes it afterwards. */
export const packageSignature = z.strictObject({
  id,
  signedBy: words(60, 1),
  signedOn: z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a day such as 2026-12-01'),
  lines: z.array(words(200, 1)).max(2000).describe('what was missing or left to others, a line each'),
});

/** The walk with the client before the cables go in, and the one before the walls close. */
export const WALKS = ['first', 'last'] as const;

/** What was found of one answer on a walk. */
export const walkResult = z
  .strictObject({
    id,
    walk: z.enum(WALKS).default('first'),
    ...place,
    topic: z.enum(BRIEF_TOPICS),
    found: z.enum(WALK_RESULTS),
    by: words(60),
    on: day,
    note: words(400),
  })
  .refine(isOnePlace, NOT_ONE_PLACE);

/** What was found of one device on a walk. */
export const deviceWalk = z.strictObject({
  id,
  walk: z.enum(WALKS),
  deviceId: id,
  found: z.enum(WALK_RESULTS),
  by: words(60),
  on: day,
  note: words(400),
});

/** Answers and devices of a kind of room, to be laid into others. Places are shares of the room's box, 0 to 1. */
export const roomTemplate = z.strictObject({
  id,
  name: words(60, 1),
  use: words(40),
  cells: z
    .array(z.strictObject({ topic: z.enum(BRIEF_TOPICS), answer: z.enum(ANSWERS), count: z.int().min(0).max(99) }))
    .max(BRIEF_TOPICS.length),
  devices: z
    .array(
      z.strictObject({
        typeId: id,
        name: words(80),
        alongShare: z.number().min(0).max(1),
        acrossShare: z.number().min(0).max(1),
        heightM: z.number().min(-5).max(60).nullable(),
      }),
    )
    .max(200),
});

/** What each conductor of a cable is used for, at both ends. */
export const conductorMap = z.strictObject({
  id,
  name: words(60, 1),
  lines: z.array(z.strictObject({ conductor: words(30, 1), use: words(60, 1) })).max(60),
  note: words(400),
});

/** A named set of devices: a listening zone, an alarm zone, a group of lights or shades. */
export const group = z.strictObject({ id, kind: z.enum(GROUP_KINDS), name: words(60, 1) });
export const groupMember = z.strictObject({ id, groupId: id, deviceId: id });

/** A box with its plate, composed for a wall. */
export const plate = z.strictObject({
  id,
  levelId: id,
  roomId: id.nullable(),
  name: words(60),
  x: coordinateM,
  y: coordinateM,
  heightM: z.number().min(-5).max(30).describe('centre above finished floor, m'),
  facingRad: angleRad,
  gangs: z.int().min(1).max(6),
  boxKind: z.enum(BOX_KINDS),
  divider: z.boolean().describe('a barrier between low voltage and mains in one box'),
  mainsGangs: z.int().min(0).max(6).describe('gangs that the electrician fills'),
  opening: z.enum(PLATE_OPENINGS),
  finish: words(40),
  inserts: z.array(z.strictObject({ gang: z.int().min(1).max(6), kind: words(40, 1), deviceId: id.nullable() })).max(36),
  besideM: lengthM(20).nullable().describe('distance to the electrician’s box that it lines up with, m; null stands alone'),
});

export type Phase = z.infer<typeof phase>;
export type BriefCell = z.infer<typeof briefCell>;
export type RoomBrief = z.infer<typeof roomBrief>;
export type OpenDecision = z.infer<typeof decision>;
export type TradeDate = z.infer<typeof tradeDate>;
export type RoomDate = z.infer<typeof roomDate>;
export type TradeGate = (typeof TRADE_GATES)[number];
export type Compromise = z.infer<typeof compromise>;
export type PackageSignature = z.infer<typeof packageSignature>;
export type PackageLine = z.infer<typeof packageLine>;
export type PackagePart = (typeof PACKAGE_PARTS)[number];
export type Party = (typeof PARTIES)[number];
export type Walk = (typeof WALKS)[number];
export type DeviceWalk = z.infer<typeof deviceWalk>;
export type WalkResult = z.infer<typeof walkResult>;
export type RoomTemplate = z.infer<typeof roomTemplate>;
export type ConductorMap = z.infer<typeof conductorMap>;
export type Group = z.infer<typeof group>;
export type GroupMember = z.infer<typeof groupMember>;
export type GroupKind = (typeof GROUP_KINDS)[number];
export type Plate = z.infer<typeof plate>;
export type Answer = (typeof ANSWERS)[number];
