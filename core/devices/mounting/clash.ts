import type { CollectionName } from '../../model/index.ts';

export const CLASHES = [
  'mount-outside',
  'mount-no-wall',
  'mount-above-ceiling',
  'mount-below-floor',
  'mount-in-opening',
  'mount-on-casing',
  'mount-near-casing',
  'mount-box-shallow',
  'mount-attitude',
  'mount-on-stud',
  'mount-on-joist',
  'mount-beside-joist',
  'mount-no-cavity',
  'mount-too-deep',
  'mount-cavity-unknown',
  'mount-in-thing',
  'mount-near-thing',
  'mount-near-device',
  'mount-on-device',
  'mount-fire-surface',
  'mount-overload',
  'mount-needs-blocking',
  'mount-overhead',
  'mount-over-rated',
  'mount-too-wide',
  'mount-bracket-misfit',
  'mount-head-room',
  'mount-sight-lost',
  'mount-sight-part',
  'mount-not-flush',
  'mount-does-not-turn',
  'mount-sweep',
  'mount-no-far-device',
  'climate-outside-wall',
  'climate-near-vent',
  'climate-near-heat',
  'climate-sun',
] as const;
/** Clashes that another place near by puts right. */
export const CURED_BY_MOVING: ReadonlySet<ClashCode> = new Set([
  'mount-in-opening',
  'mount-on-casing',
  'mount-near-casing',
  'mount-on-stud',
  'mount-on-joist',
  'mount-beside-joist',
  'mount-in-thing',
  'mount-near-thing',
  'mount-near-device',
  'mount-on-device',
  'mount-sight-lost',
  'mount-sight-part',
  'mount-sweep',
]);
export type ClashCode = (typeof CLASHES)[number];

/** Something that keeps a device from being built where it stands, or that must be judged there. Figures in m, kg, N. */
export interface Clash {
  readonly code: ClashCode;
  readonly rank: 'stop' | 'look';
  readonly measured: number | null;
  readonly allowed: number | null;
  readonly unit: string;
  readonly with: { readonly in: CollectionName; readonly id: string } | null;
  readonly figures: Readonly<Record<string, unknown>>;
}

export const clash = (code: ClashCode, rank: Clash['rank'], more: Partial<Omit<Clash, 'code' | 'rank'>> = {}): Clash => ({
  code,
  rank,
  measured: null,
  allowed: null,
  unit: 'm',
  with: null,
  figures: {},
  ...more,
});

/** Float noise is no clash: a value on the limit passes (ENGINEERING 0.2). */
export const less = (value: number, limit: number): boolean => value < limit * (1 - 1e-9) - 1e-9;
