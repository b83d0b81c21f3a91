import type { DeviceType } from '../../model/index.ts';
import { define, degrees } from './define.ts';

type Holds = NonNullable<DeviceType['holds']>;
const holds = (
  style: Holds['style'],
  parkedMm: number,
  reachMm: number,
  turnDeg: number,
  ratedKg: number,
  widestMm: number,
): Holds => ({
  style,
  parkedDepthM: parkedMm / 1000,
  reachM: reachMm / 1000,
  turnRad: degrees(turnDeg),
  ratedKg,
  widestM: widestMm / 1000,
});
const lag = 'lag screws into studs or blocking, pilot bit';

/** Mounts: with what reach, depth and load a device hangs. */
const MOUNTS: readonly DeviceType[] = [
  define('mount-fixed', 'MF', 'Fixed mount', 'picture', 'surface', [700, 30], {
    part: 'mount',
    holds: holds('fixed', 30, 30, 0, 60, 2000),
    weightKg: 3,
    holePatternM: [0.406, 0.1],
    tools: lag,
    price: 60,
  }),
  define('mount-tilt', 'MT', 'Tilting mount', 'picture', 'surface', [700, 60], {
    part: 'mount',
    holds: holds('tilt', 60, 110, 0, 60, 2000),
    weightKg: 4,
    holePatternM: [0.406, 0.15],
    tools: lag,
    price: 90,
  }),
  define('mount-arm', 'MM', 'Full-motion mount', 'picture', 'surface', [600, 95], {
    part: 'mount',
    holds: holds('full-motion', 95, 620, 60, 45, 1700),
    weightKg: 11,
    holePatternM: [0.406, 0.2],
    tools: lag,
    price: 190,
  }),
  define('mount-motor', 'MZ', 'Motorised mount', 'picture', 'surface', [700, 120], {
    part: 'mount',
    holds: holds('motorised', 120, 700, 45, 50, 1700),
    weightKg: 22,
    holePatternM: [0.406, 0.25],
    mainsW: 60,
    tools: lag,
    price: 980,
  }),
  define('mount-recessed', 'MR', 'Recessed mount', 'picture', 'wall', [640, 100], {
    part: 'mount',
    holds: holds('recessed', 10, 500, 45, 45, 1700),
    cutOut: { shape: 'rectangle', widthM: 0.36, heightM: 0.56 },
    depthM: 0.092,
    clampM: 0.003,
    weightKg: 13,
    holePatternM: [0.34, 0.5],
    tools: lag,
    price: 320,
  }),
  define('mount-recessed-motor', 'MQ', 'Recessed motor mount', 'picture', 'wall', [700, 110], {
    part: 'mount',
    holds: holds('motorised', 15, 650, 45, 45, 1700),
    cutOut: { shape: 'rectangle', widthM: 0.36, heightM: 0.6 },
    depthM: 0.1,
    clampM: 0.003,
    weightKg: 26,
    holePatternM: [0.34, 0.54],
    mainsW: 60,
    tools: lag,
    price: 1250,
  }),
  define('mount-drop', 'MD', 'Ceiling drop mount', 'picture', 'ceiling', [300, 300], {
    part: 'mount',
    holds: holds('ceiling-drop', 150, 900, 180, 35, 1700),
    weightKg: 9,
    holePatternM: [0.2, 0.12],
    tools: 'lag screws into blocking, two safety cables',
    price: 160,
  }),
  define('mount-projector', 'MP', 'Projector mount', 'picture', 'ceiling', [250, 250], {
    part: 'mount',
    holds: holds('ceiling-drop', 120, 600, 180, 23, 800),
    weightKg: 3,
    holePatternM: [0.16, 0.1],
    tools: 'threaded pipe, lock screw, two safety cables',
    price: 120,
  }),
  define('mount-speaker', 'MB', 'Speaker bracket', 'sound', 'surface', [100, 120], {
    part: 'mount',
    holds: holds('full-motion', 90, 130, 45, 9, 400),
    weightKg: 0.6,
    holePatternM: [0.05, 0.08],
    price: 45,
  }),
];

const ring = (shape: 'round' | 'rectangle', minMm: number, maxMm: number): NonNullable<DeviceType['accepts']> => ({
  shape,
  leastM: minMm / 1000,
  mostM: maxMm / 1000,
});

/** Rings and brackets that are set before the board, so that the model may stay open: they hold the cut-out, not the device. */
const BRACKETS: readonly DeviceType[] = [
  define('ring-round-small', 'R6', 'Rough-in ring, round, small', 'sound', 'ceiling', [300, 300], {
    part: 'bracket',
    round: true,
    accepts: ring('round', 190, 220),
    weightKg: 0.4,
    price: 12,
    hours: 0.1,
  }),
  define('ring-round-large', 'R8', 'Rough-in ring, round, large', 'sound', 'ceiling', [360, 360], {
    part: 'bracket',
    round: true,
    accepts: ring('round', 221, 265),
    weightKg: 0.5,
    price: 14,
    hours: 0.1,
  }),
  define('bracket-wall-speaker', 'RE', 'Rough-in bracket, wall speaker', 'sound', 'wall', [360, 20], {
    part: 'bracket',
    accepts: ring('rectangle', 280, 330),
    weightKg: 0.5,
    price: 14,
    hours: 0.15,
  }),
  define('bracket-tall-speaker', 'RL', 'Rough-in bracket, tall speaker', 'sound', 'wall', [360, 20], {
    part: 'bracket',
    accepts: ring('rectangle', 1000, 1150),
    weightKg: 1.2,
    price: 38,
    hours: 0.25,
  }),
  define('ring-one-gang', 'B1', 'Low-voltage ring, one gang', 'data', 'wall', [72, 20], {
    part: 'bracket',
    accepts: ring('rectangle', 90, 100),
    weightKg: 0.1,
    price: 3,
    hours: 0.05,
  }),
  define('ring-two-gang', 'B2', 'Low-voltage ring, two gang', 'data', 'wall', [118, 20], {
    part: 'bracket',
    accepts: ring('rectangle', 101, 110),
    weightKg: 0.15,
    price: 4,
    hours: 0.05,
  }),
  define('hood-rated', 'F1', 'Rated hood behind a ceiling speaker', 'sound', 'ceiling', [380, 380], {
    part: 'bracket',
    round: true,
    accepts: ring('round', 190, 265),
    depthM: 0.2,
    weightKg: 3.2,
    price: 75,
    hours: 0.4,
    premade: 'tested for the assembly; the listing decides',
  }),
];

export const MOUNT_TYPES: readonly DeviceType[] = [...MOUNTS, ...BRACKETS];
