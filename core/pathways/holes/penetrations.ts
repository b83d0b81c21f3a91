import { buildingOf } from '../../house/index.ts';
import { isOutsideWall } from '../../devices/index.ts';
import { type Pierced, PIERCED, type ProjectDocument, type Seal } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import type { BoredPlace } from './hole-schedule.ts';

/** What closes a place again, by the separation that is pierced (ENGINEERING 7.3). */
export type SealKind = 'fire-stop' | 'fire-block' | 'weather' | 'sound';

/** One place where runs pierce a wall or floor that has to be closed again, with what was done about it. */
export interface Penetration {
  readonly member: Pierced;
  readonly at: BoredPlace['at'];
  readonly levelId: string;
  readonly wallId: string | null;
  readonly roomId: string | null;
  readonly runs: readonly string[];
  readonly kind: SealKind;
  /** The wall or floor in words of the model: kind of wall, levels. */
  readonly assembly: string;
  /** Family of the product that is usual for it; the listing decides. */
  readonly family: string;
  readonly seal: Seal | null;
}

/** A seal belongs to a place of its kind within this, m. */
const SAME_PLACE_M = 0.15;

const isPierced = (member: BoredPlace['member']): member is Pierced => (PIERCED as readonly string[]).includes(member);

/**
 * Every place at which a separation is pierced: rated walls and floors between dwellings (fire-stop, listed system), plates and floors in
 * concealed spaces (fire-block), outside walls (weather), other walls (sound). Worked out from the holes; `seals` say what was done.
 */
export function penetrationsOf(project: ProjectDocument, places: readonly BoredPlace[]): Penetration[] {
  const seals = listOf(project, 'seals');
  const building = buildingOf(project);
  return places.flatMap((place): Penetration[] => {
    if (!isPierced(place.member)) return [];
    const wall = place.wallId === null ? undefined : project.walls[place.wallId];
    const kind = kindOf(place.member, wall !== undefined && isOutsideWall(project, wall, [place.at[0], place.at[1]]));
    const level = building.levelById[place.levelId];
    return [
      {
        member: place.member,
        at: place.at,
        levelId: place.levelId,
        wallId: place.wallId,
        roomId: place.roomId,
        runs: place.runs,
        kind,
        assembly: wall ? wall.kind : level.name,
        family: FAMILIES[kind],
        seal: sealAt(seals, place),
      },
    ];
  });
}

const FAMILIES: Readonly<Record<SealKind, string>> = {
  'fire-stop': 'listed system',
  'fire-block': 'mineral wool or fireblock caulk',
  weather: 'exterior sealant, sloped outward',
  sound: 'acoustic sealant',
};

const kindOf = (member: Pierced, isOutdoors: boolean): SealKind =>
  member === 'fire' ? 'fire-stop' : member !== 'board' && member !== 'masonry' ? 'fire-block' : isOutdoors ? 'weather' : 'sound';

const sealAt = (seals: readonly Seal[], { member, at }: BoredPlace): Seal | null =>
  seals.find((seal) => seal.member === member && Math.hypot(...seal.at.map((value, axis) => value - at[axis])) <= SAME_PLACE_M) ??
  null;

/** How many places are open, sealed and inspected. Before the drywall goes on, none may be open (practice B15). */
export function sealCounts(penetrations: readonly Penetration[]): Record<'open' | 'sealed' | 'inspected', number> {
  const counts = { open: 0, sealed: 0, inspected: 0 };
  for (const { seal } of penetrations) counts[seal?.state ?? 'open']++;
  return counts;
}
