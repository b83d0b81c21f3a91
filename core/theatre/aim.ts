import { listOf } from '../derive/index.ts';
import { type ProjectDocument, THEATRE_DEFAULTS, type TheatreAim } from '../model/index.ts';

/** What a room is designed for as a theatre; the usual where nothing was said. */
export const aimOf = (project: ProjectDocument, roomId: string): TheatreAim =>
  listOf(project, 'theatres').find((one) => one.roomId === roomId) ?? { ...THEATRE_DEFAULTS, id: '', roomId };
