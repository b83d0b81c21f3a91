import { type TapePlace, tapePlaceOf, type WallSide } from '../../devices/index.ts';
import { wallNumbers } from '../../house/index.ts';
import { formatLengthFine } from '../../math/index.ts';
import type { Device, ProjectDocument } from '../../model/index.ts';

/** How a place is told, from the texts. */
export interface PlaceWords {
  /** In a wall of a room, by its side; `wall` is its number on the sheet, empty where it is not known. */
  readonly inWall: (room: string, side: WallSide, wall: string) => string;
  readonly fromWall: (distance: string, side: WallSide, wall: string) => string;
  readonly outside: (side: WallSide, wall: string) => string;
  /** From an outside corner of the house. */
  readonly fromCorner: (distance: string, side: WallSide) => string;
  readonly above: (height: string) => string;
  readonly notMeasured: string;
}

/** A place in words: `Kitchen, 1.45 m from the left wall, 0.60 m from the upper wall`. */
export function placeText(project: ProjectDocument, { room, inWall, inWallId, from }: TapePlace, words: PlaceWords): string {
  const { units } = project.project;
  const numberOf = (wallId: string | null) => (wallId === null ? '' : (wallNumbers(project).get(wallId) ?? ''));
  const distance = (firstM: number, lastM: number) => {
    const [first, last] = [firstM, lastM].map((value) => formatLengthFine(Math.round(value * 1000) / 1000, units));
    return first === last ? first : `${first} – ${last}`;
  };
  const parts = from.map(({ side, wallId, firstM, lastM, isCorner }) =>
    isCorner ? words.fromCorner(distance(firstM, lastM), side) : words.fromWall(distance(firstM, lastM), side, numberOf(wallId)),
  );
  if (!room && inWall) parts.unshift(words.outside(inWall, numberOf(inWallId)));
  if (room) parts.unshift(inWall ? words.inWall(room.name, inWall, numberOf(inWallId)) : room.name);
  return parts.join(', ') || words.notMeasured;
}

/** Where a device is, in words; outdoors that is said first. */
export const devicePlaceText = (
  project: ProjectDocument,
  device: Device,
  words: { readonly outdoors: string; readonly place: PlaceWords },
): string => {
  const where = placeText(project, tapePlaceOf(project, device), words.place);
  return device.roomId === null ? `${words.outdoors}, ${where}` : where;
};
