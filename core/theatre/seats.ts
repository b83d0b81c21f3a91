import { briefOf } from '../brief/index.ts';
import { onLevel } from '../derive/index.ts';
import { distance2, type Point2, pointInPolygon, rotate2 } from '../math/index.ts';
import type { Feature, FeatureKind, ProjectDocument, Room, RoomBrief, TheatreAim } from '../model/index.ts';
import { fromMiddle } from './middle-line.ts';
import type { Picture } from './picture.ts';

/** A place to sit or lie; lengths in m, heights above the floor of the level. */
export interface Seat {
  readonly featureId: string;
  /** Which place on the furniture, from 0 at its left. */
  readonly place: number;
  /** Which row it is in, 1 nearest to the picture. */
  readonly row: number;
  readonly at: Point2;
  readonly earM: number;
  readonly eyeM: number;
  /** What it stands on, above the floor of the level. */
  readonly floorM: number;
  /** How much it counts: what was set, else by who uses the room, else the reference seat 1, its row 0.6, other rows 0.4. */
  readonly weight: number;
  readonly isReference: boolean;
}

/** Eyes and ears of who sits, m above the floor that the seat stands on, and the width of a place. */
const MAKES: Partial<Record<FeatureKind, { readonly eyeM: number; readonly earM: number; readonly placeM: number }>> = {
  'seat-row': { eyeM: 1.07, earM: 1, placeM: 0.7 },
  sofa: { eyeM: 1.07, earM: 1, placeM: 0.7 },
  chair: { eyeM: 1.07, earM: 1, placeM: 0.7 },
  bed: { eyeM: 0.95, earM: 0.88, placeM: 0.8 },
};
/** The top of a head over its eyes, m. */
export const HEAD_OVER_EYE_M = 0.12;
/** Rows whose distances from the picture differ by less are one, m. */
const SAME_ROW_M = 0.6;

/** Evenings a week on which a group is there, by how often it says; a group that does not say counts as weekly. */
const EVENINGS: Readonly<Record<RoomBrief['used'], number>> = { daily: 7, weekly: 1, seldom: 0.1, '': 1 };
/** A seat that is only used when the room is full. */
const OVERFLOW_WEIGHT = 0.1;
const [SAME_ROW_WEIGHT, OTHER_ROW_WEIGHT] = [0.6, 0.4];

/** The seats of a room: of its sofas, chairs, beds and rows that hold now, by row and then from left to right. */
export function seatsOf(
  project: ProjectDocument,
  room: Room,
  picture: Picture | null,
  { seatWeights }: Pick<TheatreAim, 'seatWeights'> = { seatWeights: [] },
): Seat[] {
  const furniture = onLevel(project, 'features', room.levelId).filter(
    (one) => MAKES[one.kind] && one.chosen && pointInPolygon(one.points[0] as Point2, room.polygon as readonly Point2[]),
  );
  const places = furniture.flatMap((one) => placesOf(one));
  if (places.length === 0) return [];
  const [px, py] = picture?.middle ?? [places[0].at[0], places[0].at[1] + 1];
  const from = fromMiddle([px, py], picture?.facingDeg ?? 0);
  /** From a seat on to the picture. */
  const ahead = (p: Point2) => -from(p).aheadM;
  const aside = (p: Point2) => from(p).asideM;
  const sorted = [...places].sort((a, b) => ahead(a.at) - ahead(b.at));
  let row = 1;
  const withRows = sorted.map((seat, n) => {
    if (n > 0 && ahead(seat.at) - ahead(sorted[n - 1].at) > SAME_ROW_M) row++;
    return { ...seat, row };
  });
  const setOf = ({ featureId, place }: { featureId: string; place: number }) =>
    seatWeights.find((one) => one.featureId === featureId && one.place === place)?.weight;
  const most = Math.max(0, ...withRows.map((seat) => setOf(seat) ?? 0));
  // The seat that was given most is the one that everything is laid out for; else the middle one of the first row.
  const reference = withRows
    .filter((seat) => (most > 0 ? setOf(seat) === most : seat.row === 1))
    .reduce((best, seat) => (Math.abs(aside(seat.at)) < Math.abs(aside(best.at)) - 1e-9 ? seat : best));
  const usual = (seat: (typeof withRows)[number]) =>
    seat === reference ? 1 : seat.row === reference.row ? SAME_ROW_WEIGHT : OTHER_ROW_WEIGHT;
  // Who comes first takes the reference seat, then what is beside it, then the other rows.
  const asTaken = [...withRows].sort(
    (a, b) => usual(b) - usual(a) || distance2(a.at, reference.at) - distance2(b.at, reference.at) || a.place - b.place,
  );
  const byUse = weightsOfUse(briefOf(project, room.id)?.useGroups ?? [], asTaken.length);
  return withRows
    .sort((a, b) => a.row - b.row || aside(a.at) - aside(b.at) || distance2(a.at, b.at))
    .map((seat) => ({
      ...seat,
      isReference: seat === reference,
      weight: setOf(seat) ?? byUse?.[asTaken.indexOf(seat)] ?? usual(seat),
    }));
}

/**
 * How much seats count that are taken in this order: the share of evenings on which somebody sits there, of those on which the room is
 * used; what nobody takes counts as overflow. Null where nobody said who uses the room.
 */
export function weightsOfUse(groups: RoomBrief['useGroups'], count: number): number[] | null {
  const evenings = groups.reduce((sum, { used }) => sum + EVENINGS[used], 0);
  if (evenings === 0) return null;
  return Array.from({ length: count }, (_, n) => {
    const taken = groups.filter(({ people }) => people > n).reduce((sum, { used }) => sum + EVENINGS[used], 0);
    return Math.max(OVERFLOW_WEIGHT, Math.round((1000 * taken) / evenings) / 1000);
  });
}

/** The places on a piece of furniture, side by side along its width. */
function placesOf({ id, kind, points, widthM, facingRad, bottomM }: Feature) {
  const { eyeM, earM, placeM } = MAKES[kind]!;
  const count = Math.max(1, Math.floor(widthM / placeM + 1e-9));
  const [x, y] = points[0];
  return Array.from({ length: count }, (_, n) => {
    const [dx, dy] = rotate2([((n + 0.5) / count - 0.5) * widthM, 0], facingRad);
    return {
      featureId: id,
      place: n,
      at: [x + dx, y + dy] as Point2,
      floorM: bottomM,
      eyeM: bottomM + eyeM,
      earM: bottomM + earM,
    };
  });
}
