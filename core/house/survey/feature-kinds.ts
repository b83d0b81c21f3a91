import type { Feature, FeatureKind } from '../../model/index.ts';

export const FEATURE_GROUPS = ['obstacle', 'service', 'way', 'existing', 'trade', 'furniture', 'site'] as const;
export type FeatureGroup = (typeof FEATURE_GROUPS)[number];

/** What a kind of thing is drawn as, how big it usually is, and what its record needs to say. Lengths in m. */
export interface FeatureMake {
  readonly kind: FeatureKind;
  readonly group: FeatureGroup;
  readonly shape: 'point' | 'line' | 'area';
  readonly widthM: number;
  readonly depthM: number;
  readonly bottomM: number;
  /** Null: up to the ceiling of its level. */
  readonly topM: number | null;
  /** Kept clear around it; figures from ENGINEERING 7.1 and 8.2. */
  readonly clearanceM: number;
  readonly fields: readonly (keyof Feature)[];
}

const make = (
  kind: FeatureKind,
  group: FeatureGroup,
  shape: FeatureMake['shape'],
  [widthM, depthM]: readonly [number, number],
  [bottomM, topM]: readonly [number, number | null],
  clearanceM = 0,
  fields: FeatureMake['fields'] = [],
): FeatureMake => ({ kind, group, shape, widthM, depthM, bottomM, topM, clearanceM, fields });

const FOUND = ['decision', 'contents', 'tested', 'routeKnown'] as const;

/** Every kind of thing that a survey can hold, in the order of the palette. */
export const FEATURE_MAKES: readonly FeatureMake[] = [
  make('beam', 'obstacle', 'line', [0.2, 0], [2.2, 2.5], 0, ['boreLeave']),
  make('soffit', 'obstacle', 'area', [0, 0], [2.2, null]),
  make('coffer', 'obstacle', 'area', [0, 0], [2.4, null]),
  make('duct', 'obstacle', 'line', [0.3, 0], [2.2, 2.5], 0.02),
  make('flue', 'obstacle', 'point', [0.2, 0], [0, null], 0.15),
  make('fireplace', 'obstacle', 'point', [1.2, 0.5], [0, 1.2], 0.3),
  make('steel', 'obstacle', 'line', [0.15, 0], [2.2, 2.5]),
  make('pipe', 'obstacle', 'line', [0.05, 0], [0, 0.1], 0.15),
  make('wet-zone', 'obstacle', 'area', [0, 0], [0, 2.25]),
  make('air-space', 'obstacle', 'area', [0, 0], [2.5, 2.8]),
  make('supply-vent', 'obstacle', 'point', [0.3, 0.15], [2.4, 2.5], 0.9),
  make('recessed-light', 'obstacle', 'point', [0.12, 0], [2.4, 2.5], 0.3),
  make('sprinkler', 'obstacle', 'point', [0.05, 0], [2.4, 2.5], 0.45),
  make('insulation', 'obstacle', 'area', [0, 0], [2.5, 2.7]),
  make('mains-route', 'service', 'line', [0.02, 0], [2.5, 2.6], 0, ['circuits', 'contents']),
  make('service-panel', 'service', 'point', [0.4, 0.15], [0.9, 1.7], 1.2, ['contents']),
  make('service-entry', 'service', 'point', [0.1, 0.1], [0.3, 0.5], 0, ['contents', 'choiceOf', 'chosen']),
  make('attic', 'way', 'area', [0, 0], [2.7, 2.7], 0, ['pitchRad', 'facingRad', 'contents']),
  make('crawl-space', 'way', 'area', [0, 0], [-0.8, -0.3]),
  make('basement-ceiling', 'way', 'area', [0, 0], [-0.35, -0.1]),
  make('chase', 'way', 'point', [0.3, 0.2], [0, null], 0, ['topLevelId', 'insideDiameterM', 'contents']),
  make('disused-chimney', 'way', 'point', [0.4, 0.4], [0, null], 0, ['topLevelId', 'insideDiameterM', 'contents']),
  make('conduit', 'way', 'line', [0.03, 0], [0.3, 0.35], 0, ['topLevelId', 'insideDiameterM', 'contents']),
  make('soffit-way', 'way', 'line', [0.3, 0], [2.4, 2.6]),
  make('outside-wall-way', 'way', 'line', [0.05, 0], [2.4, 2.5]),
  make('surface-channel', 'way', 'line', [0.04, 0], [0.1, 0.12], 0, ['insideDiameterM', 'contents']),
  make('underground-way', 'way', 'line', [0.05, 0], [-0.6, -0.55], 0, ['insideDiameterM', 'contents']),
  make('screed-way', 'way', 'line', [0.025, 0], [-0.1, -0.07], 0.05, ['insideDiameterM', 'contents']),
  make('draw-pit', 'way', 'point', [0.4, 0.4], [-0.7, 0]),
  make('existing-wiring', 'existing', 'line', [0.01, 0], [0.3, 0.32], 0, FOUND),
  make('existing-box', 'existing', 'point', [0.09, 0.05], [0.35, 0.45], 0, ['decision', 'contents', 'tested', 'condition']),
  make('existing-bracket', 'existing', 'point', [0.4, 0.06], [1.2, 1.6], 0, ['decision', 'contents', 'condition', 'substrate']),
  make('existing-cut-out', 'existing', 'point', [0.2, 0], [2.4, 2.5], 0, ['decision']),
  make('existing-notch', 'existing', 'point', [0.05, 0.03], [1, 1.05], 0, ['decision']),
  make('existing-equipment', 'existing', 'point', [0.45, 0.4], [0, 0.2], 0, ['decision', 'contents']),
  make('existing-switch-box', 'existing', 'point', [0.09, 0.05], [1.1, 1.2], 0, ['decision', 'contents', 'neutral', 'partners']),
  make('substrate', 'existing', 'line', [0.05, 0], [0, null], 0, ['substrate', 'contents', 'tested']),
  make('trade-mark', 'trade', 'point', [0.1, 0.1], [0.3, 0.4], 0, ['owner', 'decision']),
  make('bed', 'furniture', 'point', [1.8, 2.1], [0, 0.6], 0, ['choiceOf', 'chosen']),
  make('sofa', 'furniture', 'point', [2.2, 0.95], [0, 0.85], 0, ['choiceOf', 'chosen']),
  make('chair', 'furniture', 'point', [0.85, 0.9], [0, 0.95], 0, ['choiceOf', 'chosen']),
  make('table', 'furniture', 'point', [1.8, 0.9], [0, 0.75], 0, ['choiceOf', 'chosen']),
  make('desk', 'furniture', 'point', [1.6, 0.75], [0, 0.75], 0, ['choiceOf', 'chosen']),
  make('cabinet', 'furniture', 'point', [1.8, 0.45], [0, 0.9], 0, ['choiceOf', 'chosen']),
  make('island', 'furniture', 'point', [2.4, 1], [0, 0.92], 0, ['choiceOf', 'chosen']),
  make('seat-row', 'furniture', 'point', [2.4, 0.95], [0, 1.05], 0, ['choiceOf', 'chosen']),
  make('steps', 'furniture', 'point', [0.9, 0.28], [0, 0.15], 0, ['contents']),
  make('other-furniture', 'furniture', 'point', [0.6, 0.6], [0, 0.8], 0, ['choiceOf', 'chosen']),
  make('plot', 'site', 'area', [0, 0], [0, 0]),
  make('terrace', 'site', 'area', [0, 0], [-0.05, 0]),
  make('porch', 'site', 'area', [0, 0], [-0.05, 0]),
  make('garden', 'site', 'area', [0, 0], [-0.05, 0]),
  make('eaves', 'site', 'line', [0.6, 0], [2.4, 2.6]),
  make('facade', 'site', 'line', [0.1, 0], [0, 2.6]),
  make('drive', 'site', 'area', [0, 0], [-0.1, 0]),
  make('pool', 'site', 'area', [0, 0], [-1.6, 0]),
  make('tree', 'site', 'point', [3, 0], [0, 6]),
  make('fence', 'site', 'line', [0.1, 0], [0, 1.8]),
  make('gate', 'site', 'point', [3.2, 0.1], [0, 1.5]),
  make('outbuilding', 'site', 'area', [0, 0], [0, 2.6]),
  make('roof-plane', 'site', 'area', [0, 0], [2.7, 2.7], 0, ['pitchRad', 'facingRad']),
  make('stub-out', 'site', 'point', [0.05, 0], [0.1, 0.4], 0, ['contents', 'insideDiameterM']),
  make('building-corner', 'site', 'point', [0.05, 0.05], [0, 0]),
];

const byKind = new Map(FEATURE_MAKES.map((one) => [one.kind, one]));
export const featureMake = (kind: FeatureKind): FeatureMake => byKind.get(kind)!;

/** The size with which a thing of a kind is first drawn under a ceiling of `ceilingM`, m. */
export const usualSize = ({ shape, widthM, depthM, bottomM, topM, clearanceM }: FeatureMake, ceilingM: number) => ({
  area: shape === 'area',
  widthM,
  depthM,
  bottomM: Math.min(bottomM, topM ?? ceilingM),
  topM: topM ?? Math.max(ceilingM, bottomM),
  clearanceM,
});
