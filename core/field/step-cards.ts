import type { DeviceType, ProjectDocument, StepCard } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** Steps of one kind of work: the firm's own, or those that come with the app. */
export type Card = Omit<StepCard, 'id'> & { readonly id: string | null };

const card = (
  key: string,
  title: string,
  tool: string,
  stripMm: number | null,
  steps: readonly string[],
  polarity: string,
  proof: string,
): Card => ({ id: null, key, title, tool, stripMm, steps: [...steps], polarity, proof });

/** Step cards that come with the app (trade practice); the listing and the maker of a part come first where they say otherwise. */
export const STEP_CARDS: readonly Card[] = [
  card(
    'data-jack',
    'Data jack on category cable',
    'Jacket stripper, punch-down tool, flush cutter',
    30,
    [
      'Cut off the first 150 mm: it was pulled on.',
      'Strip the jacket without nicking the pairs; cut away ripcord and spline.',
      'Lay the pairs by the colours printed on the jack; the same scheme, T568A or T568B, at both ends of the house.',
      'Keep pairs twisted to within 13 mm of the contacts.',
      'Punch down straight, trim flush, put the cap on.',
      'Bend no tighter than four times the cable, leave the loop in the box.',
    ],
    'Pin 1 is the lighter wire of the pair that the scheme names.',
    'Wire map of all eight with the length; no split pair.',
  ),
  card(
    'coax-f',
    'F connector on coax',
    'Rotary stripper for the cable, compression tool for the connector',
    13,
    [
      'Cut square. Strip to 6 mm of bare center conductor and 6 mm of dielectric.',
      'Fold the braid back; no strand may touch the center conductor.',
      'Push the connector on until the dielectric is flush with its inner face.',
      'Compress fully. The center conductor stands 1.5 to 3 mm beyond the nut.',
      'Outdoors: weather boot or sealed connector, drip loop before it.',
    ],
    'Center conductor is hot, braid is ground.',
    'Continuity with the far end shorted, then open; loss against the limit of the run.',
  ),
  card(
    'speaker',
    'Speaker on two or four conductors',
    'Wire stripper, ferrules or bare ends as the terminal wants them',
    10,
    [
      'Strip 10 mm, twist, no strand outside.',
      'Connect plus by the color that this project gives it; at the amplifier the same.',
      'Four conductors: one pair a channel, the other pair is the second channel.',
      'Tug each wire; close the cover.',
    ],
    'Plus to plus at both ends. A speaker the wrong way round thins the bass and blurs the middle.',
    'Polarity test or a 1.5 V cell: the cone moves outward on plus; resistance a little below the rated impedance.',
  ),
  card(
    'keypad-shade',
    'Keypad or shade lead',
    'Wire stripper, small screwdriver',
    6,
    [
      'Power off at its supply.',
      'Strip 6 mm, one wire a terminal.',
      'Power and data by the conductor plan of this project.',
      'Label stays on the lead.',
    ],
    'Check plus and minus with a meter before the device is plugged in.',
    'Voltage at the device under load within 10 % of the supply; it answers by its address.',
  ),
  card(
    'fiber',
    'Fiber into its outlet',
    'Fiber stripper, cleaver, splicer or field connector, inspection scope',
    30,
    [
      'Never look into a fiber or connector: the light cannot be seen.',
      'Clean, cleave, inspect, clean again.',
      'Bend no tighter than 30 mm in the outlet; shards into the shard box.',
    ],
    'A to B: transmit goes to receive.',
    'Loss of the link measured in both directions.',
  ),
  card(
    'hdmi',
    'HDMI cable that was pulled',
    'Flashlight, tie wraps; no tools on the plugs',
    null,
    [
      'Look at both plugs before they are used: bent shells come from pulling.',
      'An active cable has a direction: the end marked for the display goes to the display.',
      'No bend tighter than the cable allows behind the display; nothing hangs from the plug.',
    ],
    'Source end to source, display end to display.',
    'Picture at the highest format of the plan for ten minutes, return audio, no dropouts.',
  ),
  card(
    'in-ceiling',
    'Speaker or access point in the ceiling',
    'Cut-out template, hole saw or drywall saw, stud finder, eye protection, dust mask',
    null,
    [
      'Find members and pipes before the cut; power off where mains may run.',
      'Draw the template at the recorded distances; feel for the lead through a small hole first.',
      'Cut, catch the dust, pull the lead, connect.',
      'Hang the safety cord where there is one; turn the clamps by hand.',
    ],
    'As on the card of its cable.',
    'Sits flush, answers or sounds, polarity checked.',
  ),
  card(
    'display',
    'Display on its bracket',
    'Stud finder, level, torque wrench, two people',
    null,
    [
      'Bracket into members or the backing that was built for it; weight and pull-out as planned.',
      'Level, then lift with two people; lock the bracket.',
      'Connect with slack for the swing, outlet and leads behind it.',
    ],
    'As on the card of its cable.',
    'Does not move under a hand; picture and return audio present.',
  ),
];

/** The step cards of a project: the firm's own instead of those that come with the app, and those that the firm added. */
export function stepCardsOf(project: Pick<ProjectDocument, 'stepCards'>): Card[] {
  const own = new Map(listOf(project, 'stepCards').map((one) => [one.key, one]));
  const known = new Set(STEP_CARDS.map(({ key }) => key));
  return [...STEP_CARDS.map((one): Card => own.get(one.key) ?? one), ...[...own.values()].filter(({ key }) => !known.has(key))];
}

const BY_FAMILY: readonly (readonly [RegExp, string])[] = [
  [/^cat$/, 'data-jack'],
  [/^coax/, 'coax-f'],
  [/^spk/, 'speaker'],
  [/^hdmi/, 'hdmi'],
  [/^(ctl|sec|shade|led)/, 'keypad-shade'],
  [/^fibre/, 'fiber'],
];

/** Keys of the cards that a device needs: one for how it is mounted, one for each kind of its cables. */
export function cardKeysFor(type: Pick<DeviceType, 'mount' | 'system'>, families: readonly string[]): string[] {
  const keys = families.flatMap((family) => BY_FAMILY.find(([pattern]) => pattern.test(family))?.[1] ?? []);
  if (type.mount === 'ceiling') keys.unshift('in-ceiling');
  if (type.system === 'picture' && type.mount !== 'ceiling') keys.unshift('display');
  return [...new Set(keys)];
}

/** Words that a note must not hold: a settings backup is noted, its password never. */
const SECRET =
  /\b(?:pass(?:word|code|phrase)?|pwd|secret|wpa2?|psk|wi-?fi key)\b\s*(?:(?:is\b|[:=])\s*\S|\S*\d)|\bpin(?:\s*code)?\b\s*(?:is|[:=])?\s*\d{4,}/i;

/** Whether a note looks as though it held a password. */
export const looksLikeSecret = (note: string): boolean => SECRET.test(note);
