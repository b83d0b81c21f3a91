import { listOf } from '@dusky-spool/core/derive';
import { create, type Operation, type ProjectDocument, THEATRE_DEFAULTS, type TheatreAim, update } from '@dusky-spool/core/model';

/** Changes what a room is designed for as a theatre; a room that was none becomes one. */
export function setTheatre(
  project: ProjectDocument,
  roomId: string,
  after: Partial<Omit<TheatreAim, 'id' | 'roomId'>>,
  newId: string,
): Operation[] {
  const there = listOf(project, 'theatres').find((one) => one.roomId === roomId);
  if (!there) return [create('theatres', { ...THEATRE_DEFAULTS, id: newId, roomId, ...after })];
  const operation = update('theatres', there, after);
  return operation ? [operation] : [];
}

/** Sets how much one seat counts, or takes back what was set. */
export function weighSeat(
  aim: Pick<TheatreAim, 'seatWeights'>,
  seat: { readonly featureId: string; readonly place: number },
  weight: number | null,
): TheatreAim['seatWeights'] {
  const others = aim.seatWeights.filter(({ featureId, place }) => featureId !== seat.featureId || place !== seat.place);
  return weight === null ? others : [...others, { featureId: seat.featureId, place: seat.place, weight }];
}

/** Says of a speaker that it is there and stays, or that it may be moved. */
export const fixSpeaker = ({ fixedDeviceIds }: Pick<TheatreAim, 'fixedDeviceIds'>, id: string, isFixed: boolean): string[] =>
  isFixed ? [...new Set([...fixedDeviceIds, id])] : fixedDeviceIds.filter((one) => one !== id);
