import { firstReflection } from '../calculators/index.ts';
import type { SurroundChannel } from '../model/index.ts';
import type { TheatreFrame } from './frame.ts';
import type { Theatre } from './theatre.ts';

/** Where a front speaker is heard off a wall or the ceiling first; lengths in m. */
export interface Reflection {
  readonly channel: SurroundChannel;
  readonly surface: 'left' | 'right' | 'ceiling';
  /** From the picture, and above the floor of the level; on the ceiling to the right of the middle line. */
  readonly awayM: number;
  readonly atM: number;
  readonly laterMs: number;
  readonly levelDb: number;
  /** Whether an absorbing panel belongs there. */
  readonly treat: boolean;
}

const FRONTS: ReadonlySet<SurroundChannel> = new Set(['front-left', 'center', 'front-right']);

/** First reflections of the fronts for the reference seat, off the side walls and the ceiling of a room taken as a box. */
export function reflectionsOf(theatre: Theatre, frame: TheatreFrame): Reflection[] {
  const seat = theatre.seats.find(({ isReference }) => isReference);
  if (!seat) return [];
  const ear = frame.insideOf([...seat.at, seat.earM]);
  const surfaces = [
    ['left', 'x', frame.fromM.asideM],
    ['right', 'x', frame.toM.asideM],
    ['ceiling', 'height', frame.toM.upM],
  ] as const;
  return theatre.channels
    .filter(({ channel }) => FRONTS.has(channel))
    .flatMap(({ channel, at }) => {
      const from = frame.insideOf(at);
      return surfaces.flatMap(([surface, axis, atM]): Reflection[] => {
        const found = firstReflection.run({
          speaker: [from.asideM, from.awayM, from.upM],
          ear: [ear.asideM, ear.awayM, ear.upM],
          ...{ axis, atM },
        });
        if (!found.ok) return [];
        const [asideM, awayM, upM] = found.value.point;
        const { laterMs, levelDb, treat } = found.value;
        return [{ channel, surface, awayM, atM: surface === 'ceiling' ? asideM : upM, laterMs, levelDb, treat }];
      });
    });
}
