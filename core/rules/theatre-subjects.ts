import type { Reading } from '../derive/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { type Theatre, THEATRES } from '../theatre/index.ts';
import type { RuleFinding } from './check.ts';

/** Every theatre of a project with its room. */
export const inTheatres = (
  read: Reading,
  project: ProjectDocument,
  judge: (theatre: Theatre, room: Room) => readonly RuleFinding[],
): RuleFinding[] => read.get(THEATRES).flatMap((theatre) => judge(theatre, project.rooms[theatre.roomId]));

/** The seat that everything is laid out for, by its place in the list; -1 where there is none. */
export const referenceSeat = ({ seats }: Theatre): number => seats.findIndex(({ isReference }) => isReference);

/** Features that seats of a row stand on or are. */
export const rowFeatures = ({ seats }: Theatre, row: number): string[] => [
  ...new Set(seats.filter((seat) => seat.row === row).map(({ featureId }) => featureId)),
];
