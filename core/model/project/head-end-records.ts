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
      })
      .nullable(),
    gainDb: z.number().min(-60).max(60).nullable().describe('coax: from in to each out, a loss negative, dB'),
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

export type Equipment = z.infer<typeof equipment>;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];
export type PortGroup = z.infer<typeof portGroup>;
export type PortKind = (typeof PORT_KINDS)[number];
export type DataCategory = (typeof DATA_CATEGORIES)[number];
export type Termination = z.infer<typeof termination>;
export type Patch = z.infer<typeof patch>;
export type Circuit = z.infer<typeof circuit>;
