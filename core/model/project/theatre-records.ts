import { z } from 'zod';
import { day, id, lengthM, words } from './fields.ts';

/** Windows of angles: the standard's first range, or the wider one of trade practice. */
export const ANGLE_SCHOOLS = ['standard', 'practice'] as const;
/** Surfaces of a room by what is on them, for the estimate of reverberation. */
export const ROOM_SURFACES = ['board', 'glass', 'wood', 'carpet', 'drape', 'panel'] as const;

/** When a speaker was measured. */
export const CALIBRATION_STAGES = ['before', 'after'] as const;

/** What the picture is built into: the wall itself, removable panels that hide the front speakers, or a sound bar in their place. */
export const FRONT_WALLS = ['open', 'panels', 'sound-bar'] as const;
/** How surround speakers radiate: at the seats, or wide to both sides. */
export const SURROUND_KINDS = ['direct', 'wide'] as const;

/** What a room is designed for as a theatre; everything that stands in it are devices and features as ever. */
export const theatre = z.strictObject({
  id,
  roomId: id,
  layout: z
    .string()
    .regex(/^([235679]\.\d{1,2}(\.[0246])?)?$/, 'must be a layout such as 2.0, 5.1 or 7.1.4, or empty')
    .describe('floor, subwoofer and overhead channels; empty goes by the speakers that are there'),
  school: z.enum(ANGLE_SCHOOLS).describe('which windows of angles hold'),
  wantedDeg: z
    .number()
    .min(10)
    .max(120)
    .nullable()
    .describe('picture as seen from the reference seat, degrees; null is not asked for'),
  seatWeights: z
    .array(z.strictObject({ featureId: id, place: z.int().min(0).max(60), weight: z.number().min(0).max(1) }))
    .max(60)
    .describe('how much a place on a piece of furniture counts, where it is not the usual'),
  fixedDeviceIds: z.array(id).max(60).describe('speakers that are there and stay where they are'),
  workBudgetH: z
    .number()
    .gt(0)
    .max(1000)
    .nullable()
    .describe('hours that may go into moved framing, holes and patching; null is not counted'),
  peakDb: z.number().min(60).max(125).describe('peaks at the reference seat, dB'),
  amplifierW: z.number().gt(0).max(10_000).describe('of each channel, W'),
  wantedCdM2: z.number().min(5).max(2000).describe('white on the screen, cd/m2'),
  lightLeft: z.number().gt(0).max(1).describe('share of the rated light that is left: lamp age, calibration, zoom'),
  ambientLx: z.number().min(0).max(100_000).describe('light on the screen with the lights as they are for watching, lx'),
  t60S: z.number().min(0.1).max(5).describe('reverberation at low frequency, s'),
  surfaces: z
    .strictObject({ floor: z.enum(ROOM_SURFACES), walls: z.enum(ROOM_SURFACES), ceiling: z.enum(ROOM_SURFACES) })
    .describe('what is on most of each'),
  panelsM2: z.number().min(0).max(1000).describe('absorbing panels, m2'),
  measured: z
    .array(
      z.strictObject({
        deviceId: id,
        stage: z.enum(CALIBRATION_STAGES),
        delayMs: z.number().min(-1000).max(1000).nullable(),
        levelDb: z.number().min(0).max(150).nullable().describe('of its test noise at the reference seat, dB'),
        on: day,
        by: words(60),
        note: words(200),
      }),
    )
    .max(400)
    .describe('what was measured of each speaker at trim-out, before and after calibration'),
  modes: z
    .array(z.strictObject({ name: words(40, 1), featureIds: z.array(id).max(60) }))
    .max(6)
    .default([])
    .describe('ways the room is used, each with the furniture that stands then; what no mode names always stands'),
  frontWall: z.enum(FRONT_WALLS).default('open').describe('what the picture is built into'),
  standOffM: lengthM(2).default(0.35).describe('panels: from the wall to their face, m'),
  panelKgM2: z.number().gt(0).max(60).default(6).describe('panels: weight, kg/m2'),
  columnDepthM: lengthM(1).default(0).describe('columns that hold the surround speakers stand out of the walls, m; 0 is none'),
  surroundKind: z.enum(SURROUND_KINDS).default('direct').describe('how surround speakers radiate'),
  surroundReason: words(200).default('').describe('why surround speakers are wide'),
  drapedOpeningIds: z.array(id).max(60).default([]).describe('doors and windows behind heavy drapes'),
  note: words(1000),
});

export type TheatreAim = z.infer<typeof theatre>;

/** A room of which nothing was said. */
export const THEATRE_DEFAULTS = {
  layout: '',
  school: 'standard',
  wantedDeg: null,
  seatWeights: [],
  fixedDeviceIds: [],
  workBudgetH: null,
  peakDb: 105,
  amplifierW: 100,
  wantedCdM2: 48,
  lightLeft: 0.6,
  ambientLx: 0,
  t60S: 0.5,
  surfaces: { floor: 'carpet', walls: 'board', ceiling: 'board' },
  panelsM2: 0,
  measured: [],
  modes: [],
  frontWall: 'open',
  standOffM: 0.35,
  panelKgM2: 6,
  columnDepthM: 0,
  surroundKind: 'direct',
  surroundReason: '',
  drapedOpeningIds: [],
  note: '',
} satisfies Omit<TheatreAim, 'id' | 'roomId'>;
