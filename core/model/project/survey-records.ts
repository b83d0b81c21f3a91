import { z } from 'zod';
import { angleRad, coordinateM, id, lengthM, point2, positiveM, words } from './fields.ts';

/** Hollows and lines that a cable may run in, under or along. */
export const WAY_KINDS = [
  'attic',
  'crawl-space',
  'basement-ceiling',
  'chase',
  'disused-chimney',
  'conduit',
  'soffit-way',
  'outside-wall-way',
  'surface-channel',
  'underground-way',
  'screed-way',
  'draw-pit',
] as const;

/** Everything in and around a house that is neither wall, opening nor device, by what it means for cable. */
export const FEATURE_KINDS = [
  // In the way of cable or of devices.
  'beam',
  'soffit',
  'duct',
  'flue',
  'fireplace',
  'steel',
  'pipe',
  'wet-zone',
  'air-space',
  'supply-vent',
  'recessed-light',
  'mains-route',
  'service-panel',
  'sprinkler',
  'insulation',
  // Ways that a cable may take.
  ...WAY_KINDS,
  // Where services come in.
  'service-entry',
  // What is there already.
  'existing-wiring',
  'existing-box',
  'existing-bracket',
  'existing-cut-out',
  'existing-notch',
  'existing-equipment',
  'existing-switch-box',
  'substrate',
  // Marked by other trades.
  'trade-mark',
  // Furniture.
  'bed',
  'sofa',
  'chair',
  'table',
  'desk',
  'cabinet',
  'island',
  'seat-row',
  'other-furniture',
  // The plot.
  'plot',
  'terrace',
  'drive',
  'pool',
  'tree',
  'fence',
  'gate',
  'outbuilding',
  'roof-plane',
  'stub-out',
  'building-corner',
  'porch',
  'garden',
  'eaves',
  'facade',
  'coffer',
  'steps',
] as const;
/** Features that are areas outdoors, with topics, walk and sign-off in the brief as a room has them. */
export const OUTDOOR_KINDS = ['terrace', 'porch', 'drive', 'gate', 'garden', 'pool', 'eaves', 'facade'] as const;
export const DECISIONS = ['open', 'keep', 'reuse', 'abandon', 'make-good', 'accept', 'move', 'strike'] as const;
export const FACT_STATES = ['measured', 'assumed', 'not-known'] as const;
/** What a wall is made of where something is to hang, from what it bears to what it does not. */
export const SUBSTRATES = [
  'stud',
  'steel-stud',
  'solid-concrete',
  'solid-block',
  'solid-brick',
  'soft-brick',
  'hollow-block',
  'furring',
  'channel',
  'unknown',
] as const;
export const CONDITIONS = ['sound', 'weak', 'not-known'] as const;
export const NEUTRALS = ['present', 'absent', 'not-known'] as const;
export const MEMBER_KINDS = ['stud', 'joist', 'doubled', 'blocking'] as const;
export const HEIGHT_EDGES = ['lower', 'centre', 'top'] as const;

/** A thing in or around the house. Which fields count depends on its kind; the others stay at null or empty. */
export const feature = z
  .strictObject({
    id,
    levelId: id,
    kind: z.enum(FEATURE_KINDS),
    name: words(80),
    points: z.array(point2).min(1).max(400).describe('one point, a line, or the corners of an area, m'),
    area: z.boolean().describe('the points enclose an area'),
    widthM: lengthM(50).describe('width of a line, or side or diameter of a point thing, m'),
    depthM: lengthM(50).describe('other side of a point thing, m; 0 is round'),
    facingRad: angleRad,
    bottomM: z.number().min(-50).max(60).describe('lower edge above finished floor of the level, m'),
    topM: z.number().min(-50).max(60).describe('upper edge above finished floor of the level, m'),
    edge: z.enum(HEIGHT_EDGES).describe('edge of the thing that a height was measured to'),
    clearanceM: lengthM(20).describe('keep this far away, m'),
    pitchRad: z.number().min(0).max(1.5).nullable().describe('roof pitch over an attic or of a roof plane'),
    insideDiameterM: lengthM(5).nullable().describe('conduits and chases: clear inside, m'),
    circuits: z.int().min(0).max(1000).default(1).describe('mains routes: circuits of 20 A in it'),
    reserved: z.boolean().describe('conduits and ducts that stay free for later cable'),
    contents: words(300).describe('what lies in it; cable found; what a panel feeds'),
    topLevelId: id.nullable().describe('ways between levels: where they end'),
    tested: z.enum(FACT_STATES).nullable().describe('existing wiring: whether it was tested'),
    routeKnown: z.boolean().default(true).describe('existing wiring: whether it is known where it runs'),
    decision: z.enum(DECISIONS).nullable().describe('what happens to what is there; how a mark of another trade is answered'),
    owner: words(60).describe('trade that owns a mark'),
    choiceOf: words(60).describe('things with the same words here are alternatives: bed east or bed west'),
    chosen: z.boolean().describe('whether this alternative holds'),
    markedAt: point2.nullable().describe('where another trade had marked it, before it was moved, m; null where it was not'),
    substrate: z.enum(SUBSTRATES).nullable().describe('what is behind the finish, where something is to hang'),
    condition: z.enum(CONDITIONS).nullable().describe('found brackets and boxes: sound or weak'),
    neutral: z.enum(NEUTRALS).nullable().describe('found switch boxes: whether a neutral is in them'),
    boreLeave: words(120).default('').describe('beams: the engineer who allows holes in it, and where; empty where nobody does'),
    partners: words(120).describe('found switch boxes: the other switches of a multi-way circuit'),
    note: words(2000),
  })
  .refine((f) => f.topM >= f.bottomM, { path: ['topM'], message: 'is below the lower edge' })
  .refine((f) => !f.area || f.points.length >= 3, { path: ['points'], message: 'need three corners for an area' });

/** Whether a value was measured, by whom and when. A value without such a record is assumed. */
export const fact = z.strictObject({
  id,
  subject: z.enum(['levels', 'rooms', 'walls', 'openings', 'risers', 'racks', 'features']),
  subjectId: id,
  field: z.string().regex(/^[a-zA-Z]{1,40}$/),
  state: z.enum(FACT_STATES),
  by: words(60),
  on: z
    .string()
    .regex(/^(\d{4}-\d{2}-\d{2})?$/)
    .describe('day of measuring, YYYY-MM-DD'),
  note: words(400),
});

/** One stud, joist, doubled member or blocking that was found, added or taken away, against the spacing rule. */
export const framingMember = z.strictObject({
  id,
  wallId: id.nullable(),
  roomId: id.nullable(),
  kind: z.enum(MEMBER_KINDS),
  offsetM: coordinateM.describe('studs: centre from end a; joists: centre from the first-joist line; blocking: its start, m'),
  widthM: positiveM(5).describe('thickness of the member; length of blocking, m'),
  bottomM: z.number().min(-5).max(30).describe('blocking: lower edge AFF, m; else 0'),
  topM: z.number().min(-5).max(30),
  present: z.boolean().describe('false: the spacing rule expects one here, and there is none'),
  note: words(400),
});

/** A length that was measured on the plan and left there. */
export const dimension = z.strictObject({ id, levelId: id, a: point2, b: point2, note: words(120) });

/** A point that shows on several levels (a chimney, a stair): points of one name lie above each other. */
export const referencePoint = z.strictObject({ id, levelId: id, name: words(60, 1), x: coordinateM, y: coordinateM });

export type Feature = z.infer<typeof feature>;
export type Fact = z.infer<typeof fact>;
export type FramingMember = z.infer<typeof framingMember>;
export type Dimension = z.infer<typeof dimension>;
export type ReferencePoint = z.infer<typeof referencePoint>;
export type FeatureKind = (typeof FEATURE_KINDS)[number];
export type OutdoorKind = (typeof OUTDOOR_KINDS)[number];
export type FactState = (typeof FACT_STATES)[number];
export type Substrate = (typeof SUBSTRATES)[number];
export type Decision = (typeof DECISIONS)[number];
