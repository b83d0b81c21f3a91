import { RACK_UNIT_M } from '../math/index.ts';
import type { Equipment, EquipmentKind, PortGroup } from '../model/index.ts';

/** Generic equipment without a maker: what planning needs to know, and a band of price. Lengths in m, weights in kg, power in W. */
export type EquipmentPreset = Omit<
  Equipment,
  'id' | 'rackId' | 'atUnit' | 'face' | 'xM' | 'yM' | 'feedId' | 'circuitId' | 'isLocked' | 'serial' | 'note'
> & {
  /** Where it belongs: a rack, an enclosure between studs, or both. */
  readonly fits: 'rack' | 'enclosure' | 'both';
  readonly price: number;
};

type Make = { readonly [K in keyof EquipmentPreset]?: EquipmentPreset[K] } & { readonly fits?: EquipmentPreset['fits'] };

const NOTHING = {
  powerW: 0,
  heatW: 0,
  powerFactor: 0.9,
  isMains: false,
  plugs: 0,
  poeW: null,
  amplifier: null,
  ups: null,
  supply: null,
  recorder: null,
  gainDb: null,
  throughDb: null,
  closesUnused: false,
  picture: null,
  wiring: null,
  alarm: null,
  tieDeviceId: null,
  ports: [],
  startOrder: 1,
  shedAfterMin: null,
  mayRestart: false,
} as const;

/** Width of a panel with its ears (IEC 60297), m. */
export const PANEL_M = 0.4826;

/** Rack-mounted equipment of so many units. */
const racked = (
  presetId: string,
  kind: EquipmentKind,
  name: string,
  [units, depthM, weightKg]: readonly [number, number, number],
  price: number,
  more: Make = {},
): EquipmentPreset => ({
  ...NOTHING,
  ...{
    presetId,
    kind,
    name,
    units,
    widthM: PANEL_M,
    heightM: units * RACK_UNIT_M,
    depthM,
    weightKg,
    fits: 'rack' as const,
    price,
  },
  ...more,
  ports: [...(more.ports ?? [])],
});
/** What lies in an enclosure or on a shelf: width, height and depth in mm. */
const loose = (
  presetId: string,
  kind: EquipmentKind,
  name: string,
  [width, height, depth, weightKg]: readonly [number, number, number, number],
  price: number,
  more: Make = {},
): EquipmentPreset => ({
  ...NOTHING,
  ...{ presetId, kind, name, units: 0, widthM: width / 1000, heightM: height / 1000, depthM: depth / 1000, weightKg },
  ...{ fits: 'both' as const, price },
  ...more,
  ports: [...(more.ports ?? [])],
});

const group = (name: string, kind: PortGroup['kind'], count: number, more: Partial<PortGroup> = {}): PortGroup => ({
  ...{ name, kind, count, poeClass: null, category: kind === 'data' || kind === 'uplink' || kind === 'wan' ? '6a' : null },
  ...more,
});
const mains = (powerW: number, more: Make = {}): Make => ({ isMains: true, plugs: 1, powerW, heatW: powerW, ...more });
const poe = (ports: number, poeW: number, powerW: number): Make =>
  // Heat: its own, and a tenth of what it feeds; the rest leaves on the cables.
  mains(powerW + poeW, {
    ...{ poeW, heatW: powerW + 0.1 * poeW, startOrder: 1 },
    ports: [group('data', 'data', ports, { poeClass: 4 }), group('uplink', 'uplink', 2)],
  });

/** Every generic piece of equipment, in the order of its list. */
export const EQUIPMENT_PRESETS: readonly EquipmentPreset[] = [
  racked('patch-24', 'patch-panel', 'Patch panel, 24', [1, 0.11, 1.2], 90, { ports: [group('data', 'data', 24)] }),
  racked('patch-48', 'patch-panel', 'Patch panel, 48', [2, 0.11, 2.2], 170, { ports: [group('data', 'data', 48)] }),
  racked('coax-panel-16', 'coax-panel', 'Coax panel, 16', [1, 0.08, 1], 60, { ports: [group('coax', 'coax', 16)] }),
  racked('fibre-panel-12', 'patch-panel', 'Fiber panel, 12', [1, 0.2, 2], 140, { ports: [group('fibre', 'fibre', 12)] }),
  racked('video-panel-12', 'patch-panel', 'HDMI panel, 12', [1, 0.08, 1], 110, { ports: [group('video', 'video', 12)] }),
  racked('switch-16-poe', 'switch', 'Network switch, 16 PoE', [1, 0.25, 3], 380, poe(16, 150, 20)),
  racked('switch-24-poe', 'switch', 'Network switch, 24 PoE', [1, 0.35, 5], 620, poe(24, 370, 25)),
  racked('switch-48-poe', 'switch', 'Network switch, 48 PoE', [1, 0.4, 6], 1180, poe(48, 740, 40)),
  racked('router-1u', 'router', 'Router', [1, 0.25, 2.5], 420, {
    ...mains(15, { mayRestart: true }),
    ports: [group('wan', 'wan', 1), group('data', 'data', 4)],
  }),
  racked('recorder-8', 'recorder', 'Recorder, 8 cameras', [1, 0.3, 4], 450, recorder(8, 4, 80, 30)),
  racked('recorder-16', 'recorder', 'Recorder, 16 cameras', [1, 0.35, 6], 780, recorder(16, 8, 160, 45)),
  racked('recorder-32', 'recorder', 'Recorder, 32 cameras', [2, 0.4, 10], 1450, recorder(32, 16, 320, 60)),
  racked('controller-1u', 'controller', 'Control processor', [1, 0.25, 3], 900, {
    ...mains(20),
    ports: [
      group('data', 'data', 1),
      group('relay', 'relay', 8),
      group('serial', 'serial', 4),
      group('infrared', 'infrared', 8),
      group('bus', 'bus', 24),
    ],
  }),
  racked('amplifier-2', 'amplifier', 'Amplifier, 2 × 100 W', [1, 0.3, 5], 350, amplifier(2, 100, 4, 30, 30)),
  racked('amplifier-8', 'amplifier', 'Amplifier, 8 × 50 W', [2, 0.35, 9], 900, amplifier(8, 50, 4, 80, 60)),
  racked('amplifier-16', 'amplifier', 'Amplifier, 16 × 50 W', [3, 0.4, 15], 1600, amplifier(16, 50, 4, 150, 110)),
  racked('amplifier-line', 'amplifier', 'Amplifier, 100 V line, 2 × 200 W', [2, 0.35, 10], 700, {
    ...amplifier(2, 200, 8, 60, 50),
    amplifier: { channels: 2, wattsEach: 200, leastOhm: 8, lineV: 100, isBridged: false },
  }),
  racked('receiver-9', 'receiver', 'AV receiver, 9 channels', [4, 0.4, 13], 1300, receiver(9, 100, 190)),
  racked('receiver-11', 'receiver', 'AV receiver, 11 channels', [4, 0.42, 16], 2200, receiver(11, 125, 240)),
  loose('sound-bar', 'receiver', 'Sound bar with line output', [900, 70, 110, 3.5], 420, {
    ...mains(40),
    picture: { mostGbps: 18, copyProtection: '2.3', returnsAudio: true },
    ports: [
      group('video in', 'video', 2),
      group('video out', 'video', 1),
      group('line out', 'line', 2),
      group('data', 'data', 1),
    ],
  }),
  racked('source-1u', 'source', 'Media player', [1, 0.25, 2], 300, {
    ...mains(10),
    picture: { mostGbps: 18, copyProtection: '2.2', returnsAudio: false },
    ports: [group('data', 'data', 1), group('video out', 'video', 1), group('line out', 'line', 2)],
  }),
  racked('streamer-4', 'source', 'Music player, 4 streams', [1, 0.25, 3], 700, {
    ...mains(25),
    ports: [group('data', 'data', 1), group('line out', 'line', 8)],
  }),
  racked('matrix-audio-8', 'matrix', 'Audio matrix, 4 sources × 8 zones', [1, 0.3, 4], 800, {
    ...mains(30),
    ports: [group('line in', 'line', 8), group('line out', 'line', 16), group('data', 'data', 1)],
  }),
  racked('matrix-audio-16', 'matrix', 'Audio matrix, 8 sources × 16 zones', [2, 0.3, 6], 1500, {
    ...mains(45),
    ports: [group('line in', 'line', 16), group('line out', 'line', 32), group('data', 'data', 1)],
  }),
  racked('matrix-8', 'matrix', 'Video matrix, 8 × 8', [2, 0.35, 6], 2600, {
    ...mains(60),
    picture: { mostGbps: 18, copyProtection: '2.2', returnsAudio: true },
    ports: [group('video in', 'video', 8), group('video out', 'video', 8), group('data', 'data', 1)],
  }),
  racked('matrix-16', 'matrix', 'Video matrix, 16 × 16', [4, 0.4, 11], 5400, {
    ...mains(110),
    picture: { mostGbps: 18, copyProtection: '2.2', returnsAudio: true },
    ports: [group('video in', 'video', 16), group('video out', 'video', 16), group('data', 'data', 1)],
  }),
  racked('power-strip-8', 'power-strip', 'Power strip with surge protection, 8', [1, 0.15, 2], 120, {
    ...{ isMains: true, plugs: 1, startOrder: 0, ports: [group('outlet', 'mains', 8)] },
  }),
  racked('power-strip-12', 'power-strip', 'Sequenced power strip, 12', [1, 0.25, 3.5], 420, {
    ...{ isMains: true, plugs: 1, startOrder: 0, ports: [group('outlet', 'mains', 12)] },
  }),
  racked('ups-500', 'ups', 'UPS, 450 W, shallow', [2, 0.23, 11], 260, {
    ...{ isMains: true, plugs: 1, heatW: 10, powerW: 10, startOrder: 0, ports: [group('outlet', 'mains', 6)] },
    ups: { ratedW: 450, ratedVa: 500, batteryWh: 110 },
  }),
  racked('ups-1000', 'ups', 'UPS, 900 W', [2, 0.45, 19], 520, {
    ...{ isMains: true, plugs: 1, heatW: 15, powerW: 15, startOrder: 0, ports: [group('outlet', 'mains', 6)] },
    ups: { ratedW: 900, ratedVa: 1000, batteryWh: 220 },
  }),
  racked('ups-2000', 'ups', 'UPS, 1800 W', [2, 0.6, 30], 980, {
    ...{ isMains: true, plugs: 1, heatW: 20, powerW: 20, startOrder: 0, ports: [group('outlet', 'mains', 8)] },
    ups: { ratedW: 1800, ratedVa: 2000, batteryWh: 460 },
  }),
  racked('supply-shades', 'supply', 'Shade power supply, 12 × 24 V', [2, 0.3, 6], 480, supply(12, 24, 60, 3, 1, 'shade')),
  racked('supply-strips', 'supply', 'Strip light drivers, 6 × 24 V', [2, 0.3, 5], 420, supply(6, 24, 96, 5, 1, 'strip')),
  racked('shelf-1u', 'shelf', 'Shelf, 1 U', [1, 0.35, 2.5], 35),
  racked('shelf-2u', 'shelf', 'Shelf, 2 U', [2, 0.4, 3.5], 45),
  racked('vent-1u', 'vent', 'Vent panel', [1, 0.02, 0.4], 12),
  racked('blank-1u', 'blank', 'Blank panel', [1, 0.02, 0.3], 8),
  racked('manager-1u', 'cable-manager', 'Cable manager', [1, 0.08, 0.6], 22),
  loose('board-6', 'patch-panel', 'Data board of six', [165, 60, 40, 0.2], 28, {
    fits: 'enclosure',
    ports: [group('data', 'data', 6)],
  }),
  loose('video-couplers', 'patch-panel', 'HDMI couplers, 4', [165, 60, 40, 0.2], 30, {
    fits: 'enclosure',
    ports: [group('video', 'video', 4)],
  }),
  loose('amplifier-small', 'amplifier', 'Amplifier on a wall, 4 × 50 W', [220, 280, 70, 2.5], 280, amplifier(4, 50, 4, 40, 25)),
  racked('tie-panel-12', 'patch-panel', 'Panel of a link between racks, 12', [1, 0.11, 1], 60, {
    ports: [group('data', 'data', 8), group('fibre', 'fibre', 4)],
  }),
  loose('extender', 'extender', 'Extender for pictures, a pair', [160, 110, 30, 0.6], 260, {
    ...mains(12),
    picture: { mostGbps: 18, copyProtection: '2.2', returnsAudio: true },
    ports: [group('video in', 'video', 1), group('data', 'data', 1)],
  }),
  loose('encoder', 'extender', 'Encoder for pictures over the network', [200, 140, 40, 0.8], 420, {
    ...mains(15),
    picture: { mostGbps: 18, copyProtection: '2.2', returnsAudio: false },
    ports: [group('video in', 'video', 1), group('data', 'data', 1)],
  }),
  loose('speaker-block', 'speaker-block', 'Speaker block, 2 pairs', [120, 60, 40, 0.2], 25, {
    ...{ wiring: 'parallel', ports: [group('in', 'speaker', 2), group('speaker', 'speaker', 4)] },
  }),
  loose('speaker-block-4', 'speaker-block', 'Speaker block, 4 pairs, series-parallel', [165, 80, 40, 0.3], 40, {
    ...{ wiring: 'series-parallel', ports: [group('in', 'speaker', 2), group('speaker', 'speaker', 8)] },
  }),
  loose('tap-4', 'tap', 'Coax tap, 4 × 12 dB', [130, 60, 25, 0.15], 16, {
    ...{ gainDb: -12, throughDb: -1, ports: [group('in', 'coax', 1), group('out', 'coax', 1), group('coax', 'coax', 4)] },
  }),
  loose('diplexer', 'diplexer', 'Coax diplexer, antenna and dish', [60, 50, 25, 0.1], 12, {
    ...{ gainDb: -1, ports: [group('in', 'coax', 2), group('out', 'coax', 1)] },
  }),
  loose('combiner', 'combiner', 'Antenna combiner, 3', [110, 60, 25, 0.15], 22, {
    ...{ gainDb: -3, ports: [group('in', 'coax', 3), group('out', 'coax', 1)] },
  }),
  loose('modulator', 'modulator', 'Modulator, one channel', [200, 120, 44, 1], 240, {
    ...mains(12),
    ...{ gainDb: 0, ports: [group('video in', 'video', 1), group('out', 'coax', 1)] },
  }),
  loose('splitter-3', 'splitter', 'Coax splitter, 3', [95, 60, 25, 0.12], 11, splitter(3, -6.5)),
  loose('splitter-6', 'splitter', 'Coax splitter, 6', [150, 65, 25, 0.2], 20, splitter(6, -10.5)),
  loose('splitter-2', 'splitter', 'Coax splitter, 2', [75, 60, 25, 0.1], 8, splitter(2, -4)),
  loose('splitter-4', 'splitter', 'Coax splitter, 4', [120, 60, 25, 0.15], 14, splitter(4, -7.5)),
  loose('splitter-8', 'splitter', 'Coax splitter, 8', [165, 70, 25, 0.25], 24, splitter(8, -11.5)),
  loose('rf-amplifier', 'rf-amplifier', 'Coax amplifier', [140, 90, 40, 0.5], 70, {
    ...mains(6),
    ...{ gainDb: 15, ports: [group('in', 'coax', 1), group('out', 'coax', 1)] },
  }),
  loose('modem', 'modem', 'Modem of the provider', [180, 120, 45, 0.6], 0, {
    ...mains(10, { mayRestart: true }),
    ports: [group('line', 'coax', 1), group('data', 'data', 1)],
  }),
  loose('router-small', 'router', 'Router, small', [200, 130, 40, 0.5], 160, {
    ...mains(12, { mayRestart: true }),
    ports: [group('wan', 'wan', 1), group('data', 'data', 4)],
  }),
  loose('switch-8-poe', 'switch', 'Network switch, 8 PoE', [240, 100, 35, 1], 190, poe(8, 90, 10)),
  loose('switch-16-small', 'switch', 'Network switch, 16 PoE, small', [330, 150, 44, 1.8], 340, poe(16, 150, 18)),
  loose('recorder-small', 'recorder', 'Recorder, 8 cameras, small', [260, 210, 50, 1.6], 380, recorder(8, 4, 80, 20)),
  loose('hub', 'hub', 'Radio hub', [110, 110, 30, 0.2], 90, { ...mains(5), ports: [group('data', 'data', 1)] }),
  loose('controller-small', 'controller', 'Control hub, small', [200, 120, 35, 0.5], 220, {
    ...mains(8),
    ports: [group('data', 'data', 1), group('bus', 'bus', 8), group('relay', 'relay', 4)],
  }),
  loose('outlet-strip', 'power-strip', 'Outlet strip with surge protection, 6', [330, 50, 40, 0.5], 45, {
    ...{ isMains: true, plugs: 1, startOrder: 0, ports: [group('outlet', 'mains', 6)], fits: 'enclosure' },
  }),
  loose('plug-in-supply', 'supply', 'Plug-in supply, 12 V', [80, 60, 50, 0.3], 25, supply(1, 12, 24, 2, 2)),
  loose(
    'shade-supply-wall',
    'supply',
    'Shade power supply on a wall, 10 × 24 V',
    [400, 350, 110, 7],
    520,
    supply(10, 24, 60, 3, 1, 'shade'),
  ),
  loose(
    'strip-driver-wall',
    'supply',
    'Strip light drivers on a wall, 4 × 24 V',
    [400, 300, 90, 5],
    360,
    supply(4, 24, 96, 5, 1, 'strip'),
  ),
  loose('alarm-panel', 'alarm-panel', 'Alarm panel, 16 zones', [320, 320, 95, 5], 380, {
    ...mains(25),
    alarm: { endOfLineOhm: 2200, acrossOhm: 0, mostLoopOhm: 100, batteryAh: 7, seizesLine: true },
    ports: [group('zone', 'zone', 16), group('siren', 'relay', 2), group('bus', 'bus', 8), group('data', 'data', 1)],
  }),
  loose('alarm-panel-32', 'alarm-panel', 'Alarm panel, 32 zones', [380, 360, 100, 7], 560, {
    ...mains(30),
    alarm: { endOfLineOhm: 2200, acrossOhm: 0, mostLoopOhm: 100, batteryAh: 12, seizesLine: true },
    ports: [group('zone', 'zone', 32), group('siren', 'relay', 4), group('bus', 'bus', 16), group('data', 'data', 1)],
  }),
  loose('multiswitch-8', 'multiswitch', 'Satellite multiswitch, 5 × 8', [220, 130, 45, 0.9], 110, {
    ...mains(15),
    ...{ gainDb: -2, closesUnused: true, ports: [group('in', 'coax', 5), group('coax', 'coax', 8)] },
  }),
];

function recorder(channels: number, diskTb: number, mostMbps: number, powerW: number): Make {
  return { ...mains(powerW), recorder: { channels, diskTb, mostMbps, isOpenProfile: true }, ports: [group('data', 'data', 1)] };
}

/** Watts at music (an eighth of the rating), of which most stays in the rack; the rest leaves to the speakers. */
function amplifier(channels: number, wattsEach: number, leastOhm: number, powerW: number, heatW: number): Make {
  return {
    ...mains(powerW, { heatW, startOrder: 4, powerFactor: 0.8 }),
    amplifier: { channels, wattsEach, leastOhm, lineV: null, isBridged: false },
    ports: [group('speaker', 'speaker', channels), group('line in', 'line', channels)],
  };
}

function receiver(channels: number, wattsEach: number, powerW: number): Make {
  return {
    ...mains(powerW, { startOrder: 3, powerFactor: 0.8, heatW: 0.75 * powerW }),
    amplifier: { channels, wattsEach, leastOhm: 4, lineV: null, isBridged: false },
    picture: { mostGbps: 40, copyProtection: '2.3', returnsAudio: true },
    ports: [
      ...[group('speaker', 'speaker', channels), group('line out', 'line', 4), group('video in', 'video', 6)],
      ...[group('video out', 'video', 2), group('data', 'data', 1)],
    ],
  };
}

/** A supply loses a tenth of what it feeds. */
function supply(outputs: number, volts: number, wattsEach: number, fuseA: number, plugs = 1, feeds = 'output'): Make {
  return {
    ...mains(Math.round(0.5 * outputs * wattsEach), { plugs, startOrder: 2 }),
    heatW: Math.round(0.05 * outputs * wattsEach),
    supply: { outputs, volts, wattsEach, fuseA },
    ports: [group(feeds, 'power', outputs)],
  };
}

function splitter(ways: number, gainDb: number): Make {
  return { gainDb, closesUnused: true, ports: [group('in', 'coax', 1), group('coax', 'coax', ways)] };
}

const byId = new Map(EQUIPMENT_PRESETS.map((one) => [one.presetId, one]));
/** Generic equipment by its id; undefined where the list has none of it. */
export const presetOf = (presetId: string): EquipmentPreset | undefined => byId.get(presetId);

/** A new piece of equipment for a head end, not placed yet. */
export function newEquipment(preset: EquipmentPreset, more: Pick<Equipment, 'id' | 'rackId'> & Partial<Equipment>): Equipment {
  const { fits: _fits, price: _price, ...own } = preset;
  return {
    ...own,
    ...{ atUnit: null, face: 'front', xM: null, yM: null, feedId: null, circuitId: null, isLocked: false, serial: '', note: '' },
    ...more,
  };
}
