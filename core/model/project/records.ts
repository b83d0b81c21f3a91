import { priceSettings, spoolSettings, USUAL_PRICE_SETTINGS, USUAL_SPOOL_SETTINGS } from './order-records.ts';
import { z } from 'zod';
import { isSimplePolygon, type Point2 } from '../../math/index.ts';
import { ATTITUDES, SYSTEMS } from './library-records.ts';
import { CONSTRUCTIONS, WEIGHT_NAMES } from './routing-records.ts';
import { SUBSTRATES } from './survey-records.ts';
import {
  angleRad,
  code,
  coordinateM,
  day,
  drawingPoint,
  FARTHEST_M,
  heightM,
  id,
  lengthM,
  point2,
  point3,
  positiveM,
  words,
} from './fields.ts';

/** Ends of a run that have their label on the cable. */
export const LABELLED_ENDS = ['none', 'device', 'rack', 'both'] as const;
/** What a firm may change of the hours of pulling and boring (ENGINEERING 18.1). */
export const LABOUR_NAMES = ['pull', 'furtherCable', 'place', 'member', 'difficulty'] as const;
export const RUN_STATES = ['drafted', 'issued', 'labelled', 'pulled', 'terminated', 'tested'] as const;
export const WALL_KINDS = ['stud', 'insulated', 'furred', 'masonry', 'concrete', 'glazed', 'fire', 'closed'] as const;
export const FRAMINGS = ['solid', 'i-joist', 'open-web', 'dropped', 'slab', 'none'] as const;
export const CEILING_KINDS = ['flat', 'sloped', 'vaulted', 'coffered', 'dropped', 'open-joists', 'concrete'] as const;
export const STUD_MATERIALS = ['wood', 'steel', 'none'] as const;
/** Head ends: where runs end. Equipment in furniture is a cabinet. */
export const RACK_KINDS = [
  'rack',
  'enclosure',
  'patch-block',
  'data-panel',
  'audio-rack',
  'security-panel',
  'rf-panel',
  'shade-supply',
  'driver-board',
  'cabinet',
] as const;
/** From where cables come to a head end: the wall behind it, the floor or ceiling, or a sleeve along the floor from the nearest wall. */
export const RACK_ENTRIES = ['wall', 'floor', 'ceiling', 'sleeve'] as const;
/** The longest side of a plan picture, px; a vector picture is brought in smaller. */
export const MAX_PICTURE_SIDE_PX = 40_000;
export const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/svg+xml'] as const;
export const OPENING_KINDS = ['door', 'window', 'arch'] as const;
export const MEDIA = [
  'ceiling',
  'wall',
  'cavity',
  'bulkhead',
  'riser',
  'floor',
  'crawl',
  'chase',
  'conduit',
  'soffit',
  'outside',
  'underground',
  'surface',
  'screed',
] as const;
/** How the slack of a run is left at its device (practice C06): fixed place, open place, round a stud bay, or none. */
export const SLACK_STYLES = ['figure-eight', 'zigzag', 'wall-loop', 'none'] as const;
/** How cables are left at a rack: led to their unit, with a loop for a rack that slides out, or short into a panel. */
export const RACK_SLACKS = ['to-unit', 'slide-out', 'panel'] as const;
export const FITTINGS = ['fitted', 'prepared', 'spare'] as const;
/** How a device should look: flush, hidden, white, gone without a trace, turned to another place. */
export const WISHES = ['flush', 'hidden', 'white', 'removable', 'turns'] as const;
/** Pairs of a four-conductor speaker cable, first channel first (ENGINEERING 16.3). */
export const SPEAKER_COLOURS = ['white-black-first', 'red-black-first'] as const;
/** Both schools for a pair of speakers. */
export const SPEAKER_PAIRS = ['home-runs', 'four-conductor'] as const;
/** Channels of a surround layout: floor, overhead, low frequency. */
export const SURROUND_CHANNELS = [
  'front-left',
  'front-right',
  'center',
  'surround-left',
  'surround-right',
  'rear-left',
  'rear-right',
  'wide-left',
  'wide-right',
  'top-front-left',
  'top-front-right',
  'top-middle-left',
  'top-middle-right',
  'top-rear-left',
  'top-rear-right',
  'subwoofer',
] as const;
/** Both schools for data cable, and for how many go to a place. */
export const DATA_CABLES = ['cat6', 'cat6a'] as const;
export const JURISDICTIONS = ['NA', 'EU', 'UK', 'other'] as const;

/** Longest route, m: four times across the site. */
const MAX_ROUTE_M = 8 * FARTHEST_M;

const rate = z.number().min(0).max(10_000);

/** The project itself: one record, with the settings that every figure depends on. */
export const projectHeader = z.strictObject({
  id: z.literal('project'),
  shortId: z
    .string()
    .regex(/^[0-9A-HJKMNP-TV-Z]{5}$/)
    .describe('five characters printed in every QR code; stays with the house, also in copies'),
  name: words(120, 1),
  description: words(2000),
  client: words(120),
  address: words(300),
  units: z.enum(['metric', 'imperial']),
  jurisdiction: z.enum(JURISDICTIONS),
  numberPattern: words(60, 1)
    .regex(/\{(device|port)\}/, 'must hold {device} or {port}')
    .describe('{level} {room} {system} {type} {device} {leg} {rack} {port}'),
  wasteFactor: z.number().min(1).max(1.5).describe('on a way through what was not measured; 1.10 unless the firm knows better'),
  tracedFactor: z.number().min(1).max(1.5).describe('on a way through what was measured; 1.03 unless the firm knows better'),
  reserveM: lengthM(20).describe('added to every cut length, m'),
  slackStyle: z.enum(SLACK_STYLES).describe('how slack is left at a device, unless its run says otherwise'),
  rackSlackM: lengthM(20).describe('service loop left at the rack, m'),
  ambientC: z.number().min(-20).max(90).describe('temperature in the cavities for resistance, degrees C'),
  currency: words(6, 1).describe('of every price in the project'),
  labourRate: z.number().min(0).max(10_000).describe('price of a person-hour'),
  speakerColours: z
    .enum(SPEAKER_COLOURS)
    .describe('which pair of a four-conductor speaker cable is the first (left) channel; printed on labels and schedules'),
  speakerPairs: z
    .enum(SPEAKER_PAIRS)
    .default('home-runs')
    .describe('how a pair of speakers is cabled where it is made: two home runs, or one cable and a jumper'),
  dataCable: z.enum(DATA_CABLES).default('cat6').describe('cable of data drops'),
  roomDataCables: z.int().min(1).max(4).default(1).describe('data cables to a drop, unless it is at a desk or a display'),
  deskDataCables: z.int().min(1).max(4).default(2).describe('data cables to a drop at a desk or a display'),
  outletPrice: rate.nullable().default(null).describe('flat price of an outlet with its cable; null is by cable and hours'),
  windowPrice: rate.nullable().default(null).describe('flat price of the cable to a window; null is by cable and hours'),
  construction: z.enum(CONSTRUCTIONS).describe('how the house is built or opened: what a cable way costs'),
  routeWeights: z
    .partialRecord(z.enum(WEIGHT_NAMES), z.number().min(0).max(1000))
    .describe('what the firm has changed of what a way costs, in metres of cable'),
  sharedRoutes: z.boolean().default(false).describe('whether runs share bored places along the main routes of the house'),
  labour: z
    .partialRecord(z.enum(LABOUR_NAMES), z.number().min(0).max(100))
    .default({})
    .describe('what the firm has changed of the hours of pulling and boring, h; the difficulty is a factor'),
  labelling: z
    .enum(['before-pull', 'after-pull'])
    .default('before-pull')
    .describe('when cable ends get their labels; after the pull, a register keeps the ends that have none yet'),
  fixingFactors: z
    .strictObject({ wall: z.number().min(1).max(20), overhead: z.number().min(1).max(20) })
    .default({ wall: 5, overhead: 10 })
    .describe('how many times the weight a fixing has to hold, on a wall and overhead'),
  spoolSettings: spoolSettings.default(USUAL_SPOOL_SETTINGS).describe('how spools are planned'),
  priceSettings: priceSettings.default(USUAL_PRICE_SETTINGS).describe('how offers are priced'),
  siteRates: z
    .strictObject({ channelPerM: rate, openingPerM2: rate, paintPerM2: rate })
    .describe('price of a metre of surface channel fitted, and of a square metre opened and patched, and painted'),
  channelColour: words(40).describe('of surface channels and their covers, or the paint they get'),
  firm: words(120).default('').describe('who drew the plan, as it stands in its title block'),
  firmContact: words(200).default('').describe('how the firm is reached'),
  northRad: angleRad
    .nullable()
    .default(null)
    .describe('direction of north on every plan, from the right, counterclockwise; null where nobody said'),
});

/** What carries the ceiling of a room. */
const joists = {
  framing: z.enum(FRAMINGS).describe('what is above the ceiling; slab and none mean no cavity'),
  joistAngleRad: angleRad.describe('direction in which the joists run'),
  joistSpacingM: z.number().min(0.05, 'must be 0.05 m or more').max(3),
  joistDepthM: lengthM(2),
};

/** How a wall is made. */
const wallBuild = {
  thicknessM: positiveM(3),
  kind: z.enum(WALL_KINDS),
  cavityDepthM: lengthM(3),
  cableMayRun: z.boolean().describe('whether a cable may run inside this wall'),
  heightM: positiveM(30).nullable().describe('top above finished floor, m; null reaches the ceiling'),
  studMaterial: z.enum(STUD_MATERIALS),
  studSpacingM: lengthM(3)
    .refine((spacing) => spacing === 0 || spacing >= 0.05, 'must be 0, or 0.05 m or more')
    .describe('centre to centre, m; 0 where there are none'),
  studOffsetM: z.number().min(-3).max(3).describe('first stud centre from end a, m'),
  studWidthM: lengthM(0.5),
  topPlates: z.int().min(0).max(4),
  finishLeft: words(80).describe('layers on the left of a-b, from the stud outward'),
  finishLeftM: lengthM(1),
  finishRight: words(80),
  finishRightM: lengthM(1),
};

export const level = z.strictObject({
  id,
  code,
  name: words(60, 1),
  order: z.int().min(-50).max(200).describe('0 for the ground floor; higher is further up'),
  elevationM: heightM.describe('finished floor above the datum, m'),
  ceilingHeightM: positiveM(30).describe('finished ceiling above finished floor, m'),
  cavityDepthM: lengthM(3).describe('depth of the floor or roof structure above the ceiling, m'),
  gridAngleRad: angleRad.describe('direction in which most walls run, rad'),
  floorBuildUpM: lengthM(1).describe('floor finish still to come above the subfloor that exists at rough-in, m'),
  benchmarkM: z
    .number()
    .min(-5)
    .max(30)
    .nullable()
    .describe('laser benchmark line above finished floor, m; null where none is struck'),
  defaults: z
    .strictObject({ ...joists, wall: z.strictObject(wallBuild).nullable() })
    .default({ framing: 'solid', joistAngleRad: 0, joistSpacingM: 0.4, joistDepthM: 0.235, wall: null })
    .describe('of new rooms and walls; a null wall is made as is usual for its kind'),
});

export const room = z.strictObject({
  id,
  levelId: id,
  code,
  name: words(60, 1),
  use: words(40),
  polygon: z
    .array(point2)
    .min(3)
    .max(400)
    .refine((polygon) => isSimplePolygon(polygon as Point2[]), 'crosses itself or has a side of zero length')
    .describe('corners on the wall centre lines, m'),
  ceilingHeightM: positiveM(30).nullable().describe('m; null takes the level height'),
  ...joists,
  joistOffsetM: z
    .number()
    .min(-3)
    .max(3)
    .describe('first joist from the line through the origin along the joists, to their left, m'),
  floorM: z.number().min(-5).max(10).describe('finished floor of the room above that of its level, m'),
  ceilingKind: z.enum(CEILING_KINDS),
  slope: z
    .strictObject({ lowM: positiveM(30), highM: positiveM(30), angleRad })
    .refine((s) => s.highM >= s.lowM, { path: ['highM'], message: 'is below the low side' })
    .nullable()
    .describe('sloped and vaulted ceilings: heights AFF at the low side and at the high side or ridge, and the direction uphill'),
});

export const wall = z
  .strictObject({
    id,
    levelId: id,
    a: point2,
    b: point2,
    ...wallBuild,
    substrate: z.enum(SUBSTRATES).nullable().default(null).describe('what is behind the finish; null where nobody knows'),
  })
  .refine((w) => Math.hypot(w.a[0] - w.b[0], w.a[1] - w.b[1]) > 1e-6, { path: ['b'], message: 'has zero length' });

export const opening = z
  .strictObject({
    id,
    wallId: id,
    kind: z.enum(OPENING_KINDS),
    offsetM: lengthM(2 * FARTHEST_M).describe('from the wall end a to the middle of the opening, m'),
    widthM: positiveM(30),
    sillM: lengthM(30),
    headM: positiveM(30),
    hinge: z.enum(['start', 'end']).nullable(),
    swing: z.enum(['left', 'right']).nullable().describe('side of a-b towards which a door opens'),
    casingWidthM: lengthM(1).describe('casing or lining round the opening, m'),
    casingDepthM: lengthM(1).describe('depth of the recess for a blind or shade, m'),
    pocket: z.boolean().describe('a head box for a shade is framed above'),
    hardware: words(120),
  })
  .refine((o) => o.headM > o.sillM, { path: ['headM'], message: 'is not above the sill' });

export const riser = z.strictObject({
  id,
  name: words(60, 1),
  x: coordinateM,
  y: coordinateM,
  widthM: positiveM(10),
  depthM: positiveM(10),
  bottomLevelId: id,
  topLevelId: id,
  contents: words(200).describe('what already lies in it'),
});

/** A closed space around a head end, and how its air gets out. */
const rackCloset = z.strictObject({
  wallM2: z.number().gt(0).max(500).describe('walls, ceiling and door toward rooms that are heated and cooled, m2'),
  wallWPerM2K: z.number().gt(0).max(10).describe('heat through them, W/m2K'),
  exhaustM3PerS: z.number().min(0).max(10).describe('air that a vent, duct or fan takes out, m3/s; 0 is sealed'),
  exhaustBy: z.enum(['none', 'vent', 'duct', 'fan']),
  pierces: z.enum(['none', 'separation', 'unknown']).describe('whether the way out pierces a fire separation'),
  hasDamper: z.boolean().describe('a listed fire damper stands where it pierces'),
  mostAirC: z.number().min(15).max(60).describe('warmest air that the equipment may have, C'),
});

export const rack = z.strictObject({
  id,
  levelId: id,
  code,
  name: words(60, 1),
  kind: z.enum(RACK_KINDS),
  x: coordinateM,
  y: coordinateM,
  facingRad: angleRad,
  widthM: positiveM(5),
  depthM: positiveM(5),
  units: z.int().min(1).max(60),
  entry: z.enum(RACK_ENTRIES).default('wall').describe('from where cables come to it'),
  entryHeightM: lengthM(10).describe('where cables enter it, above finished floor, m'),
  slackStyle: z.enum(RACK_SLACKS),
  closet: rackCloset.nullable().default(null).describe('the closet or cabinet that it stands in; null is an open room'),
});

/** Which head end takes the runs of a cable family, or of a system; the family counts first. */
export const headEndRule = z
  .strictObject({
    id,
    family: words(40).describe('family of cables; empty for all of the system'),
    system: z.enum(SYSTEMS).nullable().describe('system of the device; null where a family is named'),
    rackId: id,
  })
  .refine((rule) => (rule.family === '') === (rule.system !== null), { path: ['system'], message: 'names a system or a family' });

export const underlay = z.strictObject({
  id,
  levelId: id,
  pictureId: z.string().regex(/^[0-9a-f]{64}$/),
  name: words(200),
  originX: coordinateM.describe('plan position of the lower left corner of the picture, m'),
  originY: coordinateM,
  metresPerPixel: z.number().gt(0).max(100).describe('along the width of the picture'),
  metresPerPixelY: z.number().gt(0).max(100).describe('along its height; the same unless the sheet is distorted'),
  rotationRad: angleRad,
  opacity: z.number().min(0).max(1),
  scaled: z.boolean().describe('false until two points and a length have set the scale'),
  crop: z
    .tuple([z.number(), z.number(), z.number(), z.number()])
    .refine(([x0, y0, x1, y1]) => x0 >= 0 && y0 >= 0 && x1 <= 1 && y1 <= 1 && x0 < x1 && y0 < y1, 'is not a part of the picture')
    .nullable()
    .describe('part that is shown: left, bottom, right, top as shares of the picture'),
  locked: z.boolean(),
  retired: z.boolean().describe('replaced by a newer issue of the plan; kept to see what moved'),
  drawingCorner: drawingPoint.nullable().describe('lower left corner in the coordinates of the drawing file it came from, m'),
  mirrored: z.boolean().default(false).describe('left and right of the picture exchanged, before it is turned'),
});

export const device = z.strictObject({
  id,
  typeId: id,
  levelId: id,
  roomId: id.nullable(),
  number: z.int().min(1).max(9999).describe('unique in its room'),
  name: words(80),
  x: coordinateM,
  y: coordinateM,
  heightM: z.number().min(-5).max(60).nullable().describe('above finished floor, m; null is at the ceiling'),
  facingRad: angleRad,
  belongsTo: id.nullable().describe('furniture that it goes with: where that is an alternative, it holds only with it'),
  fitting: z.enum(FITTINGS).describe('prepared: the cable now, the device later; spare: wired on the other wall and stored'),
  phaseId: id.nullable().describe('phase of the job in which the device itself comes; null is now'),
  mountTypeId: id.nullable().describe('mount or bracket from the library that holds it'),
  finish: words(40),
  wishes: z.array(z.enum(WISHES)).max(WISHES.length).describe('how it should look'),
  seenFrom: words(120).describe('from where it is looked at'),
  tailM: lengthM(20)
    .nullable()
    .describe(
      'length of lead that waits at the stud or joist for joinery or a ceiling still to come; null where the place is fixed',
    ),
  leftOut: z
    .array(z.int().min(1).max(99))
    .max(20)
    .default([])
    .describe('legs of the recipe of its type that are not wanted here'),
  protects: z
    .array(id)
    .max(200)
    .default([])
    .describe('surge arresters: the runs from outdoors that pass it; one that names none is for one run'),
  attitude: z.enum(ATTITUDES).default('upright').describe('how it is turned, against the way its maker draws it'),
  areaId: id
    .nullable()
    .default(null)
    .describe('outdoor area that it belongs to; null is the one in which, or nearest to which, it stands'),
  decisionId: id.nullable().default(null).describe('open decision whose cables it prepares'),
  foundId: id.nullable().default(null).describe('existing bracket, box or speaker that it uses'),
  channel: z.enum(SURROUND_CHANNELS).nullable().default(null).describe('channel of the surround layout of its room'),
  outlet: z
    .strictObject({
      amperageA: z.int().min(1).max(125),
      voltageV: z.int().min(12).max(480),
      switched: z.boolean(),
      surge: z.boolean().describe('with surge protection'),
      dedicated: z.boolean().describe('on a circuit that feeds nothing else'),
    })
    .nullable()
    .default(null)
    .describe('mains outlets: what the electrician is asked for'),
  note: words(2000),
});

export const run = z.strictObject({
  id,
  number: z
    .string()
    .regex(/^[A-Z0-9./-]{1,40}$/)
    .describe('unique in the project'),
  deviceId: id,
  rackId: id,
  leg: z.int().min(1).max(99).describe('place among the runs of its device'),
  recipeLeg: z
    .int()
    .min(1)
    .max(99)
    .nullable()
    .default(null)
    .describe('leg of the recipe of its type that it is; null where it was added to this device alone'),
  toDeviceId: id.nullable().describe('the device at the far end of a jumper or chain; null is home to the rack'),
  cableTypeId: id,
  purpose: words(60),
  deviceConnector: words(30),
  farConnector: words(30),
  mapId: id.nullable().describe('what each conductor is used for'),
  state: z.enum(RUN_STATES),
  bundle: z
    .string()
    .regex(/^[A-Z0-9-]{0,12}$/)
    .describe('runs pulled together; empty where alone'),
  deviceSlackM: lengthM(20),
  rackSlackM: lengthM(20),
  slackStyle: z.enum(SLACK_STYLES).nullable().describe('null follows the project and the place'),
  printedOn: day.describe('day on which its labels were printed last; empty where they were not'),
  printedAs: words(400).default('').describe('what those labels say; empty where that was not kept'),
  reason: words(200).default('').describe('why it was added'),
  price: z
    .number()
    .min(0)
    .max(1_000_000)
    .nullable()
    .default(null)
    .describe('flat price in the currency of the project; null is by cable and hours'),
  foundId: id.nullable().default(null).describe('existing wiring that it re-uses: nothing is pulled'),
  stored: z.boolean().default(false).describe('pulled and not needed now: capped and stored in the wall'),
  labelledEnds: z.enum(LABELLED_ENDS).default('none').describe('which of its ends have their label on the cable'),
  rawTestedOn: day
    .default('')
    .describe('day on which the pulled cable passed its test before the drywall; empty where it did not'),
  endTestedOn: day.default('').describe('day on which it passed its test after termination; empty where it did not'),
  testedBy: words(60).default('').describe('who tested it last'),
  endsBaggedOn: day
    .default('')
    .describe('day on which its bare ends were bagged and stowed, capped outdoors; empty where they were not'),
  wrappedOn: day.default('').describe('day on which its bundle was wrapped; empty where it was not'),
  floorMark: words(20).default('').describe('mark drawn on the floor below its end, before it has a label; empty where none is'),
  note: words(2000),
});

/** A route that is kept: written when the run is issued, so that labels and cut lengths stay true. */
export const route = z.strictObject({
  id,
  runId: id,
  points: z.array(point3).min(2).max(2000).describe('from the device to the rack'),
  media: z.array(z.enum(MEDIA)).min(1).max(1999).describe('what each segment lies in'),
  riseM: lengthM(MAX_ROUTE_M),
  runM: lengthM(MAX_ROUTE_M),
  dropM: lengthM(MAX_ROUTE_M),
  deviceSlackM: lengthM(20),
  rackSlackM: lengthM(20),
  cutLengthM: lengthM(MAX_ROUTE_M),
  acceptedAt: point3.nullable().describe('device position for which a person kept the route although the plan differs'),
});

export type ProjectHeader = z.infer<typeof projectHeader>;
export type Level = z.infer<typeof level>;
export type Room = z.infer<typeof room>;
export type Wall = z.infer<typeof wall>;
export type Opening = z.infer<typeof opening>;
export type Riser = z.infer<typeof riser>;
export type Rack = z.infer<typeof rack>;
export type Underlay = z.infer<typeof underlay>;
export type Device = z.infer<typeof device>;
export type Run = z.infer<typeof run>;
export type Route = z.infer<typeof route>;
export type SurroundChannel = (typeof SURROUND_CHANNELS)[number];
export type SlackStyle = (typeof SLACK_STYLES)[number];
export type RackEntry = (typeof RACK_ENTRIES)[number];
export type RackKind = (typeof RACK_KINDS)[number];
export type HeadEndRule = z.infer<typeof headEndRule>;
export type RackSlack = (typeof RACK_SLACKS)[number];
export type CeilingKind = (typeof CEILING_KINDS)[number];
export type WallKind = (typeof WALL_KINDS)[number];
export type RunState = (typeof RUN_STATES)[number];
export type Fitting = (typeof FITTINGS)[number];
export type Wish = (typeof WISHES)[number];
export type Framing = (typeof FRAMINGS)[number];
export type Medium = (typeof MEDIA)[number];
