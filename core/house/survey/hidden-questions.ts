import { type Feature, type FeatureKind, type Opening, SUBSTRATES, type Wall } from '../../model/index.ts';

/** Stage that waits for an answer. */
export type NeededBy = 'devices' | 'cabling' | 'head-end';

/** What is asked of one field: a length, an angle, one of several words, or words of one's own. */
export interface Need {
  readonly field: string;
  readonly kind: 'length' | 'angle' | 'choice' | 'words';
  readonly neededBy: NeededBy;
  /** Values of a choice. */
  readonly choices: readonly string[];
}

export const need = (
  field: string,
  neededBy: NeededBy,
  kind: Need['kind'] = 'length',
  choices: readonly string[] = [],
): Need => ({ field, kind, neededBy, choices });

const TESTS = ['measured', 'not-known'];
const SOUND = ['sound', 'weak'];
const NEUTRAL = ['present', 'absent'];
const DECIDED = ['keep', 'reuse', 'abandon'];
const BEHIND = SUBSTRATES.filter((substrate) => substrate !== 'unknown');

/** What is asked of a found or hidden thing, by its kind: what a device hangs on it or a route runs past it needs to know. */
const OF_KIND: Partial<Readonly<Record<FeatureKind, readonly Need[]>>> = {
  beam: [need('bottomM', 'cabling'), need('topM', 'cabling')],
  duct: [need('bottomM', 'cabling'), need('topM', 'cabling'), need('widthM', 'cabling')],
  coffer: [need('bottomM', 'devices'), need('topM', 'devices')],
  'supply-vent': [need('widthM', 'devices')],
  attic: [need('pitchRad', 'cabling', 'angle'), need('contents', 'cabling', 'words')],
  'existing-wiring': [
    need('contents', 'cabling', 'words'),
    need('tested', 'cabling', 'choice', TESTS),
    need('decision', 'cabling', 'choice', DECIDED),
  ],
  'existing-bracket': [need('condition', 'devices', 'choice', SOUND), need('substrate', 'devices', 'choice', BEHIND)],
  'existing-box': [need('condition', 'devices', 'choice', SOUND)],
  'existing-switch-box': [need('neutral', 'devices', 'choice', NEUTRAL), need('partners', 'devices', 'words')],
};

/** Words that say nothing yet. */
const UNDECIDED: ReadonlySet<unknown> = new Set([null, '', 'unknown', 'not-known', 'open', 'assumed']);

/** Questions about a found or hidden thing; those whose words say it already are not asked. */
export const featureNeeds = (feature: Feature): readonly Need[] =>
  (OF_KIND[feature.kind] ?? []).filter(({ field, kind }) => isOpen(kind, feature[field as keyof Feature]));

const isOpen = (kind: Need['kind'], value: unknown): boolean => kind === 'length' || kind === 'angle' || UNDECIDED.has(value);

/** Finishes that hide what carries: tiles, panels, cladding. */
const HIDING = /til|panel|stone|marble|slate|brick slip|clad|wainscot|mirror|mosaic/i;

/** What is behind the finish of a wall on which something hangs. */
export const behindFinish = ({ finishLeft, finishRight, substrate }: Wall): readonly Need[] =>
  HIDING.test(`${finishLeft} ${finishRight}`) && isOpen('choice', substrate)
    ? [need('substrate', 'devices', 'choice', BEHIND)]
    : [];

/** What is asked of a window or a door on whose wall something is placed. */
export function openingNeeds(opening: Opening, hasContactOrLock: boolean): readonly Need[] {
  if (opening.kind === 'window')
    return [need('headM', 'devices'), need('casingDepthM', 'devices'), need('casingWidthM', 'devices')];
  return hasContactOrLock && opening.hardware === '' ? [need('hardware', 'devices', 'words')] : [];
}
