import { z } from 'zod';
import { day, id, point2, point3, words } from './fields.ts';

/** How a house is built or opened, which decides what a route costs. */
export const CONSTRUCTIONS = ['new-framing', 'retrofit', 'slab', 'heritage'] as const;
/** What a person may have changed of what a route costs; metres of cable, or shares of a metre. */
export const WEIGHT_NAMES = [
  'turnM',
  'studBoredM',
  'joistBoredM',
  'openFrameM',
  'plateBoredM',
  'floorBoredM',
  'masonryCoredM',
  'fireSeparationM',
  'boardCutM',
  'levelChangedM',
  'besideMains',
  'tight',
  'outside',
  'underground',
  'visible',
  'furtherCable',
  'madeWay',
] as const;
/** What is pierced and has to be closed again. */
export const PIERCED = ['fire', 'floor', 'sole-plate', 'top-plate', 'masonry', 'board'] as const;
export const SEAL_STATES = ['open', 'sealed', 'inspected'] as const;
export const RULE_KINDS = ['through', 'avoid'] as const;
export const RULE_TARGETS = ['riser', 'feature', 'wall', 'room', 'point'] as const;

/** Routes along which runs of a rack share holes and are pulled together: kept until somebody looks for better ones. */
export const sharedRoute = z.strictObject({
  id,
  rackId: id,
  segments: z
    .array(z.strictObject({ a: point3, b: point3, cables: z.int().min(1).max(100_000) }))
    .max(20_000)
    .describe('straight pieces, from the datum, m, with the cables that are expected in each'),
  setUp: z.number().min(0).max(20).default(0).describe('what a new bored place counts beside them, as a share of its hole'),
});

/** What a person has decided of routes: one run, or all, through a thing or around it. */
export const routeRule = z.strictObject({
  id,
  runId: id.nullable().describe('the run that it is for; null is every run'),
  kind: z.enum(RULE_KINDS),
  target: z.enum(RULE_TARGETS),
  targetId: words(40).describe('riser, feature, wall or room; empty for a point'),
  at: point3.nullable().describe('the point, m from the datum'),
  note: words(400),
});

/** What was done about one place where runs pierce a separation. The places themselves follow from the routes. */
export const seal = z.strictObject({
  id,
  levelId: id,
  member: z.enum(PIERCED),
  at: point3.describe('m from the datum'),
  assembly: words(120).describe('the wall or floor with its rating, as the drawings name it'),
  product: words(120).describe('family of the seal: mineral wool, fireblock caulk, listed collar'),
  system: words(60).describe('number of the listed system, where the assembly is rated'),
  state: z.enum(SEAL_STATES),
  by: words(60),
  on: day,
  photo: words(200).describe('name of the photograph'),
  note: words(400),
});

/** A number that stood on a printed label and is not given again, because its run is gone or has another one now. */
export const spentNumber = z.strictObject({
  id,
  number: z.string().regex(/^[A-Z0-9./-]{1,40}$/),
  on: day,
});

/** Device numbers that one who works without a connection took along: nobody else gives them, in any room. */
export const numberBlock = z
  .strictObject({
    id,
    holder: words(60, 1).describe('whose phone or tablet has them'),
    from: z.int().min(1).max(9999),
    to: z.int().min(1).max(9999),
    on: day,
  })
  .refine((block) => block.to >= block.from, { path: ['to'], message: 'is below the first number' });

/** A conduit in the floor topping or slab as it lay before the pour, signed: from then on it is not moved. */
export const floorConduitSign = z.strictObject({
  id,
  featureId: id,
  points: z.array(point2).min(1).max(400).describe('as built, m'),
  coverM: z.number().min(0).max(1).describe('screed over the way, m'),
  photo: words(200, 1).describe('name of the photograph'),
  by: words(60, 1),
  on: day,
  note: words(400),
});

export type Seal = z.infer<typeof seal>;
export type SealState = (typeof SEAL_STATES)[number];
export type Pierced = (typeof PIERCED)[number];
export type SpentNumber = z.infer<typeof spentNumber>;
export type NumberBlock = z.infer<typeof numberBlock>;
export type FloorConduitSign = z.infer<typeof floorConduitSign>;
export type SharedRoute = z.infer<typeof sharedRoute>;
export type RouteRule = z.infer<typeof routeRule>;
export type Construction = (typeof CONSTRUCTIONS)[number];
export type WeightName = (typeof WEIGHT_NAMES)[number];
