import { z } from 'zod';
import { id, lengthM, words } from './fields.ts';

/** What stands in head ends, by what it does there. */
export const EQUIPMENT_KINDS = [
  'patch-panel',
  'coax-panel',
  'switch',
  'router',
  'modem',
  'recorder',
  'controller',
  'hub',
  'amplifier',
  'receiver',
  'source',
  'matrix',
  'extender',
  'power-strip',
  'ups',
  'supply',
  'splitter',
  'rf-amplifier',
  'multiswitch',
  'tap',
  'diplexer',
  'combiner',
  'modulator',
  'speaker-block',
  'alarm-panel',
  'shelf',
  'vent',
  'blank',
  'cable-manager',
  'other',
] as const;
export const EQUIPMENT_FACES = ['front', 'rear'] as const;
/** What goes into a port. */
export const PORT_KINDS = [
  'data',
  'uplink',
  'wan',
  'coax',
  'speaker',
  'line',
  'video',
  'fibre',
  'relay',
  'serial',
  'infrared',
  'bus',
  'zone',
  'power',
  'mains',
] as const;
/** How the speakers of a block hang together on one channel. */
export const SPEAKER_WIRINGS = ['parallel', 'series', 'series-parallel'] as const;
/** Versions of copy protection on a picture link, from the least on; a path has that of its weakest part. */
export const COPY_PROTECTIONS = ['1.4', '2.2', '2.3'] as const;
/** Signals on coax, each with its own window of levels at the outlet (ENGINEERING 5.3). */
export const RF_SERVICES = [
  'cable-modem',
  'analogue-catv',
  'off-air-8vsb',
  'off-air-cofdm',
  'dvb-c',
  'fm',
  'satellite-if',
] as const;
/** What sets off a scene. */
export const SCENE_TRIGGERS = ['button', 'sensor', 'sunset', 'sunrise', 'time', 'voice', 'leave', 'arrive'] as const;
/** Categories of copper data cabling, from the least on. */
export const DATA_CATEGORIES = ['5e', '6', '6a', '7', '8'] as const;

const watts = z.number().min(0).max(100_000);
const count = z.int().min(0).max(1000);
const portName = z.string().regex(/^[a-z][a-z0-9 -]{0,29} [1-9]\d{0,3}$/, 'must be a port such as "data 5"');

/** A row of alike ports: `data 1` to `data 24`. */
export const portGroup = z.strictObject({
  name: z.string().regex(/^[a-z][a-z0-9 -]{0,29}$/, 'must be lower case, such as "data"'),
  kind: z.enum(PORT_KINDS),
  count: z.int().min(1).max(400),
  poeClass: z.int().min(1).max(8).nullable().describe('highest class that each of them feeds; null feeds nothing'),
  category: z.enum(DATA_CATEGORIES).nullable().describe('data: the category that it is made for'),
});

/** A piece of equipment in a head end: generic, with what planning needs to know of it. Lengths in m, weight in kg, power in W. */
export const equipment = z
  .strictObject({
    id,
    rackId: id,
    kind: z.enum(EQUIPMENT_KINDS),
    name: words(60, 1),
    presetId: words(40).describe('generic equipment of the library that it began as; empty is own'),
    units: z.int().min(0).max(60).describe('rack units that it takes; 0 is not for a rack'),
    atUnit: z.int().min(1).max(60).nullable().describe('its lowest rack unit, counted from the bottom; null is not placed'),
    face: z.enum(EQUIPMENT_FACES),
    xM: lengthM(5)
      .nullable()
      .describe('in an enclosure or on a wall: from its left edge to that of the head end, m; null is not placed'),
    yM: lengthM(5).nullable().describe('from its bottom edge to that of the head end, m'),
    widthM: z.number().gt(0).max(3),
    heightM: z.number().gt(0).max(3),
    depthM: z.number().gt(0).max(3),
    weightKg: z.number().min(0).max(1000),
    powerW: watts.describe('drawn from mains or a supply'),
    heatW: watts.describe('that stays in the head end'),
    powerFactor: z.number().min(0.1).max(1),
    isMains: z.boolean().describe('it has a mains plug'),
    plugs: z.int().min(0).max(40).describe('outlets that its plugs cover'),
    poeW: watts.nullable().describe('switches: all that it may feed at once; null feeds nothing'),
    amplifier: z
      .strictObject({
        channels: z.int().min(1).max(64),
        wattsEach: z.number().gt(0).max(10_000).describe('into 8 ohm'),
        leastOhm: z.number().gt(0).max(1000).describe('least load of a channel'),
        lineV: z.number().gt(0).max(200).nullable().describe('constant-voltage output, V; null is low impedance'),
        isBridged: z.boolean().describe('channels joined in pairs: the load is on the odd one, and each half sees half of it'),
      })
      .nullable(),
    ups: z
      .strictObject({
        ratedW: z.number().gt(0).max(100_000),
        ratedVa: z.number().gt(0).max(100_000),
        batteryWh: z.number().gt(0).max(1e6),
      })
      .nullable(),
    supply: z
      .strictObject({
        outputs: z.int().min(1).max(64),
        volts: z.number().gt(0).max(1000),
        wattsEach: z.number().gt(0).max(5000),
        fuseA: z.number().gt(0).max(100).nullable(),
      })
      .nullable(),
    recorder: z
      .strictObject({
        channels: z.int().min(1).max(256),
        diskTb: z.number().min(0).max(1000),
        mostMbps: z.number().gt(0).max(100_000),
        isOpenProfile: z.boolean().describe('it takes cameras of every maker that follow the open profile'),
      })
      .nullable(),
    gainDb: z.number().min(-60).max(60).nullable().describe('coax: from in to each out, a loss negative, dB'),
    throughDb: z.number().min(-60).max(0).nullable().describe('taps: from in to out, a loss, dB'),
    closesUnused: z.boolean().describe('coax: its unused ports are closed with 75 ohm'),
    picture: z
      .strictObject({
        mostGbps: z.number().gt(0).max(1000).describe('fastest picture link that it passes, Gbit/s'),
        copyProtection: z.enum(COPY_PROTECTIONS),
        returnsAudio: z.boolean().describe('sound of a display comes back on its outputs'),
      })
      .nullable()
      .describe('sources, receivers, matrices and extenders: the picture links'),
    wiring: z.enum(SPEAKER_WIRINGS).nullable().describe('speaker blocks: how the speakers hang on the channel'),
    alarm: z
      .strictObject({
        endOfLineOhm: z.number().min(0).max(100_000).describe('in series with the loop; 0 is without'),
        acrossOhm: z
          .number()
          .min(0)
          .max(100_000)
          .default(0)
          .describe('double end-of-line: across each contact that opens; 0 is single'),
        mostLoopOhm: z.number().gt(0).max(10_000).describe('resistance that a loop may have without its end-of-line resistor'),
        batteryAh: z.number().gt(0).max(200),
        seizesLine: z.boolean().describe('it takes the telephone line when it reports'),
      })
      .nullable()
      .describe('alarm panels'),
    tieDeviceId: id
      .nullable()
      .describe('panels: the link between racks whose runs arrive here with their other end, in the order of their legs'),
    ports: z.array(portGroup).max(16),
    feedId: id.nullable().describe('power strip, UPS or supply that it is plugged into; null is an outlet of its own'),
    circuitId: id.nullable().describe('mains circuit of its own outlet'),
    startOrder: count.describe('in which step it is switched on; off in reverse'),
    shedAfterMin: z
      .number()
      .min(0)
      .max(1440)
      .nullable()
      .describe('on battery it is switched off after so many minutes; null stays on'),
    mayRestart: z.boolean().describe('its outlet can be switched on its own, and the client may press it'),
    isLocked: z.boolean().describe('it stays where it is'),
    serial: words(60),
    note: words(400),
  })
  .refine((one) => new Set(one.ports.map(({ name }) => name)).size === one.ports.length, {
    path: ['ports'],
    message: 'has two groups of one name',
  })
  .refine((one) => one.units > 0 || one.atUnit === null, { path: ['atUnit'], message: 'is for equipment with rack units' });

/** Where the head end of a run is terminated. */
export const termination = z.strictObject({
  id,
  runId: id,
  equipmentId: id,
  port: portName,
  place: z
    .int()
    .min(1)
    .max(4)
    .default(1)
    .describe('alarm contacts that share a zone: 1 to 4, the resistor is at the last; 1 elsewhere'),
  padDb: z.number().min(0).max(30).describe('coax: an attenuator at its end, dB; 0 is none'),
  isLocked: z.boolean().describe('it was chosen by hand and stays'),
});

/** A cord from port to port. */
export const patch = z
  .strictObject({
    id,
    equipmentId: id,
    port: portName,
    toEquipmentId: id,
    toPort: portName,
    color: words(20),
    lengthM: z.number().gt(0).max(100),
    waits: z.boolean().describe('left unpatched until the device of its owner is there'),
    isLocked: z.boolean(),
  })
  .refine((one) => one.equipmentId !== one.toEquipmentId || one.port !== one.toPort, {
    path: ['toPort'],
    message: 'is the port that the cord begins at',
  });

/** A mains circuit that feeds head ends. */
export const circuit = z.strictObject({
  id,
  name: words(40, 1),
  volts: z.number().min(90).max(480),
  breakerA: z.number().gt(0).max(200),
  isDedicated: z.boolean(),
  otherW: watts.describe('other loads on it'),
});

/** Rooms that hear and see the same, and the sources that they may play. */
export const zone = z.strictObject({
  id,
  name: words(40, 1),
  placeIds: z.array(id).min(1).max(40).describe('rooms and outdoor areas'),
  sourceIds: z.array(id).max(40).describe('equipment that it may play; empty is every source'),
  modeName: words(40).describe('a mode of its room in which it works alone; empty is always'),
  volume: z.enum(['central', 'local']).describe('volume at the amplifier, or at a control on the wall'),
});

const degree = (least: number, most: number) => z.number().min(least).max(most);

/** A signal that comes in on coax: a provider, an antenna or a dish. Levels in dBuV, frequencies in MHz, angles in degrees. */
export const rfSource = z
  .strictObject({
    id,
    name: words(40, 1),
    service: z.enum(RF_SERVICES),
    deviceId: id.nullable().describe('antenna, dish or line entry whose run brings it; null is the line of the modem'),
    lowestMhz: z.number().min(5).max(3300),
    highestMhz: z.number().min(5).max(3300),
    atLowestDbuv: z.number().min(-50).max(140).describe('as promised or calculated, dBuV'),
    atHighestDbuv: z.number().min(-50).max(140),
    reading: z
      .strictObject({
        atLowestDbuv: z.number().min(-50).max(140),
        atHighestDbuv: z.number().min(-50).max(140),
        on: z.string().regex(/^\d{4}-\d{2}-\d{2}$/),
        by: words(60),
      })
      .nullable()
      .describe('read at its place before anything was fixed'),
    latitudeDeg: degree(-90, 90).nullable(),
    longitudeDeg: degree(-180, 180).nullable(),
    transmitterLatitudeDeg: degree(-90, 90).nullable(),
    transmitterLongitudeDeg: degree(-180, 180).nullable(),
    slotDeg: degree(-180, 180).nullable().describe('dishes: longitude of the satellite, east positive'),
    declinationDeg: degree(-90, 90).describe('magnetic north from true north, east positive'),
    horizon: z
      .array(z.strictObject({ bearingDeg: degree(0, 360), elevationDeg: degree(0, 90) }))
      .max(72)
      .describe('what stands in the way: its top, by true bearing'),
  })
  .refine((one) => one.highestMhz >= one.lowestMhz, { path: ['highestMhz'], message: 'is below the lowest frequency' });

/** What one button, sensor or time of day sets off. */
export const scene = z.strictObject({
  id,
  name: words(40, 1),
  roomId: id.nullable().describe('null is the whole house'),
  trigger: z.enum(SCENE_TRIGGERS),
  deviceId: id.nullable().describe('the keypad, panel or sensor that sets it off'),
  at: words(40).describe('time, words or condition of the trigger'),
  actions: z.array(z.strictObject({ deviceId: id, does: words(60, 1) })).max(200),
});

export type Zone = z.infer<typeof zone>;
export type RfSourceRecord = z.infer<typeof rfSource>;
export type Scene = z.infer<typeof scene>;
export type SceneTrigger = (typeof SCENE_TRIGGERS)[number];
export type SpeakerWiring = (typeof SPEAKER_WIRINGS)[number];
export type CopyProtection = (typeof COPY_PROTECTIONS)[number];
export type RfServiceName = (typeof RF_SERVICES)[number];
export type Equipment = z.infer<typeof equipment>;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];
export type PortGroup = z.infer<typeof portGroup>;
export type PortKind = (typeof PORT_KINDS)[number];
export type DataCategory = (typeof DATA_CATEGORIES)[number];
export type Termination = z.infer<typeof termination>;
export type Patch = z.infer<typeof patch>;
export type Circuit = z.infer<typeof circuit>;
