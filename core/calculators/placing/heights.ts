import { z } from 'zod';
import { atLeast, atMost, calculator, fig } from '../calculator.ts';
import { ok } from '../../math/index.ts';
import { JURISDICTIONS } from '../../model/index.ts';

/** From and to above finished floor, m; centre of the device unless noted (ENGINEERING 8.1). */
export interface HeightWindow {
  readonly leastM: number;
  readonly mostM: number;
}
const window = (minM: number, maxM: number): HeightWindow => ({ leastM: minM, mostM: maxM });
const same = (minM: number, maxM: number) => ({
  NA: window(minM, maxM),
  EU: window(minM, maxM),
  UK: window(minM, maxM),
});

export const HEIGHTS = {
  keypad: { NA: window(1.067, 1.22), EU: window(0.9, 1.2), UK: window(0.45, 1.2) },
  'touch-panel': { NA: window(1.22, 1.37), EU: window(1.3, 1.4), UK: window(1.3, 1.4) },
  thermostat: { NA: window(1.22, 1.52), EU: window(1.2, 1.5), UK: window(1.2, 1.5) },
  outlet: { NA: window(0.3, 0.45), EU: window(0.3, 0.45), UK: window(0.45, 0.45) },
  display: same(1.07, 1.2),
  'bedroom-display': same(1.35, 1.5),
  'kitchen-display': same(1.45, 1.6),
  'door-button': { NA: window(1.22, 1.22), EU: window(0.9, 1.2), UK: window(0.9, 1.2) },
  'door-station': { NA: window(1.2, 1.525), EU: window(1.4, 1.5), UK: window(1.4, 1.5) },
  'gate-station': same(1.067, 1.22),
  'outdoor-camera': same(2.4, 3),
  'indoor-camera': same(2.1, 2.4),
  motion: same(2.1, 2.3),
  'glass-break': same(1.8, 30),
  'access-point': same(2.1, 30),
  'front-speaker': same(1, 1.2),
  surround: same(1.1, 1.6),
  'surround-wide': same(1.7, 2),
  'panel-bottom': same(0.6, 1.7),
} as const satisfies Record<string, Record<'NA' | 'EU' | 'UK', HeightWindow>>;
export type HeightKind = keyof typeof HEIGHTS;
const KINDS = Object.keys(HEIGHTS) as [HeightKind, ...HeightKind[]];

/** The usual window of a kind of device in a region; other regions as Europe. */
export const heightOf = (kind: HeightKind, jurisdiction: (typeof JURISDICTIONS)[number]): HeightWindow =>
  HEIGHTS[kind][jurisdiction === 'NA' || jurisdiction === 'UK' ? jurisdiction : 'EU'];

/** Reach without getting up: what accessible homes keep to, m (ADA; UK Part M). */
const REACH = { NA: window(0.38, 1.22), UK: window(0.45, 1.2) } as const;

export const heightCheck = calculator({
  name: 'device-height',
  title: 'Usual height of a device',
  topic: 'placing',
  source: 'Trade practice; accessibility: ADA, UK Part M',
  valid: 'centre of the device above finished floor',
  formulas: ['least ≤ height ≤ most'],
  input: z.strictObject({
    kind: z.enum(KINDS),
    jurisdiction: z.enum(JURISDICTIONS).default('NA'),
    heightM: z.number().min(0).max(30).nullable().default(null).describe('m above finished floor'),
    accessible: z.boolean().default(false).describe('within reach of a seated person'),
  }),
  example: { kind: 'keypad' },
  from: { kind: 'heightKind', heightM: 'deviceHeightM' },
  run: ({ kind, jurisdiction, heightM, accessible }) => {
    const usual = heightOf(kind, jurisdiction);
    const reach = accessible ? (jurisdiction === 'UK' ? REACH.UK : REACH.NA) : null;
    const minM = Math.max(usual.leastM, reach?.leastM ?? 0);
    const maxM = Math.max(minM, Math.min(usual.mostM, reach?.mostM ?? Infinity));
    return ok({ leastM: minM, mostM: maxM, ok: heightM === null ? null : atLeast(heightM, minM) && atMost(heightM, maxM) });
  },
  steps: (_, v) => [`${fig(v.leastM * 1000)} to ${fig(v.mostM * 1000)} mm`],
});

/** What the usual heights say of a type; types that stand where their room wants them are not among them. */
export const HEIGHT_KIND_OF: Readonly<Record<string, HeightKind>> = {
  keypad: 'keypad',
  'bus-push-button': 'keypad',
  'alarm-keypad': 'keypad',
  'touch-panel': 'touch-panel',
  thermostat: 'thermostat',
  'network-drop': 'outlet',
  'coax-outlet': 'outlet',
  'bell-button': 'door-button',
  'door-station': 'door-station',
  'gate-station': 'gate-station',
  camera: 'outdoor-camera',
  'narrow-camera': 'outdoor-camera',
  'motion-sensor': 'motion',
};
