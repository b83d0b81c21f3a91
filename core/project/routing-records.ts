import { z } from 'zod';
import { id, point3, words } from './fields.ts';

/** How a house is built or opened, which decides what a way costs. */
export const CONSTRUCTIONS = ['new-framing', 'retrofit', 'slab', 'heritage'] as const;
/** What a person may have changed of what a way costs; metres of cable, or shares of a metre. */
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
export const RULE_KINDS = ['through', 'avoid'] as const;
export const RULE_TARGETS = ['riser', 'feature', 'wall', 'room', 'point'] as const;

/** Ways along which runs of a rack share holes and are pulled together: kept until somebody looks for better ones. */
export const trunk = z.strictObject({
  id,
  rackId: id,
  segments: z
    .array(z.strictObject({ a: point3, b: point3, cables: z.int().min(1).max(100_000) }))
    .max(20_000)
    .describe('straight pieces, from the datum, m, with the cables that are expected in each'),
});

/** What a person has decided of ways: one run, or all, through a thing or around it. */
export const routeRule = z.strictObject({
  id,
  runId: id.nullable().describe('the run that it is for; null is every run'),
  kind: z.enum(RULE_KINDS),
  target: z.enum(RULE_TARGETS),
  targetId: words(40).describe('riser, feature, wall or room; empty for a point'),
  at: point3.nullable().describe('the point, m from the datum'),
  note: words(400),
});

export type Trunk = z.infer<typeof trunk>;
export type RouteRule = z.infer<typeof routeRule>;
export type Construction = (typeof CONSTRUCTIONS)[number];
export type WeightName = (typeof WEIGHT_NAMES)[number];
