import { z } from 'zod';
import { BRIEF_TOPICS } from './brief-topics.ts';
import { id, lengthM, positiveM, words } from './fields.ts';

export const SYSTEMS = ['sound', 'picture', 'data', 'coax', 'control', 'shade', 'light', 'guard'] as const;
export const MOUNTS = ['ceiling', 'wall', 'surface', 'soffit', 'floor', 'stand', 'mast', 'rack', 'joinery', 'ground'] as const;
export const SHIFT_SHAPES = ['diamond', 'ellipse'] as const;
/** How a device is turned; as its maker draws it is upright. */
export const ATTITUDES = ['upright', 'on-side', 'upside-down', 'face-up', 'face-down', 'tilted'] as const;
export const PARTS = ['device', 'mount', 'bracket'] as const;
export const CUT_OUT_SHAPES = ['round', 'rectangle'] as const;
export const PORT_DIRECTIONS = ['in', 'out', 'both'] as const;
export const MOUNT_STYLES = ['fixed', 'tilt', 'full-motion', 'motorised', 'recessed', 'ceiling-drop'] as const;
/** Where a jacket may lie (ENGINEERING 1.3): in walls, between floors, in moving air, in weather and ground, little of anything; a cord lies in the room only. */
export const JACKET_RATINGS = ['general', 'riser', 'plenum', 'outdoor', 'limited', 'cord'] as const;
export const LINKS = ['cable', 'mains-radio', 'battery-radio', 'mains-only'] as const;
export const LEG_ENDS = ['rack', 'device', 'chain'] as const;
/** Boxes and rings of ENGINEERING 8.1. */
export const BOX_KINDS = [
  'none',
  'open-ring',
  'one-gang',
  'one-gang-deep',
  'two-gang',
  'recessed-two-gang',
  'round',
  'back-box',
  'weatherproof',
  'floor-box',
] as const;

/** Copper, copper-clad aluminium or steel, glass, or the plastic of a conduit. */
export const CABLE_MATERIALS = ['copper', 'cca', 'ccs', 'fibre', 'plastic'] as const;
/** Family of conduits: routed, counted and priced as a cable is, with a pull string inside. */
export const CONDUIT_FAMILY = 'conduit';

const priceOf = z.number().min(0).max(1_000_000);

export const cableType = z.strictObject({
  id,
  name: words(80, 1),
  system: z.enum(SYSTEMS),
  conductors: z.int().min(1).max(100).describe('copper conductors, or fibres'),
  gaugeAwg: z.int().min(-3).max(40).nullable(),
  material: z.enum(CABLE_MATERIALS),
  stranded: z.boolean(),
  outsideDiameterM: positiveM(0.2),
  bendRadiusM: positiveM(2),
  pullN: z.number().gt(0).max(10_000),
  family: words(40).describe('types of one family differ only in gauge, e.g. spk_2'),
  pricePerM: priceOf.describe('per metre, in the currency of the project'),
  jacketColour: words(20).describe('of the stock that is pulled'),
  rating: z.enum(JACKET_RATINGS).describe('where its jacket may lie'),
  alsoRated: z
    .array(z.enum(JACKET_RATINGS))
    .max(JACKET_RATINGS.length)
    .default([])
    .describe('what else its jacket is rated for, as riser and outdoor at once'),
  spoolM: positiveM(5000).default(305).describe('length on a spool or in a box as it is bought, m'),
});

/** One cable of a recipe, in leg order: one run each. */
export const leg = z.strictObject({
  cableTypeId: id,
  purpose: words(60),
  slackM: lengthM(20).describe('left at the device, m'),
  to: z.enum(LEG_ENDS).describe('home to the rack, to the nearest device of another type, or on to the next of the same type'),
  toTypeId: id.nullable().describe('type of the device at the far end, where `to` is device'),
  deviceConnector: words(30),
  farConnector: words(30),
  mapId: id.nullable().describe('what each conductor is used for'),
  optional: z.boolean().describe('only pulled where asked for'),
});

const side = positiveM(20);
/** A hole in a finished surface; a round one has its diameter as both sides, m. */
const cutOut = z.strictObject({ shape: z.enum(CUT_OUT_SHAPES), widthM: side, heightM: side });
const watts = z.number().min(0).max(100_000);

/** A kind of device, mount or bracket, with what planning needs to know of it. Generic: without a maker. */
export const deviceType = z
  .strictObject({
    id,
    version: z.int().min(1).max(100_000).describe('raised by the firm at every edit; a project keeps the one it used'),
    part: z.enum(PARTS).describe('a device, a mount that holds one, or a bracket or ring that is set at rough-in'),
    code: z.string().regex(/^[A-Z0-9]{2}$/, 'must be two capitals or digits'),
    name: words(80, 1),
    system: z.enum(SYSTEMS),
    answers: z.enum(BRIEF_TOPICS).nullable().describe('row of the brief that it answers'),
    mount: z.enum(MOUNTS),
    defaultHeightM: z.number().min(-5).max(30).nullable().describe('above finished floor, m; null is at the ceiling'),
    sizeM: z.tuple([positiveM(20), positiveM(20)]).describe('true size: width and depth on the plan, m'),
    round: z.boolean(),
    cutOut: cutOut.nullable().describe('hole in the drywall; null where it sits on the surface'),
    frameM: z
      .tuple([positiveM(20), positiveM(20)])
      .nullable()
      .describe('outer frame or face, width and height, m'),
    depthM: lengthM(3).describe('needed behind the finished face, m; 0 sits on the surface'),
    clampM: lengthM(0.2).describe('free edge that clamps or flanges need around the cut-out, m'),
    weightKg: z.number().min(0).max(2000),
    holePatternM: z
      .tuple([lengthM(5), lengthM(5)])
      .nullable()
      .describe('fixing holes, width and height apart, m'),
    ports: z.array(z.strictObject({ name: words(40, 1), connector: words(30, 1), direction: z.enum(PORT_DIRECTIONS) })).max(40),
    poeClass: z.int().min(1).max(8).nullable().describe('IEEE 802.3 class'),
    dcV: z.number().gt(0).max(1000).nullable(),
    dcW: watts.nullable(),
    mainsW: watts.nullable().describe('drawn from an outlet that the electrician adds; null needs none'),
    heatW: watts,
    coverageRad: z.number().gt(0).max(6.3).nullable().describe('included angle of radiation or view, rad'),
    sensitivityDb: z.number().min(0).max(150).nullable().describe('dB at 2.83 V and 1 m'),
    impedanceOhm: z.number().gt(0).max(10_000).nullable(),
    soundUse: z.enum(['distributed', 'theatre']).nullable().describe('music all over the house, or a theatre'),
    boxKind: z.enum(BOX_KINDS),
    keepClearM: lengthM(5).describe('nothing else this near, edge to edge, m'),
    attitudes: z.array(z.enum(ATTITUDES)).max(ATTITUDES.length).default([]).describe('how it may be turned; empty is every way'),
    lens: z
      .strictObject({
        throwMin: positiveM(20).describe('distance by picture width, shortest zoom'),
        throwMax: positiveM(20).describe('distance by picture width, longest zoom'),
        shiftUp: z.number().min(0).max(3).describe('lens above or below the middle of the picture, share of its height'),
        shiftAside: z.number().min(0).max(3).describe('lens beside the middle of the picture, share of its width'),
        shiftShape: z.enum(SHIFT_SHAPES).describe('how both shifts together are limited'),
        lumens: z.number().gt(0).max(100_000).describe('lm as rated'),
        isUltraShort: z.boolean().describe('its place is by the table of its maker alone'),
      })
      .refine((one) => one.throwMax >= one.throwMin, { path: ['throwMax'], message: 'is below the shortest throw' })
      .nullable()
      .default(null)
      .describe('projectors: the lens'),
    screen: z
      .strictObject({
        pictureM: z.tuple([positiveM(20), positiveM(20)]).describe('picture, width and height, m'),
        hangs: z.boolean().describe('it hangs from a case at the height of the device; else that is the middle of its frame'),
        gain: z.number().gt(0).max(5).describe('light thrown back, by that of a matte white surface'),
        weaveMm: z.number().gt(0).max(20).nullable().describe('pitch of holes or threads, mm; null lets no sound through'),
      })
      .nullable()
      .default(null)
      .describe('projection screens: the picture'),
    controlFamily: words(40)
      .default('')
      .describe('system that it works with alone, such as a bus of one maker; empty works with all'),
    link: z.enum(LINKS).describe('by cable, by radio with mains or battery, or fed by mains alone'),
    accepts: z
      .strictObject({ shape: z.enum(CUT_OUT_SHAPES), leastM: lengthM(5), mostM: positiveM(5) })
      .refine((a) => a.mostM >= a.leastM, { path: ['mostM'], message: 'is below the least' })
      .nullable()
      .describe('brackets and rings: cut-outs that fit, by their larger side, m'),
    holds: z
      .strictObject({
        style: z.enum(MOUNT_STYLES),
        parkedDepthM: lengthM(5).describe('from the wall or ceiling to the face of the device at rest, m'),
        reachM: lengthM(5).describe('farthest from the wall, or longest drop, m'),
        turnRad: z.number().min(0).max(3.2).describe('to either side, rad'),
        ratedKg: z.number().gt(0).max(2000),
        widestM: positiveM(10).describe('widest device that it takes, m'),
      })
      .nullable()
      .describe('mounts: what they hold and where it can go'),
    tools: words(200),
    premade: words(200).describe('parts that are made before the day'),
    price: priceOf.describe('each, in the currency of the project'),
    hours: z.number().min(0).max(1000).describe('person-hours to fit one at trim-out'),
    cables: z.array(leg).max(20).describe('one run each, in leg order'),
  })
  .refine((t) => t.depthM === 0 || t.cutOut !== null || t.part !== 'device' || t.mount === 'joinery' || t.mount === 'ground', {
    path: ['cutOut'],
    message: 'is missing for a device that goes into the surface',
  })
  .refine((t) => t.part !== 'mount' || t.holds !== null, { path: ['holds'], message: 'is missing for a mount' })
  .refine((t) => t.part !== 'bracket' || t.accepts !== null, { path: ['accepts'], message: 'is missing for a bracket' })
  .refine((t) => (t.link !== 'mains-radio' && t.link !== 'mains-only') || t.mainsW !== null, {
    path: ['mainsW'],
    message: 'is missing: without a cable, mains or a battery must feed it',
  });

export type CableType = z.infer<typeof cableType>;
export type DeviceType = z.infer<typeof deviceType>;
export type Leg = z.infer<typeof leg>;
export type SystemName = (typeof SYSTEMS)[number];
export type MountName = (typeof MOUNTS)[number];
export type BoxKind = (typeof BOX_KINDS)[number];

export const isConduit = ({ family }: Pick<CableType, 'family'>): boolean => family === CONDUIT_FAMILY;
/** Whether a jacket is rated for a place: by its first rating or another that is printed on it. */
export const isRated = (cable: Pick<CableType, 'rating' | 'alsoRated'>, rating: (typeof JACKET_RATINGS)[number]): boolean =>
  cable.rating === rating || cable.alsoRated.includes(rating);
/** Whether surges, mains and services act on it. */
export const isMetallic = ({ material }: Pick<CableType, 'material'>): boolean => material !== 'fibre' && material !== 'plastic';
