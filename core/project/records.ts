import { z } from 'zod';
import { isSimplePolygon, type Point2 } from '../geometry/index.ts';

/** Farthest a coordinate may lie from the project's origin, m. */
export const FARTHEST_M = 10_000;

const id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,39}$/)
  .describe('1 to 40 letters, digits, _ or -; unique in its list');
const words = (max: number, min = 0) =>
  z
    .string()
    .min(min)
    .max(max)
    // eslint-disable-next-line no-control-regex
    .regex(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202a-\u202e\u2066-\u2069]*$/, 'holds control characters');
const coordinateM = z.number().min(-FARTHEST_M).max(FARTHEST_M);
const positiveM = (most: number) => z.number().gt(0).max(most);
const lengthM = (most: number) => z.number().min(0).max(most);
const angleRad = z.number().min(-7).max(7).describe('rad, counter-clockwise from +x');
const point2 = z.tuple([coordinateM, coordinateM]).describe('[x, y] in m');
const point3 = z.tuple([coordinateM, coordinateM, coordinateM]).describe('[x, y, z] in m; z from the datum of level elevations');
const code = z
  .string()
  .regex(/^[A-Z0-9]{1,6}$/)
  .describe('1 to 6 capitals or digits');

export const SYSTEMS = ['sound', 'picture', 'data', 'coax', 'control', 'shade', 'light', 'guard'] as const;
export const RUN_STATES = ['drafted', 'issued', 'labelled', 'pulled', 'terminated', 'tested'] as const;
export const WALL_KINDS = ['stud', 'insulated', 'furred', 'masonry', 'concrete', 'glazed', 'fire', 'closed'] as const;
export const FRAMINGS = ['solid', 'i-joist', 'open-web', 'dropped', 'none'] as const;
export const MOUNTS = ['ceiling', 'wall', 'floor'] as const;
export const OPENING_KINDS = ['door', 'window', 'arch'] as const;
export const MEDIA = ['ceiling', 'wall', 'cavity', 'bulkhead', 'riser', 'floor'] as const;
export const JURISDICTIONS = ['NA', 'EU', 'UK', 'other'] as const;

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
    .regex(/\{device\}/, 'must hold {device}')
    .describe('{level} {room} {device} {leg}'),
  wasteFactor: z.number().min(1).max(1.5).describe('F16.1; 1.10 unless the firm knows better'),
  rackSlackM: lengthM(20).describe('service loop left at the rack, m'),
  ambientC: z.number().min(-20).max(90).describe('temperature in the cavities for resistance, degrees C'),
});

export const level = z.strictObject({
  id,
  code,
  name: words(60, 1),
  order: z.int().min(-50).max(200).describe('0 for the ground floor; higher is further up'),
  elevationM: coordinateM.describe('finished floor above the datum, m'),
  ceilingHeightM: positiveM(30).describe('finished ceiling above finished floor, m'),
  cavityDepthM: lengthM(3).describe('depth of the floor or roof structure above the ceiling, m'),
  gridAngleRad: angleRad.describe('direction in which most walls run, rad'),
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
  framing: z.enum(FRAMINGS).describe('what is above the ceiling; none means no cavity'),
  joistAngleRad: angleRad.describe('direction in which the joists run'),
  joistSpacingM: positiveM(3),
});

export const wall = z
  .strictObject({
    id,
    levelId: id,
    a: point2,
    b: point2,
    thicknessM: positiveM(3),
    kind: z.enum(WALL_KINDS),
    cavityDepthM: lengthM(3),
    cableMayRun: z.boolean().describe('whether a cable may run inside this wall'),
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
});

export const rack = z.strictObject({
  id,
  levelId: id,
  code,
  name: words(60, 1),
  x: coordinateM,
  y: coordinateM,
  facingRad: angleRad,
  widthM: positiveM(5),
  depthM: positiveM(5),
  units: z.int().min(1).max(60),
  entryHeightM: lengthM(10).describe('where cables leave the wall for the rack, above finished floor, m'),
});

export const underlay = z.strictObject({
  id,
  levelId: id,
  pictureId: z.string().regex(/^[0-9a-f]{64}$/),
  name: words(200),
  originX: coordinateM.describe('plan position of the lower left corner of the picture, m'),
  originY: coordinateM,
  metresPerPixel: z.number().gt(0).max(100),
  rotationRad: angleRad,
  opacity: z.number().min(0).max(1),
  scaled: z.boolean().describe('false until two points and a length have set the scale'),
});

export const cableType = z.strictObject({
  id,
  name: words(80, 1),
  system: z.enum(SYSTEMS),
  conductors: z.int().min(1).max(100).describe('copper conductors, or fibres'),
  gaugeAwg: z.int().min(-3).max(40).nullable(),
  material: z.enum(['copper', 'cca', 'ccs', 'fibre']),
  stranded: z.boolean(),
  outsideDiameterM: positiveM(0.2),
  bendRadiusM: positiveM(2),
  pullN: z.number().gt(0).max(10_000),
  family: words(40).describe('types of one family differ only in gauge, e.g. spk_2'),
});

export const deviceType = z.strictObject({
  id,
  code: z.string().regex(/^[A-Z0-9]{2}$/),
  name: words(80, 1),
  system: z.enum(SYSTEMS),
  mount: z.enum(MOUNTS),
  defaultHeightM: z.number().min(-5).max(30).nullable().describe('above finished floor, m; null is at the ceiling'),
  sizeM: z.tuple([positiveM(20), positiveM(20)]).describe('true size: width and depth on the plan, m'),
  round: z.boolean(),
  impedanceOhm: z.number().gt(0).max(10_000).nullable(),
  soundUse: z.enum(['distributed', 'theatre']).nullable().describe('sets the loss limit: 5 % or 0.3 dB'),
  cables: z
    .array(z.strictObject({ cableTypeId: id, purpose: words(60), slackM: lengthM(20) }))
    .max(20)
    .describe('one run each, in leg order'),
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
  leg: z.int().min(1).max(99),
  cableTypeId: id,
  purpose: words(60),
  state: z.enum(RUN_STATES),
  bundle: z
    .string()
    .regex(/^[A-Z0-9-]{0,12}$/)
    .describe('runs pulled together; empty where alone'),
  deviceSlackM: lengthM(20),
  rackSlackM: lengthM(20),
  note: words(2000),
});

/** A route that is kept: written when the run is issued, so that labels and cut lengths stay true. */
export const route = z.strictObject({
  id,
  runId: id,
  points: z.array(point3).min(2).max(2000).describe('from the device to the rack'),
  media: z.array(z.enum(MEDIA)).min(1).max(1999).describe('what each segment lies in'),
  riseM: lengthM(1e5),
  runM: lengthM(1e5),
  dropM: lengthM(1e5),
  deviceSlackM: lengthM(20),
  rackSlackM: lengthM(20),
  cutLengthM: lengthM(1e5),
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
export type CableType = z.infer<typeof cableType>;
export type DeviceType = z.infer<typeof deviceType>;
export type Device = z.infer<typeof device>;
export type Run = z.infer<typeof run>;
export type Route = z.infer<typeof route>;
export type SystemName = (typeof SYSTEMS)[number];
export type RunState = (typeof RUN_STATES)[number];
export type Framing = (typeof FRAMINGS)[number];
export type Medium = (typeof MEDIA)[number];
